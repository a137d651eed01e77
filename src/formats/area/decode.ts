import { bad, good, type Issue, type Result } from "@/core/issue";

/** Bytes of one map file (ours): a season of walks has less, and more would keep a phone busy. */
export const MOST_BYTES = 16_000_000;

const kB = (bytes: number) => `${Math.ceil(bytes / 1000).toLocaleString("en-US")} kB`;

/** Why a file of so many bytes isn't taken; undefined where it is. */
export const sizeFault = (bytes: number): Issue | undefined =>
  bytes > MOST_BYTES ? { path: "", code: "too-big", received: kB(bytes), expected: kB(MOST_BYTES) } : undefined;

/** The encodings of files that other programs write, by their byte order mark. */
const MARKS: readonly (readonly [bytes: readonly number[], encoding: string])[] = [
  [[0xef, 0xbb, 0xbf], "utf-8"],
  [[0xff, 0xfe], "utf-16le"],
  [[0xfe, 0xff], "utf-16be"],
];

/**
 * The text of a file: by its byte order mark, by what an XML declaration says of it, else UTF-8.
 * What is none of these is told, not guessed at.
 */
export function textOf(bytes: Uint8Array): Result<string> {
  const large = sizeFault(bytes.length);
  if (large) return bad(large);
  const mark = MARKS.find(([of]) => of.every((byte, i) => bytes[i] === byte));
  const declared = /^\s*<\?xml[^>]*encoding=["']([\w-]+)["']/i.exec(String.fromCharCode(...bytes.subarray(0, 200)))?.[1];
  const encoding = mark?.[1] ?? (declared && !/^utf-?16/i.test(declared) ? declared : "utf-8");
  try {
    return good(new TextDecoder(encoding, { fatal: true }).decode(bytes));
  } catch {
    return bad({ path: "", code: "unreadable", received: `text that isn't ${encoding}`, expected: "save it as UTF-8" });
  }
}
