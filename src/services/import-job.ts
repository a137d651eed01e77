import {
  bad,
  belongsToPerson,
  calibrate,
  entered,
  good,
  GROUNDS,
  LEVERS,
  METHOD_IDS,
  ownerOf,
  withinField,
  type Calibration,
  type Field,
  type Ground,
  type Issue,
  type Kind,
  type LeverName,
  type MethodId,
  type Result,
} from "@/core/contents";
import type { CardText } from "@/formats/card/card";
import { cardOf } from "@/formats/card/product-of";
import { readRate } from "@/formats/forms/rate";
import { calibrationJob } from "@/formats/job-file/assemble";
import { readJobText } from "@/formats/job-file/read";
import type { Job } from "@/formats/job-file/read-checked";
import { isSetup } from "@/formats/rig-setup";
import { addCalibration, findCalibration, newestBefore, type NewTrial } from "@/records/calibrations";
import type { Access, Records } from "@/records/database";
import { labelNamed, putLabel } from "@/records/labels";
import { personNamed, putPerson } from "@/records/people";
import { putRig, rigNamed, type NamedRig } from "@/records/rigs";
import { findSite, putSite, siteNamed } from "@/records/sites";
import { fileId } from "./file-id";
import { keepApplied } from "./keep-applied";
import { isMoment, issue, nowText } from "./input";
import { impossible, resultOf } from "./keep-calibration";

/** What an import brought in, by name. What was there already is left as it is. */
export interface Imported {
  readonly rigs: readonly string[];
  readonly people: readonly string[];
  readonly labels: readonly string[];
  readonly sites: readonly string[];
  readonly calibrations: number;
  /** What went down before, as the file's zones tell it. */
  readonly applications: number;
  /** Labels that the file binds otherwise than the card on record, which was left as it is. */
  readonly differing: readonly string[];
}

/**
 * Takes a job file in: the rig, its calibration, the labels and the sites, each found by its name. Beside the format's
 * own keys it reads `x-person` (whose calibration it is), `x-made-at` (when), `x-ground`, `x-method` and `x-lever`. The same file twice brings
 * nothing new. What its zones tell of earlier applications goes into the log: a budget that forgets is a trap.
 */
export function importJob(db: Records, text: string): Result<Imported> {
  const read = readJobText(text);
  if (!read.ok) return read;
  const job = read.value;
  const { person, madeAt, ground, story, issues: extra } = extrasOf(job);
  const made = calibrate(job.calibration);
  const impossibly = impossible(made, "calibration");
  const issues = [...extra, ...rangeFaults(job), ...(impossibly ? [impossibly] : [])];
  const cards: CardText[] = [];
  job.file.products?.forEach((product, i) => {
    const card = cardOf(product, `products[${i}]`);
    if (card.ok) cards.push(card.value);
    else issues.push(...card.issues);
  });
  issues.push(...lostZones(db, job), ...spots(db, job));
  if (belongsToPerson(job.rig.kind) && job.file.calibration.sprayVolume === undefined && person === undefined)
    issues.push(issue("x-person", "missing", "", `"Odile Marsh": a pace is a person's own, name who walked`));
  if (ownerOf(job.rig.kind) === "tap" && !job.file.sites?.length)
    issues.push(issue("sites", "missing", "", "the site whose tap feeds the head, first in the list"));
  if (job.file.rig["x-setup"] !== undefined && !isSetup(job.file.rig["x-setup"]))
    issues.push(issue("rig.x-setup", "wrong-type", "something else", "a rig's set-up as the app writes it"));
  if (job.file.rig.name === undefined) issues.push(issue("rig.name", "missing", "", `"Blue backpack"`));
  if (issues.length > 0) return { ok: false, issues };

  return db.transaction((tx): Result<Imported> => {
    const now = nowText();
    const rigs: string[] = [];
    const rig = job.file.rig as NamedRig;
    const rigId = rigNamed(tx, rig.name)?.id ?? fileId("rig", rig.name);
    if (!rigNamed(tx, rig.name)) {
      putRig(tx, rigId, rig, now);
      rigs.push(rig.name);
    }
    const people: string[] = [];
    let personId: string | null = null;
    if (person !== undefined) {
      personId = personNamed(tx, person)?.id ?? fileId("person", person);
      if (!personNamed(tx, person)) {
        putPerson(tx, personId, person, now);
        people.push(person);
      }
    }
    const labels = cards.filter((card) => !labelNamed(tx, card.name));
    // A label that is there already is left as it is; where the file binds it otherwise, that is said.
    const differing = cards.filter((card) => {
      const known = labelNamed(tx, card.name)?.card;
      return known !== undefined && bindingOf(known) !== bindingOf(card);
    });
    for (const card of labels) putLabel(tx, fileId("label", card.name), card, now);
    const sites = (job.file.sites ?? []).filter((s) => !siteNamed(tx, s.name));
    for (const site of sites) putSite(tx, fileId("site", site.name), site, now);
    let applications = 0;
    for (const site of job.file.sites ?? []) {
      const id = siteNamed(tx, site.name)!.id;
      applications += keepApplied(tx, { ...findSite(tx, id)!, id }, site.zones, now);
    }
    // The tap of a hose-end head is that of the job's first site.
    const tap = ownerOf(job.rig.kind) === "tap" ? job.file.sites?.[0] : undefined;
    const siteId = tap ? siteNamed(tx, tap.name)!.id : null;
    const calibrations = keepCalibration(tx, job, made, { rigId, personId, siteId, madeAt, ground, now }, story);
    const names = (list: readonly { readonly name: string }[]) => list.map((one) => one.name);
    return good({
      rigs,
      people,
      labels: names(labels),
      sites: names(sites),
      calibrations,
      applications,
      differing: names(differing),
    });
  });
}

/** What of a card binds a plan, as one text to compare. */
const bindingOf = ({ actives, limits, rates, carrierAtLeast, dilutionAtLeast }: CardText) =>
  JSON.stringify([actives, limits, rates.map(({ rate, to }) => [rate, to]), carrierAtLeast, dilutionAtLeast]);

/** Zones whose history would be lost: the site is on record, and has no zone of that name. */
function lostZones(db: Records, job: Job): Issue[] {
  return (job.file.sites ?? []).flatMap((site, i) => {
    const id = siteNamed(db, site.name)?.id;
    const known = id === undefined ? undefined : findSite(db, id);
    return site.zones.flatMap((zone, j) => {
      const name = zone.name ?? `zone ${j + 1}`;
      if (!known || !zone.applied?.length || known.zones.some((z) => z.name === name)) return [];
      return [issue(`sites[${i}].zones[${j}].name`, "unknown-name", name, known.zones.map((z) => z.name).join(", "))];
    });
  });
}

/** Zones of a spot mix at a site that isn't on record: how large they really are is not in the file. */
function spots(db: Records, job: Job): Issue[] {
  return (job.file.sites ?? []).flatMap((site, i) =>
    siteNamed(db, site.name)
      ? []
      : site.zones.flatMap((zone, j) =>
          zone["x-spot"] === undefined
            ? []
            : [
                issue(
                  `sites[${i}].zones[${j}].area`,
                  "conflict",
                  `${zone.area} is what a spot mix treats`,
                  `add ${site.name} with its own areas first`,
                ),
              ],
        ),
  );
}

/** How a calibration was made, and which lever it proves. */
interface Story {
  readonly method: MethodId | null;
  readonly lever: { readonly name: LeverName; readonly setTo: string } | null;
}

function extrasOf(job: Job) {
  const file = job.file as unknown as Record<string, unknown>;
  const issues: Issue[] = [];
  const person = file["x-person"];
  if (person !== undefined && (typeof person !== "string" || person.trim() === "" || person.length > 60))
    issues.push(issue("x-person", "wrong-type", String(person).slice(0, 60), "a name of at most 60 characters"));
  const at = file["x-made-at"] ?? (job.file.date === undefined ? nowText() : `${job.file.date}T12:00:00Z`);
  if (!isMoment(at)) issues.push(issue("x-made-at", "bad-date", String(at), `"2026-04-14T09:30:00Z"`));
  const ground = file["x-ground"] ?? null;
  if (ground !== null && !GROUNDS.includes(ground as Ground))
    issues.push(issue("x-ground", "not-a-choice", String(ground), GROUNDS.join(", ")));
  const method = file["x-method"] ?? null;
  if (method !== null && !METHOD_IDS.includes(method as MethodId))
    issues.push(issue("x-method", "not-a-choice", String(method).slice(0, 60), METHOD_IDS.join(", ")));
  const lever = (file["x-lever"] ?? null) as Story["lever"];
  if (lever !== null && !(LEVERS.includes(lever.name) && typeof lever.setTo === "string" && lever.setTo.length <= 60))
    issues.push(issue("x-lever", "wrong-type", "something else", `{ "name": "pressure", "setTo": "46 psi" }`));
  return {
    story: { method: method as MethodId | null, lever },
    person: person as string | undefined,
    madeAt: at as string,
    ground: ground as Ground | null,
    issues,
  };
}

/** A file may say anything that is a number; what is kept must be possible, as in a form. */
function rangeFaults(job: Job): Issue[] {
  const issues: Issue[] = [];
  const within = (field: Field, text: string | undefined, kind: Kind, path: string) => {
    if (text === undefined) return;
    const result = withinField(field, entered(text, kind), path);
    if (!result.ok) issues.push(...result.issues);
  };
  const { rig } = job.file;
  if (!rig.tanks?.length) issues.push(issue("rig.tanks", "missing", "", `[{ "name": "main", "usable": "4 gal" }]`));
  rig.tanks?.forEach((tank, i) => {
    within("usable", tank.usable, "volume", `rig.tanks[${i}].usable`);
    within("leastMix", tank.leastMix, "volume", `rig.tanks[${i}].leastMix`);
  });
  within("spacing", rig.outlets?.spacing, "length", "rig.outlets.spacing");
  within("pressure", rig.tip?.pressure, "pressure", "rig.tip.pressure");
  job.file.products?.forEach((product, i) => {
    const rate = readRate(product.rate, product.form, `products[${i}].rate`);
    if (!rate.ok) issues.push(...rate.issues);
  });
  job.file.sites?.forEach((site, i) =>
    site.zones.forEach((zone, j) => within("zoneArea", zone.area, "area", `sites[${i}].zones[${j}].area`)),
  );
  return issues;
}

interface Circumstances {
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId: string | null;
  readonly madeAt: string;
  readonly ground: Ground | null;
  readonly now: string;
}

function keepCalibration(tx: Access, job: Job, made: Calibration, circumstances: Circumstances, story: Story): number {
  const { now, ...where } = circumstances;
  const { method, lever } = story;
  // A lever is pulled after the calibration that was the newest then.
  const follows = lever ? (newestBefore(tx, where)?.id ?? null) : null;
  const file = calibrationJob(job.file.rig, job.file.calibration);
  const id = fileId("calibration", where.rigId, where.personId ?? "", where.madeAt, JSON.stringify(file));
  if (findCalibration(tx, id)) return 0;
  addCalibration(
    tx,
    {
      id,
      ...where,
      method,
      lever: lever?.name ?? null,
      leverSetTo: lever?.setTo ?? null,
      follows,
      job: file,
      ...resultOf(made),
      trials: tapeOf(job),
    },
    now,
  );
  return 1;
}

function tapeOf(job: Job): NewTrial[] {
  const { pace, flow } = job.file.calibration;
  const walks = pace && pace.kind !== "speed" ? pace.times : [];
  const catches = flow?.kind === "timed-catch" ? flow.catches : [];
  return [
    ...walks.map((time): NewTrial => ({ of: "walk", time, volume: null, struck: null })),
    ...catches.map((c): NewTrial => ({ of: "catch", time: c.time, volume: c.volume, struck: null })),
  ];
}

/** Refuses what is no text, or more than a job file can be. */
export function readUpload(input: unknown): Result<string> {
  const text = (input as { text?: unknown } | null)?.text;
  if (typeof text !== "string") return bad(issue("", "wrong-type", "something else", "the text of a job file"));
  return text.length <= 2_000_000 ? good(text) : bad(issue("", "too-long", String(text.length), "2,000,000"));
}
