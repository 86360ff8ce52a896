import { api } from '../api/client';
import { useCall } from '../api/queries';
import type { Person } from '../api/types';
import { Select } from '../ui/Select';
import { changeTo } from '../words/languages';
import { LANGUAGES, spoken, t, type Language } from '../words/words';

type Chosen = NonNullable<Person['language']>;

/** Which language the screen speaks; of who is signed in it is kept, and follows them. */
export function LanguageChoice({ isSignedIn }: { isSignedIn: boolean }) {
  const call = useCall();
  const choose = (language: string) => {
    if (!isSignedIn) {
      changeTo(language);
      return;
    }
    const kept = language.toUpperCase() as Chosen;
    call.mutate(() => api.PUT('/api/me/language', { body: { language: kept } }), {
      onSuccess: () => changeTo(language),
    });
  };
  return (
    <Select
      label={t('web.shell.language-choice.language')}
      value={spoken()}
      onChange={choose}
      options={(Object.keys(LANGUAGES) as Language[]).map((code) => [code, LANGUAGES[code].name])}
    />
  );
}
