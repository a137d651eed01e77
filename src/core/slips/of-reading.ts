import { unitText } from "../quantity/format";
import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitNamed } from "../quantity/unit";
import { fitting, inside, respelled, scaled, takenFor, type Bounds, type Slip } from "./slip";
import { rigRules, type RigKind } from "@/rig-kinds/rules";

const GPM = unitNamed("gal/min").factor;
const FOOT = unitNamed("ft").factor;
const SQ_FT = unitNamed("ft2").factor;
const THOUSAND = SQ_FT * 1000;
/** A zone: from a bed of 60 sq ft to a park of 60 acres. */
const ZONE: Bounds = { least: 60 * SQ_FT, most: 60 * unitNamed("ac").factor };
/** A test area: it is walked within minutes. */
const TEST_AREA: Bounds = { least: 20 * SQ_FT, most: 2 * unitNamed("ac").factor };
const PSI = unitNamed("psi").factor;
const PRESSURE: Bounds = { least: 8 * PSI, most: 250 * PSI };

/** How far a reading may lie from an earlier one before it is asked about: half to twice (ours). */
const near = (value: number): Bounds => ({ least: value / 1.9, most: value * 1.9 });

/** An area that is sprayed, or walked as a test. */
export function slipsOfArea(typed: Entered<"area">, of: "zone" | "test" = "zone"): Slip[] {
  const units = ["ft2", "ac", "m2"].filter((u) => u !== typed.unit);
  const thousands = {
    code: "thousands",
    value: typed.unit === "ft2" ? scaled(typed, 1000) : undefined,
    says: "thousands of square feet were probably typed as square feet",
  } as const;
  const others = units.map((unit) => ({
    code: unit === "m2" || typed.unit === "m2" ? ("metres-for-feet" as const) : ("acres-for-feet" as const),
    value: respelled(typed, unit),
    says: `${unitText(unit)} was probably meant, not ${unitText(typed.unit)}`,
  }));
  // A part of one is rather an acre than a thousand.
  const order = typed.number < 1 ? [...others, thousands] : [thousands, ...others];
  return fitting(typed, of === "zone" ? ZONE : TEST_AREA, order);
}

/** The time of a walk over an area. */
export function slipsOfWalk(
  typed: Entered<"time">,
  { area, rig }: { readonly area: Quantity<"area">; readonly rig: RigKind },
): Slip[] {
  const share = raw(area) / THOUSAND;
  const { least, most } = rigRules(rig).possible.pace;
  return slipsOfTime(typed, { least: least * share, most: most * share });
}

function slipsOfTime(typed: Entered<"time">, bounds: Bounds): Slip[] {
  const times = (factor: number) => scaledTime(typed, factor);
  return fitting(typed, bounds, [
    {
      code: "minutes-for-seconds",
      value: clockOf(typed),
      says: "a point was probably typed for the colon of minutes and seconds",
    },
    { code: "minutes-for-seconds", value: times(60), says: "minutes were probably typed as seconds" },
    { code: "seconds-for-minutes", value: times(1 / 60), says: "seconds were probably typed as minutes" },
  ]);
}

/** 2.05 that may be 2:05. */
function clockOf(typed: Entered<"time">): Entered<"time"> | undefined {
  const parts = /^(\d{1,2})\.([0-5]\d)(?: s)?$/.exec(typed.text);
  return parts ? scaled({ ...typed, number: Number(parts[1]) * 60 + Number(parts[2]), unit: "s" }, 1) : undefined;
}

/** A clock text has no unit to keep: the time comes back in seconds. */
function scaledTime(typed: Entered<"time">, factor: number): Entered<"time"> | undefined {
  const seconds = Number((raw(typed.value) * factor).toPrecision(12));
  return scaled({ ...typed, number: seconds, unit: "s" }, 1);
}

export interface CatchContext {
  readonly rig: RigKind;
  readonly outlets: number;
  /** Out of all outlets: an earlier flow, or the rated one. */
  readonly expected?: Quantity<"flow"> | undefined;
}

function flowBounds({ rig, outlets, expected }: CatchContext): Bounds {
  const { least, most } = rigRules(rig).possible.flow;
  return expected ? near(raw(expected)) : { least: least * GPM * outlets, most: most * GPM * outlets };
}

/** What was caught in a time, out of all outlets. */
export function slipsOfCatch(volume: Entered<"volume">, time: Quantity<"time">, context: CatchContext): Slip[] {
  const bounds = flowBounds(context);
  const seconds = raw(time);
  const { outlets } = context;
  return fitting(volume, { least: bounds.least * seconds, most: bounds.most * seconds }, [
    ...(outlets > 1
      ? [
          {
            code: "one-outlet" as const,
            value: scaled(volume, outlets),
            says: `one outlet's catch was probably typed for all ${outlets}`,
          },
        ]
      : []),
    ...takenFor(volume.unit).map(([unit, code]) => ({
      code,
      value: respelled(volume, unit),
      says: `${unitText(unit)} was probably meant, not ${unitText(volume.unit)}`,
    })),
    ...(volume.unit === "gal" && context.expected
      ? [
          {
            code: "imperial-gallon" as const,
            value: scaled(volume, 4.54609 / 3.785411784),
            says: "the bucket is probably marked in imperial gallons, 1.2 US gallons each",
          },
        ]
      : []),
    { code: "decimal-point", value: scaled(volume, 0.1), says: "the decimal point is probably one place off" },
    { code: "decimal-point", value: scaled(volume, 10), says: "the decimal point is probably one place off" },
  ]);
}

/** A catch that was to run for as long as the walk, with a round number near it: 30 s that stands for 28 (ours: within 12 %). */
export function slipsOfRounded(typed: Entered<"time">, walked: Entered<"time">): Slip[] {
  const [seconds, mean] = [raw(typed.value), raw(walked.value)];
  const near = Math.abs(seconds / mean - 1);
  if (seconds % 5 !== 0 || typed.text.includes(".") || near < 0.01 || near > 0.12) return [];
  return [
    {
      code: "rounded-up",
      says: `the walk took ${Number(mean.toPrecision(4))} s: a time that was probably rounded`,
      corrected: walked.text,
    },
  ];
}

/** The time of a catch. */
export function slipsOfCatchTime(time: Entered<"time">, volume: Quantity<"volume">, context: CatchContext): Slip[] {
  const { least, most } = flowBounds(context);
  return slipsOfTime(time, { least: raw(volume) / most, most: raw(volume) / least });
}

/** One outlet's catch on a boom where the whole boom's was typed. */
export function slipsOfOutlet(volume: Entered<"volume">, time: Quantity<"time">, context: CatchContext): Slip[] {
  const bounds = flowBounds({ ...context, outlets: 1, expected: undefined });
  const seconds = raw(time);
  return fitting(volume, { least: bounds.least * seconds, most: bounds.most * seconds }, [
    {
      code: "all-outlets",
      value: scaled(volume, 1 / context.outlets),
      says: `the catch of all ${context.outlets} outlets was probably typed for one`,
    },
  ]);
}

/** A flow read off a meter. @param pace the time for 1,000 sq ft, where it is known */
export function slipsOfFlow(
  typed: Entered<"flow">,
  context: CatchContext & { readonly pace?: Quantity<"time"> | undefined },
): Slip[] {
  const gallons = typed.number;
  const acre = unitNamed("gal/ac").factor;
  // q = f·T/A, solved for f.
  const flow = context.pace ? (gallons * acre * THOUSAND) / raw(context.pace) / GPM : undefined;
  return fitting(typed, flowBounds(context), [
    {
      code: "gpa-for-flow",
      value: flow === undefined ? undefined : respelled({ ...typed, number: Number(flow.toPrecision(6)) }, "gal/min"),
      says: "gallons for an acre were probably typed as gallons a minute",
    },
    { code: "gallon-litre", value: respelled(typed, "L/min"), says: "litres a minute were probably meant" },
    { code: "volume-unit", value: respelled(typed, "fl oz/min"), says: "fluid ounces a minute were probably meant" },
  ]);
}

/** A pressure at the tip. */
export function slipsOfPressure(typed: Entered<"pressure">): Slip[] {
  return fitting(typed, PRESSURE, [
    { code: "psi-for-bar", value: respelled(typed, "psi"), says: `psi was probably meant, not ${typed.unit}` },
    { code: "bar-for-psi", value: respelled(typed, "bar"), says: `bar was probably meant, not ${typed.unit}` },
    { code: "bar-for-psi", value: respelled(typed, "kPa"), says: `kPa was probably meant, not ${typed.unit}` },
  ]);
}

/** An effective swath. @param before the swath of this rig's last calibration */
export function slipsOfSwath(typed: Entered<"length">, rig: RigKind, before?: Quantity<"length">): Slip[] {
  const { least, most } = rigRules(rig).possible.swath;
  const usual = { least: least * FOOT, most: most * FOOT };
  const value = raw(typed.value);
  const half = before && [0.5, 2].find((part) => Math.abs(value / raw(before) / part - 1) <= 0.1);
  if (before && half)
    return fitting(typed, near(raw(before)), [
      {
        code: "half-width",
        value: scaled(typed, 1 / half),
        says:
          half < 1
            ? "half the width was probably typed: the swath is the whole of it"
            : "the wet width of two passes was probably typed",
      },
      { code: "metres-for-feet", value: respelled(typed, "m"), says: "metres were probably meant" },
    ]);
  return fitting(typed, before && !inside(value, usual) ? near(raw(before)) : usual, [
    { code: "metres-for-feet", value: respelled(typed, "m"), says: "metres were probably meant, not feet" },
    { code: "metres-for-feet", value: respelled(typed, "ft"), says: "feet were probably meant" },
    { code: "metres-for-feet", value: respelled(typed, "in"), says: "inches were probably meant" },
  ]);
}

/** A wanted spray volume: gallons for an acre typed for 1,000 sq ft, or the other way round. */
export function slipsOfSprayVolume(typed: Entered<"sprayVolume">): Slip[] {
  const thousand = unitNamed("gal/1000 ft2").factor;
  return fitting(typed, { least: 0.1 * thousand, most: 12 * thousand }, [
    { code: "acre-for-1000", value: respelled(typed, "gal/ac"), says: "gallons for an acre were probably meant" },
    { code: "acre-for-1000", value: respelled(typed, "gal/1000 ft2"), says: "gallons for 1,000 sq ft were probably meant" },
    { code: "hectare-acre", value: respelled(typed, "L/ha"), says: "litres for a hectare were probably meant" },
  ]);
}

/**
 * Catches that all stand on one mark of a coarse vessel: a level between two marks was probably written as the mark.
 * @param graduation the vessel's finest mark
 */
export function slipsOfMarks(
  catches: readonly { readonly volume: Quantity<"volume">; readonly time: Quantity<"time"> }[],
  graduation: Quantity<"volume">,
): Slip[] {
  const step = raw(graduation);
  const marks = catches.map((c) => raw(c.volume) / step);
  const onMarks = marks.every((m) => Math.abs(m - Math.round(m)) < 1e-6);
  const coarse = catches.every((c) => step > 0.05 * raw(c.volume));
  // Different times can't have given the same level: the difference should have shown by half a mark.
  const hidden = catches.some((a) =>
    catches.some(
      (b) =>
        raw(a.volume) === raw(b.volume) &&
        (raw(a.volume) * Math.abs(raw(a.time) - raw(b.time))) / Math.max(raw(a.time), raw(b.time)) > 0.5 * step,
    ),
  );
  if (catches.length < 2 || !onMarks || !coarse || !hidden) return [];
  return [
    {
      code: "between-marks",
      says: "times that differ gave one and the same mark: read a level between two marks as between them",
      corrected: null,
    },
  ];
}

const GALLON = unitNamed("gal").factor;

/** What a tank holds: a point too far, litres for gallons, of a jar fluid ounces for gallons. */
export function slipsOfTank(typed: Entered<"volume">, rig: RigKind): Slip[] {
  const { least, most } = rigRules(rig).possible.tank;
  const others = takenFor(typed.unit)
    .filter(([unit]) => ["L", "gal", "mL", "fl oz"].includes(unit))
    .map(([unit, code]) => ({
      code,
      value: respelled(typed, unit),
      says: `${unitText(unit)} was probably meant, not ${unitText(typed.unit)}`,
    }));
  const point = [0.1, 10].map((factor) => ({
    code: "decimal-point" as const,
    value: scaled(typed, factor),
    says: "the decimal point is probably one place off",
  }));
  return fitting(typed, { least: least * GALLON, most: most * GALLON }, [...others, ...point]);
}
