import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession } from '../../api/queries';
import type { ComplaintNow, Job } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { FieldRow } from '../../ui/Layout';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet } from '../../ui/Sheet';

const RESULTS: readonly [ComplaintNow, string][] = [
  ['GONE', t('web.job.one-change.it-is-gone')],
  ['SAME', t('web.job.one-change.it-is-the-same')],
  ['DIFFERENT', t('web.job.one-change.it-is-different')],
  ['COULD_NOT_TELL', t('web.job.one-change.could-not-tell')],
];

/** One change at a time: an open one is closed by looking at the complaint. */
export function OneChange({ job }: { job: Job }) {
  const call = useCall(keys.job(job.number), keys.floor);
  const role = useSession().data?.person?.role;
  const [what, setWhat] = useState('');
  const [note, setNote] = useState('');
  if (job.endedAt !== null || role === 'COUNTER') return null;
  const params = { path: { number: job.number } };
  const { version } = job;
  const send = (sent: () => Promise<{ data?: unknown }>) =>
    call.mutate(sent, {
      onSuccess: () => {
        setWhat('');
        setNote('');
      },
    });
  const begin = () =>
    send(() => api.POST('/api/jobs/{number}/changes', { params, body: { version, what } }));
  const check = (result: ComplaintNow) =>
    send(() => api.POST('/api/jobs/{number}/check', { params, body: { version, result, note } }));
  const change = job.openChange;
  return (
    <Box data-open={change !== null || undefined}>
      {change === null ? (
        <>
          <Lead>{t('web.job.one-change.what-do-you-change')}</Lead>
          <Asked
            onSubmit={(event) => {
              event.preventDefault();
              if (what.trim() !== '') begin();
            }}
          >
            <Field
              label={t('web.job.one-change.one-change-then-look-at-the')}
              value={what}
              onChange={setWhat}
              maxLength={200}
            />
            <Button type="submit" isDisabled={what.trim() === ''} isPending={call.isPending}>
              {t('web.job.one-change.begin-this-change')}
            </Button>
          </Asked>
        </>
      ) : (
        <>
          <Lead>
            {t('web.job.one-change.changed-what-is-the-complaint-now', {
              what: change.what,
              by: change.by,
              when: when(change.at),
            })}
          </Lead>
          <Asked as="div">
            <Field label={t('web.job.one-change.note-if-any')} value={note} onChange={setNote} />
            {RESULTS.map(([result, words]) => (
              <Button key={result} isPending={call.isPending} onPress={() => check(result)}>
                {words}
              </Button>
            ))}
          </Asked>
        </>
      )}
      {call.isError && <ProblemNote error={call.error} />}
    </Box>
  );
}

const Box = styled(Sheet)`
  padding: 12px 16px;
  margin-bottom: 12px;
  display: grid;
  gap: 8px;
  &[data-open] {
    border-left: 5px solid ${color.leanMark};
    background: ${color.leanSoft};
  }
`;

const Asked = styled(FieldRow)`
  & > :first-child {
    flex: 1 1 320px;
  }
`;
