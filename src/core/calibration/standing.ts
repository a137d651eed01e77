import { ROUNDING, writeNumber } from "../quantity/format";
import type { RigBasics } from "./evidence";
import { judgeRatio } from "./quick-check";

/** Whether a calibration may still be mixed from. */
export interface Standing {
  readonly state: "stands" | "stale" | "failing" | "expired";
  /** What changed since: in words, as "tip 025, was 02". Empty while it stands. */
  readonly reasons: readonly string[];
  /** Days left of the time for which a pace is trusted; negative when it has run out. */
  readonly daysLeft: number;
}

/** A pace is timed again every month (common practice); days. */
export const GOOD_FOR = 30;

/** What a calibration stands on: the rig, and all that is held constant beside it, by what it is called. */
export interface StandsOn {
  readonly rig: RigBasics;
  readonly held: Readonly<Record<string, string>>;
}

/**
 * Compares what a calibration stands on with the rig as it is now. Days are whole days of any one count.
 * @param then the rig when it was calibrated · @param now the rig today · @param checked ratio of the newest quick check since to the calibration's flow
 */
export function standingOf(then: StandsOn, now: StandsOn, madeOn: number, today: number, checked?: number): Standing {
  const reasons = changes(then, now);
  const daysLeft = madeOn + GOOD_FOR - today;
  if (reasons.length > 0) return { state: "stale", reasons, daysLeft };
  if (checked !== undefined && judgeRatio(checked) === "recalibrate") {
    const off = Math.abs(checked - 1) * 100;
    const reason = `the quick check was ${writeNumber(off, ROUNDING.percent)} % ${checked > 1 ? "high" : "low"}`;
    return { state: "failing", reasons: [reason], daysLeft };
  }
  if (daysLeft < 0)
    return {
      state: "expired",
      reasons: [`made ${today - madeOn} days ago: time the pace again every ${GOOD_FOR} days`],
      daysLeft,
    };
  return { state: "stands", reasons, daysLeft };
}

function changes(then: StandsOn, now: StandsOn): string[] {
  const before = read(then);
  const after = read(now);
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((what) => {
    const [was, is] = [before[what] ?? "not noted", after[what] ?? "not noted"];
    return was === is ? [] : [`${what} ${is}, was ${was}`];
  });
}

function read({ rig, held }: StandsOn): Readonly<Record<string, string>> {
  const { head } = rig;
  return {
    kind: rig.kind,
    tip: rig.tip?.size ?? "not noted",
    pressure: rig.tip?.pressure?.text ?? "not noted",
    outlets: String(rig.outlets.count),
    spacing: rig.outlets.spacing?.text ?? "none",
    // Turning the dial, or another jar, leaves the water's flow as it was: only the draw is another.
    ...(head && { head: head.kind }),
    ...held,
  };
}
