import { say, t } from '../../words/words';
import { useState } from 'react';
import { Checkbox, CheckboxGroup } from 'react-aria-components';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import { resultOf } from '../../api/result';
import type { Run, VolumeNote } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { bytes, count } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';
import { copyTime } from './bands';
import { isBelow, proposed, sum } from './folders';
import { nameOf } from './VolumeMap';

export interface ChooseFilesProps {
  job: string;
  partKey: string;
  volume: VolumeNote;
  /** The newest copy of files of this volume; null if there was none. */
  last: Run | null;
  lockedWhy: string | null;
}

/** Which folders are copied, how much that is, how long it takes; and what came of it last. */
export function ChooseFiles({ job, partKey, volume, last, lockedWhy }: ChooseFilesProps) {
  const call = useCall(keys.job(job), keys.floor);
  const [chosen, setChosen] = useState(() => proposed(volume.folders));
  const all = sum(volume.folders, chosen);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{filesTitle(volume, last)}</Lead>
        <small>{t('web.rescue.choose-files.what-people-make-is-ticked-each')}</small>
      </SheetHead>
      {last !== null && resultOf(last, 'file-copy') !== null && <Came run={last} />}
      <Choice
        aria-label={t('web.rescue.choose-files.folders-of', { nameOf: nameOf(volume) })}
        value={[...chosen]}
        onChange={(values) => setChosen(new Set(values))}
      >
        {volume.folders.map((f) => {
          const below = isBelow(f.path, chosen);
          return (
            <Folder
              key={f.path}
              value={f.path}
              isDisabled={below}
              style={{ paddingLeft: f.path.includes('/') ? 46 : 16 }}
            >
              {({ isSelected }) => (
                <>
                  <Box data-on={isSelected || below} aria-hidden />
                  <span>{nameOfFolder(f.path)}</span>
                  <span>{count(f.files)}</span>
                  <span>{bytes(f.bytes)}</span>
                </>
              )}
            </Folder>
          );
        })}
      </Choice>
      <Foot>
        <span>
          {all.files === 0
            ? t('web.rescue.choose-files.tick-at-least-one-folder')
            : t('web.rescue.choose-files.files', {
                count: count(all.files),
                bytes: bytes(all.bytes),
                copyTime: copyTime(all.bytes),
              })}
        </span>
        <Button
          isDisabled={all.files === 0 || lockedWhy !== null}
          isPending={call.isPending}
          onPress={() =>
            call.mutate(() =>
              api.POST('/api/jobs/{number}/parts/{partKey}/files', {
                params: { path: { number: job, partKey } },
                body: {
                  volume: volume.number,
                  folders: [...chosen].filter((c) => !isBelow(c, chosen)),
                },
              }),
            )
          }
        >
          {t('web.rescue.choose-files.copy-these-files')}
        </Button>
      </Foot>
      {lockedWhy !== null && (
        <Not role="note">{t('web.rescue.choose-files.not-now', { lockedWhy })}</Not>
      )}
      {call.isError && <ProblemNote error={call.error} />}
    </Sheet>
  );
}

const nameOfFolder = (path: string) =>
  path === ''
    ? t('web.rescue.choose-files.files-that-lie-in-no-folder')
    : path.slice(path.indexOf('/') + 1);

function filesTitle(volume: VolumeNote, last: Run | null): string {
  const files = resultOf(last, 'file-copy');
  if (files === null)
    return t('web.rescue.choose-files.files-on', {
      count: count(volume.files),
      nameOf: nameOf(volume),
    });
  return files.failedInAll === 0
    ? t('web.rescue.choose-files.files-of-copied-and-verified', {
        count: count(files.verifiedFiles),
        nameOf: nameOf(volume),
      })
    : t('web.rescue.choose-files.of-files-of-are-not-whole', {
        count: count(files.failedInAll),
        count2: count(files.files),
        nameOf: nameOf(volume),
      });
}

function Came({ run }: { run: Run }) {
  const files = resultOf(run, 'file-copy');
  if (files === null) return null;
  return (
    <Result>
      <p>
        {say('web.rescue.choose-files.from-into-files-with-are-the', {
          state: run.state === 'ENDED',
          fromImage: files.fromImage,
          folder: files.folder,
          count: count(files.verifiedFiles),
          bytes: bytes(files.verifiedBytes),
          value:
            files.current !== '' &&
            ` ${t('web.rescue.choose-files.now', { current: files.current })}`,
        })}
      </p>
      {files.failed.length > 0 && (
        <ul aria-label={t('web.rescue.choose-files.files-that-are-not-whole')}>
          {files.failed.map((f) => (
            <li key={f.path}>
              <b>{f.path}</b>, {bytes(f.bytes)}:{' '}
              {f.partly ? `${t('web.rescue.choose-files.in-part')} ` : ''}
              {f.why}
            </li>
          ))}
        </ul>
      )}
    </Result>
  );
}

const Choice = styled(CheckboxGroup)`
  max-height: 330px;
  overflow-y: auto;
  border-top: 1px solid ${color.line};
`;

const Folder = styled(Checkbox)`
  display: grid;
  grid-template-columns: 24px 1fr 76px 84px;
  gap: 10px;
  align-items: center;
  min-height: 40px;
  padding: 4px 16px;
  cursor: pointer;
  overflow-wrap: anywhere;
  &[data-focus-visible] {
    outline: 2px solid ${color.clear};
    outline-offset: -2px;
  }
  > span:nth-last-child(-n + 2) {
    text-align: right;
    font-variant-numeric: tabular-nums;
    color: ${color.ink2};
  }
`;

const Box = styled.i`
  width: 20px;
  height: 20px;
  border: 2px solid ${color.ink2};
  border-radius: 3px;
  &[data-on='true'] {
    border-color: ${color.hold};
    background: linear-gradient(45deg, transparent 42%, ${color.sheet} 42% 58%, transparent 58%)
      ${color.hold};
  }
`;

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 10px 16px 12px;
  border-top: 1px solid ${color.line};
`;

const Not = styled.p`
  padding: 0 16px 12px;
  font-size: ${size.text};
  color: ${color.ink2};
`;

const Result = styled.div`
  margin: 0 16px 12px;
  padding: 10px 12px;
  border-left: 4px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
  overflow-wrap: anywhere;
  ul {
    max-height: 170px;
    overflow-y: auto;
    padding-top: 6px;
    font-size: ${size.text};
  }
  li {
    padding: 2px 0;
  }
`;
