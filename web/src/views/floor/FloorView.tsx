import { say, t } from '../../words/words';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useFloor } from '../../api/queries';
import type { Floor } from '../../api/types';
import { clock, inWords, sameDay, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { Lanes } from './Lanes';
import { NO_FILTER, passes, type Filter } from './lanes';

/** Lists to choose from are a fifth of the code of this page: it is shown before they are there. */
const Filters = lazy(() => import('./Filters').then((m) => ({ default: m.Filters })));

/** Who needs a person now; what runs by itself and when it ends; what is promised. */
export function FloorView() {
  const floor = useFloor();
  const [filter, setFilter] = useState<Filter>(NO_FILTER);
  return (
    <Loaded query={floor}>
      {(data) => {
        const jobs = data.jobs.filter((job) => passes(job, filter));
        return (
          <Page>
            <Head>
              <Title>{titleOf(data)}</Title>
              <Sub>{subOf(data)}</Sub>
              <Link to="/records">{t('web.floor.floor-view.records')}</Link>
              <Link to="/wall">{t('web.floor.floor-view.wall-screen')}</Link>
            </Head>
            <OldBackup backup={data.oldBackup} />
            <DueCopies copies={data.dueCopies} />
            {data.jobs.length === 0 ? (
              <EmptyFloor />
            ) : (
              <>
                <Suspense fallback={<ToCome />}>
                  <Filters floor={data} filter={filter} onFilter={setFilter} />
                </Suspense>
                {jobs.length === 0 ? (
                  <Sheet style={{ padding: 24 }}>
                    <p>
                      {t('web.floor.floor-view.none-of-the-jobs-in-the', {
                        length: data.jobs.length,
                      })}
                    </p>
                  </Sheet>
                ) : (
                  <Lanes floor={data} jobs={jobs} />
                )}
              </>
            )}
          </Page>
        );
      }}
    </Loaded>
  );
}

/** Whoever loses the disk today loses all that came since. */
function OldBackup({ backup }: { backup: Floor['oldBackup'] }) {
  if (backup === null) return null;
  return (
    <Due role="status">
      <b>
        {backup.lastAt === null
          ? t('web.floor.floor-view.no-backup-was-ever-made')
          : t('web.floor.floor-view.the-last-good-backup-is-old', { when: when(backup.lastAt) })}
      </b>{' '}
      {t('web.floor.floor-view.what-to-do-for-a-backup')}
    </Due>
  );
}

/** What was promised to be erased by now stands here until it is. */
function DueCopies({ copies }: { copies: Floor['dueCopies'] }) {
  if (copies.length === 0) return null;
  return (
    <Due>
      <b>
        {copies.length === 1
          ? t('web.floor.floor-view.one-copy-of-a-customer-s')
          : t('web.floor.floor-view.copies-of-customers-data-are-due', { length: copies.length })}
      </b>
      <ul>
        {copies.map((copy) => (
          <li key={`${copy.job} ${copy.partKey}`}>
            {say('web.floor.floor-view.since', {
              link: (words: ReactNode) => (
                <Link to={`/rescue/${copy.job}/${copy.partKey}`}>{words}</Link>
              ),
              job: copy.job,
              machine: copy.machine,
              when: when(copy.dueAt),
            })}
          </li>
        ))}
      </ul>
    </Due>
  );
}

export function titleOf(floor: Floor): string {
  if (floor.jobs.length === 0) return t('web.floor.floor-view.nothing-is-in-the-shop');
  const waiting = floor.jobs.filter((job) => job.acts === 'PERSON');
  const late = floor.jobs.filter((j) => j.promise === 'OVERDUE' || j.promise === 'LIKELY_LATE');
  const lateWords =
    late.length === 0 ? '' : t('web.floor.floor-view.late-or-will-be', { length: late.length });
  if (waiting.length === 0)
    return t('web.floor.floor-view.nobody-is-needed-right-now', { lateWords });
  return waiting.length === 1
    ? t('web.floor.floor-view.one-machine-needs-a-person', { lateWords })
    : t('web.floor.floor-view.machines-need-a-person', {
        inWords: inWords(waiting.length),
        lateWords,
      });
}

export function subOf(floor: Floor): string {
  const now = new Date(floor.now);
  const promised = floor.jobs.filter(
    (job) => job.promisedAt !== null && sameDay(new Date(job.promisedAt), now),
  ).length;
  const free = floor.bays.filter((bay) => bay.job === null).length;
  const bays =
    floor.nextFreeBayAt === null
      ? t('web.floor.floor-view.of-bays-free', { free, length: floor.bays.length })
      : t('web.floor.floor-view.next-free-bay-about', { when: when(floor.nextFreeBayAt) });
  return [
    t('web.floor.floor-view.in-the-shop', { length: floor.jobs.length }),
    t('web.floor.floor-view.promised-today', { promised }),
    bays,
    t('web.floor.floor-view.at', { clock: clock(now) }),
  ].join(' · ');
}

function EmptyFloor() {
  return (
    <Sheet style={{ padding: 24 }}>
      <p>
        {say('web.floor.floor-view.when-a-machine-is-taken-in', {
          link: (words: ReactNode) => <Link to="/intake">{words}</Link>,
        })}
      </p>
    </Sheet>
  );
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  padding: 2px 0 8px;
  a:first-of-type {
    margin-left: auto;
  }
`;

/** As high as the filters are. */
const ToCome = styled.div`
  height: 54px;
`;

const Due = styled(Sheet)`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  padding: 10px 16px;
  margin-bottom: 12px;
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
  }
`;
