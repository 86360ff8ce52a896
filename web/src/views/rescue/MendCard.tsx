import { say, t } from '../../words/words';
import { useState } from 'react';
import { resultOf } from '../../api/result';
import type { DataOnDrive, Run } from '../../api/types';
import { Button } from '../../ui/Button';
import { bytes, count, when } from '../../ui/format';
import { Mono } from '../../ui/Sheet';
import { Card } from './EraseCard';
import { NameDrive } from './NameDrive';

/** What is damaged and has an intact copy: what locks putting it back, and what came of it last. */
export function MendCard({ data }: { data: DataOnDrive }) {
  const [open, setOpen] = useState<'mend' | 'mend/take-back' | null>(null);
  const { pieces, lock, last, canTakeBack } = data.mending;
  if (pieces.length === 0 && last === null) return null;
  const busy = data.open !== null || !data.probeOnline;
  return (
    <Card>
      <b>{t('web.rescue.mend-card.put-back-what-is-damaged')}</b>
      {last !== null && <Came run={last} />}
      {pieces.map((what) => (
        <p key={what}>{what}.</p>
      ))}
      {lock !== null ? (
        <p>{t('web.rescue.mend-card.locked', { reason: lock.reason, opens: lock.opens })}</p>
      ) : (
        <>
          {pieces.length > 0 && (
            <Button isDisabled={busy} onPress={() => setOpen('mend')}>
              {t('web.rescue.mend-card.write-it-anew-from-its-copy')}
            </Button>
          )}
          {canTakeBack && (
            <Button isDisabled={busy} onPress={() => setOpen('mend/take-back')}>
              {t('web.rescue.mend-card.take-the-mending-back')}
            </Button>
          )}
        </>
      )}
      {open !== null && (
        <NameDrive
          data={data}
          what={open}
          title={
            open === 'mend'
              ? t('web.rescue.mend-card.a-few-sectors-are-written-what')
              : t('web.rescue.mend-card.what-stood-there-before-the-mending')
          }
          verb={t('web.rescue.mend-card.written')}
          act={t('web.rescue.mend-card.write-to-the-drive-that-i')}
          onClose={() => setOpen(null)}
        />
      )}
    </Card>
  );
}

function Came({ run }: { run: Run }) {
  const m = resultOf(run, 'mend');
  const at = run.endedAt === null ? '' : `${when(run.endedAt)}: `;
  if (m === null) {
    return (
      <p>
        {at}
        {run.why ?? t('web.rescue.mend-card.it-did-not-begin')}
      </p>
    );
  }
  const back = run.kind === 'TAKE_BACK';
  return (
    <p>
      {say('web.rescue.mend-card.of-now-what-stood-there-is', {
        at,
        written: m.written,
        length: m.pieces.length,
        back,
        pieces: m.pieces
          .map((p) =>
            t('web.rescue.mend-card.at-byte', {
              bytes: bytes(p.length),
              offset: count(p.offset),
            }),
          )
          .join(', '),
        why: m.why,
        value:
          m.left.length > 0 &&
          ` ${t('web.rescue.mend-card.left-as-it-is', { left: m.left.join(' ') })}`,
        value2: run.why !== null && ` ${run.why}.`,
        mono: <Mono>{m.keptIn}</Mono>,
      })}
    </p>
  );
}
