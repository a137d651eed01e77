import { boomSwath } from "@/core/calibration/pace";
import {
  outletWidth,
  paceForFlowRule,
  requiredFlow,
  roundCoverageRule,
  speedForFlowRule,
} from "@/core/calibration/required-flow";
import { nearestTips, ORDINARY_RANGE, rangeOf } from "@/core/calibration/tips";
import type { Quantity } from "@/core/quantity/kinds";
import type { Field, KindOfField } from "@/core/quantity/ranges";
import { derive, given, type AnySource, type Derived, type Source } from "@/core/working/rule";
import { THOUSAND } from "@/core/working/thousand";
import { compare } from "@/core/quantity/arithmetic";
import type { RigEntry, TipEntry } from "@/formats/entries";
import { readRig } from "@/formats/job-file/read-rig";
import { chartOf } from "@/formats/rig-setup";
import { readTyped } from "@/formats/typed";
import type { Wish } from "./wish";

/** What a wished spray volume asks for, as far as what is typed goes. */
export interface Backwards {
  readonly sprayVolume: Source<"sprayVolume"> | undefined;
  readonly flow: Derived<"flow"> | undefined;
  /** Of a flow that is given: the pace and the speed that it takes. */
  readonly pace: Derived<"time"> | undefined;
  readonly speed: Derived<"speed"> | undefined;
  readonly tips: readonly { readonly size: string; readonly needs: Quantity<"pressure">; readonly works: boolean }[];
  readonly sources: readonly AnySource[];
}

/** A field as typed, as a leaf of the working; undefined while it can't be read. */
export function typed<F extends Field>(field: F, text: string, name: string): Source<KindOfField<F>> | undefined {
  const read = text.trim() === "" ? undefined : readTyped(field, text);
  return read?.ok ? given(read.value, name) : undefined;
}

/**
 * Works backwards from a wanted spray volume to the flow of an outlet, its tips and their pressures: those first that work at them.
 * @param charts the tips on record: a chart says at which pressures its tip works
 */
export function backwardsOf(wish: Wish, rig: RigEntry, charts: readonly TipEntry[] = []): Backwards {
  const basics = readRig(rig.rig);
  const coverage = wish.kind === "coverage";
  const usable = typed("usable", wish.coverVolume, "liquid");
  const area = typed("zoneArea", wish.coverArea, "ground");
  const sprayVolume = coverage
    ? usable && area && derive(roundCoverageRule, { usable, area })
    : typed("sprayVolume", wish.sprayVolume, "wanted spray volume");
  // On a boom each outlet has its share of a swath that was measured, else its spacing; a single outlet has the swath.
  const { count, spacing } = basics.outlets;
  const measured = typed("swath", wish.swath, "effective swath");
  const swath = measured ?? boomSwath(basics);
  const width = count === 1 ? swath : measured ? outletWidth(measured, count) : spacing && given(spacing, "spacing");
  const at = typed("speed", wish.speed, "travel speed");
  const known = typed("meterFlow", wish.flow, "flow of all outlets");
  const flow = sprayVolume && at && width && !known ? requiredFlow(sprayVolume, at, width) : undefined;
  const pace = sprayVolume && known ? derive(paceForFlowRule, { sprayVolume, thousand: THOUSAND, flow: known }) : undefined;
  const speed = sprayVolume && known && swath ? derive(speedForFlowRule, { flow: known, sprayVolume, width: swath }) : undefined;
  const works = ({ size, needs }: { size: string; needs: Quantity<"pressure"> }) => {
    const known = charts.find((t) => !t.retired && t.tip.size === size);
    const { least, most } = rangeOf(known ? chartOf(known.tip) : size === basics.tip?.size ? basics.tip.chart : undefined);
    return compare(needs, least) >= 0 && compare(needs, most) <= 0;
  };
  const pressure = basics.tip?.pressure?.value;
  const near = flow ? nearestTips(flow.value, pressure ?? ORDINARY_RANGE.most).slice(0, pressure === undefined ? 5 : 4) : [];
  const tips = near.map((tip) => ({ ...tip, works: works(tip) })).sort((a, b) => Number(b.works) - Number(a.works));
  return {
    sprayVolume,
    flow,
    pace,
    speed,
    tips,
    sources: [coverage ? sprayVolume : undefined, flow, pace, speed].filter((source) => source !== undefined),
  };
}
