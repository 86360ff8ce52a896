import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const PATH = '[value=/^\\/api\\//]';
const PART_OF_A_PATH = '[value.raw=/^\\/api\\//]';
const READ = 'What people read is a message in words/: say it by t() or say().';
const SENTENCE = '/[A-Za-z]{2,},? [a-z]{2,},? [a-z]{2,}/';
// The names of keys stand on the keys.
const WORD = '/^(?!(Tab|Esc|Enter)$)[A-Z][a-z]{2,}$/';
const NAMED = '/^(label|title|hint|note|aria-label|placeholder|alt)$/';
const TYPED = 'CallExpression[callee.object.name="api"]';

export default tseslint.config(
  { ignores: ['dist', 'target', 'src/api/generated'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  hooks.configs.flat.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'src/test-data.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...[
          `Literal${PATH}:not(${TYPED} > Literal):not(CallExpression[callee.name="address"] > Literal)`,
          `TemplateElement${PART_OF_A_PATH}:not(${TYPED} > TemplateLiteral > TemplateElement)`,
        ].map((selector) => ({
          selector,
          message: 'Ask by api.GET and the like, or link by address(): they know the description.',
        })),
        ...[
          'JSXElement:not([openingElement.name.name="kbd"]) > JSXText[value=/[A-Za-z]{2,}/]',
          `JSXAttribute[name.name=${NAMED}] > Literal[value=/[A-Za-z]{2,}/]`,
          // What is compared with is a code of the server's; an error of ours is read by nobody.
          `:not(BinaryExpression, Property, NewExpression, CallExpression[callee.property.name="startsWith"]) > Literal[value=${SENTENCE}]`,
          `Property > Literal.value[value=${SENTENCE}]`,
          `:not(TaggedTemplateExpression) > TemplateLiteral > TemplateElement[value.raw=${SENTENCE}]`,
          `ArrayExpression > Literal[value=${WORD}]`,
          'CallExpression > Literal[value=/^[A-Z][a-z]+[?!]$/]',
        ].map((selector) => ({ selector, message: READ })),
      ],
    },
  },
  {
    files: ['src/**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-properties': [
        'error',
        {
          object: 'vi',
          property: 'waitFor',
          message: 'It gives up after a second; waitFor of Testing Library waits for what hangs.',
        },
      ],
    },
  },
);
