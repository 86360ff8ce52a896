import { useQuery } from '@tanstack/react-query';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import type { KnownMachine } from '../../api/types';
import { color, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Card } from './Card';
import { Choices } from './Choices';
import type { StepProps } from './stepProps';

const SUBJECTS = [
  { id: 'MACHINE', name: 'A machine', hint: '' },
  { id: 'DRIVE', name: 'A loose drive', hint: '' },
];

/** Which machine or drive. One that was met before is known by its serial. */
export function WhichCard({ answers, change, onNext, onSkip }: StepProps) {
  const serial = answers.serial ?? '';
  const subject = answers.subject ?? 'MACHINE';
  const known = useQuery({
    queryKey: ['known', serial],
    queryFn: () => told(api.GET('/api/known', { params: { query: { serial } } })),
    enabled: serial.trim().length > 3,
  });
  const named = [answers.maker, answers.model].some((text) => (text ?? '').trim() !== '');
  const take = (machine: KnownMachine) =>
    change({
      machineId: machine.id,
      maker: machine.maker,
      model: machine.model,
      serial: machine.serial,
      ...(answers.customerName === undefined && machine.customerId !== null
        ? { customerId: machine.customerId, customerName: machine.customer }
        : {}),
    });
  return (
    <Card
      title={subject === 'DRIVE' ? 'Which drive is it?' : 'Which machine is it?'}
      hint="scan its serial, or type it; leave it empty if there is none to read"
      next="That is it"
      onNext={onNext}
      onSkip={onSkip}
      isNextDisabled={answers.machineId == null && !named}
    >
      <Fields>
        <Field
          label="Serial"
          value={serial}
          onChange={(value) => change({ serial: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
        <Field
          label="Maker"
          value={answers.maker ?? ''}
          onChange={(value) => change({ maker: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
        <Field
          label="Model"
          value={answers.model ?? ''}
          onChange={(value) => change({ model: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
      </Fields>
      {answers.machineId != null && <Met>Met before: the job is added to its history.</Met>}
      {answers.machineId == null &&
        known.data?.machines.map((machine) => (
          <Offer key={machine.id}>
            <span>
              <b>
                {machine.maker} {machine.model}
              </b>
              , serial {machine.serial}: {machine.how}.
              {machine.lastJob !== null &&
                ` Last here as ${machine.lastJob}${machine.lastSeenAt === null ? '' : `, ${when(machine.lastSeenAt)}`}${machine.customer === null ? '' : `, ${machine.customer}`}.`}
            </span>
            <Button data-do onPress={() => take(machine)}>
              {machine.certain ? 'It is this one' : 'It is this one all the same'}
            </Button>
          </Offer>
        ))}
      {known.data?.parts.map((part) => (
        <Offer key={`part-${part.id}`}>
          <span>
            A {part.kind} with this serial was here: <b>{part.model ?? 'model not known'}</b>{' '}
            {part.serial}
            {part.lastIn === null ? '' : `, last in ${part.lastIn}`} ({part.how}).
          </span>
        </Offer>
      ))}
      <Choices
        label="What was brought in"
        second
        options={SUBJECTS}
        chosen={[subject]}
        onChoose={([id]) => change({ subject: id === 'DRIVE' ? 'DRIVE' : 'MACHINE' })}
      />
    </Card>
  );
}

const Fields = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 12px;
  ${upTo.middle} {
    grid-template-columns: 1fr;
  }
`;

const Met = styled.p`
  font-weight: 700;
  color: ${color.clear};
`;

const Offer = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
  padding: 8px 12px;
  border-left: 4px solid ${color.leanMark};
  background: ${color.leanSoft};
`;
