import { t } from '../../words/words';
/** Moves that have a view of their own: what it does there, and its address below the job's. */
const OF_MOVE: Record<string, readonly [view: string, words: string]> = {
  'volume-survey': ['rescue', t('web.job.instruments.the-probe-surveys-it-by-itself')],
  'rescue-copy': ['rescue', t('web.job.instruments.the-probe-copies-and-verifies-by')],
  'memory-test': ['memory', t('web.job.instruments.the-probe-marches-by-itself')],
  'memory-test-warm': ['memory', t('web.job.instruments.the-probe-marches-by-itself')],
  'memory-records': ['memory', t('web.job.instruments.the-probe-reads-them-by-itself')],
  'memory-labels': ['memory', t('web.job.instruments.the-probe-reads-them-by-itself')],
  'memory-one-module': ['memory', t('web.job.instruments.isolation-keeps-every-start-and-works')],
  'memory-other-slot': ['memory', t('web.job.instruments.isolation-keeps-every-start-and-works')],
  'battery-report': ['battery', t('web.job.instruments.the-probe-reads-it-by-itself')],
  'battery-discharge': ['battery', t('web.job.instruments.the-probe-runs-it-down-and')],
  'load-steps': ['battery', t('web.job.instruments.a-discharge-measures-it-on-the')],
  'charge-watch': ['battery', t('web.job.instruments.what-the-adapter-tells-stands-there')],
  'load-sample': ['work', t('web.job.instruments.the-probe-samples-it-by-itself')],
  'memory-in-use': ['work', t('web.job.instruments.the-probe-samples-it-by-itself')],
  'latency-sample': ['work', t('web.job.instruments.the-probe-samples-it-by-itself')],
  'plug-back': ['isolate/outside', t('web.job.instruments.isolation-works-out-what-to-plug')],
  'start-up-halves': ['isolate/start-up', t('web.job.instruments.isolation-works-out-the-halves')],
  'services-halves': ['isolate/services', t('web.job.instruments.isolation-works-out-the-halves')],
  'remove-last-update': ['isolate/updates', t('web.job.instruments.isolation-works-out-which-one')],
  'cable-other': ['isolate/chain', t('web.job.instruments.isolation-tells-drive-cable-and-port')],
  'port-other': ['isolate/chain', t('web.job.instruments.isolation-tells-drive-cable-and-port')],
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
