import { good, type Issue, type Result } from "@/core/issue";
import { parseJson } from "../json-file";
import { readChecked, type Job } from "./read-checked";
import { onlySpread, shapeFaults } from "./shapes";
import { readSpread, type SpreadJob } from "./spread";
import type { JobFile } from "./types";
import { fromVersion1, isVersion1, placedIn } from "./versions";

/** The text of a job file → a job, or one of granules alone; or every fault at once, each with its place. */
export function readAnyText(text: string): Result<Job | SpreadJob> {
  const file = parseJson(text, "a job file is one JSON object");
  return file.ok ? readAny(file.value) : file;
}

/** As {@link readAnyText}, of a file that was parsed. */
export const readAny = (file: unknown): Result<Job | SpreadJob> =>
  onlySpread(file) ? read(file as JobFile, shapeFaults(file, true), readSpread) : readJob(file);

/** The text of a job file with a rig → a job, or every fault at once, each with its place. */
export function readJobText(text: string): Result<Job> {
  const file = parseJson(text, "a job file is one JSON object");
  return file.ok ? readJob(file.value) : file;
}

/** A parsed job file → a job, or every fault at once: what one place alone makes wrong, and what two make together. */
export function readJob(file: unknown): Result<Job> {
  const shape = shapeFaults(file);
  if (typeof file !== "object" || file === null || Array.isArray(file)) return { ok: false, issues: shape };
  return read(file as JobFile, shape, readChecked);
}

/** Reads a file of either version. Faults of a file of version 1 are told at the places that they have there. */
function read<J>(file: JobFile, shape: readonly Issue[], as: (file: JobFile, shape: readonly Issue[]) => Result<J>): Result<J> {
  if (!isVersion1(file)) return as(file, shape);
  const made = as(fromVersion1(file) as JobFile, shape);
  if (made.ok) return good({ ...made.value, version1: true });
  const later = made.issues.filter((issue) => !shape.includes(issue));
  return { ok: false, issues: [...shape, ...placedIn(1, later)] };
}
