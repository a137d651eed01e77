import { swathsOf, widestWithin } from "../pattern/swaths";
import { seeded, type Uniform } from "../risk/chance";
import { compare, isZero, ratio } from "../quantity/arithmetic";
import type { Kind, Quantity } from "../quantity/kinds";
import { quantity } from "../quantity/quantity";
import { isWithin } from "../quantity/slack";
import { derive, given, num, rule, type AnySource, type Source } from "../working/rule";
import { entered } from "../quantity/parse";
import type { System } from "../working/units";
import { LESSONS, lessonTitle, type LessonId } from "./lesson-ids";

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
  /** How far its cups stood apart. */
  readonly spacing?: string;
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

/** What a reader's lessons are written in: numbers that are round in their own units. */
interface Words {
  readonly flow: readonly [least: number, most: number, step: number, unit: string];
  readonly pressure: readonly [least: number, most: number, step: number, unit: string];
  readonly weight: readonly [least: number, most: number, step: number, unit: string, said: string];
  readonly density: readonly [least: number, most: number, step: number, unit: string, said: string];
  readonly rate: readonly [least: number, most: number, step: number, unit: string, said: string];
  readonly part: string;
  /** A rate for a large area, the area of a lawn, and how they are said. */
  readonly large: readonly [least: number, most: number, step: number, unit: string, said: string];
  readonly lawn: readonly [least: number, most: number, step: number, unit: string, said: string];
  readonly volume: string;
  readonly apart: readonly [spacing: number, unit: string, said: string];
}

const WORDS: { readonly [S in System]: Words } = {
  us: {
    flow: [0.2, 0.5, 0.05, "gal/min"],
    pressure: [20, 30, 5, "psi"],
    weight: [3, 12, 1, "oz", "oz by weight"],
    density: [9, 11.5, 0.5, "lb/gal", "lb a gallon"],
    rate: [2, 5, 0.5, "fl oz/1000 ft2", "fl oz"],
    part: "1,000 sq ft",
    large: [32, 96, 4, "fl oz/ac", "fl oz per acre"],
    lawn: [3000, 12_000, 500, "ft2", "sq ft"],
    volume: "fl oz",
    apart: [1, "ft", "a foot"],
  },
  metric: {
    flow: [0.8, 2, 0.2, "L/min"],
    pressure: [1.5, 2, 0.25, "bar"],
    weight: [100, 350, 10, "g", "g"],
    density: [1.1, 1.4, 0.05, "kg/L", "kg a litre"],
    rate: [60, 150, 10, "mL/100 m2", "mL"],
    part: "100 m²",
    large: [2, 7, 0.25, "L/ha", "L per hectare"],
    lawn: [300, 1200, 50, "m2", "m²"],
    volume: "mL",
    apart: [0.5, "m", "half a metre"],
  },
};

const OUNCES: {
  readonly [S in System]: { readonly about: string; readonly kit: string; readonly question: string; readonly why: string };
} = {
  us: {
    about:
      "An ounce weighs, a fluid ounce fills. Water's are near one another; a heavy liquid's aren't, and a powder's never are.",
    kit: "a cup marked in fluid ounces",
    question: "How many fluid ounces are that?",
    why: "Weight divided by what a gallon weighs is the volume; a cup filled to the label's number would hold more product than it asks for.",
  },
  metric: {
    about: "A gram weighs, a millilitre fills. Water's are near one another; a heavy liquid's aren't, and a powder's never are.",
    kit: "a cup marked in millilitres",
    question: "How many millilitres are that?",
    why: "Weight divided by what a litre weighs is the volume; a cup filled to the label's number would hold more product than it asks for.",
  },
};

const ACRES: { readonly [S in System]: { readonly about: string; readonly why: string } } = {
  us: {
    about: "A label may speak of acres where lawns are counted in thousands. There are 43.56 thousand square feet in an acre.",
    why: "The area in acres, times the rate; who took the acre's number for a thousand would pour 43.56 times as much.",
  },
  metric: {
    about:
      "A label may speak of hectares where lawns are counted in hundreds of square metres. There are a hundred hundreds in a hectare.",
    why: "The area in hectares, times the rate; who took the hectare's number for a hundred square metres would pour a hundred times as much.",
  },
};

type Draw = (of: readonly [least: number, most: number, step: number, ...rest: unknown[]]) => number;

const WRITE: { readonly [L in LessonId]: (u: Uniform, system: System, draw: Draw) => Omit<Lesson, "id" | "title"> } = {
  pattern: (u, system) => {
    const [spacing, unit, said] = WORDS[system].apart;
    const half = Math.round(between(u, 3, 6, 1));
    const peak = between(u, 8, 14, 1);
    const flat = Math.round(between(u, 0, 3, 1));
    const rise = Array.from({ length: half }, (_, i) => Number(((peak * (i + 1)) / (half + 1)).toFixed(1)));
    const deposit = [0, ...rise, ...Array.from({ length: 2 * flat + 1 }, () => peak), ...[...rise].reverse(), 0];
    const best = widestWithin(swathsOf(deposit), 0.15)!;
    const swath = best.spacings * spacing;
    return {
      about: "One pass throws most in its middle and little at its edges. Passes overlap so that edges add up to a middle.",
      story: `Cups stood ${said} apart across one pass of a made-up rig, and caught: ${deposit.join(", ")}.`,
      question:
        "Which is the widest swath at which the lawn is uneven by at most 15 %, there and back as well as always the same way?",
      kind: "length",
      unit,
      answer: quantity("length", swath, unit as "ft"),
      working: null,
      why: `At ${swath} ${unit} the worse of the two is ${(100 * Math.max(best.sameWay, best.backAndForth)).toFixed(1)} %; no wider one stays within 15 %.`,
      deposit,
      spacing: `${spacing} ${unit}`,
    };
  },
  pressure: (u, system, draw) => {
    const words = WORDS[system];
    const [flowUnit, pressureUnit] = [words.flow[3], words.pressure[3]];
    const flow = draw(words.flow);
    const more = between(u, 1.25, 2, 0.25);
    const pressure = draw(words.pressure);
    const wanted = Number((flow * more).toFixed(4));
    const source = derive(pressureRule, {
      pressure: from(`${pressure} ${pressureUnit}`, "pressure", "pressure"),
      wanted: from(`${wanted} ${flowUnit}`, "flow", "wanted"),
      flow: from(`${flow} ${flowUnit}`, "flow", "flow"),
    });
    return {
      about:
        "Flow goes by the square root of pressure. That is why a tip is changed, not a regulator turned, for much more water.",
      story: `A made-up tip gives ${flow} ${flowUnit} at ${pressure} ${pressureUnit}. ${wanted} ${flowUnit} are wanted of it.`,
      question: "At which pressure would it give that?",
      kind: "pressure",
      unit: pressureUnit,
      ...asked(source),
      why: `${more} times the flow takes ${more} × ${more} = ${Number((more * more).toFixed(4))} times the pressure; drops get finer on the way.`,
    };
  },
  ounces: (_, system, draw) => {
    const { weight, density, volume } = WORDS[system];
    const { about, kit, question, why } = OUNCES[system];
    const [asksFor, weighs] = [draw(weight), draw(density)];
    const source = derive(weighedVolumeRule, {
      weight: from(`${asksFor} ${weight[3]}`, "mass", "weight"),
      density: from(`${weighs} ${density[3]}`, "strengthByWeight", "density"),
    });
    return {
      about,
      story: `A demo label asks for ${asksFor} ${weight[4]} of a made-up liquid of ${weighs} ${density[4]}. There is no scale, only ${kit}.`,
      question,
      kind: "volume",
      unit: volume,
      ...asked(source),
      why,
    };
  },
  "slow-tenth": (u, system, draw) => {
    const { rate: of, part } = WORDS[system];
    const [unit, said] = [of[3], of[4]];
    const rate = draw(of);
    const count = Math.round(between(u, 3, 4, 1));
    const planned = between(u, 180, 300, 20);
    const took = Number((planned * 1.1).toFixed(1));
    const limit = rate * (count + 1);
    const source = derive(yearSoFarRule, {
      limit: from(`${limit} ${unit}`, "rateByVolume", "limit"),
      rate: from(`${rate} ${unit}`, "rateByVolume", "rate"),
      took: from(`${took} s`, "time", "took"),
      planned: from(`${planned} s`, "time", "planned"),
      count: given(entered(`${count}`, "count"), "count"),
    });
    return {
      about:
        "Whoever is a tenth slower puts a tenth more down, every time. A year's limit counts what went down, not what was meant.",
      story: `A demo label allows ${limit} ${said} per ${part} in a year, ${rate} ${said} each time. The mix was for ${planned} s on ${part}; ${count} times it took ${took} s.`,
      question: `How much of the year's limit is left, per ${part}?`,
      kind: "rateByVolume",
      unit,
      ...asked(source),
      why: `${count} times at a tenth too much have eaten into the next one: a whole application of ${rate} ${said} doesn't fit any more.`,
    };
  },
  "other-legs": (u, system, draw) => {
    const { rate: of, part } = WORDS[system];
    const [unit, said] = [of[3], of[4]];
    const rate = draw(of);
    const planned = between(u, 200, 280, 10);
    const took = between(u, 290, 350, 10);
    const source = derive(otherLegsRule, {
      rate: from(`${rate} ${unit}`, "rateByVolume", "rate"),
      took: from(`${took} s`, "time", "took"),
      planned: from(`${planned} s`, "time", "planned"),
    });
    return {
      about: "A tank is mixed for a pace. In other legs the same tank is another rate.",
      story: `A tank was mixed for ${rate} ${said} per ${part} at a pace of ${planned} s on ${part}. Somebody else sprays it and takes ${took} s.`,
      question: `How much product goes down per ${part}?`,
      kind: "rateByVolume",
      unit,
      ...asked(source),
      why: "Longer on the ground is more on the ground, in the same part.",
    };
  },
  acres: (_, system, draw) => {
    const { large, lawn, volume } = WORDS[system];
    const { about, why } = ACRES[system];
    const [rate, area] = [draw(large), draw(lawn)];
    const source = derive(acreProductRule, {
      rate: from(`${rate} ${large[3]}`, "rateByVolume", "rate"),
      area: from(`${area} ${lawn[3]}`, "area", "area"),
    });
    return {
      about,
      story: `A demo label asks for ${rate} ${large[4]}. The lawn has ${area.toLocaleString("en-US")} ${lawn[4]}.`,
      question: "How much product does the lawn get?",
      kind: "volume",
      unit: volume,
      ...asked(source),
      why,
    };
  },
};

/**
 * A lesson with its numbers.
 * @param seed any whole number: the same one is the same question
 * @param system the reader's units: of the other system the same seed is another question
 */
export function lessonOf(id: LessonId, seed: number, system: System): Lesson {
  const u = seeded(seed * 7919 + LESSONS.indexOf(id));
  const draw: Draw = ([least, most, step]) => between(u, least, most, step);
  return { id, title: lessonTitle(id, system), ...WRITE[id](u, system, draw) };
}

/** Whether an answer is right: within 2 % of what core worked out, so that a rounded one counts. */
export const isRight = (lesson: Lesson, answer: Quantity<AnswerKind>): boolean =>
  isZero(lesson.answer) ? compare(answer, lesson.answer) === 0 : isWithin(ratio(answer, lesson.answer), NEAR);
