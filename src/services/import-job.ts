import { calibrate, type Calibration } from "@/core/calibration/calibrate";
import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import { LEVERS, type LeverName } from "@/core/calibration/levers";
import { good, type Issue, type Result } from "@/core/issue";
import type { CardText } from "@/formats/card/card";
import { cardOf } from "@/formats/card/product-of";
import { NOTHING, type Choices, type Imported, type ImportItem } from "@/formats/import";
import { calibrationJob } from "@/formats/job-file/assemble";
import type { SpreadFile, SpreadJob } from "@/formats/job-file/spread";
import { readAnyText } from "@/formats/job-file/read";
import type { Job } from "@/formats/job-file/read-checked";
import type { ProductText, RecordText } from "@/formats/job-file/types";
import { inVersion1, placedIn } from "@/formats/job-file/versions";
import { isSetup } from "@/formats/rig-setup";
import { addCalibration, findCalibration, newestBefore, type NewTrial } from "@/records/calibrations";
import type { Access, Records } from "@/records/database";
import { keptRig, type NamedRig } from "@/records/rigs";
import { findSite } from "@/records/sites";
import { todayOf } from "./clock";
import { firmCurrency } from "./currency";
import { A_MOMENT, isMoment, issue, nowText, shown } from "./input";
import { fileId } from "./file-id";
import { bringIn, type Brought } from "./import-items";
import { newZones, siteOver, spotOf, withGrounds } from "./import-sites";
import { keepApplied, zoneMeant } from "./keep-applied";
import { impossible, resultOf } from "./keep-calibration";
import { wholly, type KeptKind } from "./keep-up";
import type { Progress } from "./progress";
import { METHOD_IDS, type MethodId } from "@/core/calibration/method-ids";
import { belongsToPerson, ownerOf } from "@/rig-kinds/rules";

/**
 * Takes a job file in: the rig, its calibration, the labels and the sites. `calibration.record` says whose calibration it is,
 * when it was made, on what and how. What is on record and differs is left, unless it was chosen; the same file twice brings nothing new. What its zones tell of earlier
 * applications goes into the log: a budget that forgets is a trap.
 * @param chosen left out for a look beforehand: what still has to be said is no fault then
 */
export function importJob(db: Records, text: string, chosen?: Choices, progress?: Progress): Result<Imported> {
  const any = readAnyText(text);
  if (!any.ok) return any;
  const kept = keepJob(db, any.value, chosen, progress);
  return kept.ok ? kept : { ok: false, issues: placedIn(any.value.version1 ? 1 : 2, kept.issues) };
}

function keepJob(db: Records, read: Job | SpreadJob, chosen: Choices | undefined, progress?: Progress): Result<Imported> {
  const choices = chosen ?? {};
  // Granules alone bring no rig and no calibration.
  const job = "tanks" in read ? read : undefined;
  const goods: Pick<SpreadFile, "products" | "sites"> = read.file;
  const { person, madeAt, ground, story, issues: extra } = recordOf(read.file);
  const made = job && calibrate(job.calibration);
  const impossibly = made && impossible(made, "calibration");
  const issues = [...extra, ...(impossibly ? [impossibly] : [])];
  const cards = (goods.products ?? []).map((product, i) => cardOf(product, `products[${i}]`, firmCurrency(db)));
  for (const card of cards) if (!card.ok) issues.push(...card.issues);
  if (job && !job.file.rig.tanks?.length)
    issues.push(issue("rig.tanks", "missing", "", `[{ "name": "main", "usable": "4 gal" }]`));
  if (job && belongsToPerson(job.rig.kind) && job.file.calibration.sprayVolume === undefined && person === undefined)
    issues.push(issue("calibration.record.person", "missing", "", `"Odile Marsh": a pace is a person's own, name who walked`));
  if (job && ownerOf(job.rig.kind) === "tap" && !job.file.sites?.length)
    issues.push(issue("sites", "missing", "", "the site whose tap feeds the head, first in the list"));
  if (job && job.file.rig.setup !== undefined && !isSetup(job.file.rig.setup))
    issues.push(issue("rig.setup", "wrong-type", "something else", "a rig's set-up as the app writes it"));
  if (job && job.file.rig.name === undefined) issues.push(issue("rig.name", "missing", "", `"Blue backpack"`));
  if (issues.length > 0) return { ok: false, issues };

  return wholly(db, (tx) => {
    const now = nowText();
    const today = todayOf(tx);
    const items: ImportItem[] = [];
    const faults: Issue[] = [];
    const bring = <K extends KeptKind>(item: Parameters<typeof bringIn<K>>[1]): Brought<K> | undefined => {
      const brought = bringIn(tx, item, choices, now);
      if (!brought.ok) return void faults.push(...brought.issues);
      items.push(brought.value.item);
      return brought.value;
    };
    const fileRig = job && (job.file.rig as NamedRig);
    const rigText = fileRig && keptRig(fileRig);
    const rig =
      rigText &&
      bring({
        of: "rigs",
        text: rigText,
        xId: fileRig.id,
        path: "rig",
        // The chart of its tip is a record of its own: a file changes nothing about that.
        over: ({ tip, ...here }) => ({
          ...here,
          ...(tip && { tip }),
          ...rigText,
          ...(rigText.tip && { tip: { ...rigText.tip, ...(tip?.chart !== undefined && { chart: tip.chart }) } }),
        }),
      });
    const who =
      person === undefined
        ? undefined
        : bring({ of: "people", text: { name: person }, path: "calibration.record.person", over: (here) => here });
    cards.forEach((card, i) => {
      if (card.ok) bring(cardItem(card.value, goods.products![i]!, `products[${i}]`));
    });
    let applications = 0;
    const sites = goods.sites ?? [];
    const ids = sites.map((fileSite, i) => {
      progress?.(i, sites.length);
      const path = `sites[${i}]`;
      const { site, asked, open } = withGrounds(tx, fileSite, choices);
      items.push(...asked);
      if (chosen && open)
        faults.push(issue(path, "same-ground", site.name, asked.flatMap((item) => item.grounds!.map((g) => g.name)).join(", ")));
      const spot = spotOf(tx, site, path);
      if (spot) return void faults.push(spot);
      const brought = bring({ of: "sites", text: site, xId: site.id, path, over: (here) => siteOver(here, site) });
      if (!brought) return undefined;
      items.push(...newZones(tx, brought.id, site, path, choices, now, faults));
      const known = findSite(tx, brought.id)!;
      site.zones.forEach((zone, j) => {
        const ahead = zone.applied?.findIndex((entry) => !entry.planned && entry.date > today) ?? -1;
        if (ahead >= 0)
          faults.push(
            issue(
              `${path}.zones[${j}].applied[${ahead}].date`,
              "bad-date",
              zone.applied![ahead]!.date,
              `"${today}", today or before`,
            ),
          );
        if (chosen && zone.applied?.length && !zoneMeant(known, zone, j))
          faults.push(
            issue(
              `${path}.zones[${j}].name`,
              "unknown-name",
              zone.name ?? `zone ${j + 1}`,
              `${known.site.zones.map((z) => z.name).join(", ")}; or say which ground it is, its history goes with it`,
            ),
          );
      });
      applications += keepApplied(tx, known, site.name, site.zones, now);
      return brought.id;
    });
    if (faults.length > 0) return { ok: false, issues: faults };
    if (!job || !made) return good({ ...NOTHING, items, calibrations: 0, applications });
    if (!rig) return { ok: false, issues: faults };
    // The tap of a hose-end head is that of the job's first site.
    const siteId = ownerOf(job.rig.kind) === "tap" ? (ids[0] ?? null) : null;
    const where = { rigId: rig.id, personId: who?.id ?? null, siteId, madeAt, ground, now };
    // What is retired takes no calibration: it stays in the file until the rig or the person is brought back.
    const idle = [rig.item, who?.item].some((item) => item?.state === "retired" && !item.taken);
    const calibrations = idle ? 0 : keepCalibration(tx, job, made, where, story);
    return good({ ...NOTHING, items, calibrations, applications });
  });
}

/** A card of a job: what the format has a key for, or, where it rides along under `label`, all of it. */
function cardItem(card: CardText, product: ProductText, path: string) {
  const whole = (product.label as { rates?: unknown } | undefined)?.rates !== undefined;
  const said: (keyof CardText)[] = [
    "name",
    "form",
    ...(["formulation", "actives", "limits", "carrierAtLeast", "dilutionAtLeast"] as const).filter(
      (k) => product[k] !== undefined,
    ),
    ...(product.labelRange ? (["rates"] as const) : []),
  ];
  const stated = Object.fromEntries(said.map((key) => [key, card[key]])) as Partial<CardText>;
  return {
    of: "labels" as const,
    text: card,
    xId: product.id,
    path,
    over: (here: CardText): CardText => (whole ? card : { ...here, ...stated }),
  };
}

/** How a calibration was made, and which lever it proves. */
interface Story {
  readonly method: MethodId | null;
  readonly lever: { readonly name: LeverName; readonly setTo: string } | null;
}

/** Who calibrated, when, on what and how. */
function recordOf(job: SpreadFile) {
  const record: RecordText = job.calibration?.record ?? {};
  const issues: Issue[] = [];
  const at = (key: keyof RecordText) => `calibration.record.${key}`;
  const { person, method = null, footing = null, adjusts } = record;
  if (person !== undefined && (typeof person !== "string" || person.trim() === "" || person.length > 60))
    issues.push(issue(at("person"), "wrong-type", shown(person).slice(0, 60), "a name of at most 60 characters"));
  // The day of a plan may lie ahead; its readings were taken by now.
  const noon = job.date === undefined ? undefined : `${job.date}T12:00:00Z`;
  const madeAt = record.madeAt ?? (noon !== undefined && isMoment(noon) ? noon : nowText());
  if (!isMoment(madeAt)) issues.push(issue(at("madeAt"), "bad-date", shown(madeAt), A_MOMENT));
  if (footing !== null && !GROUNDS.includes(footing as Ground))
    issues.push(issue(at("footing"), "not-a-choice", shown(footing), GROUNDS.join(", ")));
  if (method !== null && !METHOD_IDS.includes(method as MethodId))
    issues.push(issue(at("method"), "not-a-choice", shown(method).slice(0, 60), METHOD_IDS.join(", ")));
  const lever = adjusts ? { name: adjusts.lever as LeverName, setTo: adjusts.setTo } : null;
  if (lever && !(LEVERS.includes(lever.name) && typeof lever.setTo === "string" && lever.setTo.length <= 60))
    issues.push(issue(at("adjusts"), "wrong-type", "something else", `{ "lever": "pressure", "setTo": "46 psi" }`));
  return { story: { method: method as MethodId | null, lever }, person, madeAt, ground: footing as Ground | null, issues };
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
  const { record: _, ...calibration } = job.file.calibration;
  const file = calibrationJob(job.file.rig, calibration);
  // What an id was once taken of stays what it was: the same file of either version is the same.
  const id = fileId("calibration", where.rigId, where.personId ?? "", where.madeAt, JSON.stringify(inVersion1(file)));
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
  const { evidence } = job.calibration;
  const pace = evidence.kind === "timed" ? evidence.pace : undefined;
  const flow = evidence.kind === "timed" || evidence.kind === "flow-alone" ? evidence.flow : undefined;
  const walks = pace && pace.kind !== "speed" ? pace.times : [];
  const catches = flow?.kind === "timed-catch" ? flow.catches : [];
  return [
    ...walks.map((time): NewTrial => ({ of: "walk", time, volume: null, struck: null })),
    ...catches.map((c): NewTrial => ({ of: "catch", time: c.time, volume: c.volume, struck: null })),
  ];
}
