import { minLength, object, pipe, regex, string, transform } from 'valibot';
import styled from 'styled-components';
import { useAnswerKnock, useFloor } from '../api/queries';
import type { Floor, Knock } from '../api/types';
import { size } from '../theme/theme';
import { Button } from '../ui/Button';
import { CheckedField } from '../ui/form/CheckedField';
import { CheckedSelect } from '../ui/form/CheckedSelect';
import { useChecked } from '../ui/form/useChecked';
import { Row } from '../ui/Layout';
import { Modal } from '../ui/Modal';
import { ProblemNote } from '../ui/ProblemNote';
import { say, t } from '../words/words';

export interface LetInProps {
  knock: Knock;
  /** What the machine says of itself. */
  name: string;
  onClose: () => void;
}

const NO_JOB = '';
const NO_BAY = '';

const HOW = object({
  digits: pipe(
    string(),
    transform((text) => text.replace(/\s/g, '')),
    regex(/^\d{6}$/, () => t('web.shell.let-in.six-digits')),
  ),
  bay: pipe(
    string(),
    minLength(1, () => t('web.shell.let-in.choose-a-bay')),
  ),
  job: string(),
});

/** Comparing the digits of a machine that knocks, by typing them, and giving it a bay. */
export function LetIn({ knock, name, onClose }: LetInProps) {
  const floor = useFloor().data;
  return (
    <Modal title={t('web.shell.let-in.title', { name })} isOpen onClose={onClose}>
      {floor !== undefined && <Asked knock={knock} floor={floor} onClose={onClose} />}
    </Modal>
  );
}

function Asked({ knock, floor, onClose }: { knock: Knock; floor: Floor; onClose: () => void }) {
  const free = floor.bays.find((bay) => bay.job === null);
  const { control, handleSubmit, watch } = useChecked(HOW, {
    digits: '',
    bay: String(knock.job?.bay ?? free?.number ?? NO_BAY),
    job: knock.job !== null && knock.job.bay === null ? knock.job.number : NO_JOB,
  });
  const { letIn, turnAway } = useAnswerKnock(knock.id);
  const bay = floor.bays.find((b) => String(b.number) === watch('bay'));
  const job = bay?.job?.number ?? watch('job');
  const unplaced = floor.jobs.filter((j) => j.bay === null);
  return (
    <Form
      noValidate
      onSubmit={(event) =>
        void handleSubmit((how) => {
          letIn.mutate(
            {
              digits: how.digits,
              bay: Number(how.bay),
              job: bay?.job === null && how.job !== NO_JOB ? how.job : null,
            },
            { onSuccess: onClose },
          );
        })(event)
      }
    >
      <p>{t('web.shell.let-in.go-to-the-machine')}</p>
      <Digits>
        <CheckedField
          control={control}
          name="digits"
          label={t('web.shell.let-in.digits')}
          inputMode="numeric"
          autoComplete="off"
          autoFocus
        />
      </Digits>
      <CheckedSelect
        control={control}
        name="bay"
        label={t('web.shell.let-in.bay')}
        options={[
          ...(bay === undefined ? [[NO_BAY, t('web.shell.let-in.choose')] as const] : []),
          ...floor.bays.map((b) => [String(b.number), nameOf(b)] as const),
        ]}
      />
      {bay?.job === null && (
        <CheckedSelect
          control={control}
          name="job"
          label={t('web.shell.let-in.job')}
          options={[
            [NO_JOB, t('web.shell.let-in.none-yet')],
            ...unplaced.map((j) => [j.number, `${j.number} · ${j.machine}`] as const),
          ]}
        />
      )}
      {knock.job !== null && job !== knock.job.number && (
        <p role="status">
          {say('web.shell.let-in.another-job-has-its-serial', { job: knock.job.number })}
        </p>
      )}
      {job !== NO_JOB && <p>{say('web.shell.let-in.goes-into', { job })}</p>}
      {bay !== undefined && bay.link !== 'NO_PROBE' && (
        <p>{t('web.shell.let-in.the-probe-there-is-revoked', { bay: bay.number })}</p>
      )}
      {letIn.isError && <ProblemNote error={letIn.error} />}
      {turnAway.isError && <ProblemNote error={turnAway.error} />}
      <Row>
        <Button primary type="submit" isPending={letIn.isPending}>
          {t('web.shell.let-in.let-it-in')}
        </Button>
        <Button
          onPress={() => turnAway.mutate(undefined, { onSuccess: onClose })}
          isPending={turnAway.isPending}
        >
          {t('web.shell.let-in.turn-it-away')}
        </Button>
        <Button onPress={onClose}>{t('web.shell.let-in.close')}</Button>
      </Row>
    </Form>
  );
}

function nameOf(bay: Floor['bays'][number]): string {
  if (bay.job === null) return t('web.shell.let-in.bay-free', { bay: bay.number });
  return t('web.shell.let-in.bay-of', {
    bay: bay.number,
    job: bay.job.number,
    machine: bay.job.machine,
  });
}

const Form = styled.form`
  display: grid;
  gap: 12px;
`;

const Digits = styled.div`
  max-width: 260px;
  input {
    font-size: ${size.wall};
    letter-spacing: 3px;
    font-variant-numeric: tabular-nums;
  }
`;
