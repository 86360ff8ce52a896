import { t } from '../../words/words';
import type { EstimateLine, PlanRow } from '../../api/types';
import { ofHundred, money } from '../../ui/format';
import { lostWords, rangeWords } from './planWords';

interface OfPlan {
  row: PlanRow;
}

/** How the chance that the complaint is gone was made. */
export function HowGone({ row }: OfPlan) {
  const range = rangeWords(row.goneLow, row.goneHigh);
  return (
    <>
      <table>
        <thead>
          <tr>
            <th scope="col">{t('web.decision.how-plans.cause')}</th>
            <th scope="col">{t('web.decision.how-plans.in-100')}</th>
            <th scope="col">{t('web.decision.how-plans.of-these-ended')}</th>
          </tr>
        </thead>
        <tbody>
          {row.grounds.causes.map((cause) => (
            <tr key={cause.words}>
              <th scope="row">{cause.words}</th>
              <td>{ofHundred(cause.probability)}</td>
              <td>
                {cause.ended === 0
                  ? t('web.decision.how-plans.none')
                  : t('web.decision.how-plans.in-100-2', { ended: Math.round(100 * cause.ended) })}
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row">{t('web.decision.how-plans.none-of-the-known-causes')}</th>
            <td>{ofHundred(row.grounds.unknown)}</td>
            <td>{t('web.decision.how-plans.none')}</td>
          </tr>
        </tbody>
      </table>
      <p>{t('web.decision.how-plans.the-chance-is-counted-over-all')}</p>
      <p>
        {range === ''
          ? t('web.decision.how-plans.all-numbers-were-drawn-anew-within')
          : t('web.decision.how-plans.all-numbers-were-drawn-anew-within-2', { range })}
      </p>
    </>
  );
}

/** How the chance that wanted data is lost was made. */
export function HowLost({ row }: OfPlan) {
  const { lostUncopied, lostCopied } = row.grounds;
  if (lostUncopied === 0) return <p>{t('web.decision.how-plans.no-data-is-at-stake-it')}</p>;
  return (
    <>
      <table>
        <tbody>
          <tr>
            <th scope="row">{t('web.decision.how-plans.this-plan-without-a-copy')}</th>
            <td>{lostWords(lostUncopied)}</td>
          </tr>
          <tr>
            <th scope="row">{t('web.decision.how-plans.the-same-with-a-copy-made')}</th>
            <td>{lostWords(lostCopied)}</td>
          </tr>
        </tbody>
      </table>
      <p>{t('web.decision.how-plans.three-things-lose-data-a-failing')}</p>
    </>
  );
}

/** Its steps: how often each is needed, and how long it takes. */
function Steps({ row }: OfPlan) {
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">{t('web.decision.how-plans.step')}</th>
          <th scope="col">{t('web.decision.how-plans.needed-in-100')}</th>
          <th scope="col">{t('web.decision.how-plans.hands-on')}</th>
          <th scope="col">{t('web.decision.how-plans.waiting')}</th>
        </tr>
      </thead>
      <tbody>
        {row.steps.map((step) => (
          <tr key={step.remedy}>
            <th scope="row">{step.name}</th>
            <td>
              {step.chance >= 0.995 ? t('web.decision.how-plans.always') : ofHundred(step.chance)}
            </td>
            <td>{t('web.decision.how-plans.min', { handsOn: step.handsOn })}</td>
            <td>
              {step.waiting === 0
                ? t('web.decision.how-plans.none')
                : t('web.decision.how-plans.min-2', { waiting: step.waiting })}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How the time was told at which it is ready. */
export function HowReady({ row }: OfPlan) {
  return (
    <>
      {row.steps.length > 0 && <Steps row={row} />}
      <p>{t('web.decision.how-plans.counted-from-now')}</p>
      <p>{t('web.decision.how-plans.eight-of-ten-end-between')}</p>
    </>
  );
}

/** How the minutes were made. */
export function HowLong({ row }: OfPlan) {
  if (row.steps.length === 0)
    return <p>{t('web.decision.how-plans.nothing-is-done-so-no-minutes')}</p>;
  return (
    <>
      <Steps row={row} />
      <p>{t('web.decision.how-plans.the-first-number-is-expected-the')}</p>
      {row.ownerMinutes >= 1 && (
        <p>
          {t('web.decision.how-plans.the-owner-is-expected-to-need', {
            ownerMinutes: Math.round(row.ownerMinutes),
          })}
        </p>
      )}
    </>
  );
}

export interface PriceLinesProps {
  lines: readonly EstimateLine[];
  currency: string;
}

/** What the owner pays for. */
export function PriceLines({ lines, currency }: PriceLinesProps) {
  return (
    <table>
      <tbody>
        {lines.map((line, i) => (
          <tr key={i}>
            <th scope="row">
              {line.words}
              {line.minutes > 0 && t('web.decision.how-plans.min-3', { minutes: line.minutes })}
              {line.source === 'USUAL' &&
                ` ${t('web.decision.how-plans.usual-price-none-is-on-the')}`}
              {!line.certain && t('web.decision.how-plans.only-if-it-is-needed')}
            </th>
            <td>{money(line.amount, currency)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
