import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { request } from '../../api/client';
import { useFloor } from '../../api/queries';
import type { Floor, Script } from '../../api/types';
import { color, radius } from '../../theme/theme';
import { clock, inWords, sameDay, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { Lanes } from './Lanes';
import { NO_FILTER, passes, type Filter } from './lanes';

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
              <Link to="/wall">Wall screen</Link>
            </Head>
            {data.jobs.length === 0 ? (
              <EmptyFloor />
            ) : (
              <>
                <Filters floor={data} filter={filter} onFilter={setFilter} />
                {jobs.length === 0 ? (
                  <Sheet style={{ padding: 24 }}>
                    <p>None of the {data.jobs.length} jobs in the shop passes these filters.</p>
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

export function titleOf(floor: Floor): string {
  if (floor.jobs.length === 0) return 'Nothing is in the shop';
  const waiting = floor.jobs.filter((job) => job.acts === 'PERSON');
  const late = floor.jobs.filter((j) => j.promise === 'OVERDUE' || j.promise === 'LIKELY_LATE');
  const lateWords =
    late.length === 0 ? '' : `, ${late.length} ${late.length === 1 ? 'is' : 'are'} late or will be`;
  if (waiting.length === 0) return `Nobody is needed right now${lateWords}`;
  return waiting.length === 1
    ? `One machine needs a person${lateWords}`
    : `${inWords(waiting.length)} machines need a person${lateWords}`;
}

export function subOf(floor: Floor): string {
  const now = new Date(floor.now);
  const promised = floor.jobs.filter(
    (job) => job.promisedAt !== null && sameDay(new Date(job.promisedAt), now),
  ).length;
  const free = floor.bays.filter((bay) => bay.job === null).length;
  const bays =
    floor.nextFreeBayAt === null
      ? `${free} of ${floor.bays.length} bays free`
      : `next free bay about ${when(floor.nextFreeBayAt)}`;
  return [
    `${floor.jobs.length} in the shop`,
    `${promised} promised today`,
    bays,
    `at ${clock(now)}`,
  ].join(' · ');
}

function EmptyFloor() {
  return (
    <Sheet style={{ padding: 24 }}>
      <p>
        When a machine is taken in it appears here, with what it waits for and when it is promised.{' '}
        <Link to="/intake">Take the first one in.</Link>
      </p>
    </Sheet>
  );
}

interface FiltersProps {
  floor: Floor;
  filter: Filter;
  onFilter: (filter: Filter) => void;
}

const STANCES: Record<string, string> = {
  UNKNOWN: 'not asked yet',
  WANTED: 'wanted',
  NOT_WANTED: 'not wanted, signed',
  COPIED: 'copied',
  COPY_VERIFIED: 'copy verified',
};

function Filters({ floor, filter, onFilter }: FiltersProps) {
  const script = useQuery({
    queryKey: ['script'],
    queryFn: () => request<Script>('GET', '/api/questions'),
    staleTime: Infinity,
  });
  const people = [...new Set(floor.jobs.flatMap((j) => (j.holder === null ? [] : [j.holder])))];
  const families = (script.data?.families ?? []).filter((f) =>
    floor.jobs.some((job) => job.families.includes(f.id)),
  );
  const stances = Object.keys(STANCES).filter((s) => floor.jobs.some((job) => job.stance === s));
  return (
    <Row>
      <label>
        Whose{' '}
        <select
          value={filter.whose}
          onChange={(event) => onFilter({ ...filter, whose: event.target.value })}
        >
          <option value="all">everybody’s</option>
          <option value="mine">mine</option>
          <option value="nobody">nobody’s</option>
          {people.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <label>
        Complaint{' '}
        <select
          value={filter.family}
          onChange={(event) => onFilter({ ...filter, family: event.target.value })}
        >
          <option value="all">any</option>
          {families.map((family) => (
            <option key={family.id} value={family.id}>
              {family.name}
            </option>
          ))}
        </select>
      </label>
      <label>
        Data{' '}
        <select
          value={filter.stance}
          onChange={(event) => onFilter({ ...filter, stance: event.target.value })}
        >
          <option value="all">any</option>
          {stances.map((stance) => (
            <option key={stance} value={stance}>
              {STANCES[stance]}
            </option>
          ))}
        </select>
      </label>
    </Row>
  );
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  padding: 2px 0 8px;
  a {
    margin-left: auto;
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  padding-bottom: 10px;
  label {
    display: flex;
    align-items: center;
    gap: 8px;
    color: ${color.ink2};
  }
  select {
    font: inherit;
    min-height: 40px;
    max-width: 240px;
    padding: 4px 8px;
    border: 1.5px solid ${color.ink3};
    border-radius: ${radius};
    background: ${color.sheet};
    color: ${color.ink};
  }
`;
