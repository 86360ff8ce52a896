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
      <List aria-label="What the owner signed">
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
                  I heard it too: confirm
                </Button>
              )}
              <Button
                isPending={step.isPending}
                onPress={() => step.mutate({ id: w.id, step: 'revoke', version: job.version })}
              >
                Take it back
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
  if (w.onScreen) return `Signed on the screen by ${by}.`;
  return w.confirmedBy === null
    ? `${by}, written down by ${w.recordedBy}. It opens nothing until a second person confirms it.`
    : `${by}, written down by ${w.recordedBy}, confirmed by ${w.confirmedBy}.`;
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
