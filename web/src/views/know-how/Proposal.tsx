import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { KnowHowChange, KnowHowPreview } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

const SHOWN = 30;

interface ProposalProps {
  change: KnowHowChange;
  version: number;
  onDone: () => void;
  onDrop: () => void;
}

/** What a change would have made of the last jobs; nothing is put in force unseen. */
export function Proposal({ change, version, onDone, onDrop }: ProposalProps) {
  const { mutate, ...preview } = useMutation({
    mutationFn: (asked: KnowHowChange) => told(api.POST('/api/know-how/preview', { body: asked })),
  });
  useEffect(() => mutate(change), [mutate, change]);
  const call = useCall(keys.knowHow, keys.learnt);
  const [reason, setReason] = useState('');
  return (
    <Sheet aria-live="polite">
      <SheetHead>
        <Lead>
          {preview.data === undefined ? 'Weighing the last jobs both ways' : finding(preview.data)}
        </Lead>
      </SheetHead>
      <Inner>
        {preview.isPending && <p>This takes some seconds; nothing is changed by it.</p>}
        {preview.isError && (
          <>
            <ProblemNote error={preview.error} />
            <Button onPress={onDrop}>Back to it</Button>
          </>
        )}
        {preview.data !== undefined && (
          <>
            <Moved preview={preview.data} />
            <Field
              label="Why it is changed"
              hint="The next lead reads this beside the numbers."
              value={reason}
              onChange={setReason}
              maxLength={500}
            />
            {call.isError && <ProblemNote error={call.error} />}
            <Buttons>
              <Button
                primary
                isDisabled={reason.trim() === ''}
                isPending={call.isPending}
                onPress={() =>
                  call.mutate(
                    () => api.POST('/api/know-how/changes', { body: { change, version, reason } }),
                    { onSuccess: onDone },
                  )
                }
              >
                Put it in force
              </Button>
              <Button onPress={onDrop}>Leave it as it is</Button>
            </Buttons>
            <p>
              It is in force at once, for every open job. Decisions that are signed keep theirs.
            </p>
          </>
        )}
      </Inner>
    </Sheet>
  );
}

/** In a sentence. */
export function finding(p: KnowHowPreview): string {
  if (p.jobs === 0) return 'There are no jobs yet to weigh it by';
  const right =
    p.decided === 0
      ? ''
      : p.rightNow === p.rightThen
        ? `; ${p.rightThen} of ${p.decided} decided ones right first, as now`
        : `; ${p.rightThen} of ${p.decided} decided ones right first instead of ${p.rightNow}`;
  if (p.moved.length === 0)
    return `None of the last ${p.jobs} jobs would be told otherwise${right}`;
  return p.otherFirst === 0
    ? `The same cause first in all of the last ${p.jobs} jobs${right}`
    : `Another cause first in ${p.otherFirst} of the last ${p.jobs} jobs${right}`;
}

function Moved({ preview }: { preview: KnowHowPreview }) {
  if (preview.moved.length === 0) return null;
  return (
    <>
      <p>
        Another course in {preview.otherCourse}, another first move in {preview.otherMove}; the
        first cause’s share moves by 1 % or more in {preview.moved.length}.
      </p>
      <Table>
        <thead>
          <tr>
            <th scope="col">Job</th>
            <th scope="col">First now</th>
            <th scope="col">First then</th>
            <th scope="col">Decided</th>
          </tr>
        </thead>
        <tbody>
          {preview.moved.slice(0, SHOWN).map((job) => (
            <tr key={job.number}>
              <th scope="row">
                <Link to={`/job/${job.number}`}>{job.number}</Link>
                <small>{job.complaint}</small>
              </th>
              <Side side={job.now} />
              <Side side={job.then} before={job.now} />
              <td>{job.decided ?? 'not decided'}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {preview.moved.length > SHOWN && <p>And {preview.moved.length - SHOWN} more.</p>}
    </>
  );
}

type SideData = KnowHowPreview['moved'][number]['now'];

function Side({ side, before }: { side: SideData; before?: SideData }) {
  return (
    <td>
      {side.first}, {(100 * side.share).toFixed(0)} %{side.right && <b> ✓ as decided</b>}
      {before !== undefined && before.move !== side.move && (
        <small>first to do: {side.move ?? 'nothing'}</small>
      )}
    </td>
  );
}

const Inner = styled.div`
  display: grid;
  gap: 12px;
  padding: 0 16px 16px;
`;

const Buttons = styled.div`
  display: flex;
  gap: 8px;
`;

const Table = styled.table`
  border-collapse: collapse;
  font-size: ${size.body};
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 6px 12px 6px 0;
    border-top: 1px solid ${color.line};
    font-weight: 400;
  }
  thead th {
    color: ${color.ink2};
    font-size: ${size.text};
    border: 0;
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
