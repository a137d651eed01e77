import { swathsOf, widestWithin } from "../pattern/swaths";
import { seeded, type Uniform } from "../risk/chance";
import { compare, isZero, ratio } from "../quantity/arithmetic";
import type { Kind, Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { isWithin } from "../quantity/slack";
import { derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import { entered } from "../quantity/parse";
import { LESSON_TITLES, LESSONS, type LessonId } from "./lesson-ids";

/**
 * Short lessons on made-up rigs. Each asks one question on numbers that a seed draws afresh, and core works the answer out: the
 * server judges what was answered by the same sum that the rooms do.
 */

/** What an answer is measured in. */
type AnswerKind = "length" | "pressure" | "volume" | "rateByVolume" | "time";

export interface Lesson {
  readonly id: LessonId;
  readonly title: string;
  /** What it is about, in two sentences. */
  readonly about: string;
  readonly story: string;
  readonly question: string;
  readonly kind: AnswerKind;
  /** The unit that a bare number is taken in. */
  readonly unit: string;
  readonly answer: Quantity<AnswerKind>;
  /** How the answer came about. */
  readonly working: AnySource | null;
  readonly why: string;
  /** What one pass caught, for the lesson that reads a pattern. */
  readonly deposit?: readonly number[];
}

/** An answer counts that is so near: a rounded one is right. */
const NEAR = 0.02;

export const pressureRule = rule({
  id: "pressure-for-flow",
  version: 1,
  title: "Pressure for the flow",
  formula: "pressure * (wanted / flow)^2",
  inputs: { pressure: "pressure", wanted: "flow", flow: "flow" },
  output: "pressure",
  source: "f₂ = f₁ √(P₂/P₁), solved for P₂",
  compute: ({ pressure, wanted, flow }) => num(pressure) * (num(wanted) / num(flow)) ** 2,
});

export const weighedVolumeRule = rule({
  id: "volume-of-weight",
  version: 1,
  title: "Volume of the weight",
  formula: "weight / density",
  inputs: { weight: "mass", density: "strengthByWeight" },
  output: "volume",
  source: "definition of density",
  compute: ({ weight, density }) => num(weight) / num(density),
});

export const yearSoFarRule = rule({
  id: "left-of-year",
  version: 1,
  title: "Left of the year's limit",
  formula: "limit - rate * took / planned * count",
  inputs: { limit: "rateByVolume", rate: "rateByVolume", took: "time", planned: "time", count: "count" },
  output: "rateByVolume",
  source: "what goes down grows with the time spent on the ground, each time",
  compute: ({ limit, rate, took, planned, count }) => num(limit) - ((num(rate) * num(took)) / num(planned)) * num(count),
});

export const otherLegsRule = rule({
  id: "rate-of-other-legs",
  version: 1,
  title: "What really goes down",
  formula: "rate * took / planned",
  inputs: { rate: "rateByVolume", took: "time", planned: "time" },
  output: "rateByVolume",
  source: "q = f·T/A: the same tank and flow, another time on the ground",
  compute: ({ rate, took, planned }) => (num(rate) * num(took)) / num(planned),
});

export const acreProductRule = rule({
  id: "product-of-acre-rate",
  version: 1,
  title: "Product for the lawn",
  formula: "rate * area",
  inputs: { rate: "rateByVolume", area: "area" },
  output: "volume",
  source: "definition of a rate",
  compute: ({ rate, area }) => num(rate) * num(area),
});

const between = (u: Uniform, least: number, most: number, step: number) =>
  Number((Math.round((least + u() * (most - least)) / step) * step).toFixed(6));
const from = <K extends Kind>(text: string, kind: K, name: string): Source<K> => given(entered(text, kind), name);
const asked = (source: Source<AnswerKind>) => ({ answer: source.value as Quantity<AnswerKind>, working: source as AnySource });

const WRITE: { readonly [L in LessonId]: (u: Uniform) => Omit<Lesson, "id" | "title"> } = {
  pattern: (u) => {
    const half = Math.round(between(u, 3, 6, 1));
    const peak = between(u, 8, 14, 1);
    const flat = Math.round(between(u, 0, 3, 1));
    const rise = Array.from({ length: half }, (_, i) => Number(((peak * (i + 1)) / (half + 1)).toFixed(1)));
    const deposit = [0, ...rise, ...Array.from({ length: 2 * flat + 1 }, () => peak), ...[...rise].reverse(), 0];
    const best = widestWithin(swathsOf(deposit), 0.15)!;
    return {
      about: "One pass throws most in its middle and little at its edges. Passes overlap so that edges add up to a middle.",
      story: `Cups stood a foot apart across one pass of a made-up rig, and caught: ${deposit.join(", ")}.`,
      question:
        "Which is the widest swath at which the lawn is uneven by at most 15 %, there and back as well as always the same way?",
      kind: "length",
      unit: "ft",
      answer: quantity("length", best.spacings, "ft"),
      working: null,
      why: `At ${best.spacings} ft the worse of the two is ${(100 * Math.max(best.sameWay, best.backAndForth)).toFixed(1)} %; no wider one stays within 15 %.`,
      deposit,
    };
  },
  pressure: (u) => {
    const flow = between(u, 0.2, 0.5, 0.05);
    const more = between(u, 1.25, 2, 0.25);
    const pressure = between(u, 20, 30, 5);
    const wanted = Number((flow * more).toFixed(4));
    const source = derive(pressureRule, {
      pressure: from(`${pressure} psi`, "pressure", "pressure"),
      wanted: from(`${wanted} gal/min`, "flow", "wanted"),
      flow: from(`${flow} gal/min`, "flow", "flow"),
    });
    return {
      about:
        "Flow goes by the square root of pressure. That is why a tip is changed, not a regulator turned, for much more water.",
      story: `A made-up tip gives ${flow} gal/min at ${pressure} psi. ${wanted} gal/min are wanted of it.`,
      question: "At which pressure would it give that?",
      kind: "pressure",
      unit: "psi",
      ...asked(source),
      why: `${more} times the flow takes ${more} × ${more} = ${Number((more * more).toFixed(4))} times the pressure; drops get finer on the way.`,
    };
  },
  ounces: (u) => {
    const weight = between(u, 3, 12, 1);
    const density = between(u, 9, 11.5, 0.5);
    const source = derive(weighedVolumeRule, {
      weight: from(`${weight} oz`, "mass", "weight"),
      density: from(`${density} lb/gal`, "strengthByWeight", "density"),
    });
    return {
      about:
        "An ounce weighs, a fluid ounce fills. Water's are near one another; a heavy liquid's aren't, and a powder's never are.",
      story: `A demo label asks for ${weight} oz by weight of a made-up liquid of ${density} lb a gallon. There is no scale, only a cup marked in fluid ounces.`,
      question: "How many fluid ounces are that?",
      kind: "volume",
      unit: "fl oz",
      ...asked(source),
      why: "Weight divided by what a gallon weighs is the volume; a cup filled to the label's number would hold more product than it asks for.",
    };
  },
  "slow-tenth": (u) => {
    const rate = between(u, 2, 4, 0.5);
    const count = Math.round(between(u, 3, 4, 1));
    const planned = between(u, 180, 300, 20);
    const took = Number((planned * 1.1).toFixed(1));
    const limit = rate * (count + 1);
    const source = derive(yearSoFarRule, {
      limit: from(`${limit} fl oz/1000 ft2`, "rateByVolume", "limit"),
      rate: from(`${rate} fl oz/1000 ft2`, "rateByVolume", "rate"),
      took: from(`${took} s`, "time", "took"),
      planned: from(`${planned} s`, "time", "planned"),
      count: given(entered(`${count}`, "count"), "count"),
    });
    return {
      about:
        "Whoever is a tenth slower puts a tenth more down, every time. A year's limit counts what went down, not what was meant.",
      story: `A demo label allows ${limit} fl oz per 1,000 sq ft in a year, ${rate} fl oz each time. The mix was for ${planned} s on 1,000 sq ft; ${count} times it took ${took} s.`,
      question: "How much of the year's limit is left, per 1,000 sq ft?",
      kind: "rateByVolume",
      unit: "fl oz/1000 ft2",
      ...asked(source),
      why: `${count} times at a tenth too much have eaten into the next one: a whole application of ${rate} fl oz doesn't fit any more.`,
    };
  },
  "other-legs": (u) => {
    const rate = between(u, 2, 5, 0.5);
    const planned = between(u, 200, 280, 10);
    const took = between(u, 290, 350, 10);
    const source = derive(otherLegsRule, {
      rate: from(`${rate} fl oz/1000 ft2`, "rateByVolume", "rate"),
      took: from(`${took} s`, "time", "took"),
      planned: from(`${planned} s`, "time", "planned"),
    });
    return {
      about: "A tank is mixed for a pace. In other legs the same tank is another rate.",
      story: `A tank was mixed for ${rate} fl oz per 1,000 sq ft at a pace of ${planned} s on 1,000 sq ft. Somebody else sprays it and takes ${took} s.`,
      question: "How much product goes down per 1,000 sq ft?",
      kind: "rateByVolume",
      unit: "fl oz/1000 ft2",
      ...asked(source),
      why: "Longer on the ground is more on the ground, in the same part.",
    };
  },
  acres: (u) => {
    const rate = between(u, 32, 96, 4);
    const area = between(u, 3000, 12000, 500);
    const source = derive(acreProductRule, {
      rate: from(`${rate} fl oz/ac`, "rateByVolume", "rate"),
      area: from(`${area} ft2`, "area", "area"),
    });
    return {
      about: "A label may speak of acres where lawns are counted in thousands. There are 43.56 thousand square feet in an acre.",
      story: `A demo label asks for ${rate} fl oz per acre. The lawn has ${area.toLocaleString("en-US")} sq ft.`,
      question: "How much product does the lawn get?",
      kind: "volume",
      unit: "fl oz",
      ...asked(source),
      why: "The area in acres, times the rate; who took the acre's number for a thousand would pour 43.56 times as much.",
    };
  },
};

/** A lesson with its numbers. @param seed any whole number: the same one is the same question */
export const lessonOf = (id: LessonId, seed: number): Lesson => ({
  id,
  title: LESSON_TITLES[id],
  ...WRITE[id](seeded(seed * 7919 + LESSONS.indexOf(id))),
});

/** Whether an answer is right: within 2 % of what core worked out, so that a rounded one counts. */
export const isRight = (lesson: Lesson, answer: Quantity<AnswerKind>): boolean =>
  isZero(lesson.answer) ? compare(answer, lesson.answer) === 0 : isWithin(ratio(answer, lesson.answer), NEAR);
