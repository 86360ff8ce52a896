import { say, t } from '../../words/words';
import { useState } from 'react';
import { Checkbox, CheckboxGroup } from 'react-aria-components';
import styled from 'styled-components';
import { useSignAway } from '../../api/queries';
import type { DriveHolds, Job } from '../../api/types';
import { color, radius } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { SignatureFields, useSignature } from '../../ui/SignatureFields';
import { signedOf } from './signedOf';
import { missing } from '../../ui/missing';

/** The owner gives up data: all of a drive, or only what is ticked. */
export function SignAway({ job, onDone }: { job: Job; onDone: () => void }) {
  const sign = useSignAway(job.number);
  const [chosen, setChosen] = useState<string[]>([]);
  const signature = useSignature();
  const open = job.data.drives.filter((d) => d.drive !== null && d.open.length > 0);
  if (open.length === 0) return null;
  const drives = signedOf(open, chosen);
  const lacks = missing(
    [drives.length > 0, t('web.missing.what-may-be-erased')],
    [signature.hasName, t('web.missing.a-name')],
  );
  const send = (drawn: string | null) =>
    sign.mutate(
      { version: job.version, signer: signature.name, signature: drawn, drives },
      { onSuccess: onDone },
    );
  return (
    <Box>
      <p>{t('web.job.sign-away.what-does-not-need-any-more', { customer: job.customer })}</p>
      <Choice
        aria-label={t('web.job.sign-away.what-may-be-erased')}
        value={chosen}
        onChange={setChosen}
      >
        {open.map((d) => (
          <Choices key={d.partKey} drive={d} all={chosen.includes(d.partKey)} />
        ))}
      </Choice>
      <SignatureFields
        signature={signature}
        note={t('web.job.sign-away.without-a-drawing-a-second-person')}
      />
      <Row>
        <Button
          missing={[...lacks, ...missing([signature.isDrawn, t('web.missing.a-signature')])]}
          isPending={sign.isPending}
          onPress={() => send(signature.path)}
        >
          {t('web.job.sign-away.sign-this-may-be-erased')}
        </Button>
        <Button
          isDisabled={signature.isDrawn}
          missing={lacks}
          isPending={sign.isPending}
          onPress={() => send(null)}
        >
          {t('web.job.sign-away.write-down-the-owner-s-word')}
        </Button>
        <Button isDisabled={!signature.isDrawn} onPress={() => signature.setPath('')}>
          {t('web.job.sign-away.clear-the-drawing')}
        </Button>
      </Row>
      {sign.isError && <ProblemNote error={sign.error} />}
    </Box>
  );
}

function Choices({ drive, all }: { drive: DriveHolds; all: boolean }) {
  return (
    <>
      <Tick value={drive.partKey}>
        {({ isSelected }) => (
          <>
            <Mark data-on={isSelected} aria-hidden />
            <b>
              {say('web.job.sign-away.all-of-serial', {
                name: drive.name,
                model: drive.drive?.model,
                serial: drive.drive?.serial,
              })}
            </b>
          </>
        )}
      </Tick>
      {drive.open
        .filter((h) => h.holding.kind !== 'NOT_SURVEYED')
        .map((h, i) => (
          <Tick key={h.words} value={`${drive.partKey} ${i}`} isDisabled={all} data-below>
            {({ isSelected }) => (
              <>
                <Mark data-on={isSelected || all} aria-hidden />
                <span>{h.words}</span>
              </>
            )}
          </Tick>
        ))}
    </>
  );
}

const Box = styled.div`
  display: grid;
  gap: 12px;
  padding: 14px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
`;

const Choice = styled(CheckboxGroup)`
  display: grid;
  max-height: 220px;
  overflow-y: auto;
`;

const Tick = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 38px;
  cursor: pointer;
  overflow-wrap: anywhere;
  &[data-below] {
    padding-left: 26px;
  }
  &[data-focus-visible] {
    outline: 2px solid ${color.hold};
  }
`;

const Mark = styled.span`
  flex: none;
  width: 18px;
  height: 18px;
  border: 1.5px solid ${color.hold};
  border-radius: ${radius};
  &[data-on='true'] {
    background: ${color.hold};
    box-shadow: inset 0 0 0 3px ${color.sheet};
  }
`;
