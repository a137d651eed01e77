import { readAreaRate, sizeOf, type AreaRate } from "../labels/active";
import { between } from "../labels/aftercare";
import type { Reason, ReasonValues, Year } from "../labels/reason";
import { inWords, type WordsOf } from "../finding";
import { show, showEntered, writeNumber } from "../quantity/format";
import { read, type System } from "../working/units";
import { groundText, paceTime } from "../working/thousand";

/** What a reason says, and what would make the plan fit. */
export interface ReasonWords {
  readonly text: string;
  readonly fits: string;
}

const rate = (value: AreaRate, system: System) => readAreaRate(value, system, 4);
const spanOf = ({ kind, end }: Year) => (kind === "calendar" ? `in ${end.slice(0, 4)}` : `in the 12 months to ${end}`);

/** Where a reason is about: "Fernfix on the front lawn", or the product alone. */
const about = ({ product, zone }: Reason) => (zone === null ? product : `${product} on ${zone}`);

/** The words of one reason, which know the product and the zone that it is about. */
function wordsFor(reason: Reason): WordsOf<ReasonValues, ReasonWords> {
  const { product, zone, earliest } = reason;
  const of = about(reason);
  const lower = (left: AreaRate, system: System) =>
    sizeOf(left) > 0
      ? `Lower the rate of ${product} to ${rate(left, system)} or less.`
      : `No rate of ${product} fits here today. Take it out of this mix, or leave this zone out.`;
  return {
    "over-application-limit": ({ planned, limit, by, also, today, left }, system) => {
      const allowed =
        by === "highest-rate"
          ? `the label's highest rate is ${rate(limit, system)}`
          : `the label allows ${rate(limit, system)} at once`;
      const shared = also === null ? "" : `, and another product of this mix holds ${also} too`;
      const had = today === null ? "" : `, and ${rate(today, system)} counts with it: the same ground, the same day`;
      return { text: `${of}: ${rate(planned, system)} is planned, ${allowed}${shared}${had}.`, fits: lower(left, system) };
    },
    "over-year-limit": ({ planned, limit, year, active, before, left }, system) => {
      const had = before ? ` ${rate(before, system)} counts against it already.` : "";
      const text = `${of}: ${rate(planned, system)} is planned, the label allows ${rate(limit, system)} of it ${spanOf(year)}, by its ${active}.${had}`;
      return { text, fits: lower(left, system) };
    },
    "over-count-limit": ({ most, year, count }) => ({
      text: `${of}: the label allows ${most === 1 ? "one application" : `${most} applications`} ${spanOf(year)}, ${count} ${count === 1 ? "counts" : "count"} already.`,
      fits: `Wait for the next year of the label, or leave ${zone} out.`,
    }),
    "too-soon": ({ on, planned, wait }) => ({
      text: `${of}: ${SAID[String(planned)]!(on)}, the label wants ${wait} days between.`,
      fits: planned === true ? `Withdraw that sheet, or wait until ${earliest}.` : `Not before ${earliest}.`,
    }),
    "under-carrier-minimum": ({ least, sprayVolume }, system) => ({
      text: `${of}: the label wants at least ${read(least, "sprayVolume", system)}, this sprayer puts down ${read(sprayVolume, "sprayVolume", system)}.`,
      fits: "Walk slower or take a larger tip, and calibrate again.",
    }),
    "over-concentrated": ({ wanted, dilution }) => ({
      text: `${of}: the label wants ${wanted.text} of water to all products together, this mix is ${show(dilution, "dilution", ":1", { figures: 3, down: true })}.`,
      fits: "Put down more water, lower the rates, or spray the products one after the other.",
    }),
    "turf-not-allowed": ({ turfs, turf }) => ({
      text: `${product} is for ${turfs.join(", ")}; ${zone} is ${turf}.`,
      fits: `Take ${product} out of this mix, or leave ${zone} out.`,
    }),
    "too-soon-after-seeding": ({ what, done, wait }) => ({
      text: `${of}: it was ${what} on ${done}, the label wants ${wait} days from then.`,
      fits: `Not before ${earliest}.`,
    }),
    "too-soon-before-seeding": ({ what, planned, days, until }) => ({
      text: `${of}: ${what} is planned for ${planned}, the label and its residual want ${days} days before that.`,
      fits: `Put ${what} off to ${until}, or leave ${product} out.`,
    }),
    "hose-end-not-allowed": () => ({
      text: `${of}: the label doesn't allow a hose-end head.`,
      fits: "Take a backpack or a truck.",
    }),
    "aftercare-clash": (clash) => ({
      text:
        clash.of === "hours"
          ? `${clash.by.of} must be watered in within ${showEntered(clash.by.value)}, ${clash.dry.of} must stay dry for ${showEntered(clash.dry.value)}: no hour satisfies both.`
          : `${clash.least.of} wants at least ${showEntered(clash.least.value)} of water, ${clash.most.of} at most ${showEntered(clash.most.value)}: no hour satisfies both.`,
      fits: `Split them: take ${between(clash)[1]} out and spray it on another day, when the first has had its aftercare.`,
    }),
    uncountable: ({ other, active }, system) => ({
      text: `${of}: ${other} holds ${active} too, and how much can't be told from its content by weight alone.`,
      fits: `Note the specific gravity of ${other} (or of ${product}), or its active in a ${system === "us" ? "gallon" : "litre"}.`,
    }),
    "active-unknown": ({ other, on }) => ({
      text: `${of}: its active isn't noted, nor that of ${other}, which ${wentDown(on)}. They may be one, and share one limit.`,
      fits: `Note on the card of ${product} what its label names as the active ingredient, and how much of it.`,
    }),
    "spot-over-zone": ({ area, whole }) => ({
      text: `${of}: so much spray treats ${showEntered({ ...area, number: Math.round(area.number) })}, the zone has ${showEntered(whole)}.`,
      fits: "Mix less, or mix for the zone.",
    }),
    "head-off-rate": ({ overdose, timePer1000 }, system) => ({
      text: `${of}: at the pace that was timed this head and jar put down ${writeNumber(overdose, { figures: 3 })} times the planned rate.`,
      fits: `Walk ${groundText(system)} in ${paceTime(timePer1000, system)}, or set another dial or a weaker jar.`,
    }),
  };
}

/** What an interval is counted from. */
const SAID: Readonly<Record<string, (on: string) => string>> = {
  true: (on) => `an open mix sheet plans its active for ${on}`,
  false: (on) => `its active went down on ${on}`,
  program: (on) => `the year's plan has its active on ${on}`,
};

/** Where an active that isn't noted stands: on an open sheet, or on the ground since a day. */
export const wentDown = (on: string | null): string => (on === null ? "stands on an open sheet" : `went down on ${on}`);

/** What a reason says and what would make it fit, in the reader's units. */
export const reasonWords = (reason: Reason, system: System): ReasonWords => inWords(wordsFor(reason), reason, system);
