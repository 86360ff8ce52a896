import type { Memory } from '../../api/types';

const of = (kind: string) => (memory: Memory) =>
  memory.isolation.things.filter((thing) => thing.kind === kind).map((thing) => thing.name);

/** Names of the modules, in their order; empty until somebody said what there is. */
export const modulesOf = of('module');

/** Names of the slots, in their order. */
export const slotsOf = of('slot');
