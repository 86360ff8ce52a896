import { say, t } from '../../words/words';
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
            ? t('web.rescue.carved-sheet.no-file-was-found-by-its')
            : t('web.rescue.carved-sheet.files-found-by-their-content', { count: count(files) })}
        </Lead>
        {run.endedAt !== null && (
          <small>{t('web.rescue.carved-sheet.from-the-image', { when: when(run.endedAt) })}</small>
        )}
      </SheetHead>
      <Inner>
        {found.sorts.length > 0 && (
          <p>
            {say('web.rescue.carved-sheet.each-whole-by-its-own-structure', {
              sorts: found.sorts
                .map((s) => `${count(s.files)} ${s.extension} (${bytes(s.bytes)})`)
                .join(', '),
              mono: <Mono>{found.folder}</Mono>,
              value:
                found.failed > 0 &&
                ` ${t('web.rescue.carved-sheet.more-a-part-that-was-not', { count: count(found.failed), failed: found.failed })}`,
            })}
          </p>
        )}
        <p>{t('web.rescue.carved-sheet.what-they-were-called-and-when')}</p>
        {pictures.length > 0 && (
          <Pictures>
            {pictures.map((e) => (
              <li key={e.name}>
                <img
                  src={`data:image/jpeg;base64,${e.preview ?? ''}`}
                  alt={t('web.rescue.carved-sheet.picture', { name: e.name })}
                />
                <small>{bytes(e.bytes)}</small>
              </li>
            ))}
          </Pictures>
        )}
        {others.length > 0 && (
          <ul>
            {others.map((e) => (
              <li key={e.name}>
                {say('web.rescue.carved-sheet.checked', {
                  mono: <Mono>{e.name}</Mono>,
                  bytes: bytes(e.bytes),
                  checked: e.checked,
                })}
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
