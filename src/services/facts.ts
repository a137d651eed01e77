import { bad, good, type Result } from "@/core/issue";
import { RESTRICTED_USE, type CardText } from "@/formats/card/card";
import type { KeptSite } from "@/formats/entries";
import { EXPECTED, isToldFact, TOLD, type FactsText, type ToldFact } from "@/formats/facts";
import { certificateOn, type PaperText } from "@/formats/papers";
import { issue, shown } from "./input";

/** What a record is of: the product's card, the site, who sprays, as they are on record. */
export interface FactsOf {
  readonly card: CardText | undefined;
  readonly site: KeptSite | undefined;
  readonly zoneId: string;
  readonly papers: readonly PaperText[] | undefined;
  readonly date: string;
  readonly rig?: string | undefined;
  /** The id of the round that it was mixed for. */
  readonly round?: string | undefined;
}

const given = <K extends keyof FactsText>(key: K, text: string | undefined) =>
  text === undefined || text === "" ? {} : { [key]: text };

/** What is on record today of the product, the ground and who sprays: a record keeps it as it is then. */
export function factsNow({ card, site, zoneId, papers = [], date, rig, round }: FactsOf): FactsText {
  const zone = site?.zones.find((z) => z.id === zoneId);
  const certificate = certificateOn(papers, date);
  return {
    ...given("registration", card?.registration),
    ...(card?.restricted === RESTRICTED_USE && { restricted: "yes" as const }),
    ...given("category", card?.category),
    ...given("turf", zone?.turf),
    ...given("jurisdiction", site?.jurisdiction),
    ...given("certificate", certificate?.number),
    ...given("certifiedBy", certificate?.where),
    ...given("categories", certificate?.categories),
    ...given("certificateEnds", certificate?.ends),
    ...given("rig", rig),
    ...given("round", round),
  };
}

/** What of two records is the same, so that what one of them keeps of it holds for the other. */
export interface SameAs {
  readonly label: boolean;
  readonly zone: boolean;
  readonly person: boolean;
  /** The day of the new one. */
  readonly date: string;
}

/**
 * What a correction keeps of the record that it corrects: the card, the ground and the certificate as they were then, where it is
 * of the same; today's fill in only what that record didn't have.
 */
export function factsKept(old: FactsText, now: FactsText, same: SameAs): FactsText {
  const {
    registration,
    restricted,
    category,
    turf,
    jurisdiction,
    certificate,
    certifiedBy,
    categories,
    certificateEnds,
    round,
    ...rest
  } = old;
  const ofLabel = { registration, restricted, category };
  const ofGround = { turf, jurisdiction };
  const ofPerson = { certificate, certifiedBy, categories, certificateEnds };
  const held = certificate !== undefined && (certificateEnds === undefined || certificateEnds >= same.date);
  return tidy({
    ...now,
    ...rest,
    ...(same.label && (registration !== undefined || restricted !== undefined) && ofLabel),
    // Another product isn't what the round is for.
    ...(same.label && { round }),
    ...(same.zone && tidy(ofGround)),
    ...(same.person && held && ofPerson),
  });
}

const tidy = (facts: { readonly [K in keyof FactsText]: FactsText[K] | undefined }): FactsText =>
  Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined));

/** What was told of an application: `{ started: "07:40", wind: "4 mph", … }`; nothing of it has to be. */
export function readTold(input: unknown): Result<Pick<FactsText, ToldFact>> {
  if (input === undefined) return good({});
  if (typeof input !== "object" || input === null || Array.isArray(input))
    return bad(issue("facts", "wrong-type", "something else", "an object of what else is known"));
  const told = input as Record<string, unknown>;
  const unknown = Object.keys(told).find((key) => !(TOLD as readonly string[]).includes(key));
  if (unknown !== undefined) return bad(issue(`facts.${unknown}`, "unknown-key", unknown, ""));
  const kept = TOLD.flatMap((key) => (told[key] === undefined || told[key] === "" ? [] : [[key, told[key]] as const]));
  const faults = kept
    .filter(([key, value]) => !isToldFact(key, value))
    .map(([key, value]) =>
      issue(`facts.${key}`, "not-a-choice", shown(value), EXPECTED[key] ?? "some words, 200 letters at most"),
    );
  if (faults.length > 0) return bad(...faults);
  return good(Object.fromEntries(kept.map(([key, value]) => [key, (value as string).trim()])));
}
