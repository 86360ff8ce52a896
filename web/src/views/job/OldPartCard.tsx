import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Job, OldPart, WorkStep } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { missing } from '../../ui/missing';

type Fate = NonNullable<OldPart['fate']>;

const FATES: readonly [Fate, string][] = [
  ['RETURNED', t('web.job.old-part-card.returned-to-the-owner')],
  ['KEPT', t('web.job.old-part-card.kept-here-as-evidence')],
  ['SCRAPPED', t('web.job.old-part-card.scrapped-with-a-certificate')],
];

export interface OldPartCardProps {
  job: Job;
  step: WorkStep;
  old: OldPart;
}

/** What became of the part that a step took out; a drive goes nowhere unsaid. */
export function OldPartCard({ job, step, old }: OldPartCardProps) {
  const call = useCall(keys.job(job.number));
  const [isOpen, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const which = old.words === '' ? t('web.job.old-part-card.the-old-part') : old.words;
  const keep = (fate: Fate) =>
    call.mutate(
      () =>
        api.POST('/api/jobs/{number}/steps/{remedy}/part/old', {
          params: { path: { number: job.number, remedy: step.id } },
          body: { version: job.version, fate, note },
        }),
      { onSuccess: () => setOpen(false) },
    );
  if (old.fate !== null && old.fate !== undefined && !isOpen) {
    return (
      <Said>
        {say('web.job.old-part-card.taken-out-correct-it', {
          which,
          fateWords: old.fateWords,
          value: old.note !== null && old.note !== undefined && old.note !== '' && ` (${old.note})`,
          small: (words: ReactNode) => <Small onPress={() => setOpen(true)}>{words}</Small>,
        })}
      </Said>
    );
  }
  return (
    <Card aria-label={t('web.job.old-part-card.the-old-part-of', { name: step.name })}>
      <b>{t('web.job.old-part-card.what-became-of', { which })}</b>
      <Field
        label={t('web.job.old-part-card.who-took-it-or-the-number')}
        value={note}
        onChange={setNote}
        maxLength={500}
      />
      <Row>
        {FATES.map(([fate, words]) => (
          <Small
            key={fate}
            isDisabled={fate === 'SCRAPPED' && isLocked(old)}
            missing={missing([
              fate !== 'SCRAPPED' || note.trim() !== '',
              t('web.missing.the-number-of-the-certificate'),
            ])}
            isPending={call.isPending}
            onPress={() => keep(fate)}
          >
            {words}
          </Small>
        ))}
      </Row>
      {isLocked(old) && (
        <Lock>
          {say('web.job.old-part-card.scrapping-is-locked', {
            reason: old.scrap?.reason,
            opens: old.scrap?.opens,
          })}
        </Lock>
      )}
      {call.isError && <ProblemNote error={call.error} />}
    </Card>
  );
}

const isLocked = (old: OldPart) => old.scrap !== null && old.scrap !== undefined;

const Card = styled.section`
  display: grid;
  gap: 8px;
  padding: 8px 12px;
  border: 1px solid ${color.line};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  font-size: ${size.text};
`;

const Said = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  font-size: ${size.text};
`;

const Small = styled(Button)`
  font-size: ${size.text};
  padding: 4px 12px;
`;

const Lock = styled.p`
  padding: 6px 10px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
`;
