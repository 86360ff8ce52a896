import type { FolderNote } from '../../api/types';

/** Whether a folder lies in one that is chosen; it then goes with it. */
export const isBelow = (path: string, chosen: ReadonlySet<string>) =>
  [...chosen].some((c) => c !== '' && path.startsWith(`${c}/`));

/** What is proposed, without what lies in it anyhow. */
export function proposed(folders: readonly FolderNote[]): Set<string> {
  const all = new Set(folders.filter((f) => f.proposed).map((f) => f.path));
  return new Set([...all].filter((path) => !isBelow(path, all)));
}

/** Files and bytes of what is chosen, each counted once. */
export function sum(folders: readonly FolderNote[], chosen: ReadonlySet<string>) {
  return folders
    .filter((f) => chosen.has(f.path) && !isBelow(f.path, chosen))
    .reduce((s, f) => ({ files: s.files + f.files, bytes: s.bytes + f.bytes }), {
      files: 0,
      bytes: 0,
    });
}
