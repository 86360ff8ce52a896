import { useState } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSignAway } from '../../api/queries';
import type { DataOnDrive } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';
import { SignatureFields, useSignature } from '../../ui/SignatureFields';

/** The copy in the shop's hands: until when it is kept, and its erasing. */
export function CopyCard({ data }: { data: DataOnDrive }) {
  const call = useCall(keys.job(data.job), keys.floor);
  if (data.copy === null && data.copyErased === null) return null;
  return (
    <Card>
      <b>The copy</b>
      {data.copy === null ? (
        <p>Erased: {data.copyErased}.</p>
      ) : (
        <>
          {data.copy.missingSince !== null && (
            <p role="alert">
              <b>It is not where it was made</b>, seen {when(data.copy.missingSince)}. Look for the
              disk that it lies on; until then it does not count.
            </p>
          )}
          <p>
            {data.copy.keptUntil === null
              ? 'It is kept until 30 days after the hand-back, then it is due to be erased.'
              : `It is due to be erased ${when(data.copy.keptUntil)}.`}
          </p>
          {data.copy.lockedWhy === null ? (
            <Button
              isPending={call.isPending}
              onPress={() =>
                call.mutate(() =>
                  api.POST('/api/jobs/{number}/parts/{partKey}/copy/erase', {
                    params: { path: { number: data.job, partKey: data.partKey } },
                  }),
                )
              }
            >
              Erase the copy
            </Button>
          ) : (
            <>
              <p>Not now: {data.copy.lockedWhy}</p>
              <Returned data={data} />
            </>
          )}
        </>
      )}
      {call.isError && <ProblemNote error={call.error} />}
    </Card>
  );
}

/** The owner signs to have the data again: then the shop's copy may go. */
function Returned({ data }: { data: DataOnDrive }) {
  const sign = useSignAway(data.job);
  const [open, setOpen] = useState(false);
  const signature = useSignature();
  if (!open) {
    return <Button onPress={() => setOpen(true)}>The owner has the data again</Button>;
  }
  return (
    <>
      <p>
        The customer signs to have the data of this drive again. The shop’s copy of it may then be
        erased.
      </p>
      <SignatureFields signature={signature} />
      <Button
        isDisabled={!signature.hasName || !signature.isDrawn}
        isPending={sign.isPending}
        onPress={() =>
          sign.mutate({
            version: data.version,
            signer: signature.name,
            signature: signature.path,
            drives: [{ partKey: data.partKey, scope: 'COPY_RETURNED', holdings: [] }],
          })
        }
      >
        Sign: I have my data
      </Button>
      {sign.isError && <ProblemNote error={sign.error} />}
    </>
  );
}

const Card = styled.div`
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 12px 16px 14px;
  border-top: 1px solid ${color.line};
  p {
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
