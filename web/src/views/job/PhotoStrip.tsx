import { t } from '../../words/words';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { address, api, asFile } from '../../api/client';
import { keys } from '../../api/queries';
import type { Job } from '../../api/types';
import { color, radius } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Sheet } from '../../ui/Sheet';

/** Photos of the machine. The server draws each anew: what else a file held is gone. */
export function PhotoStrip({ job }: { job: Job }) {
  const client = useQueryClient();
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const add = async (files: FileList | null) => {
    setError(null);
    setBusy(true);
    try {
      for (const file of files ?? []) {
        await api.POST('/api/jobs/{number}/photos', {
          params: { path: { number: job.number } },
          ...asFile(file),
        });
      }
    } catch (problem) {
      setError(problem);
    } finally {
      setBusy(false);
      await client.invalidateQueries({ queryKey: keys.job(job.number) });
    }
  };
  if (job.photos.length === 0 && job.endedAt !== null) return null;
  return (
    <Box>
      <Lead>
        {job.photos.length === 0
          ? t('web.job.photo-strip.no-photos-yet')
          : t('web.job.photo-strip.photos', { length: job.photos.length })}
      </Lead>
      {error !== null && <ProblemNote error={error} />}
      <Strip>
        {job.photos.map((photo) => (
          <li key={photo.id}>
            <a
              href={address('/api/photos/{id}', { id: photo.id })}
              target="_blank"
              rel="noreferrer"
            >
              <img
                src={address('/api/photos/{id}', { id: photo.id })}
                alt={t('web.job.photo-strip.photo-of', { when: when(photo.addedAt) })}
              />
            </a>
          </li>
        ))}
        {job.endedAt === null && (
          <li>
            <FileTrigger
              acceptedFileTypes={['image/jpeg', 'image/png']}
              allowsMultiple
              onSelect={(files) => void add(files)}
            >
              <Button isDisabled={busy}>
                {busy ? t('web.job.photo-strip.sending') : t('web.job.photo-strip.add-photos')}
              </Button>
            </FileTrigger>
          </li>
        )}
      </Strip>
    </Box>
  );
}

const Box = styled(Sheet)`
  padding: 12px 16px;
  margin-top: 12px;
  display: grid;
  gap: 8px;
`;

const Strip = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  img {
    height: 96px;
    border: 1px solid ${color.line};
    border-radius: ${radius};
    display: block;
  }
`;
