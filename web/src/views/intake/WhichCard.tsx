import { say, t } from '../../words/words';
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
import { missing } from '../../ui/missing';

const SUBJECTS = [
  { id: 'MACHINE', name: t('web.intake.which-card.a-machine'), hint: '' },
  { id: 'DRIVE', name: t('web.intake.which-card.a-loose-drive'), hint: '' },
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
      title={
        subject === 'DRIVE'
          ? t('web.intake.which-card.which-drive-is-it')
          : t('web.intake.which-card.which-machine-is-it')
      }
      hint={t('web.intake.which-card.scan-its-serial-or-type-it')}
      next={t('web.intake.which-card.that-is-it')}
      onNext={onNext}
      onSkip={onSkip}
      missing={missing([answers.machineId != null || named, t('web.missing.which-machine')])}
    >
      <Fields>
        <Field
          label={t('web.intake.which-card.serial')}
          value={serial}
          onChange={(value) => change({ serial: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
        <Field
          label={t('web.intake.which-card.maker')}
          value={answers.maker ?? ''}
          onChange={(value) => change({ maker: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
        <Field
          label={t('web.intake.which-card.model')}
          value={answers.model ?? ''}
          onChange={(value) => change({ model: value === '' ? null : value, machineId: null })}
          autoComplete="off"
        />
      </Fields>
      {answers.machineId != null && (
        <Met>{t('web.intake.which-card.met-before-the-job-is-added')}</Met>
      )}
      {answers.machineId == null &&
        known.data?.machines.map((machine) => (
          <Offer key={machine.id}>
            <span>
              {say('web.intake.which-card.serial-2', {
                maker: machine.maker,
                model: machine.model,
                serial: machine.serial,
                how: machine.how,
                value:
                  machine.lastJob !== null &&
                  ` ${t('web.intake.which-card.last-here-as', { lastJob: machine.lastJob, lastSeenAt: machine.lastSeenAt === null ? '' : `, ${when(machine.lastSeenAt)}`, customer: machine.customer === null ? '' : `, ${machine.customer}` })}`,
              })}
            </span>
            <Button data-do onPress={() => take(machine)}>
              {machine.certain
                ? t('web.intake.which-card.it-is-this-one')
                : t('web.intake.which-card.it-is-this-one-all-the')}
            </Button>
          </Offer>
        ))}
      {known.data?.parts.map((part) => (
        <Offer key={`part-${part.id}`}>
          <span>
            {say('web.intake.which-card.a-with-this-serial-was-here', {
              kind: part.kind,
              model: part.model ?? t('web.intake.which-card.model-not-known'),
              serial: part.serial,
              lastIn:
                part.lastIn === null
                  ? ''
                  : t('web.intake.which-card.last-in', { lastIn: part.lastIn }),
              how: part.how,
            })}
          </span>
        </Offer>
      ))}
      <Choices
        label={t('web.intake.which-card.what-was-brought-in')}
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
