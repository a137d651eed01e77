import { format } from "../data/dates";
import { dateOf } from "@/core/calendar";
import { methodOf } from "@/core/calibration/methods";
import { GOOD_FOR } from "@/core/calibration/standing";
import { wordsFor, type Issue } from "@/core/issue";
import { groundIsOpen } from "@/core/labels/gallon";
import { readAmount } from "@/core/mixing/display";
import { coverageOf } from "@/core/mixing/mix";
import { showEntered, writeNumber } from "@/core/quantity/format";
import { parseQuantity } from "@/core/quantity/parse";
import { read, secondsA, type System } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { unitCovers } from "@/core/mixing/ground";
import { reasonWords } from "@/core/words/reasons";
import type { CardText } from "@/formats/card/card";
import { productOf } from "@/formats/card/product-of";
import type { CalibrationLook, RigEntry } from "@/formats/entries";
import { calibrationJob, fullTankOf, soundJob, tankJob } from "@/formats/job-file/assemble";
import { readChecked } from "@/formats/job-file/read-checked";
import { judge, workOut } from "@/formats/standing";
import { dayHere, dayNow, wallClock } from "../data/clock";
import { rateWords } from "../labels/words";

/** What stands on a tag: the same on the screen, on paper and in the PDF. */
export interface TagFacts {
  readonly system: System;
  readonly rig: string;
  readonly whose: string;
  readonly tip: string;
  readonly swath: string;
  readonly course: string;
  readonly caught: string;
  readonly sprayVolume: string;
  readonly band: string;
  readonly coverage: string;
  /** The ground that one gallon, or litre, covers. */
  readonly unit: string;
  readonly made: string;
  readonly goodUntil: string;
  /** What of a product goes into a full tank, and at which rate; undefined where none was asked for, or none may be told. */
  readonly tank?: { readonly amount: string; readonly rate: string };
  /** Why it is not to be mixed from; empty while it stands. */
  readonly warns: string;
}

/** A product on a tag, at a rate of its label's rows. */
export interface OnTag {
  readonly card: CardText;
  readonly rate: string;
}

/** The rates that a label's rows name, each once. */
export const ratesOn = (card: CardText): readonly string[] => [
  ...new Set(card.rates.flatMap((row) => (row.to === undefined ? [row.rate] : [row.rate, row.to]))),
];

/**
 * What of a product goes into a full tank of a calibration, judged as a mix that names no ground is.
 * @returns the amount; or why there is none, a sentence each
 */
export function tankOnTag(
  { entry }: CalibrationLook,
  { card, rate }: OnTag,
  system: System,
): { readonly tank: NonNullable<TagFacts["tank"]> } | { readonly why: readonly string[] } {
  const wrong = (issues: readonly Issue[]) => ({ why: issues.map((issue) => wordsFor(issue, system)) });
  const product = productOf(card, rate);
  if (!product.ok) return wrong(product.issues);
  const job = readChecked(tankJob({ rig: entry.rig, calibration: entry.calibration, products: [product.value] }));
  if (!job.ok) return wrong(job.issues);
  if (job.value.products.some(groundIsOpen))
    return { why: [`${rateWords(rate)} is for a gallon: for how much ground is asked when it is mixed.`] };
  const made = fullTankOf(job.value);
  if (!made.ok) return wrong(made.issues);
  const { plan, contents } = made.value.full;
  const amount = contents?.amounts[0];
  if (amount) return { tank: { amount: `${readAmount(amount, system)} ${card.name}`, rate: rateWords(rate) } };
  const held = plan.reasons.map((reason) => `Held: ${reasonWords(reason, system).fits ?? "its label doesn't allow it"}.`);
  return { why: held.length > 0 ? held : ["It is spread dry: nothing of it goes into the tank."] };
}

/** An area or a course as people write it: 250 ft2 is 250 sq ft. */
function written(text: string): string {
  const area = parseQuantity(text, "area");
  const length = parseQuantity(text, "length");
  return area.ok ? showEntered(area.value) : length.ok ? showEntered(length.value) : text;
}

/** @param person who walked, by name; undefined where it is nobody's own */
export function tagFacts(
  looked: CalibrationLook,
  of: RigEntry,
  person: string | undefined,
  system: System,
  tank?: TagFacts["tank"],
): TagFacts {
  const { entry, tap, inForce } = looked;
  const made = workOut(entry);
  const job = soundJob(calibrationJob(entry.rig, entry.calibration));
  const { pace, flow, used } = entry.calibration;
  const { tip, outlets } = entry.rig;
  const band = made.uncertainty;
  const newest = inForce ? judge(of.rig, inForce.entry, inForce.check ?? undefined, dayNow()) : undefined;
  const mean = made.trials.find((t) => t.of === "pace");
  const ground = pace?.kind === "timed-area" ? pace.area : pace?.kind === "timed-run" ? pace.distance : undefined;
  const swath = pace && "swath" in pace ? pace.swath : entry.calibration.swath;
  return {
    system,
    ...(tank && { tank }),
    rig: of.rig.name,
    whose: person ?? (tap ? `tap of ${tap}` : "anyone"),
    tip:
      [tip?.size && `${(outlets?.count ?? 1) > 1 ? `${outlets!.count} × ` : ""}${tip.size}`, tip?.pressure]
        .filter(Boolean)
        .join(" at ") || "not noted",
    swath: typeof swath === "string" ? swath : outlets?.spacing ? `${outlets.count} × ${outlets.spacing}` : "not noted",
    course:
      ground && made.timePer1000
        ? `${written(ground)}, ${mean?.count ?? 1} ×; ${groundText(system)} in ${paceTime(made.timePer1000.value, system)}`
        : pace?.kind === "speed"
          ? pace.speed
          : "–",
    caught: made.flow
      ? `${read(made.flow.value, "flow", system)}, ${secondsA(made.flow.value, system)}${flow?.kind === "tip-chart" ? " (estimate)" : ""}`
      : used
        ? "by what it used up"
        : "–",
    sprayVolume: read(made.sprayVolume.value, "sprayVolume", system),
    band: band ? `± ${writeNumber(band.relative * 100, { figures: 2 })} %` : "as given",
    unit: made.hoseEnd ? "–" : read(unitCovers(made.sprayVolume, system), "area", system),
    coverage: job.tank && !made.hoseEnd ? read(coverageOf(job.tank, made.sprayVolume).value, "area", system) : "–",
    made: `${format(wallClock(entry.madeAt), "d MMM yyyy")}${entry.method ? `, ${methodOf(entry.method)!.title.toLowerCase()}` : ""}`,
    goodUntil: format(new Date(`${dateOf(dayHere(entry.madeAt) + GOOD_FOR)}T12:00:00`), "d MMM yyyy"),
    warns:
      newest?.entry.id !== entry.id
        ? "A newer calibration has taken its place."
        : newest.unsure
          ? "Trials disagree: not a calibration yet."
          : newest.estimate
            ? "An estimate: catch it before mixing."
            : newest.standing.state === "stands"
              ? ""
              : `${newest.standing.state}: ${newest.standing.reasons.join("; ")}`,
  };
}

/** The lines of a tag, in the order in which they are read. */
export const tagLines = (tag: TagFacts): readonly (readonly [string, string])[] => [
  ["Tip", tag.tip],
  ["Swath", tag.swath],
  ["Course", tag.course],
  ["Caught", tag.caught],
  ["A full tank covers", tag.coverage],
  ...(tag.tank && tag.warns === ""
    ? ([
        ["Into a full tank", tag.tank.amount],
        ["At", tag.tank.rate],
      ] as const)
    : []),
  [tag.system === "us" ? "A gallon covers" : "A litre covers", tag.unit],
  ["Made", tag.made],
];
