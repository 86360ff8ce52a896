import { say, t } from '../../words/words';
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
import { missing } from '../../ui/missing';

/** The copy in the shop's hands: until when it is kept, and its erasing. */
export function CopyCard({ data }: { data: DataOnDrive }) {
  const call = useCall(keys.job(data.job), keys.floor);
  if (data.copy === null && data.copyErased === null) return null;
  return (
    <Card>
      <b>{t('web.rescue.copy-card.the-copy')}</b>
      {data.copy === null ? (
        <p>{say('web.rescue.copy-card.erased', { copyErased: data.copyErased })}</p>
      ) : (
        <>
          {data.copy.missingSince !== null && (
            <p role="alert">
              {say('web.rescue.copy-card.it-is-not-where-it-was', {
                when: when(data.copy.missingSince),
              })}
            </p>
          )}
          <p>
            {data.copy.keptUntil === null
              ? t('web.rescue.copy-card.it-is-kept-until-30-days')
              : t('web.rescue.copy-card.it-is-due-to-be-erased', {
                  when: when(data.copy.keptUntil),
                })}
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
              {t('web.rescue.copy-card.erase-the-copy')}
            </Button>
          ) : (
            <>
              <p>{t('web.rescue.copy-card.not-now', { lockedWhy: data.copy.lockedWhy })}</p>
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
    return (
      <Button onPress={() => setOpen(true)}>
        {t('web.rescue.copy-card.the-owner-has-the-data-again')}
      </Button>
    );
  }
  return (
    <>
      <p>{t('web.rescue.copy-card.the-customer-signs-to-have-the')}</p>
      <SignatureFields signature={signature} />
      <Button
        missing={missing(
          [signature.hasName, t('web.missing.a-name')],
          [signature.isDrawn, t('web.missing.a-signature')],
        )}
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
        {t('web.rescue.copy-card.sign-i-have-my-data')}
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
