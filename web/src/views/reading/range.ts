/** Some bytes of a page. */
export interface Range {
  offset: number;
  length: number;
}

export const sameRange = (a: Range | null, b: Range) =>
  a !== null && a.offset === b.offset && a.length === b.length;
