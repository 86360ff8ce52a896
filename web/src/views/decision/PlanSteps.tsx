import { t } from '../../words/words';
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
        <Lead>{t('web.decision.plan-steps.then-in-this-order')}</Lead>
        {row.ownerMinutes >= 1 && (
          <small>
            {t('web.decision.plan-steps.its-owner-needs-about-min-to', {
              ownerMinutes: Math.round(row.ownerMinutes),
            })}
          </small>
        )}
      </SheetHead>
      {row.steps.length === 0 ? (
        <Teach>{t('web.decision.plan-steps.it-is-handed-back-as-it')}</Teach>
      ) : (
        <Steps>
          {row.steps.map((step, i) => (
            <li key={step.remedy}>
              <b>
                {i + 1} {step.name}
              </b>
              <span>{timesOf(step)}</span>
              {step.chance < 0.995 && (
                <span>
                  {t('web.decision.plan-steps.only-if-it-is-still-there', {
                    chance: Math.round(100 * step.chance),
                  })}
                </span>
              )}
            </li>
          ))}
          <li>
            <b>
              {t('web.decision.plan-steps.show-that-it-is-gone', { length: row.steps.length + 1 })}
            </b>
            <span>{t('web.decision.plan-steps.then-it-is-handed-back')}</span>
          </li>
        </Steps>
      )}
      {replaces &&
        job.needed.map((part) => (
          <Part key={part.place}>
            {t('web.decision.plan-steps.in-place-of', {
              place: part.place,
              words: part.words,
              inStock:
                part.inStock === null
                  ? t('web.decision.plan-steps.nothing-in-stock-fits')
                  : `${part.inStock}.`,
            })}
          </Part>
        ))}
    </Sheet>
  );
}

function timesOf(step: PlanRow['steps'][number]): string {
  return step.waiting === 0
    ? t('web.decision.plan-steps.min', { handsOn: step.handsOn })
    : t('web.decision.plan-steps.min-min-by-itself', {
        handsOn: step.handsOn,
        waiting: step.waiting,
      });
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
