import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Job, Move, PlanWork, WorkStep } from '../../api/types';
import { color, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { GuidedMove } from './GuidedMove';
import { OldPartCard } from './OldPartCard';
import { StepNow } from './StepNow';

export interface WorkProps {
  job: Job;
  work: PlanWork;
  /** Whether it is what the page is about; else the diagnosis is. */
  isTitle: boolean;
}

/** The signed plan, step by step: what is done, what is to be done now, what waits for what. */
export function Work({ job, work, isTitle }: WorkProps) {
  // Here, not in its step: that changes its state when the move is begun, and the dialog stays.
  const [guided, setGuided] = useState<Move | null>(null);
  const plan = work.steps.length - 1; // the hand-back is no step of the plan
  const at = Math.min(work.at, plan);
  return (
    <Plan aria-label={t('web.job.work.the-work-that-was-decided')}>
      <SheetHead>
        <Heading as={isTitle ? 'h1' : 'h2'}>
          {work.words}
          {plan > 0 && t('web.job.work.step-of', { at, plan })}
        </Heading>
        <small>
          {say('web.job.work.decided-by-see-the-decision', {
            decidedBy: work.decidedBy,
            when: when(work.decidedAt),
            link: (words: ReactNode) => <Link to={`/job/${job.number}/decision`}>{words}</Link>,
          })}
        </small>
      </SheetHead>
      <ol>
        {work.steps.map((step, i) => (
          <Step key={step.id} data-state={step.state}>
            <Number aria-hidden>{markOf(step, i + 1)}</Number>
            <div>
              <Line>
                <b>{step.name}</b>
                <small>{step.stateWords}</small>
                {step.handsOn > 0 && isAhead(step) && <small>{minutesOf(step)}</small>}
              </Line>
              {(i + 1 === work.at || step.state === 'OPEN') && (
                <StepNow job={job} step={step} onGuided={setGuided} />
              )}
              {step.part?.old != null && step.state !== 'OPEN' && (
                <OldPartCard job={job} step={step} old={step.part.old} />
              )}
              {step.branch != null && (
                <p>
                  {say('web.job.work.what-comes-then-decide-on-it', {
                    name: step.branch.name,
                    link: (words: ReactNode) => (
                      <Link
                        to={`/job/${job.number}/decision${step.branch?.remedy == null ? '' : `?own=${step.branch.remedy}`}`}
                      >
                        {words}
                      </Link>
                    ),
                  })}
                </p>
              )}
            </div>
          </Step>
        ))}
      </ol>
      {guided !== null && <GuidedMove job={job} move={guided} onClose={() => setGuided(null)} />}
    </Plan>
  );
}

const MARKS: Partial<Record<WorkStep['state'], string>> = {
  DONE: '✓',
  NOT_NEEDED: '–',
  NOT_DONE: '–',
  BROKE_OFF: '✗',
};

const markOf = (step: WorkStep, number: number) => MARKS[step.state] ?? String(number);

const isAhead = (step: WorkStep) => MARKS[step.state] === undefined;

const minutesOf = (step: WorkStep) =>
  step.waiting === 0
    ? t('web.job.work.min-hands-on', { handsOn: step.handsOn })
    : t('web.job.work.min-hands-on-min-by-itself', {
        handsOn: step.handsOn,
        waiting: step.waiting,
      });

const Plan = styled(Sheet)`
  align-self: start;
`;

const Heading = styled(Lead)`
  font-size: ${size.head};
  color: ${color.ink};
`;

const Step = styled.li`
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  gap: 8px;
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  color: ${color.ink2};
  &[data-state='NEXT'],
  &[data-state='OPEN'],
  &[data-state='WAITS_FOR_PART'],
  &[data-state='WAITS_FOR_OWNER'],
  &[data-state='WAITS_FOR_DECISION'] {
    color: ${color.ink};
    background: ${color.clearSoft};
    box-shadow: inset 5px 0 0 ${color.clear};
  }
  &[data-state='DONE'],
  &[data-state='BROKE_OFF'] {
    color: ${color.ink};
  }
  & > div {
    display: grid;
    gap: 8px;
    min-width: 0;
  }
`;

const Number = styled.span`
  font-weight: 700;
`;

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  small {
    font-size: ${size.text};
  }
  small:last-child:not(:nth-child(2)) {
    margin-left: auto;
  }
`;
