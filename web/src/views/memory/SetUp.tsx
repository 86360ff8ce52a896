import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Memory } from '../../api/types';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Lead, Sheet } from '../../ui/Sheet';
import { missing } from '../../ui/missing';

const COUNTS = [
  ['1', '1'],
  ['2', '2'],
  ['3', '3'],
  ['4', '4'],
] as const;

type Count = (typeof COUNTS)[number][0];

/** As many as the machine has, two if it does not tell. */
const counted = (slots: number): Count =>
  COUNTS.map(([n]) => n).find((n) => Number(n) === slots) ?? '2';

/** Names what there is to swap, before the first start. */
export function SetUp({ memory }: { memory: Memory }) {
  const call = useCall(keys.job(memory.isolation.number));
  const told = memory.seen.filter((slot) => slot.module !== null).length;
  const [names, setNames] = useState(
    told === 0
      ? 'M1, M2'
      : memory.seen.flatMap((s, i) => (s.module === null ? [] : [`M${i + 1}`])).join(', '),
  );
  const [slots, setSlots] = useState<Count>(counted(memory.seen.length));
  const modules = names
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  return (
    <Box>
      <Lead>{t('web.memory.set-up.isolate-by-swapping')}</Lead>
      <p>{t('web.memory.set-up.mark-the-modules-before-the-first', { told: told > 0 })}</p>
      <Field
        label={t('web.memory.set-up.modules-in-the-order-of-their')}
        value={names}
        onChange={setNames}
        maxLength={160}
      />
      <Select
        label={t('web.memory.set-up.slots')}
        value={slots}
        options={COUNTS}
        onChange={setSlots}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        primary
        missing={missing(
          [modules.length > 0, t('web.missing.a-module')],
          [modules.length <= Number(slots), t('web.missing.a-slot-for-each-module')],
        )}
        isPending={call.isPending}
        onPress={() =>
          call.mutate(() =>
            api.PUT('/api/jobs/{number}/isolations/{sort}', {
              params: { path: { number: memory.isolation.number, sort: 'MEMORY' } },
              body: {
                version: memory.isolation.version,
                things: [
                  ...modules.map((name) => ({ kind: 'module', name })),
                  ...Array.from({ length: Number(slots) }, (_, i) => ({
                    kind: 'slot',
                    name: memory.seen[i]?.slot ?? t('web.memory.set-up.slot', { i: i + 1 }),
                  })),
                ],
              },
            }),
          )
        }
      >
        {t('web.memory.set-up.begin')}
      </Button>
    </Box>
  );
}

const Box = styled(Sheet)`
  display: grid;
  gap: 12px;
  justify-items: start;
  padding: 16px;
`;
