import { say, t } from '../../words/words';
import type { ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useKnowHow, useMovesFromElsewhere, useSession } from '../../api/queries';
import type { KnowHow, KnowHowEntry } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { color, size } from '../../theme/theme';
import { Field } from '../../ui/Field';
import { likelihood } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { Learnt } from './Learnt';

/** Causes, findings, moves and remedies to read and search; for the lead, what the shop's own jobs say of them. */
export function KnowHowView() {
  const [params, setParams] = useSearchParams();
  const text = params.get('text') ?? '';
  const known = useKnowHow(text);
  const isLead = useSession().data?.person?.role === 'LEAD';
  return (
    <Page>
      <Loaded query={known}>
        {(data) => (
          <>
            <Title>
              {t('web.know-how.know-how-view.of-findings-rest-on-judgement-alone', {
                judged: data.judged,
                signsInAll: data.signsInAll,
              })}
            </Title>
            <Sub>
              {say('web.know-how.know-how-view.the-others-name-what-they-were', {
                link: (words: ReactNode) => <Link to="/makers">{words}</Link>,
              })}
            </Sub>
            {isLead && text === '' && <Learnt />}
            <Search>
              <Field
                label={t('web.know-how.know-how-view.search-causes-findings-moves-and-remedies')}
                value={text}
                onChange={(value) =>
                  setParams(value === '' ? {} : { text: value }, { replace: true })
                }
                autoComplete="off"
              />
              {isLead && (
                <Link to="/know-how/own-move">
                  {t('web.know-how.know-how-view.a-move-of-our-own')}
                </Link>
              )}
            </Search>
            {isLead && text === '' && <FromElsewhere />}
            <Found data={data} text={text} />
          </>
        )}
      </Loaded>
    </Page>
  );
}

/** Other shops' own moves that came with jobs; nothing while there are none. */
function FromElsewhere() {
  const moves = useMovesFromElsewhere().data ?? [];
  if (moves.length === 0) return null;
  return (
    <Part open>
      <summary>
        {t('web.know-how.know-how-view.from-other-shops-not-in-force', { length: moves.length })}
      </summary>
      <ul>
        {moves.map(({ id, job, move }) => (
          <Offered key={id}>
            <span>
              <b>{move.words.name.replace('{part}', t('web.know-how.know-how-view.the-part'))}</b>
              <span>{move.words.purpose}</span>
              <small>
                {say('web.know-how.know-how-view.came-with-job-what-it-showed', {
                  link: (words: ReactNode) => <Link to={`/job/${job}`}>{words}</Link>,
                  job,
                })}
              </small>
            </span>
            <Link
              to={`/know-how/own-move?from=${id}`}
              aria-label={t('web.know-how.know-how-view.take-over', {
                replace: move.words.name.replace(
                  '{part}',
                  t('web.know-how.know-how-view.the-part'),
                ),
              })}
            >
              {t('web.know-how.know-how-view.take-it-over')}
            </Link>
          </Offered>
        ))}
      </ul>
    </Part>
  );
}

function Found({ data, text }: { data: KnowHow; text: string }) {
  if (data.causes.length + data.findings.length + data.moves.length + data.remedies.length === 0) {
    return <Empty>{t('web.know-how.know-how-view.nothing-in-the-know-how-has', { text })}</Empty>;
  }
  return (
    <>
      {data.causes.length > 0 && (
        <Part open={text !== ''}>
          <summary>{t('web.know-how.know-how-view.words', { length: data.causes.length })}</summary>
          <ul>
            {data.causes.map((cause) => (
              <li key={cause.id}>
                <Entry subject="CAUSE" entry={cause} />
                <small>
                  {t('web.know-how.know-how-view.of-the', { partKind: cause.partKind })}
                </small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.moves.length > 0 && (
        <Part open={text !== ''}>
          <summary>
            {t('web.know-how.know-how-view.words-2', { length: data.moves.length })}
          </summary>
          <ul>
            {data.moves.map((move) => (
              <li key={move.id}>
                <Entry subject="MOVE" entry={move} />
                <span>{move.purpose}</span>
                <small>
                  {say('web.know-how.know-how-view.min', {
                    handsOn: move.handsOn,
                    value:
                      move.waiting > 0 &&
                      t('web.know-how.know-how-view.wait-min', { waiting: move.waiting }),
                    invasivenesspips: (
                      <InvasivenessPips
                        invasiveness={move.invasiveness}
                        words={move.invasivenessWords}
                      />
                    ),
                    aside: move.aside,
                  })}
                </small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.remedies.length > 0 && (
        <Part open={text !== ''}>
          <summary>
            {t('web.know-how.know-how-view.words-3', { length: data.remedies.length })}
          </summary>
          <ul>
            {data.remedies.map((remedy) => (
              <li key={remedy.id}>
                <Entry subject="REMEDY" entry={remedy} />
                <small>
                  {say('web.know-how.know-how-view.min-2', {
                    handsOn: remedy.handsOn,
                    value:
                      remedy.waiting > 0 &&
                      t('web.know-how.know-how-view.wait-min', { waiting: remedy.waiting }),
                    value2:
                      remedy.partsMinutes > 0 &&
                      t('web.know-how.know-how-view.parts-worth-min-of-work', {
                        partsMinutes: remedy.partsMinutes,
                      }),
                    value3:
                      remedy.ownerMinutes > 0 &&
                      t('web.know-how.know-how-view.min-for-the-owner-to-set', {
                        ownerMinutes: remedy.ownerMinutes,
                      }),
                    value4:
                      remedy.mends.length > 0 &&
                      ` ${t('web.know-how.know-how-view.mends', { mends: remedy.mends.join(', ') })}`,
                  })}
                </small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.findings.length > 0 && (
        <Part open={text !== ''}>
          <summary>
            {t('web.know-how.know-how-view.words-4', { length: data.findings.length })}
          </summary>
          <ul>
            {data.findings.map((finding) => (
              <li key={finding.id}>
                <Entry subject="FINDING" entry={finding} />
                <small>
                  {finding.judged
                    ? t('web.know-how.know-how-view.judged')
                    : t('web.know-how.know-how-view.partly-measured')}
                </small>
                <Likelihoods>
                  <thead>
                    <tr>
                      <th scope="col">{t('web.know-how.know-how-view.of-100-if-at-work-is')}</th>
                      {finding.levels.map((level) => (
                        <th key={level} scope="col">
                          {level}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    <Row name={t('web.know-how.know-how-view.no-cause')} p={finding.leak} />
                    {Object.entries(finding.links).map(([cause, link]) => (
                      <Row key={cause} name={cause} p={link} />
                    ))}
                  </tbody>
                </Likelihoods>
                <small>{finding.source}</small>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

/** Its name, on the way to all that is known of it. */
function Entry({
  subject,
  entry,
}: {
  subject: KnowHowEntry['subject'];
  entry: { id: string; name: string; version: number };
}) {
  return (
    <span>
      <Link to={`/know-how/${subject}/${entry.id}`}>{entry.name}</Link>
      {entry.version > 0 && (
        <small>
          {' '}
          {say('web.know-how.know-how-view.changed-by-this-shop', {
            value:
              entry.version > 1 &&
              ` ${t('web.know-how.know-how-view.times', { version: entry.version })}`,
          })}
        </small>
      )}
    </span>
  );
}

function Row({ name, p }: { name: string; p: readonly number[] }) {
  return (
    <tr>
      <th scope="row">{name}</th>
      {p.map((x, level) => (
        <td key={level}>{likelihood(x)}</td>
      ))}
    </tr>
  );
}

const Search = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px 24px;
  margin: 12px 0;
  > :first-child {
    flex: 0 1 420px;
  }
  a {
    padding: 11px 0;
  }
`;

const Empty = styled(Sheet)`
  padding: 16px;
`;

const Part = styled.details`
  background: ${color.sheet};
  border: 1px solid ${color.line};
  border-radius: 4px;
  & + & {
    margin-top: 12px;
  }
  summary {
    padding: 12px 16px;
    font-weight: 700;
    cursor: pointer;
  }
  li {
    display: grid;
    gap: 2px;
    padding: 8px 16px;
    border-top: 1px solid ${color.line};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Offered = styled.li`
  && {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 16px;
  }
  > span > * {
    display: block;
  }
  > a {
    flex: none;
    padding: 13px 8px;
  }
`;

const Likelihoods = styled.table`
  border-collapse: collapse;
  justify-self: start;
  font-size: ${size.text};
  th {
    text-align: left;
    font-weight: 400;
    color: ${color.ink2};
    padding: 2px 16px 2px 0;
  }
  td {
    text-align: right;
    padding: 2px 16px 2px 0;
    font-variant-numeric: tabular-nums;
  }
  thead th:not(:first-child) {
    text-align: right;
  }
`;
