/** Why the program cannot go on, in a sentence for the person who started it, with what to do. */
export class CannotStart extends Error {}

/** What to do about a fault of the system or of the database, as a sentence; nothing where it is something else. */
export function startFault(error: unknown, where: string): string | undefined {
  if (error instanceof CannotStart) return error.message;
  const { code: told } = error as { code?: unknown };
  const code = typeof told === 'string' ? told : '';
  const known = FAULTS.find(({ codes }) => codes.some((start) => code.startsWith(start)));
  return known && `${known.words(where)} (${code})`;
}

const FAULTS: readonly { readonly codes: readonly string[]; readonly words: (where: string) => string }[] = [
  {
    codes: ['ENOSPC', 'SQLITE_FULL'],
    words: (where) => `The disk with ${where} is full. Make room, then start again; nothing that was kept is lost.`,
  },
  {
    codes: ['EACCES', 'EPERM', 'EROFS', 'SQLITE_READONLY', 'SQLITE_CANTOPEN', 'SQLITE_IOERR_DELETE'],
    words: (where) => `Joy Lap may not write to ${where}. Let it, or set JOYLAP_DATA to a folder where it may.`,
  },
  {
    codes: ['ENOTDIR', 'EEXIST'],
    words: (where) => `${where} is no folder. Set JOYLAP_DATA to a folder.`,
  },
  {
    codes: ['SQLITE_NOTADB'],
    words: (where) => `${where} is no database of Joy Lap. Restore a backup: ./joylap restore FILE.`,
  },
  {
    codes: ['SQLITE_CORRUPT'],
    words: (where) => `The database ${where} is damaged. Restore a backup: ./joylap restore FILE.`,
  },
  {
    codes: ['SQLITE_IOERR'],
    words: (where) => `The disk with ${where} cannot be read or written. Look at the disk, then start again.`,
  },
];
