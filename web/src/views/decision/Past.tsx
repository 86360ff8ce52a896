import { t } from '../../words/words';
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
        <Lead>{t('web.decision.past.decisions-so-far')}</Lead>
      </SheetHead>
      <ol>
        {decisions.map((decision) => (
          <PastOne key={decision.id}>
            <b>{decision.plan?.words ?? inOrder(decision.courses.map((c) => c.words))}</b>
            {decision.plan !== null && decision.plan !== undefined && (
              <span>
                {t('web.decision.past.complaint-gone-in-100-to', {
                  ofHundred: ofHundred(decision.plan.gone),
                  ofHundred2: ofHundred(decision.plan.goneLow),
                  ofHundred3: ofHundred(decision.plan.goneHigh),
                })}
              </span>
            )}
            <p>{decision.reason}</p>
            <small>
              {decision.signedBy}, {when(decision.signedAt)}
              {decision.fromElsewhere &&
                ` ${t('web.decision.past.came-with-an-archive-decides-nothing')}`}
            </small>
            <Stood>
              <p>{t('web.decision.past.as-it-stood', { headline: decision.headline })}</p>
              <ul>
                {decision.causes.map((cause) => (
                  <li key={`${cause.name}${cause.partName}`}>
                    <span>
                      {cause.name}, {cause.partName}
                    </span>
                    <span>
                      {t('web.decision.past.of-100', { ofHundred: ofHundred(cause.probability) })}
                    </span>
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
