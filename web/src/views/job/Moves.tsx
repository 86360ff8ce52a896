import { say, t } from '../../words/words';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useProgress, useReadPart, type Progress } from '../../api/queries';
import type { Job, Move } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { isTyping } from '../../shell/isTyping';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { sentence } from '../../ui/format';
import { GuidedMove, times } from './GuidedMove';

const SHOWN = 3;

/** What can be done next; N does the first. What is locked says why and what opens it. */
export function Moves({ job }: { job: Job }) {
  const read = useReadPart(job.number);
  const progress = useProgress(job.number).data ?? null;
  const run = useCall(keys.job(job.number));
  // A link may lead straight to a move that is made by hand.
  const [asked] = useSearchParams();
  const [guided, setGuided] = useState<Move | null>(
    () => job.moves.find((m) => m.id === asked.get('move') && m.lock === null && byHand(m)) ?? null,
  );
  const [all, setAll] = useState(false);
  const next = job.moves.find((move) => move.lock === null);
  const make = (move: Move) => {
    const { partKey, by } = move;
    if (partKey === null || by === null) setGuided(move);
    else if (by === 'READ') read.mutate({ partKey });
    else
      run.mutate(() =>
        api.POST('/api/jobs/{number}/parts/{partKey}/runs', {
          params: { path: { number: job.number, partKey } },
          body: { kind: by },
        }),
      );
  };
  // The best ones, and every first reading, stay in sight; the rest is one press away.
  const isFirst = (move: Move) =>
    move.by === 'READ' &&
    job.drives.every((drive) => drive.key !== move.partKey || drive.readingId === null);
  const open = job.moves.filter((move) => move.lock === null);
  const locked = job.moves.filter((move) => move.lock !== null);
  const few = [
    ...open.filter((move, i) => i < SHOWN || isFirst(move)),
    ...locked.filter((move) => move.by === 'READ'),
  ];
  const shown = all ? job.moves : few;
  useNextKey(next === undefined || read.isPending ? null : () => make(next));
  const refused = job.pending.filter((request) => request.refusedWhy !== null);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.job.moves.next-moves-best-first')}</Lead>
        {job.moves.length > few.length && (
          <More onPress={() => setAll(!all)}>
            {all
              ? t('web.job.moves.only-the-best')
              : t('web.job.moves.more-moves', { length: job.moves.length - few.length })}
          </More>
        )}
      </SheetHead>
      {job.enough && job.stop !== '' && (
        <Enough>{t('web.job.moves.decide-or-look-further', { stop: job.stop })}</Enough>
      )}
      {read.isError && <ProblemNote error={read.error} />}
      {run.isError && <ProblemNote error={run.error} />}
      {refused.map((request) => (
        <Refused key={request.requestId} role="status">
          {say('web.job.moves.the-last-reading-could-not-run', { refusedWhy: request.refusedWhy })}
        </Refused>
      ))}
      <ul>
        {shown.map((move) => (
          <Item
            key={move.id}
            data-locked={move.lock !== null || undefined}
            data-next={move === next || undefined}
            data-brief={(move !== next && !all && move.lock === null) || undefined}
          >
            <h3>
              {move.title}
              {move === next && <kbd>N</kbd>}
            </h3>
            {(move === next || all) && <p>{move.why}</p>}
            {move.lock !== null && <LockWords move={move} job={job} progress={progress} />}
            {move.lock === null && (
              <Row data-brief={(move !== next && !all) || undefined}>
                <Button
                  primary={move === next}
                  aria-label={`${verb(move)} ${move.title}`}
                  onPress={() => make(move)}
                  isPending={read.isPending || run.isPending}
                >
                  {verb(move)}
                </Button>
                <small>{times(move)}</small>
                <InvasivenessPips invasiveness={move.invasiveness} words={move.invasivenessWords} />
              </Row>
            )}
          </Item>
        ))}
      </ul>
      {guided !== null && <GuidedMove job={job} move={guided} onClose={() => setGuided(null)} />}
    </Sheet>
  );
}

const byHand = (move: Move) => move.partKey === null || move.by === null;

const verb = (move: Move) =>
  move.by === null
    ? t('web.job.moves.do-it')
    : move.by === 'READ'
      ? t('web.job.moves.read-it')
      : t('web.job.moves.start-it');

function LockWords({ move, job, progress }: { move: Move; job: Job; progress: Progress | null }) {
  const running = job.pending.find((p) => p.partKey === move.partKey && p.refusedWhy === null);
  if (running !== undefined) {
    const step = progress?.requestId === running.requestId ? progress : null;
    if (job.bay?.probe?.online !== true) {
      return <p role="status">{t('web.job.moves.asked-for-but-the-probe-is')}</p>;
    }
    return (
      <Running role="status">
        <span>
          {step === null ? t('web.job.moves.waiting-for-the-probe') : sentence(step.words)}
        </span>
        <progress
          aria-label={t('web.job.moves.reading')}
          max={step?.of ?? 3}
          {...(step === null ? {} : { value: step.done })}
        />
        <span>
          {step === null
            ? t('web.job.moves.a-few-seconds')
            : t('web.job.moves.page-of', { done: step.done + 1, of: step.of })}
        </span>
      </Running>
    );
  }
  return (
    <Locked>
      <LockMark />
      <span>
        {say('web.job.moves.locked', { reason: move.lock?.reason, opens: move.lock?.opens })}
      </span>
    </Locked>
  );
}

function LockMark() {
  return (
    <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden="true">
      <path d="M4 8V5.5a4 4 0 018 0V8" fill="none" stroke={color.hold} strokeWidth="2" />
      <rect x="2" y="8" width="12" height="9" fill={color.hold} />
    </svg>
  );
}

/** N takes the next move, unless something is being typed. */
function useNextKey(take: (() => void) | null) {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'n' || event.repeat || isTyping(event)) return;
      latest.current?.();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, []);
}

const Item = styled.li`
  display: grid;
  gap: 8px;
  padding: 12px 16px 14px;
  border-top: 1px solid ${color.line};
  &[data-next] {
    background: ${color.clearSoft};
    border-left: 4px solid ${color.clear};
    padding-left: 12px;
  }
  h3 {
    font-size: ${size.head};
    display: flex;
    justify-content: space-between;
    gap: 8px;
  }
  &[data-locked] h3 {
    color: ${color.ink2};
  }
  &[data-brief] {
    padding: 6px 12px 6px 16px;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 0 8px;
    h3 {
      grid-column: 1;
      font-size: ${size.body};
    }
    p {
      grid-column: 1 / -1;
      grid-row: 3;
    }
  }
  p {
    color: ${color.ink2};
  }
  kbd {
    font:
      13px 'JetBrains Mono Variable',
      monospace;
    border: 1px solid ${color.ink3};
    border-radius: 3px;
    padding: 2px 6px;
    background: ${color.sheet};
    align-self: start;
  }
`;

const Enough = styled.p`
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  background: ${color.clearSoft};
`;

const More = styled(Button)`
  font-size: ${size.text};
  font-weight: 400;
  padding: 2px 10px;
  margin: -8px -8px -6px 0;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  &[data-brief] {
    display: contents;
    button {
      grid-column: 2;
      grid-row: 1 / span 2;
    }
    & > :nth-child(2) {
      grid-column: 1;
      grid-row: 2;
    }
    & > :nth-child(3) {
      display: none;
    }
  }
`;

const Locked = styled.div`
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: 8px;
  color: ${color.holdInk};
  background: ${color.holdSoft};
  border-radius: ${radius};
  padding: 8px 10px;
  font-size: ${size.text};
`;

const Running = styled.div`
  display: grid;
  gap: 6px;
  font-size: ${size.text};
  progress {
    width: 100%;
    height: 10px;
    accent-color: ${color.clear};
  }
`;

const Refused = styled.p`
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  background: ${color.leanSoft};
`;
