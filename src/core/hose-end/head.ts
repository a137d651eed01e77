import type { Entered } from "../quantity/parse";
import { make, raw, type Quantity } from "../quantity/kinds";
import { derive, given, num, rule, type Derived, type Source } from "../working/rule";
import { quantity } from "../quantity/quantity";
import { THOUSAND } from "../working/thousand";
import { minutesToEmptyRule } from "../calibration/required-flow";

/**
 * Hose-end heads: two families. A *metered feed* draws so much product a minute whatever the water does; a *dial* gives
 * ounces of jar for each gallon that passes. The flow is what leaves the head, product included.
 */
export type Head =
  | { readonly kind: "metered"; readonly feed: Entered<"flow">; readonly jar?: Jar }
  | { readonly kind: "dial"; readonly setting: Entered<"strengthByVolume">; readonly jar?: Jar };

/** Product made up with water in the jar. */
export interface Jar {
  readonly product: Entered<"volume">;
  readonly water: Entered<"volume">;
}

export const dialFeedRule = rule({
  id: "dial-feed",
  version: 1,
  title: "Drawn from the jar",
  formula: "setting * flow",
  inputs: { setting: "strengthByVolume", flow: "flow" },
  output: "flow",
  source: "a dial set to d ounces a gallon draws d·f (common practice)",
  compute: ({ setting, flow }) => num(setting) * num(flow),
});

export const undilutedRule = rule({
  id: "undiluted-feed",
  version: 1,
  title: "Product drawn",
  formula: "feed * product / (product + water)",
  inputs: { feed: "flow", product: "volume", water: "volume" },
  output: "flow",
  source: "with k = (product + water) / product, 1/k of what is drawn is product",
  compute: ({ feed, product, water }) => (num(feed) * num(product)) / (num(product) + num(water)),
});

export const headDilutionRule = rule({
  id: "head-dilution",
  version: 1,
  title: "Stream to product",
  formula: "flow / product",
  inputs: { flow: "flow", product: "flow" },
  output: "dilution",
  source: "stream : product = f / p, both by the minute (common practice)",
  compute: ({ flow, product }) => num(flow) / num(product),
});

export const headPaceRule = rule({
  id: "head-pace",
  version: 1,
  title: "Pace that gives the label rate",
  formula: "rate * thousand / product",
  inputs: { rate: "rateByVolume", thousand: "area", product: "flow" },
  output: "time",
  source: "time per 1,000 sq ft = R / p (common practice)",
  compute: ({ rate, thousand, product }) => (num(rate) * num(thousand)) / num(product),
});

export const dialForPaceRule = rule({
  id: "dial-for-pace",
  version: 1,
  title: "Dial for the pace",
  formula: "rate * thousand / (flow * time)",
  inputs: { rate: "rateByVolume", thousand: "area", flow: "flow", time: "time" },
  output: "strengthByVolume",
  source: "d = R / (f·T) (common practice)",
  compute: ({ rate, thousand, flow, time }) => (num(rate) * num(thousand)) / (num(flow) * num(time)),
});

export const drawRule = rule({
  id: "jar-draw",
  version: 1,
  title: "Drawn by the check",
  formula: "volume / time",
  inputs: { volume: "volume", time: "time" },
  output: "flow",
  source: "definition",
  compute: ({ volume, time }) => num(volume) / num(time),
});

/** What is drawn from the jar, water of a diluted one included. */
export const drawnAt = (head: Head, flow: Source<"flow">): Source<"flow"> =>
  head.kind === "metered"
    ? given(head.feed, "feed of the head")
    : derive(dialFeedRule, { setting: given(head.setting, "dial"), flow });

/** Undiluted product that leaves a head: null for a dial while the flow through it is not known. */
export function productFlow(head: Head, flow: Source<"flow"> | null): Source<"flow"> | null {
  if (!flow && head.kind === "dial") return null;
  const drawn = drawnAt(head, flow!);
  if (!head.jar) return drawn;
  return derive(undilutedRule, {
    feed: drawn,
    product: given(head.jar.product, "product in the jar"),
    water: given(head.jar.water, "water in the jar"),
  });
}

/** How long a full jar lasts, water of a diluted one included: asked for no label rate. */
export const jarLasts = (head: Head, jar: Source<"volume">, flow: Source<"flow">): Derived<"time"> =>
  derive(minutesToEmptyRule, { usable: jar, flow: drawnAt(head, flow) });

/** Time that one person takes over 1,000 sq ft to put the label's rate down. */
export const headPace = (rate: Source<"rateByVolume">, product: Source<"flow">): Derived<"time"> =>
  derive(headPaceRule, { rate, thousand: THOUSAND, product });

/** The dial for a wanted pace. */
export const dialForPace = (rate: Source<"rateByVolume">, flow: Source<"flow">, time: Source<"time">) =>
  derive(dialForPaceRule, { rate, thousand: THOUSAND, flow, time });

/** The same dial for a jar that is made up with water: k times as high, since 1/k of what is drawn is product. */
export const dialForJar = (dial: Quantity<"strengthByVolume">, { product, water }: Jar): Quantity<"strengthByVolume"> =>
  make(raw(dial) * ((raw(product.value) + raw(water.value)) / raw(product.value)));

export interface HeadReading {
  readonly productFlow: Source<"flow"> | null;
  readonly dilution: Derived<"dilution"> | null;
  /** For the first product's rate; null where there is none by area. */
  readonly timePer1000: Derived<"time"> | null;
  /** The pace's time over that time: 2.5 puts two and a half times the label down. */
  readonly overdose: number | null;
}

/** What a head does: product drawn, how far the stream thins it, the pace for the rate, and by how much a pace is off. */
export function readHead(
  head: Head,
  flow: Source<"flow"> | null,
  rate: Source<"rateByVolume"> | null,
  pace: Source<"time"> | null,
): HeadReading {
  const product = productFlow(head, flow);
  const timePer1000 = product && rate ? headPace(rate, product) : null;
  return {
    productFlow: product,
    dilution: product && flow ? derive(headDilutionRule, { flow, product }) : null,
    timePer1000,
    overdose: timePer1000 && pace ? num(pace) / num(timePer1000) : null,
  };
}

export interface LabelNumberMistake {
  /** The dial turned to the label's number of ounces. */
  readonly setting: Quantity<"strengthByVolume">;
  /** The dose for 1,000 sq ft is gone in so many seconds … */
  readonly seconds: number;
  /** … and at the wanted pace so many times too much goes down. */
  readonly factor: number;
}

/**
 * The classic mistake: the dial set to the label's number. At R ounces per 1,000 sq ft a dial at R ounces a gallon has
 * given the dose when one gallon has passed, whatever R is.
 */
export function labelNumberMistake(
  rate: Quantity<"rateByVolume">,
  flow: Quantity<"flow">,
  pace: Quantity<"time">,
): LabelNumberMistake {
  const perThousand = raw(rate) * raw(THOUSAND.value);
  const gallon = raw(quantity("volume", 1, "gal"));
  const setting = make<"strengthByVolume">(perThousand / gallon);
  const seconds = gallon / raw(flow);
  return { setting, seconds, factor: raw(pace) / seconds };
}

/** How many times more a bare tap gives than what comes through hose and head. */
export const tapAgainstHead = (tap: Quantity<"flow">, head: Quantity<"flow">): number => raw(tap) / raw(head);

export interface DrawCheck {
  readonly drawn: Derived<"flow">;
  /** Over what the head should draw; null where that is not known. */
  readonly ratio: number | null;
}

/** The draw check: mark the jar, run water, measure the drop. Done full and near empty: full jars draw better. */
export function drawCheck(volume: Source<"volume">, time: Source<"time">, expected: Quantity<"flow"> | null): DrawCheck {
  const drawn = derive(drawRule, { volume, time });
  return { drawn, ratio: expected === null ? null : num(drawn) / raw(expected) };
}
