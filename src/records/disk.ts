/** What goes wrong between the records and the disk, in words: what it is, and what to do about it. */
export interface DiskFault {
  readonly reason: string;
  readonly todo: string;
}

/** The records can't be opened, or can't be written any more. */
export class RecordsFault extends Error {
  constructor(readonly fault: DiskFault) {
    super(`${fault.reason} ${fault.todo}`);
  }
}

const DAMAGED: DiskFault = {
  reason: "The file of the records is damaged.",
  todo: 'Stop the app and run "npm run restore": it lists the backups, and keeps the damaged file beside what it puts in its place.',
};
const READ_ONLY: DiskFault = {
  reason: "The folder of the records can't be written to.",
  todo: "Give this user the right to write there, or name another folder with CAREFUL_GAUGE_DATA.",
};
const FULL: DiskFault = {
  reason: "The disk is full.",
  todo: "Free some space there; nothing that was kept before is lost.",
};
const FAILING: DiskFault = {
  reason: "The disk doesn't answer as it should.",
  todo: "Copy the folder of the records to another disk, and start from there.",
};
const BUSY: DiskFault = {
  reason: "Another program is holding the records.",
  todo: "Try again in a moment; if it stays so, close what else has the file open.",
};

const BY_CODE: readonly (readonly [RegExp, DiskFault])[] = [
  [/^SQLITE_(NOTADB|CORRUPT)/, DAMAGED],
  [/^(SQLITE_FULL|SQLITE_IOERR_WRITE|ENOSPC|EDQUOT)/, FULL],
  [/^(SQLITE_READONLY|SQLITE_CANTOPEN|SQLITE_PERM|EACCES|EPERM|EROFS|ENOTDIR|EEXIST|EISDIR|ENOENT)/, READ_ONLY],
  [/^SQLITE_IOERR|^EIO/, FAILING],
  [/^SQLITE_(BUSY|LOCKED)/, BUSY],
];

interface Coded {
  readonly code?: unknown;
  readonly cause?: Coded;
}

/** What of an error is the disk's; undefined where it is something else. */
export function diskFaultOf(error: unknown): DiskFault | undefined {
  if (error instanceof RecordsFault) return error.fault;
  for (let one = error as Coded | null | undefined; typeof one === "object" && one !== null; one = one.cause) {
    const code = String(one.code ?? "");
    const found = BY_CODE.find(([pattern]) => pattern.test(code));
    if (found) return found[1];
  }
  return undefined;
}

export const damaged = (): RecordsFault => new RecordsFault(DAMAGED);
