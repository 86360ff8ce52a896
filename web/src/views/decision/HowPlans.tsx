import type { EstimateLine, PlanRow } from '../../api/types';
import { ofHundred } from '../../ui/format';
import { lostWords, money, rangeWords } from './planWords';

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
            <th scope="col">Cause</th>
            <th scope="col">in 100</th>
            <th scope="col">of these ended</th>
          </tr>
        </thead>
        <tbody>
          {row.grounds.causes.map((cause) => (
            <tr key={cause.words}>
              <th scope="row">{cause.words}</th>
              <td>{ofHundred(cause.probability)}</td>
              <td>{cause.ended === 0 ? 'none' : `${Math.round(100 * cause.ended)} in 100`}</td>
            </tr>
          ))}
          <tr>
            <th scope="row">None of the known causes</th>
            <td>{ofHundred(row.grounds.unknown)}</td>
            <td>none</td>
          </tr>
        </tbody>
      </table>
      <p>
        The chance is counted over all sets of causes that can hold together; the likeliest are
        shown.
      </p>
      <p>
        {range === ''
          ? 'All numbers were drawn anew within their ranges: the chance stays the same.'
          : `All numbers were drawn anew within their ranges: eight of ten draws gave ${range}.`}
      </p>
    </>
  );
}

/** How the chance that wanted data is lost was made. */
export function HowLost({ row }: OfPlan) {
  const { lostUncopied, lostCopied } = row.grounds;
  if (lostUncopied === 0)
    return <p>No data is at stake: it is copied and verified, or not wanted.</p>;
  return (
    <>
      <table>
        <tbody>
          <tr>
            <th scope="row">This plan without a copy</th>
            <td>{lostWords(lostUncopied)}</td>
          </tr>
          <tr>
            <th scope="row">The same with a copy made first</th>
            <td>{lostWords(lostCopied)}</td>
          </tr>
        </tbody>
      </table>
      <p>
        Three things lose data: a failing drive dies, a step writes to the drive, a step erases it.
        A copy can fail as well, more often from a failing drive.
      </p>
    </>
  );
}

/** How the minutes were made. */
export function HowLong({ row }: OfPlan) {
  if (row.steps.length === 0) return <p>Nothing is done, so no minutes are needed.</p>;
  return (
    <>
      <table>
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col">needed, in 100</th>
            <th scope="col">hands-on</th>
            <th scope="col">waiting</th>
          </tr>
        </thead>
        <tbody>
          {row.steps.map((step) => (
            <tr key={step.remedy}>
              <th scope="row">{step.name}</th>
              <td>{step.chance >= 0.995 ? 'always' : ofHundred(step.chance)}</td>
              <td>{step.handsOn} min</td>
              <td>{step.waiting === 0 ? 'none' : `${step.waiting} min`}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        The first number is expected: the minutes of each step times how often it is needed. The
        second is what all steps take.
      </p>
      {row.ownerMinutes >= 1 && (
        <p>
          The owner is expected to need {Math.round(row.ownerMinutes)} minutes afterwards to set
          everything up.
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
              {line.minutes > 0 && `, ${line.minutes} min`}
              {line.source === 'USUAL' && ' (usual price, none is on the list)'}
              {!line.certain && ', only if it is needed'}
            </th>
            <td>{money(line.amount, currency)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
