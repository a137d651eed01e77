import { bad, good, type Result } from "@/core/issue";
import { SLIP_CODES, type SlipCode } from "@/core/slips/slip";
import { dismissalsOf, type Dismissal } from "@/records/applications";
import type { Access } from "@/records/database";
import { issue } from "./input";

/** Reads the slips that a person was asked about and meant: `{ dismissed: [{ field, slip, typed, reason }] }`. */
export function readDismissed(input: unknown): Result<readonly Dismissal[]> {
  const list = (input as { dismissed?: unknown } | null)?.dismissed ?? [];
  const text = (value: unknown, most: number) => typeof value === "string" && value.trim() !== "" && value.length <= most;
  const sound =
    Array.isArray(list) &&
    list.length <= 50 &&
    list.every(
      (d: Record<string, unknown> | null) =>
        d && text(d.field, 120) && text(d.typed, 120) && text(d.reason, 300) && SLIP_CODES.includes(d.slip as SlipCode),
    );
  if (!sound)
    return bad(issue("dismissed", "wrong-type", "something else", "what was asked about, with the reason it was meant"));
  return good((list as Dismissal[]).map(({ field, slip, typed, reason }) => ({ field, slip, typed, reason })));
}

/** What was meant of each of some records, in words, though it looked like a slip. */
export function meantOf(db: Access, recordIds: readonly string[]): (recordId: string) => string[] {
  const all = dismissalsOf(db, recordIds);
  return (recordId) => all.filter((d) => d.recordId === recordId).map((d) => `${d.typed}: ${d.reason}`);
}
