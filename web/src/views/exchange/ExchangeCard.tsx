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
  ['drive-a', 'Drive A'],
  ['drive-b', 'Drive B'],
  ['drive-c', 'Drive C'],
  ['board', 'Board and memory'],
  ['battery', 'Battery'],
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
        <Lead>Out of here, and into here</Lead>
      </SheetHead>
      <Links>
        <a href={address('/api/jobs/{number}/archive.zip', { number })} download>
          The whole job as an archive
        </a>
        <a href={address('/api/jobs/{number}/series.csv', { number })} download>
          Every number of its drives as CSV
        </a>
      </Links>
      <Zone aria-label="Drop captured pages here" onDrop={(e) => void filesOf(e.items).then(send)}>
        <Text slot="label">
          Drop captured pages here, or a file that a probe without a server wrote. They are known by
          their content, and become a reading of this job.
        </Text>
        <Row>
          <Select label="Loose pages are of" value={of} onChange={setOf} options={OF} />
          <FileTrigger
            allowsMultiple
            onSelect={(files) => void send(files === null ? [] : [...files])}
          >
            <Button isPending={call.isPending}>
              {call.isPending ? 'Sending…' : 'Choose files'}
            </Button>
          </FileTrigger>
        </Row>
      </Zone>
      {call.isError && <ProblemNote error={call.error} />}
      {call.isSuccess && (
        <Taken aria-label="What became of the files">
          {call.data.map((t) => (
            <li key={t.name}>
              <b>{t.name}</b>: {t.taken ? t.words : `not taken, ${t.words}`}
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
    reader.onerror = () => reject(new Error(`${file.name} cannot be read`));
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
