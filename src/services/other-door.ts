import { closeSync, openSync, readSync } from "node:fs";
import type { Issue } from "@/core/issue";
import { issue } from "./input";

/** Where each kind of file is brought in, as the screens call it. */
const DOORS = {
  move: "Settings, The records as a whole, Move a firm here",
  records: "Settings, The records as a whole, Bring all records in",
  job: "Settings, Bring in a job file",
  cards: "Labels",
  sites: "Sites, Bring zones from a map or a walk",
  log: "Log",
} as const;
type Door = keyof typeof DOORS;

/** What a file says that it is, by how it begins. */
const FORMATS: Readonly<Record<string, Door>> = {
  "careful-gauge-records": "records",
  "careful-gauge-job": "job",
  "careful-gauge-cards": "cards",
  "careful-gauge-site": "sites",
};
const NAMES: Readonly<Record<Door, string>> = {
  move: "a whole copy of the records",
  records: "all records as JSON",
  job: "a job file",
  cards: "a file of labels",
  sites: "a site file",
  log: "a log",
};

const BEGINS = 4096;

/** Where a file belongs that was brought to the wrong door; undefined where it is at the right one, or nothing says which it is. */
export function otherDoor(at: string, file: string): Issue | undefined {
  const head = Buffer.alloc(BEGINS);
  const handle = openSync(file, "r");
  const length = readSync(handle, head, 0, BEGINS, 0);
  closeSync(handle);
  const begin = head.subarray(0, length).toString("latin1");
  const format = /^[^a-z]*"format"\s*:\s*"([a-z-]{1,40})"/.exec(begin)?.[1];
  const door = begin.startsWith("SQLite format 3\0") ? "move" : format === undefined ? undefined : FORMATS[format];
  if (door === undefined || door === at) return undefined;
  return issue("", "not-possible", `this is ${NAMES[door]}`, `bring it in at ${DOORS[door]}`);
}
