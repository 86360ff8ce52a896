/** Moves that have a view of their own: what it does there, and its address below the job's. */
const OF_MOVE: Record<string, readonly [view: string, words: string]> = {
  'volume-survey': ['rescue', 'The probe surveys it by itself'],
  'rescue-copy': ['rescue', 'The probe copies and verifies by itself'],
  'memory-test': ['memory', 'The probe marches by itself'],
  'memory-test-warm': ['memory', 'The probe marches by itself'],
  'memory-records': ['memory', 'The probe reads them by itself'],
  'memory-labels': ['memory', 'The probe reads them by itself'],
  'memory-one-module': ['memory', 'Isolation keeps every start and works out the next'],
  'memory-other-slot': ['memory', 'Isolation keeps every start and works out the next'],
  'battery-report': ['battery', 'The probe reads it by itself'],
  'battery-discharge': ['battery', 'The probe runs it down and measures'],
  'load-steps': ['battery', 'A discharge measures it on the way'],
  'charge-watch': ['battery', 'What the adapter tells stands there'],
  'load-sample': ['work', 'The probe samples it by itself'],
  'memory-in-use': ['work', 'The probe samples it by itself'],
  'latency-sample': ['work', 'The probe samples it by itself'],
  'plug-back': ['isolate/outside', 'Isolation works out what to plug back next'],
  'start-up-halves': ['isolate/start-up', 'Isolation works out the halves'],
  'services-halves': ['isolate/services', 'Isolation works out the halves'],
  'remove-last-update': ['isolate/updates', 'Isolation works out which one'],
  'cable-other': ['isolate/chain', 'Isolation tells drive, cable and port apart'],
  'port-other': ['isolate/chain', 'Isolation tells drive, cable and port apart'],
};

/** Null if a move has none. */
export function instrumentOf(move: string | null, part: string, job: string) {
  const found = move === null ? undefined : OF_MOVE[move];
  if (found === undefined) return null;
  const [view, ...more] = found[0].split('/');
  const below = view === 'rescue' ? [part] : more;
  return { to: ['', view, job, ...below].join('/'), words: found[1] };
}

/** Where a finding of the whole machine was made: by the beginning of its finding's id. */
const OF_FINDING: readonly (readonly [begins: string, view: string])[] = [
  ['march.', 'memory'],
  ['modules.', 'memory'],
  ['memory.corrected', 'memory'],
  ['isolation.memory', 'memory'],
  ['battery.', 'battery'],
  ['discharge.', 'battery'],
  ['charge.', 'battery'],
  ['adapter.', 'battery'],
  ['busy', 'work'],
  ['load.', 'work'],
  ['latency.', 'work'],
  ['memory.pressure', 'work'],
];

/** Null if a finding was found nowhere but on a drive or by a person. */
export function foundAt(finding: string, job: string): string | null {
  const view = OF_FINDING.find(([begins]) => finding.startsWith(begins))?.[1];
  return view === undefined ? null : `/${view}/${job}`;
}
