import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { keys, useCall } from '../../api/queries';
import type { DataOnDrive, DriveRun } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { bytes, count, when } from '../../ui/format';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

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
          <p>Open: it is given up or safe, and it was ruled. Only its name is wanted.</p>
          <Button isDisabled={busy} onPress={() => setOpen(true)}>
            Erase this drive…
          </Button>
        </>
      )}
      {open && <EraseDialog data={data} onClose={() => setOpen(false)} />}
    </Card>
  );
}

function EraseDialog({ data, onClose }: { data: DataOnDrive; onClose: () => void }) {
  const call = useCall(keys.job(data.job), keys.floor);
  const [size, setSize] = useState('');
  const [model, setModel] = useState('');
  const [lastFour, setLastFour] = useState('');
  const named = size.trim() !== '' && model.trim() !== '' && lastFour.trim().length === 4;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    call.mutate(
      {
        method: 'POST',
        path: `/api/jobs/${data.job}/drives/${data.driveKey}/erase`,
        body: { version: data.version, size, model, lastFour },
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Modal title="Everything on this drive will be gone for good" isOpen onClose={onClose}>
      <Form onSubmit={submit}>
        <Fields>
          <p>
            Take the drive in your hand and type what is printed on it. If one of the three is not
            this drive’s, nothing is erased; the probe looks again before it writes.
          </p>
          <Field label="Size, such as 1 TB or 500 GB" value={size} onChange={setSize} />
          <Field label="Model" value={model} onChange={setModel} />
          <Field label="Last four of its serial" value={lastFour} onChange={setLastFour} />
          {call.isError && <ProblemNote error={call.error} />}
          <Button type="submit" isDisabled={!named || call.isPending}>
            Erase the drive that I named
          </Button>
          <Button primary onPress={onClose}>
            Leave it as it is
          </Button>
        </Fields>
      </Form>
    </Modal>
  );
}

function Came({ run }: { run: DriveRun }) {
  const e = run.erased;
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

const Card = styled.div`
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 12px 16px 14px;
  border-top: 1px solid ${color.line};
  p {
    font-size: 14px;
    color: ${color.ink2};
    overflow-wrap: anywhere;
  }
`;

const Fields = styled.div`
  display: grid;
  gap: 12px;
`;
