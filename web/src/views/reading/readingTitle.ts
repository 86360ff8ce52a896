import type { Reading } from '../../api/types';
import { count } from '../../ui/format';

/** Attributes whose count speaks of lost or moved sectors, gravest first. */
const TELLING: [number, string][] = [
  [197, 'sectors are pending'],
  [198, 'sectors are uncorrectable'],
  [5, 'sectors were reallocated'],
  [199, 'link errors were counted'],
];

/** The reading in a sentence. */
export function readingTitle(reading: Reading): string {
  const damaged = reading.pages.find((page) => page.damage !== null);
  if (damaged?.damage != null) return `${damaged.damage.what}: it cannot be trusted`;
  const missing = reading.pages.find((page) => page.outcome === 'COULD_NOT_RUN');
  if (missing !== undefined) return `${missing.standardName} could not be read`;
  const failing = reading.attributes.find((a) => a.state === 'FAILS_NOW');
  if (failing !== undefined)
    return `${failing.name ?? `Attribute ${failing.id}`} is past its limit`;
  for (const [id, words] of TELLING) {
    const value = reading.attributes.find((a) => a.id === id)?.meaning?.value ?? 0;
    if (value > 0) {
      const test = reading.smart?.selfTestFailed === true ? ', and its last self-test failed' : '';
      return `${count(value)} ${words}${test}`;
    }
  }
  if (reading.smart?.selfTestFailed === true) return 'Its last self-test failed';
  return reading.attributes.length === 0
    ? 'The drive reports nothing about its health'
    : 'The drive reports no trouble with its sectors';
}
