import { t } from '../../words/words';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { useWork } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { LoadResult, Work } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Back, Stack, TwoColumns } from '../../ui/Layout';
import { count, sentence, when, fixed } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
import { Loaded } from '../../ui/Loaded';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { StartPart } from '../run/StartPart';
import { useLatest } from '../run/useLatest';

const STARTS = [
  {
    kind: 'LOAD_SAMPLE',
    name: t('web.work.work-view.sample-its-work'),
    about: t('web.work.work-view.processors-drives-memory-programs-and-how'),
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
        <Sub>
          {t('web.work.work-view.between-the-two-samples', {
            between: work.between.map((b) => b.what).join(', '),
          })}
        </Sub>
      )}
      <TwoColumns>
        <Sheet>
          <SheetHead>
            <Lead>
              {load === null
                ? t('web.work.work-view.not-sampled-yet')
                : t('web.work.work-view.every-second-of-the-sample')}
              {before !== null && t('web.work.work-view.with-the-sample-before-as-a')}
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
  if (work.shifts.length > 0)
    return t('web.work.work-view.nothing-changed-for-certain-between-the');
  const load = resultOf(
    work.runs.find((r) => r.state === 'ENDED' && resultOf(r, 'load') !== null),
    'load',
  );
  if (load === null) return t('web.work.work-view.what-keeps-it-busy');
  const [name, drive] =
    Object.entries(load.drives).sort(([, a], [, b]) => b.busy - a.busy)[0] ?? [];
  const program = load.programs[0];
  const busy =
    name === undefined || drive === undefined
      ? ''
      : t('web.work.work-view.drive-is-busy-for-of-the', { name, percent: percent(drive.busy) });
  return program === undefined || program.cpu < 0.05
    ? busy
    : t('web.work.work-view.takes-of-the-processors', {
        busy,
        name: program.name,
        percent: percent(program.cpu),
      });
}

const percent = (share: number) => `${Math.round(100 * share)} %`;

const NAMES: Record<string, string> = {
  cpu: t('web.work.work-view.processors-busy'),
  'waits for io': t('web.work.work-view.something-waits-for-drives'),
  'waits for cpu': t('web.work.work-view.something-waits-for-processors'),
  'waits for memory': t('web.work.work-view.something-waits-for-memory'),
};

const nameOf = (what: string) =>
  NAMES[what] ?? t('web.work.work-view.busy', { sentence: sentence(what) });

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
  const points = (of: readonly number[]) =>
    of.map((v, i) => [i * load.secondsEach, 100 * v] as const);
  return (
    <OnePlot>
      <h3>
        {nameOf(what)} <span>{t('web.work.work-view.on-average', { percent: percent(mean) })}</span>
      </h3>
      <Plot
        label={t('web.work.work-view.on-average-over-s', {
          nameOf: nameOf(what),
          percent: percent(mean),
          seconds: Math.round(seconds),
        })}
        data={{
          title: nameOf(what),
          x: {
            kind: 'number',
            name: t('web.ui.plot.time'),
            unit: 's',
            from: 0,
            to: Math.max(1, seconds),
          },
          y: { unit: '%', from: 0, to: 100, digits: 0 },
          series: [
            { name: t('web.work.work-view.before'), points: points(then), faint: true },
            { name: t('web.work.work-view.now'), points: points(values) },
          ],
        }}
        height={130}
      />
    </OnePlot>
  );
}

function Shifts({ work }: { work: Work }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.work.work-view.before-and-after')}</Lead>
      </SheetHead>
      {work.shifts.length === 0 ? (
        <Teach>{t('web.work.work-view.sample-it-make-one-change-sample')}</Teach>
      ) : (
        <List>
          {work.shifts.map((shift) => (
            <li key={shift.what}>
              <b>{nameOf(shift.what)}</b>
              <span>
                {percent(shift.before)} → {percent(shift.after)}
              </span>
              <small>
                {t('web.work.work-view.to-points-of-100', {
                  certain: shift.certain,
                  points: points(shift.low),
                  points2: points(shift.high),
                })}
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
        <Lead>{t('web.work.work-view.programs-by-processor')}</Lead>
      </SheetHead>
      <List>
        {load.programs.map((program) => (
          <li key={program.name}>
            <b>{program.name}</b>
            <span>{percent(program.cpu)}</span>
            <small>
              {program.bytesPerSecond === null
                ? t('web.work.work-view.drives-not-told')
                : t('web.work.work-view.mb-s-by-drives', {
                    bytesPerSecond: fixed(program.bytesPerSecond / 1e6, 1),
                  })}
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
        <Lead>{t('web.work.work-view.beside-that')}</Lead>
      </SheetHead>
      <List>
        {Object.entries(load.drives).map(([name, drive]) => (
          <li key={name}>
            <b>{t('web.work.work-view.drive', { name })}</b>
            <span>
              {drive.latencyMs === null
                ? t('web.work.work-view.nothing-asked')
                : t('web.work.work-view.ms-each', { latencyMs: fixed(drive.latencyMs, 1) })}
            </span>
            <small>
              {t('web.work.work-view.waiting-on-average-mb-s', {
                queue: fixed(drive.queue, 1),
                bytesPerSecond: fixed(drive.bytesPerSecond / 1e6, 1),
              })}
            </small>
          </li>
        ))}
        <li>
          <b>{t('web.work.work-view.memory-left')}</b>
          <span>
            {load.memoryLeft === null ? t('web.work.work-view.not-told') : percent(load.memoryLeft)}
          </span>
          <small>
            {load.swappedPerSecond === null
              ? t('web.work.work-view.swapping-not-told')
              : t('web.work.work-view.pages-swapped-a-second', {
                  swappedPerSecond: fixed(load.swappedPerSecond, 0),
                })}
          </small>
        </li>
        {load.latenessMicros !== null && (
          <li>
            <b>{t('web.work.work-view.woke-late-by')}</b>
            <span>
              {t('web.work.work-view.s-at-most', { count: count(load.latenessMicros[2] ?? 0) })}
            </span>
            <small>
              {t('web.work.work-view.half-under-s-99-of-100', {
                count: count(load.latenessMicros[0] ?? 0),
                count2: count(load.latenessMicros[1] ?? 0),
              })}
            </small>
          </li>
        )}
      </List>
    </Sheet>
  );
}

const OnePlot = styled.div`
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
