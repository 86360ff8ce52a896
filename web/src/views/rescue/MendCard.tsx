import { useState } from 'react';
import { resultOf } from '../../api/result';
import type { DataOnDrive, Run } from '../../api/types';
import { Button } from '../../ui/Button';
import { bytes, when } from '../../ui/format';
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
      <b>Put back what is damaged</b>
      {last !== null && <Came run={last} />}
      {pieces.map((what) => (
        <p key={what}>{what}.</p>
      ))}
      {lock !== null ? (
        <p>
          Locked: {lock.reason} {lock.opens}
        </p>
      ) : (
        <>
          {pieces.length > 0 && (
            <Button isDisabled={busy} onPress={() => setOpen('mend')}>
              Write it anew from its copy…
            </Button>
          )}
          {canTakeBack && (
            <Button isDisabled={busy} onPress={() => setOpen('mend/take-back')}>
              Take the mending back…
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
              ? 'A few sectors are written; what stands there is kept first'
              : 'What stood there before the mending is written again'
          }
          verb="written"
          act="Write to the drive that I named"
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
        {run.why ?? 'it did not begin'}
      </p>
    );
  }
  const back = run.kind === 'TAKE_BACK';
  return (
    <p>
      {at}
      {m.written} of {m.pieces.length} {back ? 'taken back' : 'written and read back the same'} (
      {m.pieces
        .map((p) => `${bytes(p.length)} at byte ${p.offset.toLocaleString('en')}`)
        .join(', ')}
      ). Now: {m.why}.{m.left.length > 0 && ` Left as it is: ${m.left.join(' ')}`}
      {run.why !== null && ` ${run.why}.`} What stood there is kept in <Mono>{m.keptIn}</Mono> of
      the bench machine’s folder of copies.
    </p>
  );
}
