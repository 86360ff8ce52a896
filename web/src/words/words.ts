import IntlMessageFormat from 'intl-messageformat';
import { createElement, Fragment, type ReactNode } from 'react';
import type english from '../../../words/src/main/resources/tekmerion/words/en.json';

/** What can be said: each key has a message in every language. */
export type Key = keyof typeof english;

/** Languages that there are, with the locale that dates, numbers and money follow. */
export const LANGUAGES = {
  en: { name: 'English', locale: 'en-GB' },
  nb: { name: 'Norsk bokmål', locale: 'nb-NO' },
} as const;

export type Language = keyof typeof LANGUAGES;

type Value = string | number | boolean;
type Wrap = (words: ReactNode) => ReactNode;

let messages: Readonly<Record<string, string>> = {};
let language: Language = 'en';
let asked: string = language;
let made = new Map<string, IntlMessageFormat>();

/** From now on all is said in this language. What is on the screen already stays. */
export function speakIn(next: Language, all: Readonly<Record<string, string>>): void {
  messages = all;
  language = next;
  asked = next;
  made = new Map();
}

/** English for tests, each message made longer: see stretched.ts. */
export function stretch(
  all: Readonly<Record<string, string>>,
  longer: (message: string) => string,
): void {
  speakIn('en', Object.fromEntries(Object.entries(all).map(([key, m]) => [key, longer(m)])));
  asked = 'en-XA';
}

export const spoken = (): Language => language;

/** What the server is asked to speak. */
export const askedOfServer = (): string => asked;

/** For dates, numbers and money. */
export const locale = (): string => LANGUAGES[language].locale;

/** A message with its arguments, as text. */
export function t(key: Key, values: Record<string, Value> = {}): string {
  return String(format(key).format(values as Record<string, string | number>));
}

const PLAIN: Record<string, Wrap> = Object.fromEntries(
  ['b', 'i', 'small', 'em', 'strong'].map((tag) => [
    tag,
    (words: ReactNode) => createElement(tag, null, words),
  ]),
);

/** A message whose arguments are elements, or whose words stand in elements. */
export function say(key: Key, values: Record<string, ReactNode | Wrap> = {}): ReactNode {
  const parts = format(key).format<ReactNode>({ ...PLAIN, ...wrapped(values) } as never);
  return Array.isArray(parts) ? createElement(Fragment, null, ...(parts as ReactNode[])) : parts;
}

/** What stands between two tags is handed over in pieces: they become one. */
function wrapped(values: Record<string, ReactNode | Wrap>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(values).map(([name, value]) => [
      name,
      typeof value === 'function'
        ? (pieces: ReactNode[]) => value(createElement(Fragment, null, ...pieces))
        : value,
    ]),
  );
}

function format(key: string): IntlMessageFormat {
  const known = made.get(key);
  if (known !== undefined) return known;
  const next = new IntlMessageFormat(messages[key] ?? key, locale());
  made.set(key, next);
  return next;
}
