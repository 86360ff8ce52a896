/** Some bytes of a page. */
export interface Range {
  offset: number;
  length: number;
}

export const sameRange = (a: Range | null, b: Range) =>
  a !== null && a.offset === b.offset && a.length === b.length;

export const rangeWords = (range: Range) =>
  range.length === 1
    ? `byte ${range.offset}`
    : `bytes ${range.offset} to ${range.offset + range.length - 1}`;
