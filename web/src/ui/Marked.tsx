import styled from 'styled-components';
import { color } from '../theme/theme';

export interface MarkedProps {
  text: string;
  find: string;
  /** Compared without hyphens and spaces. */
  serial?: boolean;
}

/** A text with what was looked for marked in it. */
export function Marked({ text, find, serial = false }: MarkedProps) {
  return (
    <>
      {pieces(text, find, serial).map((piece, i) =>
        piece.found ? <Mark key={i}>{piece.text}</Mark> : <span key={i}>{piece.text}</span>,
      )}
    </>
  );
}

interface Piece {
  text: string;
  found: boolean;
}

/** Words are found where a word begins, a serial anywhere in it. */
export function pieces(text: string, find: string, serial: boolean): Piece[] {
  const found = new Array<boolean>(text.length).fill(false);
  if (serial) {
    const kept = [...text].map((c, i) => ({ c, i })).filter(({ c }) => /[\p{L}\p{N}]/u.test(c));
    const plain = kept.map(({ c }) => c.toLowerCase()).join('');
    const part = find.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
    const at = part.length < 3 ? -1 : plain.indexOf(part);
    const first = kept[at]?.i;
    const last = kept[at + part.length - 1]?.i;
    if (at >= 0 && first !== undefined && last !== undefined) found.fill(true, first, last + 1);
  } else {
    for (const word of find.toLowerCase().split(/[^\p{L}\p{N}]+/u)) {
      if (word.length < 2) continue;
      for (const match of text.matchAll(/[\p{L}\p{N}]+/gu)) {
        if (match[0].toLowerCase().startsWith(word)) {
          found.fill(true, match.index, match.index + word.length);
        }
      }
    }
  }
  const out: Piece[] = [];
  [...found.keys()].forEach((i) => {
    const last = out[out.length - 1];
    if (last !== undefined && last.found === found[i]) last.text += text.charAt(i);
    else out.push({ text: text.charAt(i), found: found[i] ?? false });
  });
  return out;
}

const Mark = styled.mark`
  background: ${color.leanSoft};
  color: inherit;
  font-weight: 700;
  border-bottom: 2px solid ${color.leanMark};
`;
