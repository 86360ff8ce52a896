import styled from 'styled-components';
import type { Job, PlanRow } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Lead, Sheet, SheetHead, Teach } from '../../ui/Sheet';

/** What the chosen plan comes to, step by step, with the part that it needs. */
export function PlanSteps({ job, row }: { job: Job; row: PlanRow }) {
  const replaces = row.steps.some((step) => step.course === 'REPLACE_PART');
  return (
    <Sheet>
      <SheetHead>
        <Lead>Then, in this order</Lead>
        {row.ownerMinutes >= 1 && (
          <small>its owner needs about {Math.round(row.ownerMinutes)} min to set up again</small>
        )}
      </SheetHead>
      {row.steps.length === 0 ? (
        <Teach>It is handed back as it came.</Teach>
      ) : (
        <Steps>
          {row.steps.map((step, i) => (
            <li key={step.remedy}>
              <b>
                {i + 1} {step.name}
              </b>
              <span>{timesOf(step)}</span>
              {step.chance < 0.995 && (
                <span>only if it is still there: {Math.round(100 * step.chance)} in 100</span>
              )}
            </li>
          ))}
          <li>
            <b>{row.steps.length + 1} Show that it is gone</b>
            <span>then it is handed back</span>
          </li>
        </Steps>
      )}
      {replaces &&
        job.needed.map((part) => (
          <Part key={part.place}>
            In place of {part.place}: {part.words}.{' '}
            {part.inStock === null ? 'Nothing in stock fits.' : `${part.inStock}.`}
          </Part>
        ))}
    </Sheet>
  );
}

function timesOf(step: PlanRow['steps'][number]): string {
  return step.waiting === 0
    ? `${step.handsOn} min`
    : `${step.handsOn} min, ${step.waiting} min by itself`;
}

const Steps = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 16px;
  padding: 0 16px 14px;
  li {
    display: grid;
    align-content: start;
    gap: 2px;
  }
  span {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Part = styled.p`
  padding: 0 16px 14px;
`;
