import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as ts from 'typescript';
import { afterEach, expect, it } from 'vitest';
import english from '../../../words/src/main/resources/tekmerion/words/en.json';
import bokmal from '../../../words/src/main/resources/tekmerion/words/nb.json';
import { clock, count, dated, fixed, listed, money } from '../ui/format';
import { stretched } from './stretched';
import { say, speakIn, stretch, t } from './words';

const OTHERS: Record<string, Record<string, string>> = { nb: bokmal };
const ENGLISH: Record<string, string> = english;

afterEach(() => {
  speakIn('en', english);
});

/** What a message needs: its arguments, and the elements that its words stand in. */
function needs(parts: readonly MessageFormatElement[]): string[] {
  return parts.flatMap((part) => {
    if (part.type === TYPE.literal || part.type === TYPE.pound) return [];
    if (part.type === TYPE.tag) return [`<${part.value}>`, ...needs(part.children)];
    if (part.type === TYPE.select || part.type === TYPE.plural) {
      return [part.value, ...Object.values(part.options).flatMap((o) => needs(o.value))];
    }
    return [part.value];
  });
}

const needed = (message: string) => [...new Set(needs(parse(message)))].sort();

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'generated' ? [] : sources(path);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [path] : [];
  });
}

it.each(Object.keys(OTHERS))(
  'says in %s all that English says, with the same arguments',
  (code) => {
    const other = OTHERS[code] ?? {};
    expect(Object.keys(other).sort()).toEqual(Object.keys(ENGLISH).sort());
    const differ = Object.keys(ENGLISH).filter(
      (key) => needed(ENGLISH[key] ?? '').join() !== needed(other[key] ?? '').join(),
    );
    expect(differ).toEqual([]);
  },
);

it('never says what happens by a bare verb', () => {
  const bare = /^(Do|Start|Begin|Read|Go on|End|Run)( it)?( ›|…)?$/;
  const found = Object.entries(ENGLISH).filter(
    ([key, words]) => key.startsWith('web.') && bare.test(words),
  );
  expect(found).toEqual([]);
});

/** What a place in the code hands over, by the key that it says. */
function handedOver(file: string): [string, string][] {
  const source = ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    ts.ScriptKind.TSX,
  );
  const found: [string, string][] = [];
  const look = (node: ts.Node) => {
    if (ts.isCallExpression(node) && /^(t|say)$/.test(node.expression.getText())) {
      const [key, values] = node.arguments;
      if (key !== undefined && ts.isStringLiteral(key)) {
        const names =
          values !== undefined && ts.isObjectLiteralExpression(values)
            ? values.properties.map((p) => p.name?.getText() ?? '…')
            : [];
        found.push([key.text, names.sort().join()]);
      }
    }
    ts.forEachChild(node, look);
  };
  look(source);
  return found;
}

it('is handed what each message needs, nothing more', () => {
  const plain = /^<(b|i|small|em|strong)>$/;
  const wrong = sources('src')
    .flatMap(handedOver)
    .filter(([key, names]) => {
      const all = needed(ENGLISH[key] ?? '').filter((name) => !plain.test(name));
      const given = names.split(',').filter((name) => name !== '' && name !== 'small');
      const wanted = all.map((name) => name.replace(/[<>]/g, '')).filter((n) => n !== 'small');
      return [...new Set(wanted)].sort().join() !== given.sort().join();
    });
  expect(wrong).toEqual([]);
});

it('has no message that nobody says', () => {
  const code = sources('src')
    .map((file) => readFileSync(file, 'utf8'))
    .join('\n');
  const web = Object.keys(ENGLISH).filter((key) => key.startsWith('web.'));
  expect(web.filter((key) => !code.includes(`'${key}'`))).toEqual([]);
});

it('writes numbers, dates and lists as the reader’s language does', () => {
  const at = new Date(2026, 10, 30, 9, 5);
  expect([count(12345.5), fixed(0.5, 2), listed(['a', 'b', 'c'])]).toEqual([
    '12,345.5',
    '0.50',
    'a, b and c',
  ]);
  speakIn('nb', bokmal);
  expect([count(12345.5), fixed(0.5, 2), listed(['a', 'b', 'c'])]).toEqual([
    '12\u00a0345,5',
    '0,50',
    'a, b og c',
  ]);
  expect(clock(at)).toBe('09:05');
  expect(dated(at, { day: 'numeric', month: 'long' })).toBe('30. november');
  expect(money(1234.5, 'NOK')).toMatch(/1\u00a0234,50\u00a0kr/);
});

it('chooses by number and by what holds', () => {
  expect(t('web.job.causes.weighed', { findings: 1 })).toBe('1 finding weighed.');
  expect(t('web.job.causes.weighed', { findings: 12 })).toBe('12 findings weighed.');
  speakIn('nb', bokmal);
  expect(t('web.shell.bay-dialog.the-probe-in-bay-is', { bay: 3, online: false })).toBe(
    'Proben på plass 3 er ikke koblet til',
  );
  expect(say('web.shell.band.bay')).toBe('Plass');
});

it('is made longer for tests, with its arguments as they were', () => {
  // 5 letters and an argument that stands for 6: 40 % of 11 are 4.4.
  expect(stretched('Bay {bay}.')).toBe('[Bày {bay}.~~~~]');
  expect(stretched('{n, plural, one {# drive} other {# drives}}')).toContain('{# drives}}');
  const differ = Object.entries(ENGLISH).filter(
    ([, message]) => needed(stretched(message)).join() !== needed(message).join(),
  );
  expect(differ).toEqual([]);
  stretch(english, stretched);
  expect(t('web.ui.how-we-know.how-do-we-know', { of: 'x' })).toBe('[Höw dö wé knöw: x~~~~~~~~~]');
});
