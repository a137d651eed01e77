import { isClockTime } from "@/core/calendar";
import { parseQuantity } from "@/core/quantity/parse";

/**
 * What else is on record of an application, beside what went down where and when. The first group is taken by the server from
 * what is on record on that day, so that a card or a certificate that changes later changes no record; the second is told.
 */
export interface FactsText {
  readonly registration?: string;
  /** "yes" where the label makes it a restricted-use product. */
  readonly restricted?: "yes";
  /** The category of certificate that its use takes. */
  readonly category?: string;
  readonly turf?: string;
  readonly jurisdiction?: string;
  /** Of who sprayed: the certificate's number, who gave it, what for, until when. */
  readonly certificate?: string;
  readonly certifiedBy?: string;
  readonly categories?: string;
  readonly certificateEnds?: string;
  readonly rig?: string;
  /** The id of the round of the program that it was mixed for. */
  readonly round?: string;

  /** "07:40" */
  readonly started?: string;
  readonly ended?: string;
  readonly target?: string;
  readonly stage?: string;
  /** A speed, "4 mph"; from where; a temperature, "68 °F". */
  readonly wind?: string;
  readonly windFrom?: string;
  readonly air?: string;
  readonly sky?: string;
  readonly mixedBy?: string;
  readonly lot?: string;
  readonly watering?: string;
  readonly reentry?: string;
  readonly leftover?: string;
}

/** A calm that nobody measured: the record says so. */
export const CALM_GUESSED = "calm (guessed)";

/** What is told of an application, field by field. */
export const TOLD = [
  "started",
  "ended",
  "target",
  "stage",
  "wind",
  "windFrom",
  "air",
  "sky",
  "mixedBy",
  "lot",
  "watering",
  "reentry",
  "leftover",
] as const satisfies readonly (keyof FactsText)[];
export type ToldFact = (typeof TOLD)[number];

const SNAPSHOT = [
  "registration",
  "restricted",
  "category",
  "turf",
  "jurisdiction",
  "certificate",
  "certifiedBy",
  "categories",
  "certificateEnds",
  "rig",
  "round",
] as const satisfies readonly (keyof FactsText)[];

const MOST = 200;
const TEMPERATURE = /^-?\d{1,3}(\.\d)? °?[FC]$/;

/** Whether a told fact can stand: a time of day, a speed, a temperature, or some words. */
export function isToldFact(key: ToldFact, value: unknown): value is string {
  if (typeof value !== "string" || value.trim() === "" || value.length > MOST) return false;
  if (key === "started" || key === "ended") return isClockTime(value);
  if (key === "air") return TEMPERATURE.test(value);
  if (key === "wind") return value === "calm" || value === CALM_GUESSED || parseQuantity(value, "speed", { zero: true }).ok;
  return true;
}

/** What would be right in a told fact, for a message. */
export const EXPECTED: Partial<Record<ToldFact, string>> = {
  started: `"07:40"`,
  ended: `"08:25"`,
  wind: `"4 mph", or "calm"`,
  air: `"68 °F" or "20 °C"`,
};

export function isFacts(value: unknown): value is FactsText {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return false;
  const facts = value as Record<string, unknown>;
  return (
    Object.keys(facts).every(
      (key) => (TOLD as readonly string[]).includes(key) || (SNAPSHOT as readonly string[]).includes(key),
    ) &&
    TOLD.every((key) => facts[key] === undefined || isToldFact(key, facts[key])) &&
    SNAPSHOT.every((key) => facts[key] === undefined || typeof facts[key] === "string")
  );
}

/** What was told of a record, without what was taken from what was on record. */
export const toldOf = (facts: FactsText): Pick<FactsText, ToldFact> =>
  Object.fromEntries(TOLD.flatMap((key) => (facts[key] === undefined ? [] : [[key, facts[key]]])));
