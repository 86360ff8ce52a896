import { say, t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { resultOf } from '../../api/result';
import type { DataOnDrive, Run } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { bytes, count, when } from '../../ui/format';
import { NameDrive } from './NameDrive';

/** Erasing: what locks it, or the way to name the drive; and what came of it last. */
export function EraseCard({ data }: { data: DataOnDrive }) {
  const [open, setOpen] = useState(false);
  const busy = data.open !== null || !data.probeOnline;
  return (
    <Card>
      <b>{t('web.rescue.erase-card.erase-it')}</b>
      {data.erased !== null && <Came run={data.erased} />}
      {data.eraseLock !== null ? (
        <p>
          {t('web.rescue.erase-card.locked', {
            reason: data.eraseLock.reason,
            opens: data.eraseLock.opens,
          })}
        </p>
      ) : (
        <>
          <p>{t('web.rescue.erase-card.open-it-is-given-up-or')}</p>
          <Button isDisabled={busy} onPress={() => setOpen(true)}>
            {t('web.rescue.erase-card.erase-this-drive')}
          </Button>
        </>
      )}
      {open && (
        <NameDrive
          data={data}
          what="erase"
          title={t('web.rescue.erase-card.everything-on-this-drive-will-be')}
          verb={t('web.rescue.erase-card.erased')}
          act={t('web.rescue.erase-card.erase-the-drive-that-i-named')}
          onClose={() => setOpen(false)}
        />
      )}
    </Card>
  );
}

function Came({ run }: { run: Run }) {
  const e = resultOf(run, 'erase');
  if (e === null) return <p>{run.why ?? t('web.rescue.erase-card.it-did-not-begin')}</p>;
  const whole = e.refusedBytes === 0 && e.writtenBytes === e.sizeBytes;
  return (
    <p>
      {say('web.rescue.erase-card.of-written-over', {
        value: run.endedAt !== null && `${when(run.endedAt)}: `,
        bytes: bytes(e.writtenBytes),
        bytes2: bytes(e.sizeBytes),
        value2:
          !whole && t('web.rescue.erase-card.not', { bytes: bytes(e.sizeBytes - e.writtenBytes) }),
        value3: e.lookedAt > 0 && (
          <>
            {say('web.rescue.erase-card.read-back-at-places-not-zero', {
              count: count(e.lookedAt),
              count2: count(e.notZero),
              count3: count(e.unreadable),
              value:
                e.notErasedAtMost !== null &&
                t('web.rescue.erase-card.with-95-confidence-at-most-is', {
                  toPrecision: (100 * e.notErasedAtMost).toPrecision(2),
                }),
            })}
          </>
        ),
      })}
    </p>
  );
}

export const Card = styled.div`
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 12px 16px 14px;
  border-top: 1px solid ${color.line};
  p {
    font-size: ${size.text};
    color: ${color.ink2};
    overflow-wrap: anywhere;
  }
`;
