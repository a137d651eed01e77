import { foldedName, sameName } from "../names";
import type { Slip } from "./slip";

/** How many letters one text is from another: put in, left out or changed (Levenshtein's distance). */
export function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++)
      next.push(Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)));
    row = next;
  }
  return row[b.length]!;
}

/**
 * A name that is a letter or two from one that is known: an active under two names would have two budgets.
 * @param known the names on record
 */
export function slipsOfName(typed: string, known: readonly string[]): Slip[] {
  const name = typed.trim();
  if (name.length < 4 || known.some((k) => sameName(k, name))) return [];
  return known
    .filter((k) => distance(foldedName(k), foldedName(name)) <= 2)
    .map((k) => ({
      code: "other-name",
      says: `${k} is on record: under another name its limit would be counted apart`,
      corrected: k,
    }));
}
