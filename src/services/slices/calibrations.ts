import { dayOf } from "@/core/calendar";
import { measuredOnce } from "@/core/calibration/calibrate";
import type { MixLock } from "@/core/calibration/may-mix";
import { standingOf } from "@/core/calibration/standing";
import { canonical, ratio } from "@/core/quantity/arithmetic";
import { checkDue, judge, thatCounts, workOut, type Calibrated, type Day } from "@/formats/standing";
import { standsOn } from "@/formats/stands-on";
import { dayIn } from "@/formats/day";
import type {
  CalibrationEntry,
  CalibrationLook,
  CheckEntry,
  CheckSeries,
  InForce,
  MemberEntry,
  StandingEntry,
} from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import type { SetAside } from "@/records/aside";
import {
  calibrationsNewestFirst,
  calibrationsPage,
  calibrationsWithdrawn,
  findWithStruck,
  ownersOf,
  type CalibrationRow,
  type CalibrationsOf,
} from "@/records/calibrations";
import { checksOf, newestCheckOf, newestChecks } from "@/records/checks";
import type { Access } from "@/records/database";
import { listPeople } from "@/records/people";
import { findRig, listRigs, type KnownRig } from "@/records/rigs";
import { siteNames } from "@/records/sites";
import { dayNow } from "../clock";
import { meantOf } from "../dismissed";
import { pool } from "@/core/outcome/evidence";
import { evidenceOf } from "@/formats/evidence";
import { outcomesSince } from "@/records/outcomes";
import type { LoadsEntry } from "@/formats/entries";
import { ownerOf } from "@/rig-kinds/rules";

/** What is known of calibrations: which one counts, with whom, since when. */

/** What a recorded calibration is worked out from. */
export const recordedAs = ({ job, ground, method }: Pick<CalibrationRow, "job" | "ground" | "method">) => ({
  rig: job.rig,
  calibration: job.calibration,
  ground,
  method,
});

/** Rows as a screen is given them. */
export function calibrationEntries(db: Access, rows: readonly CalibrationRow[]): CalibrationEntry[] {
  const ids = rows.map((row) => row.id);
  const withdrawn = calibrationsWithdrawn(db, ids);
  const meant = meantOf(db, ids);
  return rows.map((row) => ({
    id: row.id,
    rigId: row.rigId,
    personId: row.personId,
    siteId: row.siteId,
    lever: row.lever,
    leverSetTo: row.leverSetTo,
    follows: row.follows,
    madeAt: row.madeAt,
    ...recordedAs(row),
    meant: meant(row.id),
    ...(withdrawn.has(row.id) && { withdrawn: withdrawn.get(row.id)! }),
    struck: row.struck.map((t) => ({ of: t.of, time: t.time.text, volume: t.volume?.text ?? null, why: t.struck! })),
  }));
}

type CheckRow = NonNullable<ReturnType<typeof newestCheckOf>>;
export const checkEntry = (c: CheckRow): CheckEntry => ({
  id: c.id,
  rigId: c.rigId,
  personId: c.personId,
  calibrationId: c.calibrationId,
  madeAt: c.madeAt,
  volume: c.volume.text,
  time: c.time.text,
  ratio: c.ratio,
});

/** A recorded calibration judged against its rig as it is now. */
export function judgeRow(db: Access, rig: KnownRig["rig"], row: CalibrationRow, day: Day): Calibrated {
  const check = newestCheckOf(db, row.id);
  return judge(rig, calibrationEntries(db, [row])[0]!, check && checkEntry(check), day);
}

/** The calibration of a rig that counts today with a person or a tap; undefined where there is none. */
export function countsNow(
  db: Access,
  { id, rig }: KnownRig,
  hand: Omit<CalibrationsOf, "rigId">,
  day: Day,
  aside?: SetAside[],
): Calibrated | undefined {
  const owner = ownerOf(rig.kind);
  if ((owner === "person" && hand.personId === undefined) || (owner === "tap" && hand.siteId === undefined)) return undefined;
  const of = {
    rigId: id,
    ...(owner === "person" && { personId: hand.personId }),
    ...(owner === "tap" && { siteId: hand.siteId }),
  };
  function* judged() {
    for (const row of calibrationsNewestFirst(db, of, aside)) yield judgeRow(db, rig, row, day);
  }
  return thatCounts(judged());
}

const inForceOf = (one: Calibrated | undefined): InForce | null => (one ? { entry: one.entry, check: one.check ?? null } : null);

export function inForce(db: Access, query: { rig: string; person?: string; site?: string }, aside: SetAside[]): InForce | null {
  const rig = findRig(db, query.rig);
  return rig ? inForceOf(countsNow(db, rig, { personId: query.person, siteId: query.site }, dayNow(db), aside)) : null;
}

/** As many taps of one head as a bench lists. */
const MOST_TAPS = 100;

/** How every rig stands with each person, or tap, that it was calibrated with; with those that are retired, too. */
export function standings(db: Access, aside: SetAside[]): StandingEntry[] {
  const day = dayNow(db);
  const found = listRigs(db)
    .filter((rig) => !rig.retired)
    .flatMap((rig) => {
      const owner = ownerOf(rig.rig.kind);
      const hands =
        owner === "rig"
          ? [{}]
          : ownersOf(db, rig.id, owner, MOST_TAPS).map((id) => (owner === "person" ? { personId: id } : { siteId: id }));
      return hands.flatMap((hand: { personId?: string; siteId?: string }) => {
        const one = countsNow(db, rig, hand, day, aside);
        return one ? [{ rig, hand, one }] : [];
      });
    });
  const taps = siteNames(
    db,
    found.flatMap(({ hand }) => hand.siteId ?? []),
  );
  return found.map(({ rig, hand, one }) => ({
    rigId: rig.id,
    personId: hand.personId ?? null,
    siteId: hand.siteId ?? null,
    tap: taps.get(hand.siteId ?? "") ?? null,
    calibrationId: one.entry.id,
    madeAt: one.entry.madeAt,
    sprayVolume: canonical(one.made.sprayVolume.value),
    relative: one.made.uncertainty?.relative ?? null,
    standing: one.standing,
    unsure: one.unsure,
    estimate: one.estimate,
    once: measuredOnce(one.made),
    checkDue: checkDue(one, day),
    leans: leansOf(db, one.entry.id),
  }));
}

/** As many loads as are looked at: the newest tell how it is now (ours). */
const LOADS = 12;

/** Whether the newest loads that were mixed from a calibration lean the same way. */
function leansOf(db: Access, calibrationId: string) {
  const rows = outcomesSince(db, calibrationId, LOADS);
  return rows.length === 0 ? null : pool(rows.map(evidenceOf)).leans;
}

/** What loads did that were mixed from a calibration. */
export function loads(db: Access, { calibration }: { calibration: string }): LoadsEntry[] {
  const rows = outcomesSince(db, calibration, LOADS);
  const names = siteNames(
    db,
    rows.map((row) => row.siteId),
  );
  return rows.map(({ sheetId, siteId, sprayed, covered, ratio: off, relative, createdAt }) => ({
    sheetId,
    site: names.get(siteId) ?? "a site",
    at: createdAt,
    sprayed,
    covered,
    ratio: off,
    relative,
  }));
}

export function lookAt(db: Access, { id }: { id: string }, aside: SetAside[]): CalibrationLook | null {
  const row = findWithStruck(db, id);
  const rig = row && findRig(db, row.rigId);
  if (!rig) return null;
  const before = row.follows === null ? undefined : findWithStruck(db, row.follows);
  const hand = { personId: row.personId ?? undefined, siteId: row.siteId ?? undefined };
  return {
    entry: calibrationEntries(db, [row])[0]!,
    before: before ? calibrationEntries(db, [before])[0]! : null,
    inForce: inForceOf(countsNow(db, rig, hand, dayNow(db), aside)),
    tap: siteNames(db, row.siteId === null ? [] : [row.siteId]).get(row.siteId ?? "") ?? null,
  };
}

const STORY = 12;

export function story(
  db: Access,
  { rig, person, site, after }: { rig: string; person?: string; site?: string; after?: Cursor },
  aside: SetAside[],
): Page<CalibrationEntry> {
  const page = calibrationsPage(db, { rigId: rig, personId: person, siteId: site }, after, STORY, aside);
  return { ...page, rows: calibrationEntries(db, page.rows) };
}

/** As many of a person's calibrations as a training record shows. */
const TRAINING = 8;

/** The people on a rig, each with what counts and how their runs agreed. */
export function crew(db: Access, { rig: rigId }: { rig: string }, aside: SetAside[]): MemberEntry[] {
  const rig = findRig(db, rigId);
  if (!rig) return [];
  const day = dayNow(db);
  return listPeople(db, aside).flatMap((person) => {
    const one = person.retired ? undefined : countsNow(db, rig, { personId: person.id }, day, aside);
    if (!one) return [];
    const { rows } = calibrationsPage(db, { rigId, personId: person.id }, undefined, TRAINING, aside);
    return [{ personId: person.id, entry: one.entry, check: one.check ?? null, record: calibrationEntries(db, rows).reverse() }];
  });
}

const LISTED = 12;

/**
 * The checks of a rig as it is set today, all held against the flow of the calibration that stands: one that was made after
 * an older calibration is carried over by that one's own flow. Another tip, another pressure or a serviced pump begins a new
 * series.
 */
export function checkSeries(db: Access, { calibration }: { calibration: string }, aside: SetAside[]): CheckSeries {
  const row = findWithStruck(db, calibration);
  const flow = row && workOut(recordedAs(row)).flow;
  if (!row || !flow) return { points: [], checks: [] };
  const now = standsOn(row.job.rig);
  const { zone } = dayNow(db);
  const of = { rigId: row.rigId, personId: row.personId ?? undefined, siteId: row.siteId ?? undefined };
  const base = new Map<string, number>();
  for (const other of calibrationsNewestFirst(db, of, aside)) {
    if (standingOf(standsOn(other.job.rig), now, 0, 0).state === "stale") continue;
    const made = workOut(recordedAs(other)).flow;
    if (made) base.set(other.id, ratio(made.value, flow.value));
  }
  const checks = checksOf(db, [...base.keys()], aside);
  return {
    points: checks.map((c) => ({ day: dayIn(c.madeAt, zone), ratio: c.ratio * base.get(c.calibrationId)! })).reverse(),
    checks: newestChecks(db, row.rigId, row.personId, LISTED, aside).map(checkEntry),
  };
}

/** The day of a plan, for judging what it is mixed from. */
export const onDay = (db: Access, date: string): Day => ({ ...dayNow(db), today: dayOf(date) });

/** Why a calibration may not be mixed from, as the server says it: "stale (tip 025, was 02)". */
export const lockWords = (lock: Exclude<MixLock, { code: "withdrawn" }>): string =>
  lock.code === "unsure"
    ? "none yet (the trials differ by over 10 %)"
    : lock.code === "estimate"
      ? "only an estimate (from the tip's rated flow)"
      : `${lock.code} (${lock.reasons.join("; ")})`;
