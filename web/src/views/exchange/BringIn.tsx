import { t } from '../../words/words';
import { useMutation } from '@tanstack/react-query';
import { FileTrigger } from 'react-aria-components';
import { useNavigate } from 'react-router';
import { api, asFile, told } from '../../api/client';
import { Button } from '../../ui/Button';
import { ProblemNote } from '../../ui/ProblemNote';

/** A job from another installation, by its archive; for the lead. */
export function BringIn() {
  const navigate = useNavigate();
  const bring = useMutation({
    mutationFn: (file: File) => told(api.POST('/api/jobs/import', asFile(zip(file)))),
    onSuccess: (made) => void navigate(`/job/${made.number}`),
  });
  return (
    <>
      <FileTrigger
        acceptedFileTypes={['application/zip', '.zip']}
        onSelect={(files) => {
          const file = files?.[0];
          if (file !== undefined) bring.mutate(file);
        }}
      >
        <Button isPending={bring.isPending}>
          {bring.isPending
            ? t('web.exchange.bring-in.being-brought-in')
            : t('web.exchange.bring-in.bring-in-a-job-from-an')}
        </Button>
      </FileTrigger>
      {bring.isError && <ProblemNote error={bring.error} />}
    </>
  );
}

/** Browsers name the type differently. */
const zip = (file: File) => new File([file], file.name, { type: 'application/zip' });
