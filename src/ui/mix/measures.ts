import type { Kit } from "@/core/calibration/kit";
import { measure, toolsOf, type HowToMeasure } from "@/core/measuring/measure";
import { roomUp } from "@/core/measuring/room";
import { errorWords, measureWords, needsWords } from "@/core/measuring/words";
import type { Amount } from "@/core/mixing/amounts";
import type { Filling } from "@/core/mixing/column";
import { isWeight, readAmount, systemOf } from "@/core/mixing/display";
import type { MixPlan } from "@/core/mixing/plan";
import type { Source } from "@/core/working/rule";
import { unitFor, type System } from "@/core/working/units";
import { canonicalAmount } from "@/core/mixing/amounts";
import type { KitCheckEntry } from "@/formats/entries";
import type { RigText } from "@/formats/job-file/types";
import { kitOf } from "@/formats/rig-setup";

/** How one amount is measured with the kit, as a screen says it. */
export interface Measuring {
  readonly how: HowToMeasure;
  /** "bench scale: 0.29 oz"; undefined where the kit can't. */
  readonly words?: string | undefined;
  readonly error?: string | undefined;
  readonly quicker?: string | undefined;
  /** What is missing: "0.29 oz needs a scale that reads 0.01 oz". */
  readonly needs?: string | undefined;
}

export type MeasuringOf = (filling: Filling, product: number) => Measuring | undefined;

/** A kit without the tools whose last proof failed: what is known to read wrong is not measured with. */
export function soundKit(kit: Kit, rigId: string, proofs: readonly KitCheckEntry[]): { kit: Kit; failed: readonly string[] } {
  const failed = [...kit.scales, ...kit.vessels].flatMap(({ name }) =>
    proofs.find((p) => p.rigId === rigId && p.tool === name)?.good === false ? [name] : [],
  );
  const good = <T extends { name: string }>(tools: readonly T[]) => tools.filter((t) => !failed.includes(t.name));
  return { kit: { ...kit, scales: good(kit.scales), vessels: good(kit.vessels) }, failed };
}

/** The kit of a rig as it may be measured with now: none of it before its proofs are known. */
export const kitNow = (rig: RigText, rigId: string, proofs: readonly KitCheckEntry[] | undefined): Kit =>
  proofs ? soundKit(kitOf(rig), rigId, proofs).kit : { scales: [], vessels: [] };

/** Binds a plan to a kit: how each amount of it is measured, worked out once an amount. Undefined for a kit of nothing. */
export function measuresOf(plan: MixPlan, kit: Kit, system: System): MeasuringOf {
  const known = new WeakMap<Amount, Measuring>();
  return (filling, product) => {
    if (kit.scales.length + kit.vessels.length + (kit.cups?.length ?? 0) === 0) return undefined;
    const amount = filling.amounts[product]!;
    const before = known.get(amount);
    if (before) return before;
    const most = canonicalAmount(amount) * roomUp(plan, product, filling.sites);
    const one = measuring(amount, most, kit, system, plan.products[product]!.name);
    known.set(amount, one);
    return one;
  };
}

/** How one amount is measured, by itself. @param most what it may be rounded up to, in g or mL */
export function measuring(amount: Amount, most: number, kit: Kit, reader: System, product?: string): Measuring {
  const dry = isWeight(amount);
  const system = systemOf(amount, reader);
  const unit = dry
    ? unitFor(amount.value, "mass", system)
    : unitFor((amount as Extract<Amount, Source<"volume">>).value, "volume", system);
  const how = measure(amount.value, most, toolsOf(kit, dry, product), unit);
  const needs = needsWords(how, readAmount(amount, system), dry, unit);
  return {
    how,
    ...(how.best && !needs && { words: measureWords(how.best, dry), error: errorWords(how.best) }),
    ...(how.quicker && !needs && { quicker: `${measureWords(how.quicker, dry)}, ${errorWords(how.quicker)}` }),
    ...(needs !== undefined && { needs }),
  };
}
