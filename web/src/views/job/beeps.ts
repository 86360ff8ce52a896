/** One beep as it was tapped [ms]. */
export interface Beep {
  down: number;
  up: number;
}

/** Longer than this a beep is long, whatever the others are. */
const LONG_MS = 450;

/** After a pause of so long a new group begins. */
const PAUSE_MS = 900;

/**
 * How it reads: "1 long, 2 short", groups apart by a semicolon. Beeps that are all alike are short,
 * unless they are long by themselves.
 */
export function patternOf(beeps: readonly Beep[]): string {
  const groups: Beep[][] = [];
  for (const beep of beeps) {
    const group = groups[groups.length - 1];
    const last = group?.[group.length - 1];
    if (group === undefined || last === undefined || beep.down - last.up > PAUSE_MS) {
      groups.push([beep]);
    } else {
      group.push(beep);
    }
  }
  return groups.map(groupWords).join('; ');
}

function groupWords(group: readonly Beep[]): string {
  const words: string[] = [];
  let count = 0;
  group.forEach((beep, i) => {
    const long = isLong(beep);
    const next = group[i + 1];
    count++;
    if (next === undefined || isLong(next) !== long) {
      words.push(`${count} ${long ? 'long' : 'short'}`);
      count = 0;
    }
  });
  return words.join(', ');
}

const isLong = (beep: Beep) => beep.up - beep.down >= LONG_MS;
