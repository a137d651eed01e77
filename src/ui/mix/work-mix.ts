import type { Kit } from "@/core/calibration/kit";
import type { Issue } from "@/core/issue";
import type { FullTank } from "@/core/mixing/full-tank";
import { groundIsOpen } from "@/core/labels/gallon";
import type { RigEntry, SiteEntry } from "@/formats/entries";
import { lockOf } from "@/formats/standing";
import { productOf } from "@/formats/card/product-of";
import { fullTankOf, planOf, tankJob, type Planned } from "@/formats/job-file/assemble";
import { readChecked, type Job } from "@/formats/job-file/read-checked";
import type { RigText } from "@/formats/job-file/types";
import { mixFile, type MixOf, type StopWish } from "@/formats/mix-of";
import type { InHand } from "../data/in-hand";
import { LOCK_WORDS } from "../frame/standing-words";
import { dateOf, headFor, stopsOf, tankOf, type Chosen, type Draft, type MixRecords } from "./draft";
import { withoutNoLoad } from "./last-load";
import { measuresOf } from "./measures";
import { belongsToPerson, ownerOf } from "@/rig-kinds/rules";

/** A mix worked out, or why it can't be. */
export type Worked = MixWorked | { readonly issues: readonly Issue[] };
export type MixWorked = Planned & { readonly job: Job; readonly stops: readonly StopWish[] };

/** The products of a tank's mix with their labels. */
export const chosenOf = (draft: Draft, tank: string, { labels, currency }: Pick<MixRecords, "labels" | "currency">): Chosen[] =>
  tankOf(draft, tank).products.flatMap((p): Chosen[] => {
    const label = labels.find((l) => l.id === p.labelId && !l.retired);
    // A draft may have been begun before a choice was kept with it.
    const choice = p.choice ?? { row: 0, point: "typed" };
    return label
      ? [
          {
            ...p,
            choice,
            label,
            read: productOf(label.card, p.rate, choice, currency),
          },
        ]
      : [];
  });

export const zonesOfSite = (sites: readonly SiteEntry[]) => (siteId: string) =>
  sites.find((s) => s.id === siteId && !s.retired)?.site.zones.map((z) => z.id) ?? [];

/** The rig with its head set as this mix has it. */
export function rigAsSet(entry: RigEntry, draft: Pick<Draft, "head" | "headRig">): RigText {
  const head = headFor(draft, entry);
  return head ? { ...entry.rig, head } : entry.rig;
}

/** What goes into a full tank of what was chosen, while no site is; undefined while that can't be told. */
export function fullOf(hand: InHand, draft: Draft, tank: string, chosen: readonly Chosen[]): FullTank | undefined {
  const { rig, site, calibrated } = hand;
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  if (draft.purpose !== "site" || site || !rig || !calibrated || products.length === 0 || products.length < chosen.length)
    return undefined;
  const known = (rig.rig.tanks ?? []).some((t) => t.name === tank);
  const job = readChecked(
    tankJob({ rig: rigAsSet(rig, draft), calibration: calibrated.entry.calibration, products, ...(known && { tank }) }),
  );
  if (!job.ok || job.value.products.some(groundIsOpen)) return undefined;
  const full = fullTankOf(job.value);
  return full.ok ? full.value.full : undefined;
}

/** Works one tank's mix out; undefined while something is still to be chosen. */
export function workMix(
  hand: InHand,
  draft: Draft,
  tank: string,
  chosen: readonly Chosen[],
  { sites, counted }: MixRecords,
  kit: Kit | undefined,
): Worked | undefined {
  const { rig, site, calibrated } = hand;
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  if (!rig || !calibrated || !counted || products.length === 0 || products.length < chosen.length) return undefined;
  const stops = stopsOf(draft, tank, site?.id, zonesOfSite(sites));
  if (stops.length === 0 || (draft.purpose === "spot" && draft.spot.volume.trim() === "")) return undefined;
  const known = (rig.rig.tanks ?? []).some((t) => t.name === tank);
  const work = (less: boolean): Worked | undefined => {
    const file = mixFile({ ...asked, ...(less && { oneLess: true }) });
    if (!file.ok) return { issues: file.issues };
    const job = readChecked(file.value);
    if (!job.ok) return { issues: job.issues };
    // Asked about beside the rate, before there is an amount.
    if (job.value.products.some(groundIsOpen)) return undefined;
    const planned = planOf(job.value);
    return planned.ok ? { ...planned.value, job: job.value, stops } : { issues: planned.issues };
  };
  const asked: Omit<MixOf, "oneLess"> = {
    rig: rigAsSet(rig, draft),
    calibration: calibrated.entry.calibration,
    sprayVolume: calibrated.made.sprayVolume,
    products,
    stops: stops.map((stop) => ({ ...stop, site: sites.find((s) => s.id === stop.siteId)!.site })),
    counted,
    date: dateOf(draft),
    tank: known ? tank : "",
    loads: draft.loads,
    run: draft.purpose === "day",
    overage: draft.purpose === "spot" ? "" : draft.overage,
    mixedFor: draft.mixedFor,
    ...(draft.waterFirst && { waterFirst: draft.waterFirst }),
  };
  const may = draft.purpose === "site";
  if (may && draft.oneLess) return work(true);
  const worked = work(false);
  const said = draft.oneLess !== undefined || draft.loads === "equal";
  return may && !said && isSound(worked)
    ? { ...withoutNoLoad(worked, (plan) => kit && measuresOf(plan, kit, hand.system)), stops: worked.stops }
    : worked;
}

const isSound = (worked: Worked | undefined): worked is MixWorked =>
  worked !== undefined && "plan" in worked && worked.plan.reasons.length === 0;

/** Why no amounts are shown, in words; undefined where nothing locks them. */
export function lockWords({ rig, person, site, calibrated }: InHand): string | undefined {
  if (!rig) return "Choose the rig: amounts stay locked until then.";
  if (belongsToPerson(rig.rig.kind) && !person) return "Who sprays today? Amounts stay locked until then.";
  if (ownerOf(rig.rig.kind) === "tap" && !site) return "Tap at which site? Amounts stay locked until then.";
  if (!calibrated)
    return `No calibration of ${rig.rig.name}${person && belongsToPerson(rig.rig.kind) ? ` with ${person.name}` : ""} yet. Calibrate first: another person's pace won't do.`;
  const lock = lockOf(calibrated);
  if (!lock) return undefined;
  if (lock.code === "unsure")
    return "The trials of this calibration differ by over 10 %: it is not a calibration yet. Take more.";
  if (lock.code === "estimate")
    return "The flow is only estimated from the tip's rated one. Catch it once, and the amounts are worked out.";
  if (lock.code === "withdrawn") return `The calibration was withdrawn: ${lock.why}. Calibrate again.`;
  const state = lock.code === "stale" ? `is ${LOCK_WORDS.stale}` : LOCK_WORDS.failing;
  return `The calibration ${state}: ${lock.reasons.join("; ")}. Calibrate again.`;
}
