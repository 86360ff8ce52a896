import { t } from '../../words/words';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { useMemory } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Memory } from '../../api/types';
import { color, size } from '../../theme/theme';
import { ofHundred, fixed } from '../../ui/format';
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
                {t('web.memory.memory-view.an-innocent-part-is-named-in', {
                  length: slotsOf(data).length,
                  length2: modulesOf(data).length,
                  ofHundred: ofHundred(data.isolation.error),
                })}
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
    if (memory.runs.some((r) => r.state !== 'ENDED'))
      return t('web.memory.memory-view.its-memory-is-being-tested');
    const march = resultOf(
      memory.runs.find((r) => r.state === 'ENDED' && resultOf(r, 'memory-test') !== null),
      'memory-test',
    );
    if (march != null && march.where !== '')
      return t('web.memory.memory-view.its-memory-errs-which-module-or');
    return march != null && march.passes > 0
      ? t('web.memory.memory-view.its-memory-held-through-a-whole')
      : t('web.memory.memory-view.what-sits-in-its-memory-slots');
  }
  if (memory.isolation.named !== null) {
    return memory.isolation.named.startsWith('none of these')
      ? t('web.memory.memory-view.it-is-neither-a-module-nor')
      : t('web.memory.memory-view.it-is', { named: memory.isolation.named });
  }
  if (memory.isolation.starts.length === 0)
    return t('web.memory.memory-view.start-it-as-it-came-and');
  const [first, second] = memory.isolation.suspects;
  return t('web.memory.memory-view.perhaps-or-the-cannot-tell-them', {
    words: first?.words ?? t('web.memory.memory-view.nothing'),
    words2: second?.words ?? t('web.memory.memory-view.nothing'),
    together: together(memory.isolation.starts.length),
  });
}

const together = (n: number) =>
  n === 1 ? t('web.memory.memory-view.one-start') : t('web.memory.memory-view.starts', { n });

function Side({ memory }: { memory: Memory }) {
  return (
    <Stack>
      <Suspects isolation={memory.isolation} />
      {memory.isolation.options.length > 0 && (
        <Sheet>
          <SheetHead>
            <Lead>{t('web.memory.memory-view.which-start-tells-most')}</Lead>
          </SheetHead>
          <Options>
            <thead>
              <tr>
                <th scope="col">{t('web.memory.memory-view.with')}</th>
                <th scope="col">{t('web.memory.memory-view.tells')}</th>
                <th scope="col">{t('web.memory.memory-view.takes')}</th>
              </tr>
            </thead>
            <tbody>
              {memory.isolation.options.map((option) => (
                <tr key={option.words}>
                  <th scope="row">{option.words}</th>
                  <td>{t('web.memory.memory-view.bit', { bits: fixed(option.bits, 2) })}</td>
                  <td>
                    {t('web.memory.memory-view.min', { minutes: Math.round(option.minutes) })}
                  </td>
                </tr>
              ))}
            </tbody>
          </Options>
        </Sheet>
      )}
      {memory.replacement !== null && (
        <Padded>
          <Lead>{t('web.memory.memory-view.to-buy-in-its-place')}</Lead>
          <p>{memory.replacement}</p>
        </Padded>
      )}
      {memory.meanwhile !== null && (
        <Padded>
          <Lead>{t('web.memory.memory-view.until-the-part-comes')}</Lead>
          <p>
            {t('web.memory.memory-view.it-may-go-home-with-nothing', {
              meanwhile: memory.meanwhile,
            })}
          </p>
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
