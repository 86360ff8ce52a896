import styled from 'styled-components';
import { useEnrolmentCode, useRevokeProbe } from '../api/queries';
import type { Job } from '../api/types';
import { color, radius, size } from '../theme/theme';
import { Button } from '../ui/Button';
import { when } from '../ui/format';
import { Modal } from '../ui/Modal';
import { ProblemNote } from '../ui/ProblemNote';
import { Mono } from '../ui/Sheet';
import { Row } from '../ui/Layout';

export interface BayDialogProps {
  bay: number;
  /** The probe on the bay; null if there is none. */
  probe: NonNullable<Job['bay']>['probe'];
  onClose: () => void;
}

/** Putting a probe on a bay, and taking it off. */
export function BayDialog({ bay, probe, onClose }: BayDialogProps) {
  const code = useEnrolmentCode(bay);
  const revoke = useRevokeProbe(bay);
  return (
    <Modal title={title(bay, probe)} isOpen onClose={onClose}>
      {probe !== null && (
        <p>
          {probe.machine}, probe {probe.probeVersion}
          {probe.lastSeenAt !== null &&
            `, ${probe.online ? 'on since' : 'last seen'} ${when(probe.lastSeenAt)}`}
          .
        </p>
      )}
      {code.data === undefined ? (
        <p>
          A probe joins the bay with a code that works once and for a quarter of an hour. Start it
          on the machine under test with the command that is shown with the code.
        </p>
      ) : (
        <CodeBox>
          <Code>{code.data.code}</Code>
          <p>works once, until {when(code.data.expiresAt)}</p>
          <Command>
            ./tekmerion probe --link {window.location.origin} --code {code.data.code} --machine{' '}
            {code.data.machine} --data probe-bay-{bay}
          </Command>
        </CodeBox>
      )}
      {code.isError && <ProblemNote error={code.error} />}
      {revoke.isError && <ProblemNote error={revoke.error} />}
      <Row>
        <Button primary={probe === null} onPress={() => code.mutate()} isPending={code.isPending}>
          {code.data === undefined ? 'Show an enrolment code' : 'Show another code'}
        </Button>
        {probe !== null && (
          <Button
            onPress={() => revoke.mutate(undefined, { onSuccess: onClose })}
            isPending={revoke.isPending}
          >
            Revoke this probe
          </Button>
        )}
        <Button onPress={onClose}>Close</Button>
      </Row>
      {probe !== null && (
        <small>
          A new code or revoking takes the present probe off. What it sent stays; what it has not
          sent yet it keeps.
        </small>
      )}
    </Modal>
  );
}

function title(bay: number, probe: BayDialogProps['probe']): string {
  if (probe === null) return `Bay ${bay} has no probe`;
  return `The probe in bay ${bay} is ${probe.online ? 'connected' : 'not connected'}`;
}

const CodeBox = styled.div`
  display: grid;
  gap: 8px;
  padding: 14px;
  border: 1px solid ${color.line};
  border-radius: ${radius};
  background: ${color.sunken};
`;

const Code = styled(Mono)`
  font-size: ${size.wall};
  font-weight: 700;
  letter-spacing: 2px;
`;

const Command = styled(Mono)`
  overflow-wrap: anywhere;
`;
