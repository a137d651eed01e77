import { bad, type Issue, type Result } from "@/core/issue";
import { shown } from "@/formats/job-file/shown";

export { A_MOMENT, isMoment, nowText } from "./clock";
export { shown };

/** What services share in reading requests. */

/** Ids are made where a record is begun, so that a save whose answer got lost can be sent again without doubling. */
export const isId = (value: unknown): value is string => typeof value === "string" && /^[\w-]{10,64}$/.test(value);

/** The id of something on record: of a sheet's entries in the log it has points. */
export const isRecordId = (value: unknown): value is string => typeof value === "string" && /^[\w.-]{10,90}$/.test(value);

export const issue = (path: string, code: Issue["code"], received: string, expected: string): Issue => ({
  path,
  code,
  received,
  expected,
});

export function readId(input: unknown): Result<string> {
  const id = (input as { id?: unknown } | null | undefined)?.id;
  return isId(id)
    ? { ok: true, value: id }
    : bad(issue("id", "wrong-type", "no id", "an id of 10 to 64 letters, digits, - or _"));
}

/** A text that somebody gives as a reason: some words, not a book. */
export const isReason = (value: unknown): value is string =>
  typeof value === "string" && value.trim().length >= 3 && value.length <= 300;
