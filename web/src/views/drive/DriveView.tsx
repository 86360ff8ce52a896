import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { useDrive, useReadPart, useRun } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { DriveData, Run } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { TwoColumns } from '../../ui/Layout';
import { when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Mono, Page, Sheet, SheetHead, Teach, Title } from '../../ui/Sheet';
import { OutlookCard } from './OutlookCard';
import { Profile } from './Profile';
import { profileTitle } from './profileGeometry';
import { RunList } from './RunList';
import { RunPanel } from '../run/RunPanel';
import { StartRun } from './StartRun';
import { TrendCard } from './TrendCard';
import { VolumeMap } from '../rescue/VolumeMap';
import { VisitsTable } from './VisitsTable';

/** One drive: its surface, its numbers over visits, where it is heading. */
export function DriveView() {
  const { number = '', partKey = '' } = useParams();
  const drive = useDrive(number, partKey);
  return <Loaded query={drive}>{(data) => <Shown drive={data} />}</Loaded>;
}

function Shown({ drive }: { drive: DriveData }) {
  const [starting, setStarting] = useState(false);
  const read = useReadPart(drive.job);
  const open = drive.runs.find((r) => r.state !== 'ENDED');
  const live = useRun(open?.id ?? null);
  const running = live.data ?? open ?? null;
  const surfaces = drive.runs.filter(
    (r) => resultOf(r, 'surface') !== null && r.id !== running?.id,
  );
  const shown = resultOf(running, 'surface') !== null ? running : (surfaces[0] ?? null);
  const before = (resultOf(running, 'surface') !== null ? surfaces[0] : surfaces[1]) ?? null;
  return (
    <Page>
      <Head>
        <Link to={`/job/${drive.job}`}>
          ‹ {drive.job} {drive.machine}
        </Link>
        <SuspicionMark suspicion={drive.suspicion} size={30} />
        <Title>
          {drive.slot}: {drive.finding}
        </Title>
        <Buttons>
          <Button
            isDisabled={!drive.probeOnline || drive.reading}
            isPending={read.isPending}
            onPress={() => read.mutate({ partKey: drive.partKey })}
          >
            {drive.reading ? 'Being read' : 'Read again'}
          </Button>
          <Button primary isDisabled={open !== undefined} onPress={() => setStarting(true)}>
            Test…
          </Button>
        </Buttons>
      </Head>
      <About>
        <Mono>
          {drive.model ?? 'model not readable'} · {drive.serial ?? 'serial not readable'}
        </Mono>{' '}
        {drive.about}
        {drive.metBefore !== null && <> · {drive.metBefore}</>} ·{' '}
        <Link to={`/part/${drive.partId}`}>its history</Link>
      </About>
      {drive.decisive !== null && <Decisive role="note">Decisive: {drive.decisive}</Decisive>}
      {read.isError && <ProblemNote error={read.error} />}
      <TwoColumns $side="356px" $gapAbove={false}>
        <Wide>
          <SurfaceSheet shown={shown} before={before} running={running} drive={drive} />
          <VolumesSheet drive={drive} />
          <VisitsTable drive={drive} />
          <RunList runs={drive.runs} />
          <PagesSheet drive={drive} />
        </Wide>
        <Sheet>
          <SheetHead>
            <Lead>Where it is heading</Lead>
            <small>robust slope with its 95 % band</small>
          </SheetHead>
          {drive.trends.length === 0 && <Teach>It has told no numbers yet.</Teach>}
          {drive.trends.map((t) => (
            <TrendCard key={t.key} trend={t} />
          ))}
          <OutlookCard drive={drive} />
        </Sheet>
      </TwoColumns>
      <StartRun drive={drive} isOpen={starting} onClose={() => setStarting(false)} />
    </Page>
  );
}

interface SurfaceSheetProps {
  shown: Run | null;
  before: Run | null;
  running: Run | null;
  drive: DriveData;
}

function SurfaceSheet({ shown, before, running, drive }: SurfaceSheetProps) {
  const surface = resultOf(shown, 'surface');
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {surface === null
            ? 'Its surface has not been read yet'
            : profileTitle(surface, shown?.kind === 'SURFACE_SAMPLE')}
        </Lead>
        {shown !== null && surface !== null && (
          <small>
            {shown.name.toLowerCase()}, read only, {(100 * surface.shareRead).toFixed(0)} % ·{' '}
            {shown.endedAt === null
              ? shown.waits === null
                ? 'running'
                : 'waits'
              : when(shown.endedAt)}
          </small>
        )}
        {surface !== null && <Legend hasBefore={before !== null} before={before} />}
      </SheetHead>
      {surface === null ? (
        <Teach>
          A surface scan reads every sector and shows here what is slow and what is lost, by
          position. It only reads.
        </Teach>
      ) : (
        <Padded>
          <Profile
            surface={surface}
            before={resultOf(before, 'surface')}
            atByte={shown?.state === 'ENDED' ? null : (shown?.atByte ?? null)}
          />
        </Padded>
      )}
      {running !== null && running.state !== 'ENDED' && <RunPanel run={running} job={drive.job} />}
    </Sheet>
  );
}

function Legend({ hasBefore, before }: { hasBefore: boolean; before: Run | null }) {
  return (
    <Keys>
      <i data-kind="typical" /> typical
      <i data-kind="high" /> 99 in 100
      <i data-kind="slowest" /> slowest
      {hasBefore && before !== null && before.endedAt !== null && (
        <>
          <i data-kind="before" /> typical {when(before.endedAt)}
        </>
      )}
    </Keys>
  );
}

/** What is on it by position, if somebody looked; and the way to its copies. */
function VolumesSheet({ drive }: { drive: DriveData }) {
  const survey = resultOf(drive.surveyed, 'survey');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{survey === null ? 'Nobody looked yet what is on it' : survey.why}</Lead>
        <Link to={`/rescue/${drive.job}/${drive.partKey}`}>
          {survey === null ? 'Survey and copy its data' : 'Its data and copies'}
        </Link>
      </SheetHead>
      {survey !== null && (
        <Padded>
          <VolumeMap survey={survey} />
        </Padded>
      )}
    </Sheet>
  );
}

function PagesSheet({ drive }: { drive: DriveData }) {
  if (drive.latestReading === null) return null;
  const got = drive.pages.filter((p) => p.got);
  const missing = drive.pages.filter((p) => !p.got);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{got.length} pages as they came from the drive</Lead>
        <small>bytes with the decoded field under the cursor</small>
      </SheetHead>
      <PageLinks>
        {got.map((p) => (
          <li key={p.kind}>
            <Link to={`/reading/${drive.latestReading ?? ''}?page=${p.kind}`}>{p.name}</Link>
          </li>
        ))}
        {missing.map((p) => (
          <li key={p.kind}>
            {p.name}: {p.why}
          </li>
        ))}
      </PageLinks>
    </Sheet>
  );
}

const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
`;

const Buttons = styled.span`
  display: flex;
  gap: 8px;
  margin-left: auto;
`;

const About = styled.p`
  color: ${color.ink2};
  padding: 2px 0 10px;
`;

const Decisive = styled.p`
  padding: 10px 14px;
  margin-bottom: 10px;
  border-left: 4px solid ${color.implicated};
  background: ${color.implicatedSoft};
`;

const Wide = styled.div`
  display: grid;
  gap: 12px;
  min-width: 0;
`;

const Padded = styled.div`
  padding: 4px 16px 10px;
`;

const Keys = styled.span`
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  font-size: ${size.small};
  color: ${color.ink2};
  i {
    display: inline-block;
    width: 18px;
    height: 11px;
    margin-left: 6px;
    background: ${color.clear};
  }
  i[data-kind='typical'] {
    height: 3px;
  }
  i[data-kind='high'] {
    opacity: 0.42;
  }
  i[data-kind='slowest'] {
    opacity: 0.17;
  }
  i[data-kind='before'] {
    height: 0;
    background: none;
    border-top: 2px dashed ${color.leanMark};
  }
`;

const PageLinks = styled.ul`
  columns: 2;
  padding: 0 16px 14px;
  li {
    padding: 7px 0;
    break-inside: avoid;
  }
`;
