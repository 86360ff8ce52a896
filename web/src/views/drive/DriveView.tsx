import { say, t } from '../../words/words';
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
import { when, fixed } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Mono, Page, Sheet, SheetHead, Teach, Title } from '../../ui/Sheet';
import { Profile } from './Profile';
import { profileTitle } from './profileGeometry';
import { RunList } from './RunList';
import { RunPanel } from '../run/RunPanel';
import { StartRun } from './StartRun';
import { TrendsSheet } from './TrendsSheet';
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
            {drive.reading
              ? t('web.drive.drive-view.being-read')
              : t('web.drive.drive-view.read-again')}
          </Button>
          <Button primary isDisabled={open !== undefined} onPress={() => setStarting(true)}>
            {t('web.drive.drive-view.test')}
          </Button>
        </Buttons>
      </Head>
      <About>
        <Mono>
          {drive.model ?? t('web.drive.drive-view.model-not-readable')} ·{' '}
          {drive.serial ?? t('web.drive.drive-view.serial-not-readable')}
        </Mono>{' '}
        {drive.about}
        {drive.metBefore !== null && <> · {drive.metBefore}</>} ·{' '}
        <Link to={`/part/${drive.partId}`}>{t('web.drive.drive-view.its-history')}</Link>
      </About>
      {drive.decisive !== null && (
        <Decisive role="note">
          {t('web.drive.drive-view.decisive', { decisive: drive.decisive })}
        </Decisive>
      )}
      {read.isError && <ProblemNote error={read.error} />}
      <TwoColumns $side="356px" $gapAbove={false}>
        <Wide>
          <SurfaceSheet shown={shown} before={before} running={running} drive={drive} />
          <VolumesSheet drive={drive} />
          <VisitsTable drive={drive} />
          <RunList runs={drive.runs} />
          <PagesSheet drive={drive} />
        </Wide>
        <TrendsSheet drive={drive} />
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
            ? t('web.drive.drive-view.its-surface-has-not-been-read')
            : profileTitle(surface, shown?.kind === 'SURFACE_SAMPLE')}
        </Lead>
        {shown !== null && surface !== null && (
          <small>
            {t('web.drive.drive-view.read-only', {
              name: shown.name.toLowerCase(),
              shareRead: fixed(100 * surface.shareRead, 0),
              endedAt:
                shown.endedAt === null
                  ? shown.waits === null
                    ? t('web.drive.drive-view.running')
                    : t('web.drive.drive-view.waits')
                  : when(shown.endedAt),
            })}
          </small>
        )}
        {surface !== null && <Legend hasBefore={before !== null} before={before} />}
      </SheetHead>
      {surface === null ? (
        <Teach>{t('web.drive.drive-view.a-surface-scan-reads-every-sector')}</Teach>
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
      {say('web.drive.drive-view.typical-99-in-100-slowest', {
        i: <i data-kind="typical" />,
        i2: <i data-kind="high" />,
        i3: <i data-kind="slowest" />,
        value: hasBefore && before !== null && before.endedAt !== null && (
          <>
            {say('web.drive.drive-view.typical', {
              i: <i data-kind="before" />,
              when: when(before.endedAt),
            })}
          </>
        ),
      })}
    </Keys>
  );
}

/** What is on it by position, if somebody looked; and the way to its copies. */
function VolumesSheet({ drive }: { drive: DriveData }) {
  const survey = resultOf(drive.surveyed, 'survey');
  return (
    <Sheet>
      <SheetHead>
        <Lead>
          {survey === null ? t('web.drive.drive-view.nobody-looked-yet-what-is-on') : survey.why}
        </Lead>
        <Link to={`/rescue/${drive.job}/${drive.partKey}`}>
          {survey === null
            ? t('web.drive.drive-view.survey-and-copy-its-data')
            : t('web.drive.drive-view.its-data-and-copies')}
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
        <Lead>{t('web.drive.drive-view.pages-as-they-came-from-the', { length: got.length })}</Lead>
        <small>{t('web.drive.drive-view.bytes-with-the-decoded-field-under')}</small>
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
