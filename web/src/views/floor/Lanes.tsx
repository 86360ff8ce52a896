import { say, t } from '../../words/words';
import { VisuallyHidden } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { Floor, FloorJob } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, radius, size, upTo } from '../../theme/theme';
import { clock, when } from '../../ui/format';
import { Mono, Sheet } from '../../ui/Sheet';
import { axisOf, groupsOf, isOn, promiseWords, share, type Axis } from './lanes';

export interface LanesProps {
  floor: Floor;
  jobs: readonly FloorJob[];
  /** Readable from four metres: larger, and only what is seen from there. */
  wall?: boolean;
}

/** Jobs on a time axis, grouped by who must act. */
export function Lanes({ floor, jobs, wall = false }: LanesProps) {
  const axis = axisOf({ ...floor, jobs: [...jobs] });
  return (
    <Board aria-label={t('web.floor.lanes.jobs-on-a-time-axis')} data-wall={wall || undefined}>
      <Row as="div" data-head="">
        <HeadWords>{t('web.floor.lanes.bay-job-and-what-it-waits')}</HeadWords>
        <AxisHead axis={axis} wall={wall} />
      </Row>
      {groupsOf(jobs).map((group) => (
        <section key={group.title}>
          <GroupTitle>
            {group.title}
            {wall ? `: ${group.jobs.length}` : ''}
          </GroupTitle>
          <ul>
            {group.jobs.map((job) => (
              <Lane key={job.number} job={job} axis={axis} wall={wall} />
            ))}
          </ul>
        </section>
      ))}
      <Legend>
        <span>{say('web.floor.lanes.taken-in', { i: <i data-kind="TAKEN_IN" /> })}</span>
        <span>{say('web.floor.lanes.test', { i: <i data-kind="TEST" /> })}</span>
        <span>{say('web.floor.lanes.hands-on-it', { i: <i data-kind="HANDS" /> })}</span>
        <span>
          {say('web.floor.lanes.waits-for-a-person', { i: <i data-kind="WAITS_PERSON" /> })}
        </span>
        <span>{say('web.floor.lanes.waits-outside', { i: <i data-kind="WAITS_OUTSIDE" /> })}</span>
        <span>
          {say('web.floor.lanes.likely-end-the-bar-is-where', { i: <i data-kind="likely" /> })}
        </span>
        <span>{t('web.floor.lanes.promised')}</span>
      </Legend>
    </Board>
  );
}

function Lane({ job, axis, wall }: { job: FloorJob; axis: Axis; wall: boolean }) {
  const late = promiseWords(job);
  const at = (iso: string) => `${100 * share(axis, Date.parse(iso))}%`;
  const likely = Date.parse(job.likelyEnd.likely);
  return (
    <Row data-late={late === undefined ? undefined : job.promise}>
      <Who to={`/job/${job.number}`} tabIndex={wall ? -1 : 0}>
        <BayNumber>
          <VisuallyHidden>
            {job.bay === null ? t('web.floor.lanes.no-bay') : t('web.floor.lanes.bay')}
          </VisuallyHidden>
          {job.bay ?? '–'}
        </BayNumber>
        <SuspicionMark suspicion={job.suspicion} size={wall ? 40 : 26} />
        <span>
          <b>
            <Mono>{job.number}</Mono> {job.machine}
          </b>
          {!wall && ` · ${job.customer}`}
          <br />
          <Waits data-acts={job.acts}>{job.line}</Waits>{' '}
          <Holder>
            ·{' '}
            {job.mine && !wall
              ? t('web.floor.lanes.yours')
              : (job.holder ?? t('web.floor.lanes.nobody-has-it'))}
            {late !== undefined && <Late data-promise={job.promise}>{late}</Late>}
          </Holder>
          <VisuallyHidden>
            {t('web.floor.lanes.likely-ready-between-and', {
              promisedAt:
                job.promisedAt === null
                  ? t('web.floor.lanes.nothing-promised')
                  : t('web.floor.lanes.promised-2', { when: when(job.promisedAt) }),
              when: when(job.likelyEnd.likely),
              when2: when(job.likelyEnd.early),
              when3: when(job.likelyEnd.late),
              basis: basis(job),
            })}
          </VisuallyHidden>
        </span>
      </Who>
      <Track
        aria-hidden="true"
        title={t('web.floor.lanes.likely-ready-8-in-10-between', {
          when: when(job.likelyEnd.likely),
          when2: when(job.likelyEnd.early),
          when3: when(job.likelyEnd.late),
          basis: basis(job),
        })}
      >
        {axis.ticks.map((tick) => (
          <Tick key={tick} style={{ left: `${100 * share(axis, tick)}%` }} />
        ))}
        {job.spans.map((span) => (
          <Span
            key={`${span.kind}-${span.from}`}
            data-kind={span.kind}
            style={{
              left: at(span.from),
              width: `${100 * (share(axis, span.to === null ? axis.now : Date.parse(span.to)) - share(axis, Date.parse(span.from)))}%`,
            }}
          />
        ))}
        <Dots
          style={{
            left: `${100 * share(axis, axis.now)}%`,
            right: `${100 * (1 - share(axis, likely))}%`,
          }}
        />
        <Spread
          style={{
            left: at(job.likelyEnd.early),
            width: `${100 * (share(axis, Date.parse(job.likelyEnd.late)) - share(axis, Date.parse(job.likelyEnd.early)))}%`,
          }}
        />
        {isOn(axis, likely) ? (
          <End style={{ left: at(job.likelyEnd.likely) }} />
        ) : (
          <Beyond>{t('web.floor.lanes.likely', { when: when(job.likelyEnd.likely) })}</Beyond>
        )}
        <Now style={{ left: `${100 * share(axis, axis.now)}%` }} />
        {job.promisedAt !== null && isOn(axis, Date.parse(job.promisedAt)) && (
          <Flag style={{ left: at(job.promisedAt) }} data-promise={job.promise}>
            <svg viewBox="0 0 14 30" width="14" height="30">
              <path d="M1 0v30" stroke="currentColor" strokeWidth="2.4" />
              <path d="M1 1l12 4.5L1 10z" fill="currentColor" />
            </svg>
          </Flag>
        )}
      </Track>
    </Row>
  );
}

const basis = (job: FloorJob) =>
  job.restsOn === 0
    ? t('web.floor.lanes.by-judgement')
    : t('web.floor.lanes.from-past-jobs-of-this-shop', { restsOn: job.restsOn });

/** A label near an end would be cut off, one near "now" would lie on it. */
function hasRoom(axis: Axis, tick: number, wall: boolean): boolean {
  const at = share(axis, tick);
  const room = wall ? 0.22 : 0.1;
  return at > 0.04 && at < 0.96 && Math.abs(at - share(axis, axis.now)) > room;
}

/** Half of what "12:00" is wide. */
const CLOCK_PX = 20;

/** The middle of a label, so that neither end of it leaves the axis. */
const within = (at: number, half: number) =>
  `clamp(${half}px, ${100 * at}%, calc(100% - ${half}px))`;

function AxisHead({ axis, wall }: { axis: Axis; wall: boolean }) {
  return (
    <Track aria-hidden="true">
      {axis.ticks
        .filter((tick, i) => hasRoom(axis, tick, wall) && (!wall || i % 2 === 0))
        .map((tick) => (
          <TickWords key={tick} style={{ left: within(share(axis, tick), CLOCK_PX) }}>
            {clock(new Date(tick))}
          </TickWords>
        ))}
      <TickWords data-now="" style={{ left: within(share(axis, axis.now), 2 * CLOCK_PX) }}>
        {t('web.floor.lanes.now', { clock: clock(new Date(axis.now)) })}
      </TickWords>
    </Track>
  );
}

const Board = styled(Sheet)`
  &[data-wall] {
    font-size: ${size.figure};
    b,
    span {
      font-size: ${size.figure};
    }
    h2 {
      font-size: ${size.figure};
    }
  }
`;

const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(380px, 38%) 1fr;
  border-top: 1px solid ${color.line};
  [data-wall] & {
    grid-template-columns: 52% 1fr;
  }
  /* On a phone the floor is a list: what each waits for, and no picture of when. */
  ${upTo.phone} {
    grid-template-columns: minmax(0, 1fr);
    & > :last-child:not(:only-child) {
      display: none;
    }
  }
  &[data-head] {
    border-top: 0;
    min-height: 44px;
  }
  &[data-late='OVERDUE'],
  &[data-late='LIKELY_LATE'] {
    background: ${color.implicatedSoft};
  }
  &[data-late='AT_RISK'] {
    background: ${color.leanSoft};
  }
`;

const HeadWords = styled.span`
  padding: 12px 14px;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const GroupTitle = styled.h2`
  font-size: ${size.body};
  padding: 8px 14px;
  border-top: 1px solid ${color.line};
  background: ${color.sunken};
`;

const Who = styled(Link)`
  display: grid;
  grid-template-columns: 30px 30px 1fr;
  gap: 12px;
  align-items: center;
  padding: 7px 14px;
  color: ${color.ink};
  text-decoration: none;
  border-right: 1px solid ${color.line};
  [data-wall] & {
    grid-template-columns: 46px 46px 1fr;
    padding: 10px 14px;
  }
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
  font-weight: 700;
  color: ${color.ink2};
  &[data-acts='PERSON'] {
    color: ${color.lean};
  }
`;

const Holder = styled.span`
  font-size: ${size.text};
  color: ${color.ink2};
`;

const Late = styled.b`
  white-space: nowrap;
  margin-left: 10px;
  padding: 0 7px;
  border: 1.5px solid ${color.implicated};
  border-radius: ${radius};
  color: ${color.implicated};
  &[data-promise='AT_RISK'] {
    border-color: ${color.leanMark};
    border-style: dashed;
    color: ${color.lean};
  }
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

const spanLook = `
  background: ${color.ink3};
  &[data-kind='TEST'] {
    background: ${color.clear};
  }
  &[data-kind='HANDS'] {
    background: ${color.ink};
  }
  &[data-kind='WAITS_PERSON'] {
    background: none;
    border: 2px solid ${color.leanMark};
  }
  &[data-kind='WAITS_OUTSIDE'] {
    background: none;
    border: 2px dotted ${color.ink2};
  }
`;

const Span = styled.i`
  position: absolute;
  top: calc(50% - 8px);
  height: 16px;
  min-width: 3px;
  border-radius: 3px;
  ${spanLook}
`;

const Dots = styled.i`
  position: absolute;
  top: calc(50% - 2px);
  border-top: 4px dotted ${color.clear};
`;

const Spread = styled.i`
  position: absolute;
  top: calc(50% + 9px);
  height: 4px;
  min-width: 2px;
  background: ${color.clear};
  opacity: 0.45;
`;

const End = styled.i`
  position: absolute;
  top: calc(50% - 8px);
  height: 16px;
  border-left: 3px solid ${color.clear};
`;

const Beyond = styled.span`
  position: absolute;
  right: 6px;
  bottom: 2px;
  font-size: ${size.small};
  color: ${color.ink2};
  background: ${color.sheet};
  padding: 0 3px;
`;

const Now = styled.i`
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid ${color.ink};
`;

const Flag = styled.span`
  position: absolute;
  top: calc(50% - 18px);
  color: ${color.ink};
  &[data-promise='OVERDUE'],
  &[data-promise='LIKELY_LATE'] {
    color: ${color.implicated};
  }
  &[data-promise='AT_RISK'] {
    color: ${color.leanMark};
  }
`;

const TickWords = styled.span`
  position: absolute;
  top: 12px;
  transform: translateX(-50%);
  font-size: ${size.small};
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
  gap: 6px 20px;
  padding: 10px 14px;
  border-top: 1px solid ${color.line};
  font-size: ${size.small};
  color: ${color.ink2};
  [data-wall] & {
    display: none;
  }
  i {
    display: inline-block;
    width: 16px;
    height: 10px;
    border-radius: 2px;
    ${spanLook}
  }
  i[data-kind='likely'] {
    background: none;
    border-top: 4px dotted ${color.clear};
    height: 4px;
    border-radius: 0;
  }
`;
