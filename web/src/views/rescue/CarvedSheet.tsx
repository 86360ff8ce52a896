import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { bytes, count, when } from '../../ui/format';
import { Lead, Mono, Sheet, SheetHead } from '../../ui/Sheet';

/** Files that no folder names any more, by what is in them. */
export function CarvedSheet({ run }: { run: Run }) {
  const found = resultOf(run, 'carve');
  if (found === null) return null;
  const files = found.sorts.reduce((n, s) => n + s.files, 0);
  const pictures = found.examples.filter((e) => e.preview !== null);
  const others = found.examples.filter((e) => e.preview === null);
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {files === 0
            ? 'No file was found by its content'
            : `${count(files)} files found by their content`}
        </Lead>
        {run.endedAt !== null && <small>{when(run.endedAt)}, from the image</small>}
      </SheetHead>
      <Inner>
        {found.sorts.length > 0 && (
          <p>
            {found.sorts
              .map((s) => `${count(s.files)} ${s.extension} (${bytes(s.bytes)})`)
              .join(', ')}
            , each whole by its own structure and the same when read again; in{' '}
            <Mono>{found.folder}</Mono>.
            {found.failed > 0 &&
              ` ${count(found.failed)} more ${found.failed === 1 ? 'has' : 'have'} a part that was not read.`}
          </p>
        )}
        <p>
          What they were called and when they were changed is not to be had so, and what lay in
          several pieces is not found.
        </p>
        {pictures.length > 0 && (
          <Pictures>
            {pictures.map((e) => (
              <li key={e.name}>
                <img src={`data:image/jpeg;base64,${e.preview ?? ''}`} alt={`Picture ${e.name}`} />
                <small>{bytes(e.bytes)}</small>
              </li>
            ))}
          </Pictures>
        )}
        {others.length > 0 && (
          <ul>
            {others.map((e) => (
              <li key={e.name}>
                <Mono>{e.name}</Mono>, {bytes(e.bytes)}; checked: {e.checked}
              </li>
            ))}
          </ul>
        )}
      </Inner>
    </Sheet>
  );
}

const Inner = styled.div`
  display: grid;
  gap: 8px;
  padding: 0 16px 16px;
  overflow-wrap: anywhere;
`;

const Pictures = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 8px;
  img {
    display: block;
    width: 100%;
    aspect-ratio: 4 / 3;
    object-fit: contain;
    background: ${color.sunken};
    border: 1px solid ${color.line};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
