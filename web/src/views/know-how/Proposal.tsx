import { fixed } from '../../ui/format';
import { t } from '../../words/words';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { KnowHowChange, KnowHowPreview } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { missing } from '../../ui/missing';

const SHOWN = 30;

interface ProposalProps {
  change: KnowHowChange;
  version: number;
  onDone: () => void;
  onDrop: () => void;
}

/** What a change would have made of the last jobs; nothing is put in force unseen. */
export function Proposal({ change, version, onDone, onDrop }: ProposalProps) {
  const { mutate, ...preview } = useMutation({
    mutationFn: (asked: KnowHowChange) => told(api.POST('/api/know-how/preview', { body: asked })),
  });
  useEffect(() => mutate(change), [mutate, change]);
  const call = useCall(keys.knowHow, keys.learnt);
  const [reason, setReason] = useState('');
  return (
    <Sheet aria-live="polite">
      <SheetHead>
        <Lead>
          {preview.data === undefined
            ? t('web.know-how.proposal.weighing-the-last-jobs-both-ways')
            : finding(preview.data)}
        </Lead>
      </SheetHead>
      <Inner>
        {preview.isPending && (
          <p>{t('web.know-how.proposal.this-takes-some-seconds-nothing-is')}</p>
        )}
        {preview.isError && (
          <>
            <ProblemNote error={preview.error} />
            <Button onPress={onDrop}>{t('web.know-how.proposal.back-to-it')}</Button>
          </>
        )}
        {preview.data !== undefined && (
          <>
            <Moved preview={preview.data} />
            <Field
              label={t('web.know-how.proposal.why-it-is-changed')}
              hint={t('web.know-how.proposal.the-next-lead-reads-this-beside')}
              value={reason}
              onChange={setReason}
              maxLength={500}
            />
            {call.isError && <ProblemNote error={call.error} />}
            <Buttons>
              <Button
                primary
                missing={missing([reason.trim() !== '', t('web.missing.your-reason')])}
                isPending={call.isPending}
                onPress={() =>
                  call.mutate(
                    () => api.POST('/api/know-how/changes', { body: { change, version, reason } }),
                    { onSuccess: onDone },
                  )
                }
              >
                {t('web.know-how.proposal.put-it-in-force')}
              </Button>
              <Button onPress={onDrop}>{t('web.know-how.proposal.leave-it-as-it-is')}</Button>
            </Buttons>
            <p>{t('web.know-how.proposal.it-is-in-force-at-once')}</p>
          </>
        )}
      </Inner>
    </Sheet>
  );
}

/** In a sentence. */
export function finding(p: KnowHowPreview): string {
  if (p.jobs === 0) return t('web.know-how.proposal.there-are-no-jobs-yet-to');
  const right =
    p.decided === 0
      ? ''
      : p.rightNow === p.rightThen
        ? t('web.know-how.proposal.of-decided-ones-right-first-as', {
            rightThen: p.rightThen,
            decided: p.decided,
          })
        : t('web.know-how.proposal.of-decided-ones-right-first-instead', {
            rightThen: p.rightThen,
            decided: p.decided,
            rightNow: p.rightNow,
          });
  if (p.moved.length === 0)
    return t('web.know-how.proposal.none-of-the-last-jobs-would', { jobs: p.jobs, right });
  return p.otherFirst === 0
    ? t('web.know-how.proposal.the-same-cause-first-in-all', { jobs: p.jobs, right })
    : t('web.know-how.proposal.another-cause-first-in-of-the', {
        otherFirst: p.otherFirst,
        jobs: p.jobs,
        right,
      });
}

function Moved({ preview }: { preview: KnowHowPreview }) {
  if (preview.moved.length === 0) return null;
  return (
    <>
      <p>
        {t('web.know-how.proposal.another-course-in-another-first-move', {
          otherCourse: preview.otherCourse,
          otherMove: preview.otherMove,
          length: preview.moved.length,
        })}
      </p>
      <Table>
        <thead>
          <tr>
            <th scope="col">{t('web.know-how.proposal.job')}</th>
            <th scope="col">{t('web.know-how.proposal.first-now')}</th>
            <th scope="col">{t('web.know-how.proposal.first-then')}</th>
            <th scope="col">{t('web.know-how.proposal.decided')}</th>
          </tr>
        </thead>
        <tbody>
          {preview.moved.slice(0, SHOWN).map((job) => (
            <tr key={job.number}>
              <th scope="row">
                <Link to={`/job/${job.number}`}>{job.number}</Link>
                <small>{job.complaint}</small>
              </th>
              <Side side={job.now} />
              <Side side={job.then} before={job.now} />
              <td>{job.decided ?? t('web.know-how.proposal.not-decided')}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {preview.moved.length > SHOWN && (
        <p>{t('web.know-how.proposal.and-more', { SHOWN: preview.moved.length - SHOWN })}</p>
      )}
    </>
  );
}

type SideData = KnowHowPreview['moved'][number]['now'];

function Side({ side, before }: { side: SideData; before?: SideData }) {
  return (
    <td>
      {side.first}, {fixed(100 * side.share, 0)} %
      {side.right && <b> {t('web.know-how.proposal.as-decided')}</b>}
      {before !== undefined && before.move !== side.move && (
        <small>
          {t('web.know-how.proposal.first-to-do', {
            move: side.move ?? t('web.know-how.proposal.nothing'),
          })}
        </small>
      )}
    </td>
  );
}

const Inner = styled.div`
  display: grid;
  gap: 12px;
  padding: 0 16px 16px;
`;

const Buttons = styled.div`
  display: flex;
  gap: 8px;
`;

const Table = styled.table`
  border-collapse: collapse;
  font-size: ${size.body};
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 6px 12px 6px 0;
    border-top: 1px solid ${color.line};
    font-weight: 400;
  }
  thead th {
    color: ${color.ink2};
    font-size: ${size.text};
    border: 0;
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
