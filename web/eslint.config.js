import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const PATH = '[value=/^\\/api\\//]';
const PART_OF_A_PATH = '[value.raw=/^\\/api\\//]';
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
      ],
    },
  },
);
