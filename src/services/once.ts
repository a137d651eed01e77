import { createHash } from "node:crypto";
import { bad, type Result } from "@/core/issue";
import type { Access } from "@/records/database";
import { noteSaved, savedDigest } from "@/records/saved";
import { issue, nowText } from "./input";

/** JSON with its keys in order: the same content is the same text, whoever wrote it. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (typeof value !== "object" || value === null) return JSON.stringify(value) ?? "null";
  const entries = Object.entries(value).filter(([, v]) => v !== undefined);
  return `{${entries
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, v]) => `${JSON.stringify(key)}:${canonical(v)}`)
    .join(",")}}`;
}

/**
 * Keeps what can be kept once. Sent again with the same content under the same id (an answer got lost), it is answered as
 * before; with other content it is a conflict: what stands is not what was sent, and nobody is told otherwise.
 * @param there whether a record has this id already · @param again the answer where it is the same · @param keep keeps it
 */
export function once<T>(
  tx: Access,
  kind: string,
  id: string,
  content: unknown,
  there: boolean,
  again: () => T,
  keep: () => Result<T>,
): Result<T> {
  const digest = createHash("sha256").update(canonical(content)).digest("base64url");
  const before = savedDigest(tx, kind, id);
  if (before === digest) return { ok: true, value: again() };
  if (before !== undefined || there)
    return bad(
      issue(
        "id",
        "kept-otherwise",
        "something else was kept under this before",
        "what stands on record was left as it is: look at it, and save this as a new one",
      ),
    );
  const kept = keep();
  if (kept.ok) noteSaved(tx, kind, id, digest, nowText());
  return kept;
}
