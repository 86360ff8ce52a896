/**
 * What a button still waits for.
 *
 * @param needs whether each is there, and its name as it stands in a sentence: "a name"
 */
export const missing = (...needs: readonly (readonly [has: boolean, name: string])[]) =>
  needs.filter(([has]) => !has).map(([, name]) => name);
