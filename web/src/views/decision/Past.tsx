import styled from 'styled-components';
import type { Decision } from '../../api/types';
import { color, size } from '../../theme/theme';
import { ofHundred, when } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { inOrder } from '../job/leaningWords';

/** Every decision before, with its reason and the weighing as it stood. */
export function Past({ decisions }: { decisions: readonly Decision[] }) {
  if (decisions.length === 0) return null;
  return (
    <Sheet>
      <SheetHead>
        <Lead>Decisions so far</Lead>
      </SheetHead>
      <ol>
        {decisions.map((decision) => (
          <PastOne key={decision.id}>
            <b>{decision.plan?.words ?? inOrder(decision.courses.map((c) => c.words))}</b>
            {decision.plan !== null && decision.plan !== undefined && (
              <span>
                Complaint gone {ofHundred(decision.plan.gone)} in 100,{' '}
                {ofHundred(decision.plan.goneLow)} to {ofHundred(decision.plan.goneHigh)}
              </span>
            )}
            <p>{decision.reason}</p>
            <small>
              {decision.signedBy}, {when(decision.signedAt)}
              {decision.fromElsewhere && ' · came with an archive, decides nothing here'}
            </small>
            <Stood>
              <p>As it stood: {decision.headline}</p>
              <ul>
                {decision.causes.map((cause) => (
                  <li key={`${cause.name}${cause.partName}`}>
                    <span>
                      {cause.name}, {cause.partName}
                    </span>
                    <span>{ofHundred(cause.probability)} of 100</span>
                  </li>
                ))}
              </ul>
            </Stood>
          </PastOne>
        ))}
      </ol>
    </Sheet>
  );
}

const PastOne = styled.li`
  display: grid;
  gap: 6px;
  padding: 12px 16px;
  border-top: 1px solid ${color.line};
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Stood = styled.div`
  padding: 10px 12px;
  background: ${color.sunken};
  font-size: ${size.text};
  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
  }
`;
