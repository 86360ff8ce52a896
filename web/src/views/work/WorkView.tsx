import { useParams } from 'react-router';
import styled from 'styled-components';
import { useWork } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { LoadResult, Work } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { count, sentence, when } from '../../ui/format';
import { LineChart } from '../../ui/LineChart';
import { Loaded } from '../../ui/Loaded';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';

const STARTS = [
  {
    kind: 'LOAD_SAMPLE',
    name: 'Sample its work',
    about:
      'Processors, drives, memory, programs and how late it wakes, once a second for three minutes. Looks only',
  },
] as const;

/** A machine at its work: what keeps it busy, and what a change did to that. */
export function WorkView() {
  const { number = '' } = useParams();
  const work = useWork(number);
  return <Loaded query={work}>{(data) => <Shown work={data} />}</Loaded>;
}

function Shown({ work }: { work: Work }) {
  const { running, ended } = useLatest(work.runs);
  const told = ended.filter((r) => resultOf(r, 'load') !== null);
  const shown = resultOf(running, 'load') !== null ? running : (told[0] ?? null);
  const before = resultOf(resultOf(running, 'load') !== null ? told[0] : told[1], 'load');
  const load = resultOf(shown, 'load');
  return (
    <Page>
      <Back to={`/job/${work.number}`}>
        ‹ {work.number} {work.machine}
      </Back>
      <Title>{titleOf(work)}</Title>
      {work.between.length > 0 && (
        <Sub>Between the two samples: {work.between.map((b) => b.what).join(', ')}.</Sub>
      )}
      <TwoColumns>
        <Sheet>
          <SheetHead>
            <Lead>
              {load === null ? 'Not sampled yet' : 'Every second of the sample'}
              {before !== null && ', with the sample before as a broken line'}
            </Lead>
            {shown?.endedAt != null && <small>{when(shown.endedAt)}</small>}
          </SheetHead>
          {running !== null && <RunPanel run={running} job={work.number} />}
          {load !== null &&
            Object.keys(load.series)
              .sort()
              .map((what) => <Series key={what} what={what} load={load} before={before} />)}
          {running === null && (
            <StartPart job={work.number} part="board" starts={STARTS} lockedWhy={work.canSample} />
          )}
        </Sheet>
        <Stack>
          <Shifts work={work} />
          {load !== null && <Programs load={load} />}
          {load !== null && <Besides load={load} />}
        </Stack>
      </TwoColumns>
    </Page>
  );
}

/** The finding, not the type. */
export function titleOf(work: Work): string {
  const certain = work.shifts.filter((s) => s.certain);
  const most = [...certain].sort(
    (a, b) => Math.abs(b.after - b.before) - Math.abs(a.after - a.before),
  )[0];
  if (most !== undefined) return sentence(most.words);
  if (work.shifts.length > 0) return 'Nothing changed for certain between the two samples';
  const load = resultOf(
    work.runs.find((r) => r.state === 'ENDED' && resultOf(r, 'load') !== null),
    'load',
  );
  if (load === null) return 'What keeps it busy?';
  const [name, drive] =
    Object.entries(load.drives).sort(([, a], [, b]) => b.busy - a.busy)[0] ?? [];
  const program = load.programs[0];
  const busy =
    name === undefined || drive === undefined
      ? ''
      : `Drive ${name} is busy for ${percent(drive.busy)} of the time`;
  return program === undefined || program.cpu < 0.05
    ? busy
    : `${busy}; ${program.name} takes ${percent(program.cpu)} of the processors`;
}

const percent = (share: number) => `${Math.round(100 * share)} %`;

const NAMES: Record<string, string> = {
  cpu: 'Processors busy',
  'waits for io': 'Something waits for drives',
  'waits for cpu': 'Something waits for processors',
  'waits for memory': 'Something waits for memory',
};

const nameOf = (what: string) => NAMES[what] ?? `${sentence(what)} busy`;

interface SeriesProps {
  what: string;
  load: LoadResult;
  before: LoadResult | null;
}

function Series({ what, load, before }: SeriesProps) {
  const values = load.series[what] ?? [];
  const then = before?.series[what] ?? [];
  const mean = values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
  const seconds = load.secondsEach * Math.max(values.length, then.length);
  const points = (of: readonly number[]) => of.map((v, i) => [i * load.secondsEach, v] as const);
  return (
    <Plot>
      <h3>
        {nameOf(what)} <span>{percent(mean)} on average</span>
      </h3>
      <LineChart
        label={`${nameOf(what)}: ${percent(mean)} on average over ${Math.round(seconds)} s`}
        lines={[
          { name: 'before', points: points(then), faint: true },
          { name: 'now', points: points(values) },
        ]}
        x={[0, Math.max(1, seconds)]}
        y={[0, 1]}
        xTicks={[
          [0, '0 s'],
          [Math.max(1, seconds), `${Math.round(seconds)} s`],
        ]}
        yTicks={[
          [0, '0 %'],
          [0.5, '50 %'],
          [1, '100 %'],
        ]}
        height={90}
      />
    </Plot>
  );
}

function Shifts({ work }: { work: Work }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>Before and after</Lead>
      </SheetHead>
      {work.shifts.length === 0 ? (
        <Teach>
          Sample it, make one change, sample it again: what changed, and whether that is certain,
          then stands here.
        </Teach>
      ) : (
        <List>
          {work.shifts.map((shift) => (
            <li key={shift.what}>
              <b>{nameOf(shift.what)}</b>
              <span>
                {percent(shift.before)} → {percent(shift.after)}
              </span>
              <small>
                {shift.certain ? 'certain' : 'no certain change'}: {points(shift.low)} to{' '}
                {points(shift.high)} points of 100
              </small>
            </li>
          ))}
        </List>
      )}
    </Sheet>
  );
}

const points = (share: number) =>
  `${share > 0 ? '+' : ''}${Math.round(100 * share)}`.replace('-', '−');

function Programs({ load }: { load: LoadResult }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>Programs, by processor</Lead>
      </SheetHead>
      <List>
        {load.programs.map((program) => (
          <li key={program.name}>
            <b>{program.name}</b>
            <span>{percent(program.cpu)}</span>
            <small>
              {program.bytesPerSecond === null
                ? 'drives: not told'
                : `${(program.bytesPerSecond / 1e6).toFixed(1)} MB/s by drives`}
            </small>
          </li>
        ))}
      </List>
    </Sheet>
  );
}

function Besides({ load }: { load: LoadResult }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>Beside that</Lead>
      </SheetHead>
      <List>
        {Object.entries(load.drives).map(([name, drive]) => (
          <li key={name}>
            <b>Drive {name}</b>
            <span>
              {drive.latencyMs === null ? 'nothing asked' : `${drive.latencyMs.toFixed(1)} ms each`}
            </span>
            <small>
              {drive.queue.toFixed(1)} waiting on average, {(drive.bytesPerSecond / 1e6).toFixed(1)}{' '}
              MB/s
            </small>
          </li>
        ))}
        <li>
          <b>Memory left</b>
          <span>{load.memoryLeft === null ? 'not told' : percent(load.memoryLeft)}</span>
          <small>
            {load.swappedPerSecond === null
              ? 'swapping: not told'
              : `${load.swappedPerSecond.toFixed(0)} pages swapped a second`}
          </small>
        </li>
        {load.latenessMicros !== null && (
          <li>
            <b>Woke late by</b>
            <span>{count(load.latenessMicros[2] ?? 0)} µs at most</span>
            <small>
              half under {count(load.latenessMicros[0] ?? 0)} µs, 99 of 100 under{' '}
              {count(load.latenessMicros[1] ?? 0)} µs
            </small>
          </li>
        )}
      </List>
    </Sheet>
  );
}

const Plot = styled.div`
  padding: 8px 16px;
  border-top: 1px solid ${color.line};
  h3 {
    display: flex;
    justify-content: space-between;
    font-size: ${size.body};
  }
  h3 span {
    font-weight: 400;
    color: ${color.ink2};
  }
`;

const List = styled.ul`
  padding: 0 16px 10px;
  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 12px;
    padding: 7px 0;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  small {
    flex-basis: 100%;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
