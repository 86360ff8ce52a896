import { t } from '../../words/words';
import type { Reading } from '../../api/types';
import { count } from '../../ui/format';

/** Attributes whose count speaks of lost or moved sectors, gravest first. */
const TELLING: [number, string][] = [
  [197, t('web.reading.reading-title.sectors-are-pending')],
  [198, t('web.reading.reading-title.sectors-are-uncorrectable')],
  [5, t('web.reading.reading-title.sectors-were-reallocated')],
  [199, t('web.reading.reading-title.link-errors-were-counted')],
];

/** The reading in a sentence. */
export function readingTitle(reading: Reading): string {
  const damaged = reading.pages.find((page) => page.damage !== null);
  if (damaged?.damage != null)
    return t('web.reading.reading-title.it-cannot-be-trusted', { what: damaged.damage.what });
  const missing = reading.pages.find((page) => page.outcome === 'COULD_NOT_RUN');
  if (missing !== undefined)
    return t('web.reading.reading-title.could-not-be-read', { standardName: missing.standardName });
  const failing = reading.attributes.find((a) => a.state === 'FAILS_NOW');
  if (failing !== undefined)
    return t('web.reading.reading-title.is-past-its-limit', {
      value: failing.name ?? t('web.reading.reading-title.attribute', { id: failing.id }),
    });
  for (const [id, words] of TELLING) {
    const value = reading.attributes.find((a) => a.id === id)?.meaning?.value ?? 0;
    if (value > 0) {
      const test =
        reading.smart?.selfTestFailed === true
          ? t('web.reading.reading-title.and-its-last-self-test-failed')
          : '';
      return `${count(value)} ${words}${test}`;
    }
  }
  if (reading.smart?.selfTestFailed === true)
    return t('web.reading.reading-title.its-last-self-test-failed');
  return reading.attributes.length === 0
    ? t('web.reading.reading-title.the-drive-reports-nothing-about-its')
    : t('web.reading.reading-title.the-drive-reports-no-trouble-with');
}
