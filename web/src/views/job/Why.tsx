import { say, t } from '../../words/words';
import { useState } from 'react';
import { Button, Disclosure, DisclosurePanel } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { CauseShare, Job, FindingWeight } from '../../api/types';
import { WeightBar } from '../../marks/WeightBar';
import { color, size, upTo } from '../../theme/theme';
import { decibans, when } from '../../ui/format';
import { rangeWords } from '../reading/range';
import { foundAt } from './instruments';

export interface WhyProps {
  job: Job;
  cause: CauseShare;
}

const SCALE = 20;
const FEW = 3;

/** Every finding that bears on a cause, with its weight and the way down to the bytes. */
export function Why({ job, cause }: WhyProps) {
  const [all, setAll] = useState(false);
  const shown = all ? cause.weights : cause.weights.slice(0, FEW);
  return (
    <Box aria-label={t('web.job.why.why', { name: cause.name })}>
      <Head>
        <h2>{say('web.job.why.why-weight-in-decibans', { name: cause.name.toLowerCase() })}</h2>
        {cause.weights.length > FEW && (
          <Rest onPress={() => setAll(!all)} aria-expanded={all}>
            {all ? t('web.job.why.only-what-weighs-most') : folded(cause.weights.slice(FEW))}
          </Rest>
        )}
      </Head>
      {cause.weights.length === 0 ? (
        <Teach>{t('web.job.why.no-finding-bears-on-it-yet')}</Teach>
      ) : (
        <ul>
          {shown.map((weight) => (
            <FindingRow
              key={`${weight.finding.id}@${weight.finding.part}`}
              job={job}
              weight={weight}
            />
          ))}
        </ul>
      )}
    </Box>
  );
}

/** What speaks against the cause is named even while it is folded. */
function folded(weights: FindingWeight[]): string {
  const against = weights.filter((w) => w.decibans < 0).length;
  const more = t('web.job.why.more', { length: weights.length });
  if (against === 0) return more;
  return t('web.job.why.against-it', { more, against });
}

function FindingRow({ job, weight }: { job: Job; weight: FindingWeight }) {
  const { finding, countedBy } = weight;
  const drive = job.drives.find((d) => d.key === finding.part);
  const byUs = finding.basis.kind === 'reading' || finding.basis.kind === 'run';
  const at = byUs ? foundAt(finding.id, job.number) : null;
  const basis = basisWords(finding.basis.kind, drive?.takenAt ?? null);
  return (
    <li>
      <Disclosure>
        <Row slot="trigger">
          <span>
            {finding.words}{' '}
            <small>
              {basis}
              {!weight.direct && t('web.job.why.by-comparison')}
            </small>
          </span>
          <WeightBar
            against={Math.min(0, weight.decibans)}
            inFavour={Math.max(0, weight.decibans)}
            scale={SCALE}
            tone={weight.decibans >= 1 ? 'implicated' : 'bar'}
          />
          <Number>
            {countedBy === '' ? (
              decibans(weight.decibans)
            ) : (
              <small>{t('web.job.why.not-counted')}</small>
            )}
          </Number>
        </Row>
        <DisclosurePanel>
          <Detail>
            {countedBy !== '' && (
              <p>{t('web.job.why.measures-the-same-as-so-it', { countedBy })}</p>
            )}
            {!weight.direct && <p>{t('web.job.why.it-does-not-bear-on-this')}</p>}
            <p>{t('web.job.why.likelihoods', { source: weight.source })}</p>
            {finding.basis.page !== '' && drive?.readingId != null && (
              <Link
                to={`/reading/${drive.readingId}?page=${finding.basis.page}&offset=${finding.basis.offset}&length=${finding.basis.length}`}
              >
                {t('web.job.why.see-of-the-page', { rangeWords: rangeWords(finding.basis) })}
              </Link>
            )}
            {finding.basis.kind === 'run' && drive !== undefined && (
              <Link to={`/drive/${job.number}/${finding.part}`}>
                {t('web.job.why.see-the-test-that-found-it')}
              </Link>
            )}
            {drive === undefined && at !== null && (
              <Link to={at}>{t('web.job.why.see-where-it-was-found')}</Link>
            )}
            {finding.basis.kind === 'move' && (
              <a href="#made">{t('web.job.why.see-the-move-that-showed-it')}</a>
            )}
          </Detail>
        </DisclosurePanel>
      </Disclosure>
    </li>
  );
}

function basisWords(kind: string, takenAt: string | null): string {
  if (kind === 'run') return t('web.job.why.test');
  if (kind !== 'reading') return kind;
  return takenAt === null
    ? t('web.job.why.reading')
    : t('web.job.why.reading-2', { when: when(takenAt) });
}

const Box = styled.section`
  border-top: 1px solid ${color.line};
  background: ${color.sunken};
`;

const Head = styled.header`
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 0 16px;
  min-height: 40px;
  font-size: ${size.text};
  color: ${color.ink2};
  h2 {
    font-size: ${size.body};
    color: ${color.ink};
  }
`;

const Row = styled(Button)`
  font: inherit;
  display: grid;
  grid-template-columns: minmax(200px, 1.9fr) minmax(90px, 1fr) 68px;
  ${upTo.phone} {
    grid-template-columns: minmax(0, 1fr) 68px;
    & > :nth-last-child(2) {
      display: none;
    }
  }
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 2px 16px;
  border: 0;
  background: none;
  color: ${color.ink};
  text-align: left;
  cursor: pointer;
  small {
    color: ${color.ink2};
    font-size: ${size.text};
  }
  &[data-hovered] {
    background: ${color.clearSoft};
  }
`;

const Number = styled.span`
  font:
    15px 'JetBrains Mono Variable',
    monospace;
  text-align: right;
`;

const Rest = styled(Button)`
  font: inherit;
  font-size: ${size.text};
  min-height: 44px;
  padding: 0 4px;
  border: 0;
  background: none;
  color: ${color.ink2};
  text-decoration: underline;
  cursor: pointer;
`;

const Detail = styled.div`
  padding: 2px 16px 12px 28px;
  font-size: ${size.text};
  color: ${color.ink2};
  max-width: 70ch;
  a {
    display: inline-block;
    padding: 8px 0;
  }
`;

const Teach = styled.p`
  padding: 6px 16px 10px;
  color: ${color.ink2};
`;
