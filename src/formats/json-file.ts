import { bad, good, type Result } from "@/core/issue";
import { typeName } from "./job-file/shown";

/** A file that is JSON: read once, and where it is none said so in one way. A byte order mark is passed over. */

/** @param expected what the file should be */
export function parseJson(text: string, expected: string): Result<unknown> {
  try {
    return good(JSON.parse(text.replace(/^\uFEFF/, "")));
  } catch (error) {
    const reason = error instanceof Error ? error.message.replace(/\s+/g, " ").slice(0, 160) : "unreadable";
    return bad({ path: "", code: "not-json", received: reason, expected });
  }
}

/** As {@link parseJson}, of a file that is one object. @param what it is: "the season file" */
export function parseObject(text: string, expected: string, what: string): Result<object> {
  const file = parseJson(text, expected);
  if (!file.ok) return file;
  const { value } = file;
  return typeof value === "object" && value !== null && !Array.isArray(value)
    ? good(value)
    : bad({ path: "", code: "wrong-type", received: typeName(value), expected: `an object (${what})` });
}
