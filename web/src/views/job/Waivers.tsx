import { t } from '../../words/words';
import styled from 'styled-components';
import { useWaiverStep } from '../../api/queries';
import type { Job, Waiver } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';

/** What the owner signed, whether it counts, and how it is confirmed or taken back. */
export function Waivers({ job }: { job: Job }) {
  const step = useWaiverStep(job.number);
  const standing = job.data.waivers.filter((w) => w.revokedAt === null);
  if (standing.length === 0) return null;
  return (
    <>
      <List aria-label={t('web.job.waivers.what-the-owner-signed')}>
        {standing.map((w) => (
          <li key={w.id}>
            <q>{w.wording}</q>
            <small>{standingOf(w)}</small>
            <Row>
              {!w.inForce && (
                <Button
                  isPending={step.isPending}
                  onPress={() => step.mutate({ id: w.id, step: 'confirm', version: job.version })}
                >
                  {t('web.job.waivers.i-heard-it-too-confirm')}
                </Button>
              )}
              <Button
                isPending={step.isPending}
                onPress={() => step.mutate({ id: w.id, step: 'revoke', version: job.version })}
              >
                {t('web.job.waivers.take-it-back')}
              </Button>
            </Row>
          </li>
        ))}
      </List>
      {step.isError && <ProblemNote error={step.error} />}
    </>
  );
}

function standingOf(w: Waiver): string {
  const by = `${w.signer}, ${when(w.recordedAt)}`;
  if (w.onScreen) return t('web.job.waivers.signed-on-the-screen-by', { by });
  return w.confirmedBy === null
    ? t('web.job.waivers.written-down-by-it-opens-nothing', { by, recordedBy: w.recordedBy })
    : t('web.job.waivers.written-down-by-confirmed-by', {
        by,
        recordedBy: w.recordedBy,
        confirmedBy: w.confirmedBy,
      });
}

const List = styled.ul`
  display: grid;
  gap: 10px;
  padding: 12px 14px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
  overflow-wrap: anywhere;
  small {
    display: block;
    font-size: ${size.text};
    padding: 4px 0 6px;
  }
`;
