import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { useSayStance } from '../../api/queries';
import type { Job } from '../../api/types';
import { color, radius } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

/** What is known about the owner's data, and the way to change it. */
export function StanceCard({ job }: { job: Job }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Card onPress={() => setOpen(true)}>
        <strong>Data {job.stance.words}</strong>
        <span>{job.stance.meaning}</span>
        {job.stance.signer !== null && <span>Signed: {job.stance.signer}</span>}
      </Card>
      {open && <StanceDialog job={job} onClose={() => setOpen(false)} />}
    </>
  );
}

function StanceDialog({ job, onClose }: { job: Job; onClose: () => void }) {
  const say = useSayStance(job.number);
  const [signer, setSigner] = useState('');
  const done = { onSuccess: onClose };
  return (
    <Modal title={`The data is ${job.stance.words}`} isOpen onClose={onClose}>
      <p>
        {job.stance.meaning}.{job.stance.setAt !== null && ` Said ${when(job.stance.setAt)}.`}{' '}
        “Copied” and “copy verified” come from a copy that was run and compared, never from here.
      </p>
      <Button
        onPress={() => say.mutate({ version: job.version, stance: 'WANTED', signer: null }, done)}
        isDisabled={job.stance.stance === 'WANTED' || say.isPending}
      >
        The owner wants the data
      </Button>
      <Signing>
        <p>
          The owner reads and signs: <q>{job.waiver}</q>
        </p>
        <Field label="Owner’s full name, typed by the owner" value={signer} onChange={setSigner} />
        <Button
          isDisabled={signer.trim() === '' || say.isPending}
          onPress={() => say.mutate({ version: job.version, stance: 'NOT_WANTED', signer }, done)}
        >
          Sign: not wanted
        </Button>
      </Signing>
      {say.isError && <ProblemNote error={say.error} />}
      <Button onPress={onClose}>Leave it as it is</Button>
    </Modal>
  );
}

const Card = styled(AriaButton)`
  font: inherit;
  text-align: left;
  display: grid;
  gap: 2px;
  padding: 10px 16px;
  min-width: 190px;
  max-width: 250px;
  border: 0;
  border-left: 5px solid ${color.hold};
  border-radius: 0 ${radius} ${radius} 0;
  background: ${color.holdSoft};
  color: ${color.holdInk};
  font-size: 14px;
  cursor: pointer;
`;

const Signing = styled.div`
  display: grid;
  gap: 12px;
  padding: 14px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
`;
