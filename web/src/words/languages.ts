import { LANGUAGES, speakIn, spoken, stretch, type Language } from './words';

type Messages = Readonly<Record<string, string>>;

/** Each language is a file of its own, fetched when it is chosen. */
const FILES: Record<Language, () => Promise<{ default: Messages }>> = {
  en: () => import('../../../words/src/main/resources/tekmerion/words/en.json'),
  nb: () => import('../../../words/src/main/resources/tekmerion/words/nb.json'),
};

/** What was chosen last on this screen: the sign-in page speaks it too. */
const KEPT = 'language';

/** Set by tests: all words are 40 % longer, so that what is clipped shows. */
const STRETCHED = 'stretched';

const isStretched = () => localStorage.getItem(STRETCHED) !== null;

const isLanguage = (code: string | null): code is Language => code !== null && code in LANGUAGES;

/** Norwegian of any sort is read by who asks for Bokmål. */
const SAME: Record<string, Language> = { no: 'nb', nn: 'nb' };

function wanted(): Language {
  const kept = localStorage.getItem(KEPT);
  if (isLanguage(kept)) return kept;
  const asked = navigator.languages.map((tag) => tag.split('-')[0] ?? '');
  return asked.map((code) => SAME[code] ?? code).find(isLanguage) ?? 'en';
}

/** Before anything is drawn: words are put in where they stand, once. */
export async function speakAsWanted(): Promise<void> {
  if (isStretched()) {
    const [{ default: english }, { stretched }] = await Promise.all([
      FILES.en(),
      import('./stretched'),
    ]);
    stretch(english, stretched);
    return;
  }
  const language = wanted();
  const file = await FILES[language]();
  speakIn(language, file.default);
  document.documentElement.lang = language;
}

/** Another language from now on: the page is drawn anew. */
export function changeTo(language: string | null): void {
  if (isStretched() || !isLanguage(language) || language === spoken()) return;
  localStorage.setItem(KEPT, language);
  location.reload();
}
