import { yearBefore } from "../calendar";
import { entered } from "../quantity/parse";
import { derive, kindOf, num, nums, rule, type Source } from "../working/rule";
import { sameName } from "../names";
import { asPlanned, sizeOf, type Active, type AreaRate, type Holder } from "./active";
import type { LabelSays, PutDown, YearKind, ZoneFacts } from "./label";
import { atMost } from "../quantity/slack";

const SUM = "what went down and what is planned, counted as the product whose label is read";

export const countedWeightRule = rule({
  id: "counted-weight",
  version: 1,
  title: "Counted against the limit",
  formula: "sum(amounts)",
  inputs: { amounts: ["rateByWeight"] },
  output: "rateByWeight",
  source: SUM,
  compute: ({ amounts }) => nums(amounts).reduce((sum, a) => sum + a, 0),
});

export const countedVolumeRule = rule({
  id: "counted-volume",
  version: 1,
  title: "Counted against the limit",
  formula: "sum(amounts)",
  inputs: { amounts: ["rateByVolume"] },
  output: "rateByVolume",
  source: SUM,
  compute: ({ amounts }) => nums(amounts).reduce((sum, a) => sum + a, 0),
});

export const weightLeftRule = rule({
  id: "weight-left",
  version: 1,
  title: "Still allowed",
  formula: "max(limit - counted, 0)",
  inputs: { limit: "rateByWeight", counted: "rateByWeight" },
  output: "rateByWeight",
  source: "the label's limit less what counts against it",
  compute: ({ limit, counted }) => Math.max(num(limit) - num(counted), 0),
});

export const volumeLeftRule = rule({
  id: "volume-left",
  version: 1,
  title: "Still allowed",
  formula: "max(limit - counted, 0)",
  inputs: { limit: "rateByVolume", counted: "rateByVolume" },
  output: "rateByVolume",
  source: "the label's limit less what counts against it",
  compute: ({ limit, counted }) => Math.max(num(limit) - num(counted), 0),
});

const byWeight = (rate: AreaRate) => kindOf(rate) === "rateByWeight";

/** Amounts of one kind, added up; a single one stands for itself. */
export function counted(amounts: readonly AreaRate[], dry: boolean): AreaRate {
  if (amounts.length === 1) return amounts[0]!;
  return dry
    ? derive(countedWeightRule, { amounts: amounts as readonly Source<"rateByWeight">[] })
    : derive(countedVolumeRule, { amounts: amounts as readonly Source<"rateByVolume">[] });
}

/** What a limit leaves beside what counts against it already; nothing, never less, where that is over it. */
export function leftOf(limit: AreaRate, others: readonly AreaRate[], dry: boolean): AreaRate {
  if (others.length === 0) return limit;
  const used = counted(others, dry);
  return dry
    ? derive(weightLeftRule, { limit: limit as Source<"rateByWeight">, counted: used as Source<"rateByWeight"> })
    : derive(volumeLeftRule, { limit: limit as Source<"rateByVolume">, counted: used as Source<"rateByVolume"> });
}

/** Equality passes: what is limited and its limit may come by different sums. */
export const passes = (amount: AreaRate, limit: AreaRate): boolean => atMost(sizeOf(amount), sizeOf(limit));

/** A product of a mix as its label's limits see it. */
export interface Counting {
  readonly name: string;
  readonly dry: boolean;
  readonly says: LabelSays;
  /** What this mix puts on the ground. */
  readonly rate: AreaRate;
  /** Spread dry, beside the tank. */
  readonly spread?: boolean;
}

const WHOLE = entered("100 %", "share");

/** The actives of a product; itself, where none is noted: it still counts against its own limits. */
export function activesOf({ name, says }: Pick<Counting, "name" | "says">): readonly Active[] {
  return says.actives.length > 0 ? says.actives : [{ name, content: WHOLE }];
}

const holder = ({ name, says }: Counting, content: Active["content"]): Holder => ({
  product: name,
  content,
  gravity: says.gravity,
});

/**
 * An entry as so much of a product, by one of its actives: undefined where it doesn't hold that active, null where it does
 * and can't be compared (a liquid's content by weight without its specific gravity).
 */
export function entryAs(entry: PutDown, own: Counting, active: Active): AreaRate | null | undefined {
  const known = entry.active ?? (sameName(entry.of, own.name) ? active : undefined);
  // A product without actives counts by its own name.
  const shared = known && (sameName(known.name, active.name) || (own.says.actives.length === 0 && sameName(entry.of, own.name)));
  if (!known || !shared) return undefined;
  if (own.says.actives.length === 0) return byWeight(entry.amount) === own.dry ? entry.amount : null;
  const one = sameName(entry.of, own.name);
  const from: Holder = { product: one ? own.name : entry.of, content: known.content, gravity: entry.gravity };
  return asPlanned(entry.amount, from, holder(own, active.content), own.dry) ?? null;
}

/** What another product of the same mix adds to one's active; undefined and null as of {@link entryAs}. */
export function besideAs(other: Counting, own: Counting, active: Active): AreaRate | null | undefined {
  const shared = other.says.actives.find((a) => sameName(a.name, active.name));
  if (!shared || own.says.actives.length === 0) return undefined;
  return asPlanned(other.rate, holder(other, shared.content), holder(own, active.content), own.dry) ?? null;
}

/** The days that an entry counts on: its own, and the other one that it may have gone down on. */
export const daysOfEntry = ({ date, alsoOn }: Pick<PutDown, "date" | "alsoOn">): readonly string[] =>
  alsoOn === undefined ? [date] : [date, alsoOn];

/**
 * Whether an entry is of the year that a limit counts. A calendar year is that of the date; a rolling one the 12 months
 * that end on it, the same day a year before left out. An entry that may have gone down on either of two days is of both.
 */
export function ofYear(entry: Pick<PutDown, "date" | "alsoOn">, date: string, kind: YearKind): boolean {
  return daysOfEntry(entry).some((day) =>
    kind === "calendar" ? day.slice(0, 4) === date.slice(0, 4) : day <= date && day > yearBefore(date),
  );
}

/** What went down on a zone, and what stands on open sheets for it. */
export const downOn = (zone: ZoneFacts): readonly PutDown[] => zone.applied ?? [];
