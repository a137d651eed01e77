import { bad, type Issue, type Result } from "@/core/contents";

/** What services share in reading requests. */

/** Ids are made where a record is begun, so that a save whose answer got lost can be sent again without doubling. */
export const isId = (value: unknown): value is string => typeof value === "string" && /^[\w-]{10,64}$/.test(value);

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

export const nowText = () => new Date().toISOString();

/** A moment as ISO 8601 in UTC; not in the future by more than a day (clocks differ), not before 1990. */
export function isMoment(value: unknown): value is string {
  if (typeof value !== "string" || !/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,3})?Z$/.test(value)) return false;
  const at = Date.parse(value);
  return at > Date.parse("1990-01-01") && at < Date.now() + 86_400_000;
}
