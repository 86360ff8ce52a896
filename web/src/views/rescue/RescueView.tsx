import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useData, useRun } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { DataOnDrive, Run, Rescue } from '../../api/types';
import { color, size, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { TwoColumns } from '../../ui/Layout';
import { bytes, count, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Mono, Page, Sheet, SheetHead, Teach, Title } from '../../ui/Sheet';
import { RunPanel } from '../run/RunPanel';
import { Bands } from './Bands';
import { CarvedSheet } from './CarvedSheet';
import { ChooseFiles } from './ChooseFiles';
import { CopyCard } from './CopyCard';
import { EraseCard } from './EraseCard';
import { MendCard } from './MendCard';
import { VolumeMap } from './VolumeMap';

/** The data on one drive: what is there, what was copied, and whether the copy holds. */
export function RescueView() {
  const { number = '', partKey = '' } = useParams();
  const data = useData(number, partKey);
  return <Loaded query={data}>{(d) => <Shown data={d} />}</Loaded>;
}

function Shown({ data }: { data: DataOnDrive }) {
  const live = useRun(data.open?.id ?? null);
  const running = data.open === null ? null : (live.data ?? data.open);
  const survey = resultOf(data.survey, 'survey');
  const filesOf = (volume: number) =>
    resultOf(running, 'file-copy') !== null
      ? running
      : (data.files.find((f) => f.volume === volume)?.run ?? null);
  return (
    <Page>
      <Link to={`/drive/${data.job}/${data.partKey}`}>
        ‹ {data.job} {data.machine}, {named(data.slot)}
      </Link>
      <Title>
        The data on {named(data.slot)}: {data.finding}
      </Title>
      <About>
        <Mono>
          {data.model ?? 'model not readable'} · {data.serial ?? 'serial not readable'}
        </Mono>
        {data.decisive !== null && <> · spare it: {data.decisive}</>}
      </About>
      <Columns $side="356px" $gapAbove={false}>
        <Wide>
          <CopySheet data={data} running={running} />
          <Sheet>
            <SheetHead>
              <Lead>{survey === null ? 'Nobody looked yet what is on it' : survey.why}</Lead>
              {data.survey?.endedAt != null && (
                <small>
                  survey of {when(data.survey.endedAt)}, read only
                  {writtenSince(data) && '; written to since: survey it again'}
                </small>
              )}
            </SheetHead>
            {survey === null ? (
              <Teach>
                A survey reads the first, last and a few other sectors and says which volumes are
                there, whether they are encrypted or damaged, and which files they hold.
              </Teach>
            ) : (
              <Padded>
                <VolumeMap survey={survey} />
              </Padded>
            )}
          </Sheet>
          {data.carved !== null && <CarvedSheet run={data.carved} />}
          {survey?.volumes
            .filter((v) => v.listed && v.files > 0)
            .map((v) => (
              <ChooseFiles
                key={`${v.number} ${data.survey?.id ?? ''}`}
                job={data.job}
                partKey={data.partKey}
                volume={v}
                last={filesOf(v.number)}
                lockedWhy={data.steps[0]?.lockedWhy ?? null}
              />
            ))}
        </Wide>
        <Steps data={data} />
      </Columns>
    </Page>
  );
}

/** What a survey found may not be so any more once sectors of it were written. */
const writtenSince = ({ survey, mending }: DataOnDrive) =>
  (resultOf(mending.last, 'mend')?.written ?? 0) > 0 &&
  (mending.last?.endedAt ?? '') > (survey?.endedAt ?? '');

/** "drive A", within a sentence. */
const named = (slot: string) => slot.charAt(0).toLowerCase() + slot.slice(1);

function CopySheet({ data, running }: { data: DataOnDrive; running: Run | null }) {
  const shown = latest(data, running);
  if (shown === null && running === null) return null;
  const rescue = resultOf(shown, 'rescue');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{rescue !== null ? copyTitle(rescue) : `${running?.name ?? 'A run'} goes on`}</Lead>
        {shown?.endedAt != null && (
          <small>
            {shown.name.toLowerCase()}, {when(shown.endedAt)}
          </small>
        )}
      </SheetHead>
      {rescue !== null && (
        <>
          <Bands rescue={rescue} />
          <Lost rescue={resultOf(data.rescue, 'rescue') ?? rescue} />
        </>
      )}
      {running !== null && <RunPanel run={running} job={data.job} />}
    </Sheet>
  );
}

/** The one that goes on; else the check if it came after the copy; else the copy. */
function latest(data: DataOnDrive, running: Run | null): Run | null {
  if (resultOf(running, 'rescue') !== null) return running;
  return data.check ?? data.rescue;
}

function copyTitle(r: Rescue): string {
  if (r.verified === true) return 'The copy was read again and is what was read of the drive';
  if (r.verified === false) return 'The copy is not what was read of the drive: copy it anew';
  const share = (100 * r.readBytes) / Math.max(1, r.wantedBytes);
  const of =
    `${bytes(r.readBytes)} of ${bytes(r.wantedBytes)} ${r.inUseOnly ? 'in use' : ''}`.trim();
  if (r.readBytes === r.wantedBytes) return `All of it is read: ${of}`;
  return `${share >= 99.995 ? '>99.99' : share.toFixed(2)} % read: ${of}`;
}

function Lost({ rescue }: { rescue: Rescue }) {
  const files = rescue.lostFiles;
  return (
    <Figures>
      <p>
        Lost: <b>{bytes(rescue.lostBytes)}</b>
        {rescue.openBytes > 0 && <>, still to be tried: {bytes(rescue.openBytes)}</>}
        {rescue.expectedShare !== null && rescue.phase !== 'ended' && (
          <> · {(100 * rescue.expectedShare).toFixed(2)} % of it is expected in the end</>
        )}
        {rescue.phase !== 'ended' && rescue.verified === null && <> · now: {rescue.phase}</>}
      </p>
      {files.length > 0 && (
        <>
          <p>
            {rescue.lostFilesInAll === 1
              ? 'One file is hit:'
              : `${count(rescue.lostFilesInAll ?? files.length)} files are hit:`}
          </p>
          <ul aria-label="Files that lost something">
            {files.map((f) => (
              <li key={f.path}>
                <b>{f.path}</b>: {bytes(f.lostBytes)} of {bytes(f.bytes)}
              </li>
            ))}
          </ul>
        </>
      )}
      {files.length === 0 && rescue.lostBytes > 0 && rescue.lostFilesInAll === 0 && (
        <p>No file is hit: what is lost lies where no file does.</p>
      )}
    </Figures>
  );
}

function Steps({ data }: { data: DataOnDrive }) {
  const call = useCall(keys.job(data.job), keys.floor);
  const first = data.steps[0]?.lockedWhy ?? null;
  const common = data.steps.every((s) => s.lockedWhy === first) ? first : null;
  const image = resultOf(data.rescue, 'rescue');
  return (
    <Sheet>
      <SheetHead>
        <Lead>Data {data.dataStatusWords}</Lead>
      </SheetHead>
      <Next>{data.next}</Next>
      {data.survey !== null && data.holds.open.length > 0 && (
        <Figures>
          <p>In no verified copy, and not signed away:</p>
          <ul aria-label="What erasing it would lose">
            {data.holds.open.map((h) => (
              <li key={h.words}>{h.words}</li>
            ))}
          </ul>
        </Figures>
      )}
      {common !== null && <Not role="note">Nothing can be started now: {common}.</Not>}
      <List>
        {data.steps.map((s) => (
          <li key={s.kind}>
            <span>
              <b>{s.name}</b>
              <small>{s.about}</small>
              {s.lockedWhy !== null && common === null && <small>Not now: {s.lockedWhy}.</small>}
            </span>
            <Button
              primary={s.next}
              aria-label={`Start: ${s.name}`}
              isDisabled={s.lockedWhy !== null}
              isPending={call.isPending}
              onPress={() =>
                call.mutate(() =>
                  api.POST('/api/jobs/{number}/parts/{partKey}/runs', {
                    params: { path: { number: data.job, partKey: data.partKey } },
                    body: { kind: s.kind },
                  }),
                )
              }
            >
              Start
            </Button>
          </li>
        ))}
      </List>
      {call.isError && <ProblemNote error={call.error} />}
      <CopyCard data={data} />
      <MendCard data={data} />
      <EraseCard data={data} />
      {image !== null && (
        <Where>
          The image lies in <b>{image.folder}</b> of the bench machine’s folder of copies. Its sums:{' '}
          <Mono>{image.sums.slice(0, 16)}…</Mono>
        </Where>
      )}
    </Sheet>
  );
}

const About = styled.p`
  color: ${color.ink2};
  padding: 2px 0 10px;
  overflow-wrap: anywhere;
`;

/** What it has come to is looked at first, also where there is no room beside it. */
const Columns = styled(TwoColumns)`
  ${upTo.middle} {
    > :last-child {
      order: -1;
    }
  }
`;

const Wide = styled.div`
  display: grid;
  gap: 12px;
  min-width: 0;
`;

const Padded = styled.div`
  padding: 4px 16px 12px;
`;

const Figures = styled.div`
  padding: 0 16px 12px;
  overflow-wrap: anywhere;
  ul {
    max-height: 150px;
    overflow-y: auto;
    font-size: ${size.text};
  }
  li {
    padding: 2px 0;
  }
`;

const Next = styled.p`
  margin: 0 16px 10px;
  padding: 10px 12px;
  border-left: 4px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
`;

const Not = styled.p`
  padding: 0 16px 10px;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const List = styled.ul`
  padding: 0 16px 8px;
  li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    padding: 9px 0;
    border-top: 1px solid ${color.line};
    > button {
      flex: none;
    }
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Where = styled.p`
  padding: 10px 16px 14px;
  border-top: 1px solid ${color.line};
  font-size: ${size.text};
  color: ${color.ink2};
  overflow-wrap: anywhere;
`;
