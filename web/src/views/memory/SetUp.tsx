import { useState } from 'react';
import styled from 'styled-components';
import { keys, useCall } from '../../api/queries';
import type { Memory } from '../../api/types';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';

const COUNTS = [
  ['1', '1'],
  ['2', '2'],
  ['3', '3'],
  ['4', '4'],
] as const;

type Count = (typeof COUNTS)[number][0];

/** Names what there is to swap, before the first start. */
export function SetUp({ memory }: { memory: Memory }) {
  const call = useCall(keys.memory(memory.number), keys.job(memory.number));
  const [names, setNames] = useState('M1, M2');
  const [slots, setSlots] = useState<Count>('2');
  const modules = names
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');
  return (
    <Box>
      <p>
        Mark the modules before the first comes out: M1 for the one in the first slot, and so on.
        From then on every start is kept, and the next best one is worked out.
      </p>
      <Field
        label="Modules, in the order of their slots, with commas between"
        value={names}
        onChange={setNames}
        maxLength={160}
      />
      <Select label="Slots" value={slots} options={COUNTS} onChange={setSlots} />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        primary
        isDisabled={modules.length === 0 || modules.length > Number(slots) || call.isPending}
        onPress={() =>
          call.mutate({
            method: 'PUT',
            path: `/api/jobs/${memory.number}/memory`,
            body: {
              version: memory.version,
              modules,
              slots: Array.from({ length: Number(slots) }, (_, i) => `slot ${i + 1}`),
            },
          })
        }
      >
        Begin
      </Button>
    </Box>
  );
}

const Box = styled(Sheet)`
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 640px;
  padding: 16px;
  margin: 12px 0;
`;
