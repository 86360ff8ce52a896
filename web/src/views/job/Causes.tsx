import { t } from '../../words/words';
import { useState } from 'react';
import { Button as AriaButton, VisuallyHidden } from 'react-aria-components';
import styled from 'styled-components';
import type { CauseShare, Job } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { WeightBar } from '../../marks/WeightBar';
import { color, size, upTo } from '../../theme/theme';
import { ofHundred } from '../../ui/format';
import { RowButton } from '../../ui/RowButton';
import { Sheet, Sub } from '../../ui/Sheet';
import { causeKey } from './causeKey';
import { Why } from './Why';

export interface CausesProps {
  job: Job;
  shown: CauseShare | undefined;
  onChoose: (cause: CauseShare) => void;
}

/** Decibans at which a cause's bar is full: 30 is a thousand to one. */
const SCALE = 30;

/** As many as are shown at first: three, and a fourth that is not unlikely. */
const fewOf = (causes: readonly CauseShare[]) =>
  (causes[3]?.probability ?? 0) >= UNLIKELY ? 4 : Math.min(3, causes.length);

/** 5 of 100. */
const UNLIKELY = 0.05;

/** What it could be, likeliest first; the chosen one says why below. */
export function Causes({ job, shown, onChoose }: CausesProps) {
  const { causes, headline, findings } = job.weighing;
  const [all, setAll] = useState(false);
  const few = fewOf(causes);
  const rows = all ? causes : causes.slice(0, few);
  return (
    <Sheet>
      <Head>
        <h1>{headline}</h1>
        <Sub>
          {subOf(findings, job.weighing.noneProbability)} {job.weighing.doubt}{' '}
          {job.stop !== '' && <b>{job.stop}</b>}
        </Sub>
      </Head>
      <Columns aria-hidden="true">
        <span>{t('web.job.causes.cause')}</span>
        <span>{t('web.job.causes.speaks-against-for')}</span>
        <span>{t('web.job.causes.of-100')}</span>
      </Columns>
      <ul aria-label={t('web.job.causes.causes-likeliest-first')}>
        {rows.map((cause) => (
          <li key={causeKey(cause)}>
            <Row
              data-here={(shown !== undefined && causeKey(shown) === causeKey(cause)) || undefined}
              aria-pressed={shown !== undefined && causeKey(shown) === causeKey(cause)}
              onPress={() => onChoose(cause)}
            >
              <SuspicionMark suspicion={cause.suspicion} size={24} />
              <span>
                <b>{cause.name}</b>
                <small>
                  {cause.partName}
                  {!cause.behind && leans(cause) && t('web.job.causes.found-beside-the-complaint')}
                </small>
              </span>
              <WeightBar
                against={cause.decibansAgainst}
                inFavour={cause.decibansFor}
                scale={SCALE}
                tone={toneOf(cause)}
              />
              <Share>
                {ofHundred(cause.probability)}
                <VisuallyHidden> {t('web.job.causes.of-100')}</VisuallyHidden>
              </Share>
            </Row>
          </li>
        ))}
      </ul>
      {causes.length > few && (
        <Rest onPress={() => setAll(!all)} aria-expanded={all}>
          {all
            ? t('web.job.causes.show-only-the-likeliest')
            : t('web.job.causes.show-more-each-under-of-100', {
                FEW_ROWS: causes.length - few,
                ofHundred: ofHundred(causes[few - 1]?.probability ?? 0),
              })}
        </Rest>
      )}
      {shown !== undefined && <Why job={job} cause={shown} />}
    </Sheet>
  );
}

const leans = (cause: CauseShare) =>
  cause.suspicion === 'LEANING' || cause.suspicion === 'IMPLICATED';

function subOf(findings: number, none: number): string {
  if (findings === 0) return t('web.job.causes.nothing-is-known-but-the-complaint');
  const weighed = t('web.job.causes.weighed', { findings });
  return t('web.job.causes.none-of-the-known-causes-in', { weighed, ofHundred: ofHundred(none) });
}

function toneOf(cause: CauseShare) {
  if (cause.suspicion === 'IMPLICATED') return 'implicated';
  return cause.suspicion === 'LEANING' ? 'leanMark' : 'bar';
}

const Head = styled.header`
  padding: 10px 16px 4px;
  h1 {
    font-size: ${size.head};
    line-height: 1.3;
  }
`;

const grid = `
  display: grid;
  grid-template-columns: 30px minmax(190px, 1.3fr) minmax(120px, 1.3fr) 52px;
  gap: 12px;
  align-items: center;
  padding: 2px 16px;
  ${upTo.phone} {
    grid-template-columns: 30px minmax(0, 1fr) 52px;
    & > :nth-last-child(2) {
      display: none;
    }
  }
`;

const Columns = styled.div`
  ${grid}
  font-size: ${size.small};
  color: ${color.ink2};
  span:first-child {
    grid-column: 2;
  }
  span:nth-child(2) {
    text-align: center;
  }
  span:last-child {
    text-align: right;
  }
`;

const Row = styled(RowButton)`
  ${grid}
  min-height: 44px;
  border-top: 1px solid ${color.line};
`;

const Share = styled.span`
  text-align: right;
  font-weight: 700;
  font-size: ${size.head};
`;

const Rest = styled(AriaButton)`
  font: inherit;
  width: 100%;
  min-height: 44px;
  text-align: left;
  border: 0;
  background: none;
  text-decoration: underline;
  cursor: pointer;
  padding: 8px 16px;
  border-top: 1px solid ${color.line};
  font-size: ${size.text};
  color: ${color.ink2};
`;
