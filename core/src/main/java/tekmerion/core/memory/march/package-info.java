/**
 * March tests of memory: the algorithms as data, one engine that runs them on any region, and what
 * kind of fault the mismatches speak of. Way in: {@link tekmerion.core.memory.march.MarchRun}.
 * Knows nothing of where the memory is.
 */
package tekmerion.core.memory.march;
