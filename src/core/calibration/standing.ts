import type { RigBasics, RigKind } from "./evidence";

/** Whether a calibration may still be mixed from. */
export interface Standing {
  readonly state: "stands" | "stale" | "expired";
  /** What changed since: in words, as "tip 025, was 02". Empty while it stands. */
  readonly reasons: readonly string[];
  /** Days left of the time for which a pace is trusted; negative when it has run out. */
  readonly daysLeft: number;
}

/** A pace is timed again every month (common practice); days. */
export const GOOD_FOR = 30;

/** A walking person's pace and swing are their own; a machine with a governed speed is anyone's. */
export function belongsToPerson(kind: RigKind): boolean {
  return kind !== "boom";
}

/**
 * Compares what a calibration stands on with the rig as it is now. Days are whole days of any one count.
 * @param then the rig when it was calibrated · @param now the rig today
 */
export function standingOf(then: RigBasics, now: RigBasics, madeOn: number, today: number): Standing {
  const reasons = changes(then, now);
  const daysLeft = madeOn + GOOD_FOR - today;
  if (reasons.length > 0) return { state: "stale", reasons, daysLeft };
  if (daysLeft < 0)
    return {
      state: "expired",
      reasons: [`made ${today - madeOn} days ago: time the pace again every ${GOOD_FOR} days`],
      daysLeft,
    };
  return { state: "stands", reasons, daysLeft };
}

function changes(then: RigBasics, now: RigBasics): string[] {
  const read = (rig: RigBasics): Record<string, string> => ({
    kind: rig.kind,
    tip: rig.tip?.size ?? "not noted",
    pressure: rig.tip?.pressure?.text ?? "not noted",
    outlets: String(rig.outlets.count),
    spacing: rig.outlets.spacing?.text ?? "none",
  });
  const before = read(then);
  return Object.entries(read(now)).flatMap(([what, value]) =>
    before[what] === value ? [] : [`${what} ${value}, was ${before[what]}`],
  );
}
