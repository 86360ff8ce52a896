import { check, maxLength, minLength, pipe, regex, string, transform, trim } from 'valibot';
import { t } from '../../words/words';
import { fixed } from '../format';

/** Something must be said. */
export const said = (most: number) =>
  pipe(
    string(),
    trim(),
    minLength(1, () => t('web.ui.form.rules.is-needed')),
    maxLength(most, () => t('web.ui.form.rules.too-long', { most: fixed(most, 0) })),
  );

/** May be left empty; that is null then. */
export const perhaps = (most: number) =>
  pipe(
    string(),
    trim(),
    maxLength(most, () => t('web.ui.form.rules.too-long', { most: fixed(most, 0) })),
    transform((text) => (text === '' ? null : text)),
  );

/** A new password. */
export const password = () =>
  pipe(
    string(),
    minLength(10, () => t('web.ui.form.rules.at-least-10-characters')),
  );

/** Typed as it is: a password that is known already. */
export const asTyped = () =>
  pipe(
    string(),
    minLength(1, () => t('web.ui.form.rules.is-needed')),
  );

export const pin = () =>
  pipe(
    string(),
    regex(/^\d{4,8}$/, () => t('web.ui.form.rules.4-to-8-digits')),
  );

/** An address of electronic mail, or nothing: the server looks closer. */
export const perhapsMail = () =>
  pipe(
    string(),
    trim(),
    check(
      (text) => text === '' || /^\S+@\S+$/.test(text),
      () => t('web.ui.form.rules.such-as-name-at'),
    ),
    transform((text) => (text === '' ? null : text)),
  );

/** A number of 0 or more, with a point or a comma. */
export const amount = () =>
  pipe(
    string(),
    trim(),
    check(isAmount, () => t('web.ui.form.rules.a-number-of-0-or-more')),
    transform(numberOf),
  );

/** The same, or nothing: that is null then. */
export const perhapsAmount = () =>
  pipe(
    string(),
    trim(),
    check(
      (text) => text === '' || isAmount(text),
      () => t('web.ui.form.rules.a-number-of-0-or-more'),
    ),
    transform((text) => (text === '' ? null : numberOf(text))),
  );

/** A number of 100 as a share of 1. */
export const shareOfHundred = () =>
  pipe(
    string(),
    trim(),
    check(
      (text) => isAmount(text) && numberOf(text) <= 100,
      () => t('web.ui.form.rules.a-number-from-0-to-100'),
    ),
    transform((text) => numberOf(text) / 100),
  );

/** A whole number of minutes, up to five digits. */
export const minutes = () =>
  pipe(
    string(),
    trim(),
    regex(/^\d{1,5}$/, () => t('web.ui.form.rules.a-whole-number-of-minutes')),
    transform(Number),
  );

/** Lines that have something in them. */
export const lines = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** A thing a line, so many at least. */
export const lineList = (least: number) =>
  pipe(
    string(),
    transform(lines),
    minLength(least, () => t('web.ui.form.rules.lines-at-least', { least })),
  );

export const numberOf = (text: string) => Number(text.trim().replace(',', '.'));

export const isAmount = (text: string) =>
  text.trim() !== '' && Number.isFinite(numberOf(text)) && numberOf(text) >= 0;
