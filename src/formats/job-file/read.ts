import { bad, type Result } from "@/core/contents";
import { readChecked, type Job } from "./read-checked";
import { shapeFaults } from "./shapes";
import type { JobFile } from "./types";

/** The text of a job file → a job, or every fault at once, each with its place. */
export function readJobText(text: string): Result<Job> {
  let file: unknown;
  try {
    file = JSON.parse(text.replace(/^\uFEFF/, ""));
  } catch (error) {
    const reason = error instanceof Error ? error.message.replace(/\s+/g, " ") : "unreadable";
    return bad({ path: "", code: "not-json", received: reason, expected: "a job file is one JSON object" });
  }
  return readJob(file);
}

/** A parsed job file → a job, or every fault at once: what one place alone makes wrong, and what two make together. */
export function readJob(file: unknown): Result<Job> {
  const shape = shapeFaults(file);
  if (typeof file !== "object" || file === null || Array.isArray(file)) return { ok: false, issues: shape };
  return readChecked(file as JobFile, shape);
}
