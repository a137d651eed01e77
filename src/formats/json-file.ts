import { bad, good, type Result } from "@/core/issue";
import { typeName } from "./job-file/shown";

/** A file that is JSON: read once, and where it is none said so in one way. A byte order mark is passed over. */

/** @param expected what the file should be */
export function parseJson(text: string, expected: string): Result<unknown> {
  try {
    const value: unknown = JSON.parse(text.replace(/^\uFEFF/, ""));
    return hasHalf(text, value) ? bad({ path: "", code: "half-character", received: "", expected: "" }) : good(value);
  } catch (error) {
    const reason = error instanceof Error ? error.message.replace(/\s+/g, " ").slice(0, 160) : "unreadable";
    return bad({ path: "", code: "not-json", received: reason, expected });
  }
}

/** A half of a character that takes two, written as an escape: a pair may be written so, too. */
const ESCAPED = /\\u[dD][89a-fA-F]/;
/** The same where the text was written anew: a pair is written as it is then, and only what is alone is escaped. */
const ALONE = /(?<!\\)(?:\\\\)*\\ud[89a-f][0-9a-f]{2}/;

/** Whether a value has half of a character, which no text can keep: what was read is looked at only where the text can have any. */
export const hasHalf = (text: string, value: unknown): boolean => ESCAPED.test(text) && ALONE.test(JSON.stringify(value));

/** As {@link parseJson}, of a file that is one object. @param what it is: "the season file" */
export function parseObject(text: string, expected: string, what: string): Result<object> {
  const file = parseJson(text, expected);
  if (!file.ok) return file;
  const { value } = file;
  return typeof value === "object" && value !== null && !Array.isArray(value)
    ? good(value)
    : bad({ path: "", code: "wrong-type", received: typeName(value), expected: `an object (${what})` });
}
