import { bad, good, type Result } from "@/core/issue";
import { isToldFact } from "@/formats/facts";
import { issue, shown } from "./input";

/**
 * Of which lot each product was: `["L-4471", null]`, a text or null for each of the products, in their order.
 * @param count how many products there are
 */
export function readLots(told: unknown, count: number): Result<readonly (string | undefined)[]> {
  if (told === undefined) return good([]);
  if (!Array.isArray(told) || told.length !== count)
    return bad(issue("lots", "wrong-type", shown(told), `a lot or null for each of ${count} products`));
  const lots: readonly unknown[] = told;
  const issues = lots.flatMap((lot, i) =>
    lot === null || isToldFact("lot", lot)
      ? []
      : [issue(`lots[${i}]`, "not-a-choice", shown(lot), "as it stands on the package, 200 letters at most")],
  );
  return issues.length > 0 ? { ok: false, issues } : good(lots.map((lot) => (lot === null ? undefined : (lot as string).trim())));
}

/** The lot of a product beside what else was told of it. */
export const withLot = <T extends object>(facts: T, lot: string | undefined): T =>
  lot === undefined ? facts : { ...facts, lot };
