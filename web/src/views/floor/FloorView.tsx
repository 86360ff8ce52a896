import { VisuallyHidden } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useFloor } from '../../api/queries';
import type { Floor, FloorJob } from '../../api/types';
import { TiltMark } from '../../marks/TiltMark';
import { color, radius } from '../../theme/theme';
import { clock, inWords, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { axisOf, groupsOf, share, type Axis } from './lanes';

/** Who needs a person now; what runs by itself; what is promised when. */
export function FloorView() {
  const floor = useFloor();
  return (
    <Loaded query={floor}>
      {(data) => (
        <Page>
          <Head>
            <Title>{titleOf(data)}</Title>
            <Sub>{subOf(data)}</Sub>
          </Head>
          {data.jobs.length === 0 ? <EmptyFloor /> : <Lanes floor={data} />}
        </Page>
      )}
    </Loaded>
  );
}

function titleOf(floor: Floor): string {
  const waiting = floor.jobs.filter((job) => job.acts === 'PERSON').length;
  if (floor.jobs.length === 0) return 'Nothing is in the shop';
  if (waiting === 0) return 'Nobody is needed right now';
  return waiting === 1
    ? 'One machine needs a person'
    : `${inWords(waiting)} machines need a person`;
}

function subOf(floor: Floor): string {
  const now = Date.parse(floor.now);
  const promised = floor.jobs.filter(
    (job) =>
      job.promisedAt !== null &&
      new Date(job.promisedAt).toDateString() === new Date(now).toDateString(),
  ).length;
  const free = floor.bays.filter((bay) => bay.job === null).length;
  return [
    `${floor.jobs.length} in the shop`,
    `${promised} promised today`,
    `${free} of ${floor.bays.length} bays free`,
  ].join(' · ');
}

function EmptyFloor() {
  return (
    <Sheet style={{ padding: 24 }}>
      <p>
        When a machine is taken in it appears here, with what it waits for and when it is promised.
      </p>
    </Sheet>
  );
}

function Lanes({ floor }: { floor: Floor }) {
  const axis = axisOf(floor);
  return (
    <Sheet aria-label="Jobs on a time axis">
      <Row as="div" data-head="">
        <HeadWords>Bay, job and what it waits for</HeadWords>
        <AxisHead axis={axis} />
      </Row>
      {groupsOf(floor.jobs).map((group) => (
        <section key={group.title}>
          <GroupTitle>{group.title}</GroupTitle>
          <ul>
            {group.jobs.map((job) => (
              <Lane key={job.number} job={job} axis={axis} />
            ))}
          </ul>
        </section>
      ))}
      <Legend>
        <span>
          <i data-kind="waits" /> waits for a person
        </span>
        <span>
          <i data-kind="work" /> runs by itself
        </span>
        <span>
          <i data-kind="ruled" /> ruled
        </span>
        <span>⚑ promised</span>
      </Legend>
    </Sheet>
  );
}

function Lane({ job, axis }: { job: FloorJob; axis: Axis }) {
  return (
    <Row>
      <Who to={`/job/${job.number}`}>
        <BayNumber>{job.bay ?? '–'}</BayNumber>
        <TiltMark tilt={job.tilt} size={26} />
        <span>
          <b>
            <Mono>{job.number}</Mono> {job.machine}
          </b>{' '}
          · {job.customer}
          <Waits data-acts={job.acts}>{job.line}</Waits>
          <Finding>{job.headline}</Finding>
          <VisuallyHidden>{promisedWords(job)}</VisuallyHidden>
        </span>
      </Who>
      <Track aria-hidden="true">
        {axis.ticks.map((tick) => (
          <Tick key={tick} style={{ left: `${100 * share(axis, tick)}%` }} />
        ))}
        <Span
          data-acts={job.acts}
          style={{
            left: `${100 * share(axis, Date.parse(job.takenInAt))}%`,
            right: `${100 * (1 - share(axis, axis.now))}%`,
          }}
        />
        <Now style={{ left: `${100 * share(axis, axis.now)}%` }} />
        {job.promisedAt !== null && (
          <Flag style={{ left: `${100 * share(axis, Date.parse(job.promisedAt))}%` }}>⚑</Flag>
        )}
      </Track>
    </Row>
  );
}

/** The flag in words, for those who do not see it. */
const promisedWords = (job: FloorJob) =>
  job.promisedAt === null ? 'nothing promised' : `promised ${when(job.promisedAt)}`;

/** A label near an end would be cut off, one near "now" would lie on it. */
function hasRoom(axis: Axis, tick: number): boolean {
  const at = share(axis, tick);
  return at > 0.04 && at < 0.96 && Math.abs(at - share(axis, axis.now)) > 0.08;
}

function AxisHead({ axis }: { axis: Axis }) {
  return (
    <Track aria-hidden="true">
      {axis.ticks
        .filter((tick) => hasRoom(axis, tick))
        .map((tick) => (
          <TickWords key={tick} style={{ left: `${100 * share(axis, tick)}%` }}>
            {clock(new Date(tick))}
          </TickWords>
        ))}
      <TickWords data-now="" style={{ left: `${100 * share(axis, axis.now)}%` }}>
        now {clock(new Date(axis.now))}
      </TickWords>
    </Track>
  );
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  padding: 4px 0 14px;
`;

const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(360px, 42%) 1fr;
  border-top: 1px solid ${color.line};
  &[data-head] {
    border-top: 0;
    min-height: 44px;
  }
`;

const HeadWords = styled.span`
  padding: 12px 14px;
  font-size: 14px;
  color: ${color.ink2};
`;

const GroupTitle = styled.h2`
  font-size: 15px;
  padding: 9px 14px;
  border-top: 1px solid ${color.line};
  background: ${color.sunken};
`;

const Who = styled(Link)`
  display: grid;
  grid-template-columns: 30px 30px 1fr;
  gap: 12px;
  align-items: center;
  padding: 12px 14px;
  color: ${color.ink};
  text-decoration: none;
  border-right: 1px solid ${color.line};
  &:hover {
    background: ${color.clearSoft};
  }
`;

const BayNumber = styled.span`
  border: 1.5px solid ${color.ink2};
  border-radius: ${radius};
  min-height: 32px;
  display: grid;
  place-items: center;
  font-weight: 700;
`;

const Waits = styled.span`
  display: block;
  font-weight: 700;
  color: ${color.ink2};
  &[data-acts='PERSON'] {
    color: ${color.lean};
  }
`;

const Finding = styled.span`
  display: block;
  font-size: 14px;
  color: ${color.ink2};
`;

const Track = styled.div`
  position: relative;
  overflow: hidden;
`;

const Tick = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px solid ${color.line};
`;

const Span = styled.i`
  position: absolute;
  top: calc(50% - 9px);
  height: 18px;
  border-radius: ${radius};
  background: ${color.clear};
  &[data-acts='PERSON'] {
    background: none;
    border: 2px solid ${color.leanMark};
  }
  &[data-acts='RULED'] {
    background: ${color.bar};
  }
`;

const Now = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid ${color.ink};
`;

const Flag = styled.span`
  position: absolute;
  top: calc(50% - 15px);
  font-size: 20px;
`;

const TickWords = styled.span`
  position: absolute;
  top: 12px;
  transform: translateX(-50%);
  font-size: 13px;
  color: ${color.ink2};
  white-space: nowrap;
  &[data-now] {
    font-weight: 700;
    color: ${color.ink};
  }
`;

const Legend = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  padding: 12px 14px;
  border-top: 1px solid ${color.line};
  font-size: 13px;
  color: ${color.ink2};
  i {
    display: inline-block;
    width: 16px;
    height: 10px;
    border-radius: 2px;
  }
  i[data-kind='waits'] {
    border: 2px solid ${color.leanMark};
  }
  i[data-kind='ruled'] {
    background: ${color.bar};
  }
  i[data-kind='work'] {
    background: ${color.clear};
  }
`;
