const ACCENTED: Readonly<Record<string, string>> = {
  ...{ a: 'à', e: 'é', i: 'î', o: 'ö', u: 'û' },
  ...{ A: 'À', E: 'É', I: 'Î', O: 'Ö', U: 'Û' },
};
const LONGER = 0.4;

/** What an argument usually comes to. */
const ARGUMENT_LETTERS = 6;

/**
 * A message of the made-up language for tests, as the server's: in brackets, with accents and 40 %
 * longer. What is clipped with it may be in a real one; what has no brackets has no key.
 */
export function stretched(message: string): string {
  let made = '';
  let depth = 0;
  let letters = 0;
  for (const c of message) {
    if (c === '{' || c === '<') depth += 1;
    const isPlain = depth === 0;
    made += isPlain ? (ACCENTED[c] ?? c) : c;
    letters += isPlain ? 1 : 0;
    if (c === '}' || c === '>') {
      depth -= 1;
      if (depth === 0 && c === '}') letters += ARGUMENT_LETTERS;
    }
  }
  return `[${made}${'~'.repeat(Math.round(LONGER * letters))}]`;
}
