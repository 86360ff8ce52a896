import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Report } from '../../api/types';
import { ProblemNote } from '../../ui/ProblemNote';
import { Select } from '../../ui/Select';
import { LANGUAGES, t, type Language } from '../../words/words';

interface OwnersLanguageProps {
  customer: number;
  /** null until somebody chose: English then. */
  language: Report['language'] | null;
}

/** What a customer's papers are written in; kept with the customer. */
export function OwnersLanguage({ customer, language }: OwnersLanguageProps) {
  const call = useCall(keys.customer(String(customer)), ['job']);
  return (
    <>
      <Select
        label={t('web.customer.owners-language.the-owner-reads')}
        labelAt="beside"
        value={(language ?? 'EN').toLowerCase() as Language}
        onChange={(chosen) =>
          call.mutate(() =>
            api.PUT('/api/customers/{id}/language', {
              params: { path: { id: customer } },
              body: { language: chosen.toUpperCase() as Report['language'] },
            }),
          )
        }
        options={(Object.keys(LANGUAGES) as Language[]).map((code) => [code, LANGUAGES[code].name])}
      />
      {call.isError && <ProblemNote error={call.error} />}
    </>
  );
}
