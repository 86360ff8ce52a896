import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useTakeVisit } from '../../api/queries';
import type { FloorJob, StickVisit } from '../../api/types';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Row } from '../../ui/Layout';
import { missing } from '../../ui/missing';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { say, t } from '../../words/words';

export interface VisitProps {
  visit: StickVisit;
  /** The file that it is in. */
  store: File;
  jobs: readonly FloorJob[];
  onTaken: () => void;
}

const NO_JOB = '';

/** One machine that was worked on with the stick, and the job that it goes into. */
export function Visit({ visit, store, jobs, onTaken }: VisitProps) {
  const [job, setJob] = useState(visit.proposed ?? NO_JOB);
  const take = useTakeVisit(visit.id);
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {t('web.stick.machine', {
            machine: visit.machine === '' ? t('web.stick.maker-not-reported') : visit.machine,
            serial: visit.serial === '' ? t('web.stick.serial-not-reported') : visit.serial,
          })}
        </Lead>
      </SheetHead>
      <Inside>
        <p>
          {t('web.stick.read', {
            readings: visit.readings,
            runs: visit.runs.length,
            times:
              visit.from === null || visit.to === null
                ? ''
                : t('web.stick.between', { from: when(visit.from), to: when(visit.to) }),
          })}
        </p>
        {visit.runs.length > 0 && (
          <ul>
            {visit.runs.map((run, i) => (
              <li key={i}>{run}</li>
            ))}
          </ul>
        )}
        {visit.takenInto !== null ? (
          <p role="status">
            {say('web.stick.taken-into', {
              job: visit.takenInto,
              link: (words) => <Link to={`/job/${visit.takenInto ?? ''}`}>{words}</Link>,
            })}
          </p>
        ) : (
          <Row>
            <Select
              label={t('web.stick.job')}
              value={job}
              onChange={setJob}
              options={[
                [NO_JOB, t('web.stick.choose-a-job')],
                ...jobs.map((j) => [j.number, `${j.number} · ${j.machine}`] as const),
              ]}
            />
            <Button
              primary
              missing={missing([job !== NO_JOB, t('web.missing.its-job')])}
              isPending={take.isPending}
              onPress={() => take.mutate({ store, job }, { onSuccess: onTaken })}
            >
              {job === NO_JOB ? t('web.stick.take-in') : t('web.stick.take-into', { job })}
            </Button>
          </Row>
        )}
        {visit.takenInto === null && visit.proposed === null && (
          <p>{t('web.stick.no-job-has-its-serial')}</p>
        )}
        {visit.proposed !== null && job !== NO_JOB && job !== visit.proposed && (
          <p role="status">{t('web.stick.another-job-has-its-serial', { job: visit.proposed })}</p>
        )}
        {take.isError && <ProblemNote error={take.error} />}
      </Inside>
    </Sheet>
  );
}

const Inside = styled.div`
  display: grid;
  gap: 8px;
  padding: 0 16px 14px;
`;
