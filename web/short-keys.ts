import { readFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import type { Plugin } from 'vite';

const FILE = /\/tekmerion\/words\/[a-z]+\.json$/;
const LITERAL = /'(web(?:\.[a-z0-9-]+)+)'/g;
const ENGLISH = resolve(import.meta.dirname, '../words/src/main/resources/tekmerion/words/en.json');

const read = (file: string) => JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>;

/** Keys of messages are long for people who write code; what is built says them by number. */
export function shortKeys(): Plugin {
  const keys = Object.keys(read(ENGLISH)).filter((key) => key.startsWith('web.'));
  const short = new Map(keys.map((key, i) => [key, i.toString(36)]));
  return {
    name: 'short-keys',
    apply: 'build',
    enforce: 'pre',
    resolveId(source, importer) {
      if (!FILE.test(source) || importer === undefined) return null;
      return `\0${resolve(dirname(importer), source)}.js`;
    },
    load(id) {
      const file = id.replace(/^\0/, '').replace(/\.js$/, '');
      if (!id.startsWith('\0') || !FILE.test(file)) return null;
      const all = read(file);
      const mine = Object.fromEntries(keys.map((key) => [short.get(key), all[key]]));
      return `export default JSON.parse(${JSON.stringify(JSON.stringify(mine))})`;
    },
    transform(code, id) {
      if (!/\/src\/.*\.tsx?$/.test(id)) return null;
      const said = code.replace(LITERAL, (whole, key: string) => {
        const number = short.get(key);
        return number === undefined ? whole : `'${number}'`;
      });
      return { code: said, map: null };
    },
  };
}
