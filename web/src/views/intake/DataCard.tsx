import { say, t } from '../../words/words';
import type { ReactNode } from 'react';
import { api } from '../../api/client';
import { useCall } from '../../api/queries';
import type { Intake, Script } from '../../api/types';
import { ProblemNote } from '../../ui/ProblemNote';
import { Card } from './Card';
import { Choices } from './Choices';
import { Signature } from './Signature';
import type { StepProps } from './stepProps';
import type { IntakeState } from './useIntake';

const WANTED = [
  { id: 'yes', name: t('web.intake.cards.the-data-is-wanted'), hint: '' },
  { id: 'no', name: t('web.intake.cards.it-is-not-wanted'), hint: '' },
];
const BACKUPS = [
  { id: 'never', name: t('web.intake.cards.no-backup'), hint: '' },
  { id: 'days', name: t('web.intake.cards.days-old'), hint: '' },
  { id: 'weeks', name: t('web.intake.cards.weeks-old'), hint: '' },
  { id: 'months', name: t('web.intake.cards.months-old'), hint: '' },
  { id: 'longer', name: t('web.intake.cards.older'), hint: '' },
];
const LOCKED = [
  { id: 'no', name: t('web.intake.cards.not-encrypted'), hint: '' },
  { id: 'owner', name: t('web.intake.cards.encrypted-owner-has-the-key'), hint: '' },
  { id: 'work', name: t('web.intake.cards.encrypted-their-work-has-it'), hint: '' },
  { id: 'nobody', name: t('web.intake.cards.encrypted-nobody-has-it'), hint: '' },
];

/** Whether the data is wanted, and what the owner signs if not. */
export function DataCard({
  script,
  intake,
  answers,
  change,
  flush,
  onNext,
  onSkip,
}: StepProps & { script: Script; flush: IntakeState['flush'] }) {
  const finding = useCall<Intake>(['intake', intake.id]);
  const locked =
    answers.encrypted == null ? [] : answers.encrypted ? [answers.keyHolder ?? 'owner'] : ['no'];
  return (
    <Card
      title={t('web.intake.cards.is-the-data-on-it-wanted')}
      hint={t('web.intake.cards.until-it-is-said-it-counts')}
      next={t('web.intake.cards.that-is-said')}
      onNext={onNext}
      onSkip={onSkip}
      onUnknown={() => {
        change({ dataWanted: null, waiver: null, unknown: [...(answers.unknown ?? []), 'data'] });
        onNext();
      }}
    >
      <Choices
        label={t('web.intake.cards.whether-the-data-is-wanted')}
        options={WANTED}
        chosen={answers.dataWanted == null ? [] : [answers.dataWanted ? 'yes' : 'no']}
        onChoose={([id]) =>
          change({ dataWanted: id === undefined ? null : id === 'yes', waiver: null })
        }
      />
      {answers.dataWanted === false && answers.waiver == null && (
        <Signature
          wording={script.waiver}
          isPending={finding.isPending}
          onSign={(name, strokes) => {
            void flush().then((view) =>
              finding.mutate(() =>
                api.POST('/api/intakes/{id}/waiver', {
                  params: { path: { id: intake.id } },
                  body: { version: view.version, name, strokes },
                }),
              ),
            );
          }}
        />
      )}
      {answers.waiver != null && (
        <p>
          {say('web.intake.cards.signed-by', {
            name: answers.waiver.name,
            q: (words: ReactNode) => <q>{words}</q>,
            wording: answers.waiver.wording,
          })}
        </p>
      )}
      {finding.isError && <ProblemNote error={finding.error} />}
      <Choices
        label={t('web.intake.cards.last-backup')}
        second
        options={BACKUPS}
        chosen={answers.lastBackup == null ? [] : [answers.lastBackup]}
        onChoose={([id]) => change({ lastBackup: id ?? null })}
      />
      <Choices
        label={t('web.intake.cards.encryption')}
        second
        options={LOCKED}
        chosen={locked}
        onChoose={([id]) =>
          change(
            id === undefined
              ? { encrypted: null, keyHolder: null }
              : { encrypted: id !== 'no', keyHolder: id === 'no' ? null : id },
          )
        }
      />
    </Card>
  );
}
