import { useParams } from 'react-router';
import styled from 'styled-components';
import { useMemory } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Memory } from '../../api/types';
import { color, size } from '../../theme/theme';
import { counted, ofHundred } from '../../ui/format';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { Lead, Page, Sheet, SheetHead, Sub, Title } from '../../ui/Sheet';
import { Suspects } from '../isolate/Suspects';
import { MemoryTest } from './MemoryTest';
import { modulesOf, slotsOf } from './modules';
import { SetUp } from './SetUp';
import { SlotsSeen } from './SlotsSeen';
import { Swaps } from './Swaps';

/** Modules and slots under suspicion, start by start, and which start tells most next. */
export function MemoryView() {
  const { number = '' } = useParams();
  const memory = useMemory(number);
  return (
    <Loaded query={memory}>
      {(data) => (
        <Page>
          <Back to={`/job/${data.isolation.number}`}>
            ‹ {data.isolation.number} {data.isolation.machine}
          </Back>
          <Title>{titleOf(data)}</Title>
          {data.isolation.things.length === 0 ? (
            <TwoColumns $side="minmax(320px, 400px)">
              <Stack>
                <MemoryTest memory={data} />
                <SetUp key={data.seenAt} memory={data} />
              </Stack>
              <SlotsSeen memory={data} />
            </TwoColumns>
          ) : (
            <>
              <Sub>
                {counted(slotsOf(data).length, 'slot')}, {counted(modulesOf(data).length, 'module')}
                . An innocent part is named in at most {ofHundred(data.isolation.error)} of 100.
              </Sub>
              <TwoColumns $side="minmax(320px, 400px)">
                <Stack>
                  <Swaps key={`${data.isolation.version} ${data.seenAt ?? ''}`} memory={data} />
                  <MemoryTest memory={data} />
                </Stack>
                <Side memory={data} />
              </TwoColumns>
            </>
          )}
        </Page>
      )}
    </Loaded>
  );
}

/** The finding, not the type. */
export function titleOf(memory: Memory): string {
  if (memory.isolation.things.length === 0) {
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
  if (memory.isolation.named !== null) {
    return memory.isolation.named.startsWith('none of these')
      ? 'It is neither a module nor a slot'
      : `It is ${memory.isolation.named}`;
  }
  if (memory.isolation.starts.length === 0) return 'Start it as it came, and say whether it fails';
  const [first, second] = memory.isolation.suspects;
  return `Perhaps ${first?.words ?? 'nothing'}, or ${second?.words ?? 'nothing'}: the ${together(memory.isolation.starts.length)} cannot tell them apart yet`;
}

const together = (n: number) => (n === 1 ? 'one start' : `${n} starts`);

function Side({ memory }: { memory: Memory }) {
  return (
    <Stack>
      <Suspects isolation={memory.isolation} />
      {memory.isolation.options.length > 0 && (
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
              {memory.isolation.options.map((option) => (
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
    </Stack>
  );
}

const Padded = styled(Sheet)`
  padding: 12px 16px;
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
