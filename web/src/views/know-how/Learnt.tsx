import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useLearnt } from '../../api/queries';
import type { Learnt as LearntView, LikelihoodProposal, RateProposal } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { fixed, likelihood, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet, Sub } from '../../ui/Sheet';
import { missing } from '../../ui/missing';
import { Proposal } from './Proposal';

const FEW = 3;

/** Where the shop's own proven jobs disagree with the table; the lead decides. */
export function Learnt() {
  const learnt = useLearnt();
  const [chosen, setChosen] = useState<LikelihoodProposal | null>(null);
  const [rate, setRate] = useState<RateProposal | null>(null);
  const [all, setAll] = useState(false);
  return (
    <Loaded query={learnt}>
      {(data) => (
        <Box>
          <h2>
            {data.proposals.length + data.rates.length === 0
              ? t('web.know-how.learnt.jobs-that-stayed-mended-agree-with', {
                  provenJobs: data.provenJobs,
                })
              : t('web.know-how.learnt.from-what-mended-jobs-showed', {
                  length: data.proposals.length + data.rates.length,
                  provenJobs: data.provenJobs,
                })}
          </h2>
          <Sub>{t('web.know-how.learnt.from-20-jobs-of-one-cause')}</Sub>
          {data.proposals.slice(0, all ? undefined : FEW).map((p) => (
            <Line key={`${p.finding} ${p.cause}`}>
              <span>
                <b>{p.causeName}</b>: {p.signName}
                <small>
                  {t('web.know-how.learnt.jobs', {
                    levels: p.levels
                      .map((level, i) =>
                        t('web.know-how.learnt.expected-seen-of-100', {
                          level,
                          likelihood: likelihood(p.expected[i] ?? 0),
                          likelihood2: likelihood((p.seen[i] ?? 0) / p.jobs),
                        }),
                      )
                      .join(' · '),
                    jobs: p.jobs,
                  })}
                </small>
              </span>
              <Button onPress={() => setChosen(p)}>{t('web.know-how.learnt.take-over')}</Button>
            </Line>
          ))}
          {data.rates.slice(0, all ? undefined : FEW).map((rate) => (
            <Line key={rate.cause}>
              <span>
                <b>{rate.causeName}</b>:{' '}
                {t('web.know-how.learnt.as-often-as-the-table', { times: fixed(rate.times, 1) })}
                <small>
                  {rate.families
                    .map((f) =>
                      t('web.know-how.learnt.family-expected-seen', {
                        family: f.familyName,
                        expected: fixed(f.expected, 1),
                        seen: fixed(f.seen, 1),
                      }),
                    )
                    .join(' · ')}
                </small>
              </span>
              <Button
                aria-label={t('web.know-how.learnt.what-it-would-have-changed-of', {
                  cause: rate.causeName,
                })}
                onPress={() => setRate(rate)}
              >
                {t('web.know-how.editors.what-would-it-have-changed')}
              </Button>
            </Line>
          ))}
          {hidden(data) > 0 && (
            <Button aria-expanded={all} onPress={() => setAll(!all)}>
              {all
                ? t('web.know-how.learnt.show-the-widest-only')
                : t('web.know-how.learnt.show-more', { FEW: hidden(data) })}
            </Button>
          )}
          {data.decided.map((d) => (
            <Line key={`${d.finding} ${d.cause} ${d.at}`}>
              <span>
                {say('web.know-how.learnt.under-taken-over', {
                  link: (words: ReactNode) => (
                    <Link to={`/know-how/FINDING/${d.finding}`}>{words}</Link>
                  ),
                  signName: d.signName,
                  causeName: d.causeName,
                  by: d.by,
                  when: when(d.at),
                  reason: d.reason,
                })}
              </span>
            </Line>
          ))}
          {rate !== null && (
            <Proposal
              change={rate.change}
              version={rate.version}
              onDone={() => setRate(null)}
              onDrop={() => setRate(null)}
            />
          )}
          {chosen !== null && <TakeOver proposal={chosen} onClose={() => setChosen(null)} />}
        </Box>
      )}
    </Loaded>
  );
}

/** How many are folded away. */
const hidden = (data: LearntView) =>
  Math.max(0, data.proposals.length - FEW) + Math.max(0, data.rates.length - FEW);

function TakeOver({ proposal, onClose }: { proposal: LikelihoodProposal; onClose: () => void }) {
  const call = useCall(keys.learnt, keys.knowHow);
  const [reason, setReason] = useState('');
  return (
    <Modal title={`${proposal.causeName}: ${proposal.signName}`} isOpen onClose={onClose}>
      <ul>
        {proposal.levels.map((level, i) => (
          <li key={level}>
            {t('web.know-how.learnt.becomes-of-100-under-the-cause', {
              level,
              likelihood: likelihood(proposal.now[i] ?? 0),
              likelihood2: likelihood(proposal.proposed[i] ?? 0),
            })}
          </li>
        ))}
      </ul>
      <p>{t('web.know-how.learnt.it-holds-at-once-for-every')}</p>
      <Field
        label={t('web.know-how.learnt.why-these-jobs-are-trusted')}
        value={reason}
        onChange={setReason}
        maxLength={500}
        autoFocus
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button
        primary
        missing={missing([reason.trim() !== '', t('web.missing.your-reason')])}
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
        {t('web.know-how.learnt.take-it-over')}
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
