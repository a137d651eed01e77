import { readFileSync } from "node:fs";
import { bad, cutIssue, good, type Issue, type Result } from "@/core/issue";
import type { Choices, Imported } from "@/formats/import";
import type { Records } from "@/records/database";
import { ChangedMeanwhile, copyRecords, rowFinder, stagedRows, takeOver } from "@/records/staging";
import { importAll } from "../all-records";
import { changesOf } from "../import-changes";
import { importCards } from "../import-cards";
import { importJob } from "../import-job";
import { importLog } from "../import-log";
import { importSiteTable } from "../import-site-table";
import { issue } from "../input";
import type { Progress } from "../progress";

/** The kinds of file that can be brought in, with the most bytes that each may have (ours). */
export const FILES = {
  job: { most: 4_000_000, take: importJob },
  cards: { most: 4_000_000, take: importCards },
  log: { most: 16_000_000, take: importLog },
  sites: { most: 8_000_000, take: importSiteTable },
  records: { most: 256_000_000, take: importAll },
} as const satisfies Record<
  string,
  { most: number; take: (db: Records, text: string, choices?: Choices, progress?: Progress, said?: Choices) => Result<Imported> }
>;
export type FileKind = keyof typeof FILES;

/** The most bytes of what may come: of the files, and of a whole file of records, which is moved in by itself. */
export const MOST_BYTES = {
  job: FILES.job.most,
  cards: FILES.cards.most,
  log: FILES.log.most,
  sites: FILES.sites.most,
  records: FILES.records.most,
  move: 2_000_000_000,
} as const satisfies Record<FileKind | "move", number>;
export type ComingKind = keyof typeof MOST_BYTES;
export const isComing = (kind: unknown): kind is ComingKind => typeof kind === "string" && Object.hasOwn(MOST_BYTES, kind);

/** So many faults are told of one file: the rest is seen once these are mended. */
export const MOST_FAULTS = 100;

export const firstFaults = (issues: readonly Issue[]): readonly Issue[] =>
  issues.length <= MOST_FAULTS
    ? issues.map(cutIssue)
    : [
        ...issues.slice(0, MOST_FAULTS).map(cutIssue),
        issue(
          "",
          "too-many",
          `${(issues.length - MOST_FAULTS).toLocaleString("en-US")} more faults like these`,
          String(MOST_FAULTS),
        ),
      ];

/**
 * Brings a file in, in a process of its own: worked through on a copy of the records, taken over all at once.
 * @param choices what a person chose; left out for a look beforehand, which keeps nothing
 * @param said of a look: what was said so far of how the file is to be read
 * @param tmp an empty folder that whoever started this clears away
 */
export function importFile(
  {
    folder,
    tmp,
    kind,
    file,
    choices,
    said,
  }: {
    readonly folder: string;
    readonly tmp: string;
    readonly kind: FileKind;
    readonly file: string;
    readonly choices?: Choices;
    readonly said?: Choices;
  },
  progress: Progress,
): Result<Imported> {
  const bytes = readFileSync(file);
  let text: string;
  try {
    text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return bad(issue("", "not-possible", "this is no text in UTF-8", "save it as UTF-8 text"));
  }
  const copies = copyRecords(folder, tmp);
  let result: Result<Imported>;
  try {
    result = FILES[kind].take(copies.db, text, choices, progress, choices ?? said);
    if (result.ok && choices === undefined)
      result = good({ ...result.value, changes: changesOf(stagedRows(copies), rowFinder(copies.db)) });
  } finally {
    copies.db.$client.close();
  }
  if (!result.ok) return { ok: false, issues: firstFaults(result.issues) };
  if (choices === undefined) return result;
  try {
    takeOver(folder, copies);
    return result;
  } catch (error) {
    if (!(error instanceof ChangedMeanwhile)) throw error;
    return bad(issue("", "busy", "the records were changed meanwhile", "nothing of the file was kept: bring it in again"));
  }
}
