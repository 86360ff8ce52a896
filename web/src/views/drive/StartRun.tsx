import { say, t } from '../../words/words';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { DriveData, RunKind } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';

export interface StartRunProps {
  drive: DriveData;
  isOpen: boolean;
  onClose: () => void;
}

/** Every run that there is; a locked one says why and what opens it. */
export function StartRun({ drive, isOpen, onClose }: StartRunProps) {
  const call = useCall(keys.job(drive.job));
  const start = (kind: RunKind) =>
    call.mutate(
      () =>
        api.POST('/api/jobs/{number}/parts/{partKey}/runs', {
          params: { path: { number: drive.job, partKey: drive.partKey } },
          body: { kind },
        }),
      { onSuccess: onClose },
    );
  return (
    <Modal
      title={t('web.drive.start-run.test', { slot: drive.slot })}
      isOpen={isOpen}
      onClose={onClose}
    >
      {!drive.probeOnline && (
        <p role="note">{t('web.drive.start-run.no-probe-is-connected-put-the')}</p>
      )}
      {call.isError && <ProblemNote error={call.error} />}
      <List>
        {drive.starts.map((s) => (
          <li key={s.kind}>
            <span>
              <b>{s.name}</b>
              <small>{s.about}</small>
              {s.lockedWhy !== null && (
                <small>
                  {say('web.drive.start-run.locked', { lockedWhy: s.lockedWhy, opens: s.opens })}
                </small>
              )}
            </span>
            <Button
              aria-label={t('web.drive.start-run.start', { name: s.name })}
              isDisabled={s.lockedWhy !== null || !drive.probeOnline}
              isPending={call.isPending}
              onPress={() => start(s.kind)}
            >
              {s.lockedWhy === null
                ? t('web.drive.start-run.start-2')
                : t('web.drive.start-run.locked-2')}
            </Button>
          </li>
        ))}
      </List>
    </Modal>
  );
}

const List = styled.ul`
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    padding: 10px 0;
    > button {
      flex: none;
    }
    border-top: 1px solid ${color.line};
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
