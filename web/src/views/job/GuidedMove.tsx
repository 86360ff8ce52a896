import { t } from '../../words/words';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Job, Move } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { FieldRow } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { BeepTap } from './BeepTap';
import { instrumentOf } from './instruments';
import { StepList } from './StepList';
import { missing } from '../../ui/missing';

export interface GuidedMoveProps {
  job: Job;
  move: Move;
  onClose: () => void;
}

/** A move made by hand: step by step, then what was seen, or why it could not be done. */
export function GuidedMove({ job, move, onClose }: GuidedMoveProps) {
  /** The part of a move that is on no part of its own; all others are drives. */
  const WHOLE_MACHINE = 'machine';

  const call = useCall(keys.job(job.number), keys.floor);
  const [seen, setSeen] = useState<Record<string, string>>({});
  const [note, setNote] = useState('');
  const [not, setNot] = useState<string | null>(null);
  const begun = job.openChange?.what === move.title;
  const waitsForBegin = move.changes && !begun;
  const erases = move.invasiveness === 'ERASES';
  const [drive, setDrive] = useState({ size: '', model: '', lastFour: '' });
  const isNamed =
    drive.size.trim() !== '' && drive.model.trim() !== '' && drive.lastFour.trim().length === 4;
  const params = { path: { number: job.number, move: move.move ?? '' } };
  const on = { version: job.version, part: move.part };
  const begin = () =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/moves/{move}/begin', {
        params,
        body: { ...on, drive: erases ? drive : null },
      }),
    );
  const keep = (levels: Record<string, string>) =>
    call.mutate(
      () =>
        api.POST('/api/jobs/{number}/moves/{move}/outcome', {
          params,
          body: { ...on, levels, note },
        }),
      { onSuccess: onClose },
    );
  const couldNot = (why: string, silent: boolean) =>
    call.mutate(
      () =>
        api.POST('/api/jobs/{number}/moves/{move}/could-not', {
          params,
          body: { ...on, why, silent },
        }),
      { onSuccess: onClose },
    );
  const single = move.asks.length === 1;
  const instrument = instrumentOf(move.move, move.part, job.number);
  return (
    <Modal title={move.title} isOpen onClose={onClose}>
      <p>{move.why}</p>
      <Facts>
        <InvasivenessPips invasiveness={move.invasiveness} words={move.invasivenessWords} />
        <span>{times(move)}</span>
        {move.needs.length > 0 && (
          <span>{t('web.job.guided-move.needs', { needs: move.needs.join(', ') })}</span>
        )}
      </Facts>
      {move.notes.length > 0 && (
        <Notes aria-label={t('web.job.guided-move.what-the-shop-knows-of-this')}>
          {move.notes.map((note) => (
            <li key={note.topic}>
              <b>{note.topicWords}:</b> {note.text}{' '}
              <small>
                {note.models === ''
                  ? t('web.job.guided-move.all-of', { maker: note.maker })
                  : `${note.maker} ${note.models}`}
              </small>
            </li>
          ))}
        </Notes>
      )}
      <StepList steps={move.steps} />
      {begun && job.openChange !== null && (
        <p>
          {t('web.job.guided-move.begun-such-a-one-is-over', {
            when: when(job.openChange.at),
            when2: when(likelyOver(job.openChange.at, move)),
          })}
        </p>
      )}
      {instrument !== null && (
        <p>
          <Link to={instrument.to}>{instrument.words}</Link>
        </p>
      )}
      {call.isError && <ProblemNote error={call.error} />}
      {waitsForBegin ? (
        <>
          <p role="note">{t('web.job.guided-move.it-changes-something-from-its-beginning')}</p>
          {erases && (
            <>
              <p>{t('web.job.guided-move.it-erases-type-what-is-printed')}</p>
              <FieldRow>
                <Field
                  label={t('web.job.guided-move.size-such-as-500-gb')}
                  value={drive.size}
                  onChange={(size) => setDrive({ ...drive, size })}
                />
                <Field
                  label={t('web.job.guided-move.model')}
                  value={drive.model}
                  onChange={(model) => setDrive({ ...drive, model })}
                />
                <Field
                  label={t('web.job.guided-move.last-four-of-its-serial')}
                  value={drive.lastFour}
                  onChange={(lastFour) => setDrive({ ...drive, lastFour })}
                />
              </FieldRow>
            </>
          )}
          <Button
            primary
            missing={missing([!erases || isNamed, t('web.missing.the-drive-s-name')])}
            isPending={call.isPending}
            onPress={begin}
          >
            {t('web.job.guided-move.begin')}
          </Button>
        </>
      ) : (
        move.asks.map((ask) => (
          <Ask key={ask.finding} role="group" aria-label={ask.name}>
            <b>{ask.name}</b>
            <Answers>
              {ask.levels.map((level) => (
                <Answer
                  key={level.id}
                  type="button"
                  aria-pressed={single ? undefined : seen[ask.finding] === level.id}
                  disabled={call.isPending}
                  onClick={() =>
                    single
                      ? keep({ [ask.finding]: level.id })
                      : setSeen({ ...seen, [ask.finding]: level.id })
                  }
                >
                  {level.words}
                </Answer>
              ))}
            </Answers>
          </Ask>
        ))
      )}
      {!waitsForBegin && move.asks.some((ask) => ask.finding.endsWith('.beep')) && (
        <BeepTap
          onHeard={(pattern) =>
            setNote(pattern === '' ? '' : t('web.job.guided-move.beeps', { pattern }))
          }
        />
      )}
      {!waitsForBegin && (
        <Field
          label={t('web.job.guided-move.a-note-if-one-helps')}
          value={note}
          onChange={setNote}
          maxLength={400}
        />
      )}
      {!single && !waitsForBegin && (
        <Button
          primary
          missing={missing([Object.keys(seen).length > 0, t('web.missing.what-you-saw')])}
          isPending={call.isPending}
          onPress={() => keep(seen)}
        >
          {t('web.job.guided-move.keep-what-was-seen')}
        </Button>
      )}
      {not === null ? (
        <Button onPress={() => setNot('')}>{t('web.job.guided-move.could-not-do-it')}</Button>
      ) : (
        <FieldRow>
          <Field
            label={t('web.job.guided-move.because')}
            value={not}
            onChange={setNot}
            maxLength={400}
            autoFocus
          />
          <Button
            missing={missing([not.trim() !== '', t('web.missing.why-not')])}
            isPending={call.isPending}
            onPress={() => couldNot(not, false)}
          >
            {t('web.job.guided-move.keep-that-it-could-not-be')}
          </Button>
          {move.part !== WHOLE_MACHINE && (
            <Button
              isPending={call.isPending}
              onPress={() =>
                couldNot(not.trim() || t('web.job.guided-move.the-drive-did-not-answer'), true)
              }
            >
              {t('web.job.guided-move.the-drive-did-not-answer-2')}
            </Button>
          )}
        </FieldRow>
      )}
    </Modal>
  );
}

/** From the minutes of the know-how: its hands, then its waiting. */
const likelyOver = (begunAt: string, move: Move) =>
  new Date(Date.parse(begunAt) + (move.handsOn + move.waiting) * 60_000).toISOString();

/** Work, then waiting: "10 min, wait 5 min". */
export function times(move: Move): string {
  const work = move.handsOn === 0 ? '' : t('web.job.guided-move.min', { handsOn: move.handsOn });
  const wait =
    move.waiting === 0 ? '' : t('web.job.guided-move.wait-min', { waiting: move.waiting });
  return [work, wait].filter((words) => words !== '').join(', ');
}

const Facts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  color: ${color.ink2};
`;

const Notes = styled.ul`
  border-left: 3px solid ${color.line};
  padding-left: 12px;
  display: grid;
  gap: 4px;
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Ask = styled.div`
  display: grid;
  gap: 6px;
`;

const Answers = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
`;

const Answer = styled.button`
  min-height: 52px;
  padding: 8px 12px;
  font: inherit;
  font-size: ${size.head};
  color: ${color.ink};
  background: ${color.sheet};
  border: 2px solid ${color.line};
  border-radius: ${radius};
  cursor: pointer;
  &:hover {
    border-color: ${color.clear};
  }
  &:focus-visible {
    outline: 3px solid ${color.leanMark};
    outline-offset: 1px;
  }
  &[aria-pressed='true'] {
    border-color: ${color.clear};
    background: ${color.clearSoft};
    font-weight: 700;
  }
  &:disabled {
    opacity: 0.6;
    cursor: default;
  }
`;
