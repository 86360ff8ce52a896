import { t } from '../../words/words';
import { useState } from 'react';
import {
  DropZone,
  FileTrigger,
  Text,
  type DropItem,
  type FileDropItem,
} from 'react-aria-components';
import styled from 'styled-components';
import { address, api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { CaptureTaken } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

const OF = [
  ['drive-a', t('web.exchange.exchange-card.drive-a')],
  ['drive-b', t('web.exchange.exchange-card.drive-b')],
  ['drive-c', t('web.exchange.exchange-card.drive-c')],
  ['board', t('web.exchange.exchange-card.board-and-memory')],
  ['battery', t('web.exchange.exchange-card.battery')],
] as const;

/** A job out of here: archive and numbers; and into it: pages that come as files. */
export function ExchangeCard({ number }: { number: string }) {
  const call = useCall<CaptureTaken[]>(keys.job(number), keys.floor);
  const [of, setOf] = useState<(typeof OF)[number][0]>('drive-a');
  const send = async (files: File[]) => {
    const all = await Promise.all(
      files.map(async (f) => ({ name: f.name, content: await base64(f) })),
    );
    call.mutate(() =>
      api.POST('/api/jobs/{number}/captures', {
        params: { path: { number } },
        body: { partKey: of, files: all },
      }),
    );
  };
  return (
    <Card>
      <SheetHead>
        <Lead>{t('web.exchange.exchange-card.out-of-here-and-into-here')}</Lead>
      </SheetHead>
      <Links>
        <a href={address('/api/jobs/{number}/archive.zip', { number })} download>
          {t('web.exchange.exchange-card.the-whole-job-as-an-archive')}
        </a>
        <a href={address('/api/jobs/{number}/series.csv', { number })} download>
          {t('web.exchange.exchange-card.every-number-of-its-drives-as')}
        </a>
      </Links>
      <Zone
        aria-label={t('web.exchange.exchange-card.drop-captured-pages-here')}
        onDrop={(e) => void filesOf(e.items).then(send)}
      >
        <Text slot="label">{t('web.exchange.exchange-card.drop-captured-pages-here-or-a')}</Text>
        <Row>
          <Select
            label={t('web.exchange.exchange-card.loose-pages-are-of')}
            value={of}
            onChange={setOf}
            options={OF}
          />
          <FileTrigger
            allowsMultiple
            onSelect={(files) => void send(files === null ? [] : [...files])}
          >
            <Button isPending={call.isPending}>
              {call.isPending
                ? t('web.exchange.exchange-card.sending')
                : t('web.exchange.exchange-card.choose-files')}
            </Button>
          </FileTrigger>
        </Row>
      </Zone>
      {call.isError && <ProblemNote error={call.error} />}
      {call.isSuccess && (
        <Taken aria-label={t('web.exchange.exchange-card.what-became-of-the-files')}>
          {call.data.map((file) => (
            <li key={file.name}>
              <b>{file.name}</b>:{' '}
              {file.taken
                ? file.words
                : t('web.exchange.exchange-card.not-taken', { words: file.words })}
            </li>
          ))}
        </Taken>
      )}
    </Card>
  );
}

async function filesOf(items: DropItem[]): Promise<File[]> {
  const files = items.filter((i): i is FileDropItem => i.kind === 'file');
  return Promise.all(files.map((f) => f.getFile()));
}

function base64(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    // A data URL: what is behind its comma is the file in base 64.
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ''));
    reader.onerror = () =>
      reject(new Error(t('web.exchange.exchange-card.cannot-be-read', { name: file.name })));
    reader.readAsDataURL(file);
  });
}

const Card = styled(Sheet)`
  max-width: 820px;
  margin: 0 auto 14px;
  @media print {
    display: none;
  }
`;

const Links = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  padding: 0 16px 10px;
  a {
    padding: 8px 0;
  }
`;

const Zone = styled(DropZone)`
  display: grid;
  gap: 10px;
  margin: 0 16px 14px;
  padding: 14px;
  border: 2px dashed ${color.line};
  border-radius: ${radius};
  &[data-drop-target] {
    border-color: ${color.clear};
    background: ${color.clearSoft};
  }
  &[data-focus-visible] {
    outline: 2px solid ${color.clear};
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
`;

const Taken = styled.ul`
  padding: 0 16px 14px;
  font-size: ${size.text};
  overflow-wrap: anywhere;
`;
