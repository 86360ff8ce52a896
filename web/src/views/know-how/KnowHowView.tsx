import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useKnowHow, useMovesFromElsewhere, useSession } from '../../api/queries';
import type { KnowHow, KnowHowEntry } from '../../api/types';
import { InvasivenessPips } from '../../marks/InvasivenessPips';
import { color, size } from '../../theme/theme';
import { Field } from '../../ui/Field';
import { counted, likelihood } from '../../ui/format';
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
              {data.judged} of {data.signsInAll} findings rest on judgement alone
            </Title>
            <Sub>
              The others name what they were measured by. Every number says its source. What differs
              from maker to maker stands in <Link to="/makers">the shop’s own notes</Link>.
            </Sub>
            {isLead && text === '' && <Learnt />}
            <Search>
              <Field
                label="Search causes, findings, moves and remedies"
                value={text}
                onChange={(value) =>
                  setParams(value === '' ? {} : { text: value }, { replace: true })
                }
                autoComplete="off"
              />
              {isLead && <Link to="/know-how/own-move">A move of our own…</Link>}
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
      <summary>{counted(moves.length, 'move')} from other shops, not in force here</summary>
      <ul>
        {moves.map(({ id, job, move }) => (
          <Offered key={id}>
            <span>
              <b>{move.words.name.replace('{part}', 'the part')}</b>
              <span>{move.words.purpose}</span>
              <small>
                Came with job <Link to={`/job/${job}`}>{job}</Link>. What it showed there is not
                weighed.
              </small>
            </span>
            <Link
              to={`/know-how/own-move?from=${id}`}
              aria-label={`Take over ${move.words.name.replace('{part}', 'the part')}…`}
            >
              Take it over…
            </Link>
          </Offered>
        ))}
      </ul>
    </Part>
  );
}

function Found({ data, text }: { data: KnowHow; text: string }) {
  if (data.causes.length + data.findings.length + data.moves.length + data.remedies.length === 0) {
    return <Empty>Nothing in the know-how has “{text}” in it.</Empty>;
  }
  return (
    <>
      {data.causes.length > 0 && (
        <Part open={text !== ''}>
          <summary>{counted(data.causes.length, 'cause')}</summary>
          <ul>
            {data.causes.map((cause) => (
              <li key={cause.id}>
                <Entry subject="CAUSE" entry={cause} />
                <small>of the {cause.partKind}</small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.moves.length > 0 && (
        <Part open={text !== ''}>
          <summary>{counted(data.moves.length, 'move')}</summary>
          <ul>
            {data.moves.map((move) => (
              <li key={move.id}>
                <Entry subject="MOVE" entry={move} />
                <span>{move.purpose}</span>
                <small>
                  {move.handsOn} min{move.waiting > 0 && `, wait ${move.waiting} min`}{' '}
                  <InvasivenessPips
                    invasiveness={move.invasiveness}
                    words={move.invasivenessWords}
                  />
                  {move.aside && ' · set aside: not offered here'}
                </small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.remedies.length > 0 && (
        <Part open={text !== ''}>
          <summary>{counted(data.remedies.length, 'remedy', 'remedies')}</summary>
          <ul>
            {data.remedies.map((remedy) => (
              <li key={remedy.id}>
                <Entry subject="REMEDY" entry={remedy} />
                <small>
                  {remedy.handsOn} min{remedy.waiting > 0 && `, wait ${remedy.waiting} min`}
                  {remedy.partsMinutes > 0 && `, parts worth ${remedy.partsMinutes} min of work`}
                  {remedy.ownerMinutes > 0 &&
                    `, ${remedy.ownerMinutes} min for the owner to set up again`}
                  {remedy.mends.length > 0 && ` · mends ${remedy.mends.join(', ')}`}
                </small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {data.findings.length > 0 && (
        <Part open={text !== ''}>
          <summary>{counted(data.findings.length, 'finding')}</summary>
          <ul>
            {data.findings.map((finding) => (
              <li key={finding.id}>
                <Entry subject="FINDING" entry={finding} />
                <small>{finding.judged ? 'judged' : 'partly measured'}</small>
                <Likelihoods>
                  <thead>
                    <tr>
                      <th scope="col">of 100, if at work is</th>
                      {finding.levels.map((level) => (
                        <th key={level} scope="col">
                          {level}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    <Row name="no cause" p={finding.leak} />
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
        <small> · changed by this shop{entry.version > 1 && ` ${entry.version} times`}</small>
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
