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
      <b>Erase it</b>
      {data.erased !== null && <Came run={data.erased} />}
      {data.eraseLock !== null ? (
        <p>
          Locked: {data.eraseLock.reason} {data.eraseLock.opens}
        </p>
      ) : (
        <>
          <p>Open: it is given up or safe, and it was decided. Only its name is wanted.</p>
          <Button isDisabled={busy} onPress={() => setOpen(true)}>
            Erase this drive…
          </Button>
        </>
      )}
      {open && (
        <NameDrive
          data={data}
          what="erase"
          title="Everything on this drive will be gone for good"
          verb="erased"
          act="Erase the drive that I named"
          onClose={() => setOpen(false)}
        />
      )}
    </Card>
  );
}

function Came({ run }: { run: Run }) {
  const e = resultOf(run, 'erase');
  if (e === null) return <p>{run.why ?? 'It did not begin.'}</p>;
  const whole = e.refusedBytes === 0 && e.writtenBytes === e.sizeBytes;
  return (
    <p>
      {run.endedAt !== null && `${when(run.endedAt)}: `}
      {bytes(e.writtenBytes)} of {bytes(e.sizeBytes)} written over
      {!whole && `, ${bytes(e.sizeBytes - e.writtenBytes)} not`}
      {e.lookedAt > 0 && (
        <>
          ; read back at {count(e.lookedAt)} places, {count(e.notZero)} not zero,{' '}
          {count(e.unreadable)} unreadable
          {e.notErasedAtMost !== null &&
            `: with 95 % confidence at most ${(100 * e.notErasedAtMost).toPrecision(2)} % is left`}
        </>
      )}
      .
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
