import { afterTank, type AfterTank, type Aftercare } from "../labels/aftercare";
import { make, raw, type Quantity } from "../quantity/kinds";
import { atLeast, atMost } from "../quantity/slack";

/**
 * What the ground is owed after the work: kept dry, watered in between a least and a most by a deadline, nobody on it, not mown.
 * Water that was measured counts, what is forecast doesn't. Moments are milliseconds since 1970.
 */

/** What went down on a site in one go. */
export interface Done {
  /** When it ended: between these two moments, where its hour isn't noted. */
  readonly earliest: number;
  readonly latest: number;
  readonly products: readonly {
    readonly name: string;
    readonly aftercare?: Aftercare | undefined;
    /** Hours for which people and pets stay off. */
    readonly offHours?: number | undefined;
    /** Days for which it isn't mown. */
    readonly mowDays?: number | undefined;
  }[];
}

/** Water that was measured there. */
export interface Water {
  readonly at: number;
  readonly depth: Quantity<"length">;
}

export type DutyState = "waits" | "open" | "late" | "done" | "broken" | "too-much";

/** Something that is owed. */
export interface Duty {
  readonly what: "keep-dry" | "water-in" | "stay-off" | "no-mowing";
  /** From when, and until when; null where the label gives no end. */
  readonly from: number;
  readonly until: number | null;
  readonly state: DutyState;
  /** Of watering in: what the labels ask, and what was measured since it went down. */
  readonly least: Quantity<"length"> | null;
  readonly most: Quantity<"length"> | null;
  readonly got: Quantity<"length">;
  /** Still missing to the least, and room that is left to the most; null where the labels name none. */
  readonly missing: Quantity<"length"> | null;
  readonly room: Quantity<"length"> | null;
}

const HOUR = 3_600_000;
const NOTHING: Quantity<"length"> = make(0);
const seconds = (time: Quantity<"time">): number => raw(time) * 1000;

/** What is owed at a moment, the soonest end first. Where the hour isn't known the stricter one counts: dry for longer, watered sooner. */
export function dutiesOf({ earliest, latest, products }: Done, waters: readonly Water[], now: number): Duty[] {
  const after = afterTank(products);
  const since = waters.filter(({ at }) => at > earliest);
  return [
    ...keepDry(after, latest, since, now),
    ...waterIn(after, earliest, latest, since, now),
    ...longest(products.map(({ offHours }) => offHours)).map((hours) => plain("stay-off", latest, latest + hours * HOUR, now)),
    ...longest(products.map(({ mowDays }) => mowDays)).map((days) => plain("no-mowing", latest, latest + days * 24 * HOUR, now)),
  ].sort((a, b) => (a.until ?? Infinity) - (b.until ?? Infinity));
}

const longest = (all: readonly (number | undefined)[]): number[] => {
  const known = all.filter((one) => one !== undefined && one > 0) as number[];
  return known.length > 0 ? [Math.max(...known)] : [];
};

const plain = (what: Duty["what"], from: number, until: number, now: number): Duty => ({
  what,
  from,
  until,
  state: now < until ? "open" : "done",
  least: null,
  most: null,
  got: NOTHING,
  missing: null,
  room: null,
});

function keepDry({ dry }: AfterTank, latest: number, waters: readonly Water[], now: number): Duty[] {
  if (!dry) return [];
  const duty = plain("keep-dry", latest, latest + seconds(dry.value.value), now);
  const wet = waters.filter(({ at }) => at < duty.until!);
  return [{ ...duty, got: sum(wet), state: wet.length > 0 ? "broken" : duty.state }];
}

function waterIn(
  { dry, by, least, most }: AfterTank,
  earliest: number,
  latest: number,
  waters: readonly Water[],
  now: number,
): Duty[] {
  if (!least && !by) return [];
  const from = dry ? latest + seconds(dry.value.value) : latest;
  const until = by ? earliest + seconds(by.value.value) : null;
  const got = sum(waters.filter(({ at }) => until === null || at <= until));
  const [wanted, limit] = [least?.value.value ?? null, most?.value.value ?? null];
  const enough = wanted ? atLeast(raw(got), raw(wanted)) : raw(got) > 0;
  const over = limit !== null && !atMost(raw(got), raw(limit));
  const state = over ? "too-much" : enough ? "done" : until !== null && now > until ? "late" : now < from ? "waits" : "open";
  return [
    {
      what: "water-in",
      from,
      until,
      state,
      least: wanted,
      most: limit,
      got,
      missing: wanted && make(Math.max(0, raw(wanted) - raw(got))),
      room: limit && make(Math.max(0, raw(limit) - raw(got))),
    },
  ];
}

const sum = (waters: readonly Water[]): Quantity<"length"> => make(waters.reduce((all, { depth }) => all + raw(depth), 0));
