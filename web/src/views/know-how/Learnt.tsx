import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useLearnt } from '../../api/queries';
import type { LikelihoodProposal } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { counted, likelihood, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet, Sub } from '../../ui/Sheet';

const FEW = 4;

/** Where the shop's own proven jobs disagree with the table; the lead decides. */
export function Learnt() {
  const learnt = useLearnt();
  const [chosen, setChosen] = useState<LikelihoodProposal | null>(null);
  const [all, setAll] = useState(false);
  return (
    <Loaded query={learnt}>
      {(data) => (
        <Box>
          <h2>
            {data.proposals.length === 0
              ? `${data.provenJobs} jobs that stayed mended agree with the table`
              : `${counted(data.proposals.length, 'number differs', 'numbers differ')} from what ${data.provenJobs} mended jobs showed`}
          </h2>
          <Sub>
            From 20 jobs of one cause on, beyond chance (1 in 1,000). They were decided by this very
            table, so look at the jobs before you trust them more than it.
          </Sub>
          {data.proposals.slice(0, all ? undefined : FEW).map((p) => (
            <Line key={`${p.finding} ${p.cause}`}>
              <span>
                <b>{p.causeName}</b>: {p.signName}
                <small>
                  {p.levels
                    .map(
                      (level, i) =>
                        `${level}: expected ${likelihood(p.expected[i] ?? 0)}, seen ${likelihood((p.seen[i] ?? 0) / p.jobs)} of 100`,
                    )
                    .join(' · ')}{' '}
                  · {p.jobs} jobs
                </small>
              </span>
              <Button onPress={() => setChosen(p)}>Take over…</Button>
            </Line>
          ))}
          {data.proposals.length > FEW && (
            <Button aria-expanded={all} onPress={() => setAll(!all)}>
              {all ? 'Show the widest only' : `Show ${data.proposals.length - FEW} more`}
            </Button>
          )}
          {data.decided.map((d) => (
            <Line key={`${d.finding} ${d.cause} ${d.at}`}>
              <span>
                <Link to={`/know-how/FINDING/${d.finding}`}>
                  {d.signName} under {d.causeName}
                </Link>
                : taken over
                <small>
                  {d.by}, {when(d.at)}: “{d.reason}”
                </small>
              </span>
            </Line>
          ))}
          {chosen !== null && <TakeOver proposal={chosen} onClose={() => setChosen(null)} />}
        </Box>
      )}
    </Loaded>
  );
}

function TakeOver({ proposal, onClose }: { proposal: LikelihoodProposal; onClose: () => void }) {
  const call = useCall(keys.learnt, keys.knowHow);
  const [reason, setReason] = useState('');
  return (
    <Modal title={`${proposal.causeName}: ${proposal.signName}`} isOpen onClose={onClose}>
      <ul>
        {proposal.levels.map((level, i) => (
          <li key={level}>
            {level}: {likelihood(proposal.now[i] ?? 0)} becomes{' '}
            {likelihood(proposal.proposed[i] ?? 0)} of 100 under the cause alone
          </li>
        ))}
      </ul>
      <p>It holds at once, for every open job. Decisions that are signed keep theirs.</p>
      <Field
        label="Why these jobs are trusted"
        value={reason}
        onChange={setReason}
        maxLength={500}
        autoFocus
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        primary
        isDisabled={reason.trim() === ''}
        isPending={call.isPending}
        onPress={() =>
          call.mutate(
            () =>
              api.POST('/api/know-how/likelihoods', {
                body: { finding: proposal.finding, cause: proposal.cause, reason },
              }),
            { onSuccess: onClose },
          )
        }
      >
        Take it over
      </Button>
    </Modal>
  );
}

const Box = styled(Sheet)`
  margin: 12px 0;
  padding: 12px 16px;
  h2 {
    font-size: ${size.head};
    margin: 0;
  }
`;

const Line = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid ${color.line};
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  button {
    flex: none;
  }
`;
