import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useMemory } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Memory } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size, upTo } from '../../theme/theme';
import { ofHundred } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Lead, Page, Sheet, SheetHead, Sub, Title } from '../../ui/Sheet';
import { MemoryTest } from './MemoryTest';
import { SetUp } from './SetUp';
import { SlotsSeen } from './SlotsSeen';
import { Starts } from './Starts';

/** Modules and slots under suspicion, start by start, and which start tells most next. */
export function MemoryView() {
  const { number = '' } = useParams();
  const memory = useMemory(number);
  return (
    <Loaded query={memory}>
      {(data) => (
        <Page>
          <Back to={`/job/${data.number}`}>
            ‹ {data.number} {data.machine}
          </Back>
          <Title>{titleOf(data)}</Title>
          {data.modules.length === 0 ? (
            <Columns>
              <Stacked>
                <MemoryTest memory={data} />
                <SetUp key={data.seenAt} memory={data} />
              </Stacked>
              <SlotsSeen memory={data} />
            </Columns>
          ) : (
            <>
              <Sub>
                {data.slots.length} slots, {data.modules.length}{' '}
                {data.modules.length === 1 ? 'module' : 'modules'}. An innocent part is named in at
                most {ofHundred(data.error)} of 100.
              </Sub>
              <Columns>
                <Stacked>
                  <Starts
                    key={`${data.starts.length} ${data.version} ${data.seenAt ?? ''}`}
                    memory={data}
                  />
                  <MemoryTest memory={data} />
                </Stacked>
                <Side memory={data} />
              </Columns>
            </>
          )}
        </Page>
      )}
    </Loaded>
  );
}

/** The finding, not the type. */
export function titleOf(memory: Memory): string {
  if (memory.modules.length === 0) {
    if (memory.runs.some((r) => r.state !== 'ENDED')) return 'Its memory is being tested';
    const march = resultOf(
      memory.runs.find((r) => r.state === 'ENDED' && resultOf(r, 'memory-test') !== null),
      'memory-test',
    );
    if (march != null && march.where !== '') return 'Its memory errs: which module, or which slot?';
    return march != null && march.passes > 0
      ? 'Its memory held through a whole test'
      : 'What sits in its memory slots?';
  }
  if (memory.named !== null) {
    return memory.named.startsWith('none of these')
      ? 'It is neither a module nor a slot'
      : `It is ${memory.named}`;
  }
  if (memory.starts.length === 0) return 'Start it as it came, and say whether it fails';
  const [first, second] = memory.suspects;
  return `Perhaps ${first?.words ?? 'nothing'}, or ${second?.words ?? 'nothing'}: the ${counted(memory.starts.length)} cannot tell them apart yet`;
}

const counted = (n: number) => (n === 1 ? 'one start' : `${n} starts`);

function Side({ memory }: { memory: Memory }) {
  return (
    <Stacked>
      <Sheet>
        <SheetHead>
          <Lead>Under suspicion</Lead>
          <small>of 100</small>
        </SheetHead>
        <ul>
          {memory.suspects.slice(0, 7).map((suspect) => (
            <Suspect key={suspect.words}>
              <SuspicionMark suspicion={suspect.suspicion} size={22} />
              <span>{suspect.words}</span>
              <Bar aria-hidden="true">
                <i style={{ inlineSize: `${100 * suspect.probability}%` }} />
              </Bar>
              <b>{ofHundred(suspect.probability)}</b>
            </Suspect>
          ))}
        </ul>
      </Sheet>
      {memory.options.length > 0 && (
        <Sheet>
          <SheetHead>
            <Lead>Which start tells most</Lead>
          </SheetHead>
          <Options>
            <thead>
              <tr>
                <th scope="col">With</th>
                <th scope="col">tells</th>
                <th scope="col">takes</th>
              </tr>
            </thead>
            <tbody>
              {memory.options.map((option) => (
                <tr key={option.words}>
                  <th scope="row">{option.words}</th>
                  <td>{option.bits.toFixed(2)} bit</td>
                  <td>{Math.round(option.minutes)} min</td>
                </tr>
              ))}
            </tbody>
          </Options>
        </Sheet>
      )}
      {memory.replacement !== null && (
        <Padded>
          <Lead>To buy in its place</Lead>
          <p>{memory.replacement}</p>
        </Padded>
      )}
      {memory.meanwhile !== null && (
        <Padded>
          <Lead>Until the part comes</Lead>
          <p>It may go home with {memory.meanwhile}: nothing speaks against that.</p>
        </Padded>
      )}
      <SlotsSeen memory={memory} />
    </Stacked>
  );
}

const Back = styled(Link)`
  color: ${color.ink2};
`;

const Columns = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 400px);
  gap: 12px;
  align-items: start;
  margin: 12px 0;
  ${upTo.middle} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Stacked = styled.div`
  display: grid;
  gap: 12px;
`;

const Padded = styled(Sheet)`
  padding: 12px 16px;
`;

const Suspect = styled.li`
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 90px 34px;
  gap: 10px;
  align-items: center;
  padding: 6px 16px;
  b {
    text-align: right;
  }
`;

const Bar = styled.span`
  height: 10px;
  background: ${color.ground};
  i {
    display: block;
    height: 100%;
    background: ${color.ink3};
  }
`;

const Options = styled.table`
  border-collapse: collapse;
  inline-size: 100%;
  th,
  td {
    padding: 6px 16px;
    text-align: left;
    font-weight: 400;
    vertical-align: top;
  }
  td {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  thead th {
    color: ${color.ink2};
    font-size: ${size.text};
  }
  thead th:not(:first-child) {
    text-align: right;
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
  tbody tr:first-child th {
    font-weight: 700;
  }
`;
