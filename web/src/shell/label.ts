const LABEL = /TKJ(\d{1,9})[\dX]$/i;

/** The code of one of the shop's labels at the end of a text, and the job that it is of. */
export function labelIn(text: string): { code: string; job: string } | null {
  const found = LABEL.exec(text);
  return found === null ? null : { code: found[0], job: `J-${found[1]}` };
}
