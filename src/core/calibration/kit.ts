import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { atLeast, isWithin } from "../quantity/slack";

/** The measuring kit of a rig: what is weighed and read with, and whether it has been proved. */
export interface KitScale {
  readonly name: string;
  readonly step: Entered<"mass">;
  readonly capacity: Entered<"mass">;
}

export interface Vessel {
  readonly name: string;
  readonly graduation: Entered<"volume">;
  readonly capacity: Entered<"volume">;
}

/** A cup whose marks are a weight, of one dry product alone: that of another fills it differently. */
export interface KitCup {
  readonly name: string;
  readonly product: string;
  readonly step: Entered<"mass">;
  readonly capacity: Entered<"mass">;
}

export interface Kit {
  readonly scales: readonly KitScale[];
  readonly cups?: readonly KitCup[];
  readonly vessels: readonly Vessel[];
}

/** How far a tool may be off a known weight or volume besides its own step: 2 % (ours; a household cup may be 5 % off). */
export const KIT_BAND = 0.02;

export interface KitProof {
  /** Read over known: 1.03 reads 3 % too much. */
  readonly ratio: number;
  readonly good: boolean;
  /** The most that it might have been off and pass, as a part of what is known. */
  readonly allowed: number;
}

/**
 * The two-minute proof: a known weight put on a scale, a known volume poured into a vessel. It passes within half its
 * step and 2 %, whichever is more.
 * @param step the scale's step or the vessel's graduation
 */
export function proveTool<K extends "mass" | "volume">(known: Quantity<K>, shown: Quantity<K>, step: Quantity<K>): KitProof {
  const ratio = raw(shown) / raw(known);
  const allowed = Math.max(KIT_BAND, raw(step) / 2 / raw(known));
  return { ratio, good: isWithin(ratio, allowed), allowed };
}

/** The vessel to catch in: the finest that holds it all; undefined where none does. */
export function vesselFor(kit: Kit, expected: Quantity<"volume">): Vessel | undefined {
  return kit.vessels
    .filter((v) => atLeast(raw(v.capacity.value), raw(expected)))
    .sort((a, b) => raw(a.graduation.value) - raw(b.graduation.value))[0];
}
