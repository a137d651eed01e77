import { parseQuantity } from "@/core/quantity/parse";

/** What was done when a tank was rinsed, beside that it was. */
export interface CleanOut {
  /** How much water each of the three times: "1 qt". */
  readonly water?: string;
  /** Where the rinsate went: onto ground that its label allows, into the next like mix. */
  readonly rinsate?: string;
  /** Containers were rinsed three times and punctured. */
  readonly containers?: true;
  /** Strainer and tip were cleaned. */
  readonly strainer?: true;
}

const KEYS = ["water", "rinsate", "containers", "strainer"];

/** A clean-out of the right shape, as it is kept. */
export function isCleanOut(value: unknown): value is CleanOut {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return false;
  const { water, rinsate, containers, strainer } = value as Record<string, unknown>;
  return (
    Object.keys(value).every((key) => KEYS.includes(key)) &&
    (water === undefined || parseQuantity(water, "volume").ok) &&
    (rinsate === undefined || (typeof rinsate === "string" && rinsate.trim() !== "" && rinsate.length <= 200)) &&
    [containers, strainer].every((done) => done === undefined || done === true)
  );
}

/** A clean-out in words: "3 × 1 qt, rinsate onto the treated lawn, containers punctured, strainer and tip cleaned". */
export const cleanOutWords = ({ water, rinsate, containers, strainer }: CleanOut): string =>
  [
    water && `3 × ${water}`,
    rinsate && `rinsate: ${rinsate}`,
    containers && "containers rinsed and punctured",
    strainer && "strainer and tip cleaned",
  ]
    .filter(Boolean)
    .join(" · ");
