import { t } from '../../words/words';
/** Some bytes of a page. */
export interface Range {
  offset: number;
  length: number;
}

export const sameRange = (a: Range | null, b: Range) =>
  a !== null && a.offset === b.offset && a.length === b.length;

export const rangeWords = (range: Range) =>
  range.length === 1
    ? t('web.reading.range.byte', { offset: range.offset })
    : t('web.reading.range.bytes-to', {
        offset: range.offset,
        length: range.offset + range.length - 1,
      });
