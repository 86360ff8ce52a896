import { say, t } from '../../words/words';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useData, useRun } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { DataOnDrive, Run, Rescue } from '../../api/types';
import { color, size, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { TwoColumns } from '../../ui/Layout';
import { bytes, count, when, fixed } from '../../ui/format';
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
        {t('web.rescue.rescue-view.the-data-on', {
          named: named(data.slot),
          finding: data.finding,
        })}
      </Title>
      <About>
        <Mono>
          {data.model ?? t('web.rescue.rescue-view.model-not-readable')} ·{' '}
          {data.serial ?? t('web.rescue.rescue-view.serial-not-readable')}
        </Mono>
        {data.decisive !== null && (
          <> {t('web.rescue.rescue-view.spare-it', { decisive: data.decisive })}</>
        )}
      </About>
      <Columns $side="356px" $gapAbove={false}>
        <Wide>
          <CopySheet data={data} running={running} />
          <Sheet>
            <SheetHead>
              <Lead>
                {survey === null
                  ? t('web.rescue.rescue-view.nobody-looked-yet-what-is-on')
                  : survey.why}
              </Lead>
              {data.survey?.endedAt != null && (
                <small>
                  {t('web.rescue.rescue-view.survey-of-read-only', {
                    when: when(data.survey.endedAt),
                    writtenSince: writtenSince(data),
                  })}
                </small>
              )}
            </SheetHead>
            {survey === null ? (
              <Teach>{t('web.rescue.rescue-view.a-survey-reads-the-first-last')}</Teach>
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
        <Lead>
          {rescue !== null
            ? copyTitle(rescue)
            : t('web.rescue.rescue-view.goes-on', {
                name: running?.name ?? t('web.rescue.rescue-view.a-run'),
              })}
        </Lead>
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
  if (r.verified === true) return t('web.rescue.rescue-view.the-copy-was-read-again-and');
  if (r.verified === false) return t('web.rescue.rescue-view.the-copy-is-not-what-was');
  const share = (100 * r.readBytes) / Math.max(1, r.wantedBytes);
  const of = t('web.rescue.rescue-view.of', {
    bytes: bytes(r.readBytes),
    bytes2: bytes(r.wantedBytes),
    inUseOnly: r.inUseOnly,
  }).trim();
  if (r.readBytes === r.wantedBytes) return t('web.rescue.rescue-view.all-of-it-is-read', { of });
  return t('web.rescue.rescue-view.read', {
    share: share >= 99.995 ? '>99.99' : fixed(share, 2),
    of,
  });
}

function Lost({ rescue }: { rescue: Rescue }) {
  const files = rescue.lostFiles;
  return (
    <Figures>
      <p>
        {say('web.rescue.rescue-view.lost', {
          bytes: bytes(rescue.lostBytes),
          value: rescue.openBytes > 0 && (
            <>{t('web.rescue.rescue-view.still-to-be-tried', { bytes: bytes(rescue.openBytes) })}</>
          ),
          value2: rescue.expectedShare !== null && rescue.phase !== 'ended' && (
            <>
              {' '}
              {t('web.rescue.rescue-view.of-it-is-expected-in-the', {
                expectedShare: fixed(100 * rescue.expectedShare, 2),
              })}
            </>
          ),
          value3: rescue.phase !== 'ended' && rescue.verified === null && (
            <> {t('web.rescue.rescue-view.now', { phase: rescue.phase })}</>
          ),
        })}
      </p>
      {files.length > 0 && (
        <>
          <p>
            {rescue.lostFilesInAll === 1
              ? t('web.rescue.rescue-view.one-file-is-hit')
              : t('web.rescue.rescue-view.files-are-hit', {
                  count: count(rescue.lostFilesInAll ?? files.length),
                })}
          </p>
          <ul aria-label={t('web.rescue.rescue-view.files-that-lost-something')}>
            {files.map((f) => (
              <li key={f.path}>
                {say('web.rescue.rescue-view.of-2', {
                  path: f.path,
                  bytes: bytes(f.lostBytes),
                  bytes2: bytes(f.bytes),
                })}
              </li>
            ))}
          </ul>
        </>
      )}
      {files.length === 0 && rescue.lostBytes > 0 && rescue.lostFilesInAll === 0 && (
        <p>{t('web.rescue.rescue-view.no-file-is-hit-what-is')}</p>
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
        <Lead>{t('web.rescue.rescue-view.data', { dataStatusWords: data.dataStatusWords })}</Lead>
      </SheetHead>
      <Next>{data.next}</Next>
      {data.survey !== null && data.holds.open.length > 0 && (
        <Figures>
          <p>{t('web.rescue.rescue-view.in-no-verified-copy-and-not')}</p>
          <ul aria-label={t('web.rescue.rescue-view.what-erasing-it-would-lose')}>
            {data.holds.open.map((h) => (
              <li key={h.words}>{h.words}</li>
            ))}
          </ul>
        </Figures>
      )}
      {common !== null && (
        <Not role="note">{t('web.rescue.rescue-view.nothing-can-be-started-now', { common })}</Not>
      )}
      <List>
        {data.steps.map((s) => (
          <li key={s.kind}>
            <span>
              <b>{s.name}</b>
              <small>{s.about}</small>
              {s.lockedWhy !== null && common === null && (
                <small>{t('web.rescue.rescue-view.not-now', { lockedWhy: s.lockedWhy })}</small>
              )}
            </span>
            <Button
              primary={s.next}
              aria-label={t('web.rescue.rescue-view.start', { name: s.name })}
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
              {t('web.rescue.rescue-view.start-2')}
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
          {say('web.rescue.rescue-view.the-image-lies-in-of-the', {
            folder: image.folder,
            mono: <Mono>{image.sums.slice(0, 16)}…</Mono>,
          })}
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
