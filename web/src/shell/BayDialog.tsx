import { say, t } from '../words/words';
import styled from 'styled-components';
import { useAuthority, useEnrolmentCode, useRevokeProbe } from '../api/queries';
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
  const authority = useAuthority();
  return (
    <Modal title={title(bay, probe)} isOpen onClose={onClose}>
      {probe !== null && (
        <p>
          {say('web.shell.bay-dialog.probe', {
            machine: probe.machine,
            probeVersion: probe.probeVersion,
            value:
              probe.lastSeenAt !== null &&
              `, ${probe.online ? t('web.shell.bay-dialog.on-since') : t('web.shell.bay-dialog.last-seen')} ${when(probe.lastSeenAt)}`,
          })}
        </p>
      )}
      {code.data === undefined ? (
        <p>{t('web.shell.bay-dialog.a-probe-joins-the-bay-with')}</p>
      ) : (
        <CodeBox>
          <Code>{code.data.code}</Code>
          <p>{t('web.shell.bay-dialog.works-once-until', { when: when(code.data.expiresAt) })}</p>
          {authority.isError && <ProblemNote error={authority.error} />}
          {authority.data !== undefined && (
            <Command>
              {t('web.shell.bay-dialog.tekmerion-probe-link-code-machine-data', {
                origin: window.location.origin,
                authority: authority.data?.fingerprint ?? 'none',
                code: code.data.code,
                machine: code.data.machine,
                bay,
              })}
            </Command>
          )}
        </CodeBox>
      )}
      {code.isError && <ProblemNote error={code.error} />}
      {revoke.isError && <ProblemNote error={revoke.error} />}
      <Row>
        <Button primary={probe === null} onPress={() => code.mutate()} isPending={code.isPending}>
          {code.data === undefined
            ? t('web.shell.bay-dialog.show-an-enrolment-code')
            : t('web.shell.bay-dialog.show-another-code')}
        </Button>
        {probe !== null && (
          <Button
            onPress={() => revoke.mutate(undefined, { onSuccess: onClose })}
            isPending={revoke.isPending}
          >
            {t('web.shell.bay-dialog.revoke-this-probe')}
          </Button>
        )}
        <Button onPress={onClose}>{t('web.shell.bay-dialog.close')}</Button>
      </Row>
      {probe !== null && <small>{t('web.shell.bay-dialog.a-new-code-or-revoking-takes')}</small>}
    </Modal>
  );
}

function title(bay: number, probe: BayDialogProps['probe']): string {
  if (probe === null) return t('web.shell.bay-dialog.bay-has-no-probe', { bay });
  return t('web.shell.bay-dialog.the-probe-in-bay-is', { bay, online: probe.online });
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
