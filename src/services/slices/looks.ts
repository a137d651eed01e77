import { daysFrom, daysLater } from "@/core/calendar";
import { resultsOf, type Judged, type Result } from "@/core/log/results";
import { longestDays } from "@/formats/card/says";
import type { DueLook, JudgedEntry, LookEntry } from "@/formats/entries";
import { shareOf } from "@/formats/looks";
import type { Cursor, Page } from "@/formats/slices";
import { correctionOf, findApplication, type ApplicationRow } from "@/records/applications";
import { readRows, type SetAside } from "@/records/aside";
import type { Access } from "@/records/database";
import { cardIfRead, listLabels } from "@/records/labels";
import {
  downBetween,
  inspectedSince,
  inspections,
  looksPage,
  photosOf,
  scoutedBefore,
  treatedAfter,
  withFollowUp,
  type LookRow,
} from "@/records/looks";
import { peopleNames } from "@/records/people";
import { siteNames } from "@/records/sites";
import { todayOf } from "../clock";

/** What was seen before and after, what is to be looked at, and what it teaches. */

const SHOWN = 20;

/** Days until the effect of a product can be seen, as its card says now. */
const visibleAfter = (db: Access, labelId: string | null): number | undefined => longestDays(cardIfRead(db, labelId)?.visible);

export function looks(db: Access, { site, after }: { site?: string; after?: Cursor }, aside: SetAside[]): Page<LookEntry> {
  const page = looksPage(db, { siteId: site }, after, SHOWN, aside);
  return { ...page, rows: entriesOf(db, page.rows, aside) };
}

function entriesOf(db: Access, rows: readonly LookRow[], aside?: SetAside[]): LookEntry[] {
  const people = peopleNames(db);
  const names = siteNames(db, [...new Set(rows.map((row) => row.siteId))]);
  const pictures = photosOf(
    db,
    rows.map((row) => row.id),
  );
  const entryOf = ({ createdAt: _, ...row }: LookRow): LookEntry => {
    const record = row.recordId === null ? undefined : newest(db, row.recordId);
    const before = record && scoutedBefore(db, row.siteId, row.zoneId, record.date);
    return {
      ...row,
      site: names.get(row.siteId) ?? "a site",
      person: people.get(row.personId ?? "") ?? null,
      photos: pictures.get(row.id) ?? [],
      of: record ? judged(db, record) : null,
      before: before ? { date: before.date, says: before.says, photos: photosOf(db, [before.id]).get(before.id) ?? [] } : null,
    };
  };
  return readRows("look at a zone", rows, entryOf, aside);
}

/** A record that is judged, and from which day it can be. */
function judged(db: Access, record: ApplicationRow): NonNullable<LookEntry["of"]> {
  const days = visibleAfter(db, record.labelId);
  return {
    product: record.product,
    rate: record.rate,
    date: record.date,
    from: days === undefined ? null : daysLater(record.date, days),
    target: record.facts?.target ?? null,
    suppresses: cardIfRead(db, record.labelId)?.suppresses ?? null,
  };
}

/** A record of the log as it is judged, with what was seen of its zone; null where nothing of it stands. */
export function toJudge(db: Access, { record: id }: { record: string }): JudgedEntry | null {
  const record = newest(db, id);
  if (!record || record.isVoid) return null;
  const before = scoutedBefore(db, record.siteId, record.zoneId, record.date);
  const since = inspectedSince(db, record.siteId, record.zoneId, record.labelId, record.date);
  return {
    id: record.id,
    siteId: record.siteId,
    site: siteNames(db, [record.siteId]).get(record.siteId) ?? "a site",
    zone: record.zone,
    of: judged(db, record),
    seen: entriesOf(db, [...since, ...(before ? [before] : [])]),
  };
}

/** A record as its last correction left it. */
function newest(db: Access, id: string): ApplicationRow | undefined {
  const record = findApplication(db, id);
  const correction = record && correctionOf(db, id);
  return correction ? newest(db, correction.id) : record;
}

/** So many days after it can be judged the bench still asks for it; then the ground has forgotten (ours). */
const ASKED_FOR = 30;
/** A follow-up is told of so many days ahead, and that long afterwards (ours). */
const AHEAD = 7;
const AFTER = 60;
const MOST_LOOKED_THROUGH = 500;
const MOST_SHOWN = 20;

/** What is to be looked at today: what can be judged and wasn't, and the follow-ups that were planned. */
export function toLookAt(db: Access, _query: object, aside: SetAside[]): DueLook[] {
  const today = todayOf(db);
  const due = [...inspectionsDue(db, today, aside), ...followUpsDue(db, today)];
  const names = siteNames(db, [...new Set(due.map((one) => one.siteId))]);
  return due
    .sort((a, b) => (a.since < b.since ? -1 : 1))
    .slice(0, MOST_SHOWN)
    .map((one) => ({ ...one, site: names.get(one.siteId) ?? "a site" }));
}

type Due = Omit<DueLook, "site">;

function inspectionsDue(db: Access, today: string, aside: SetAside[]): Due[] {
  const days = new Map(
    listLabels(db, aside).flatMap(({ id, card }) => {
      const visible = longestDays(card.visible);
      return visible === undefined ? [] : [[id, visible] as const];
    }),
  );
  if (days.size === 0) return [];
  const [soonest, latest] = [Math.min(...days.values()), Math.max(...days.values())];
  const down = downBetween(
    db,
    [...days.keys()],
    daysLater(today, -latest - ASKED_FOR),
    daysLater(today, -soonest),
    MOST_LOOKED_THROUGH,
  );
  return down.flatMap(({ id, siteId, zone, labelId, product, date, lastLook }): Due[] => {
    const since = daysLater(date, days.get(labelId!)!);
    const asked = since <= today && daysFrom(since, today) <= ASKED_FOR;
    if (!asked || (lastLook !== null && lastLook >= since)) return [];
    return [{ what: "inspection", recordId: id, siteId, zone, product, date, since }];
  });
}

function followUpsDue(db: Access, today: string): Due[] {
  return withFollowUp(db, daysLater(today, -365), MOST_LOOKED_THROUGH).flatMap(
    ({ recordId, siteId, zoneId, zone, labelId, date, says }): Due[] => {
      const since = says.followUp!;
      const near = daysFrom(today, since) <= AHEAD && daysFrom(since, today) <= AFTER;
      if (!near || treatedAfter(db, siteId, zoneId, date)) return [];
      const product = cardIfRead(db, labelId)?.name ?? "";
      return [{ what: "follow-up", recordId, siteId, zone, product, date, since }];
    },
  );
}

/** Of so many of the newest inspections it is told what works (ours). */
const TAUGHT_BY = 2000;
const YEARS = 3;

/** What inspections of the last years teach, by product, rate, rig and person. */
export function results(db: Access, _query: object, aside: SetAside[]): readonly Result[] {
  const people = peopleNames(db);
  const seen = new Set<string>();
  const judgements = inspections(db, daysLater(todayOf(db), -365 * YEARS), TAUGHT_BY);
  const judgedOf = ({ says, date, record }: (typeof judgements)[number]): Judged[] => {
    const standing = newest(db, record.id);
    // Of several at one record the last counts; what was struck since teaches nothing.
    if (!standing || standing.isVoid || seen.has(standing.id)) return [];
    seen.add(standing.id);
    const days = visibleAfter(db, standing.labelId);
    return [
      {
        product: standing.product,
        rate: standing.rate,
        rig: standing.facts?.rig ?? null,
        person: people.get(standing.personId ?? "") ?? null,
        control: shareOf(says.control) ?? null,
        injury: shareOf(says.injury) ?? null,
        early: days !== undefined && date < daysLater(standing.date, days),
        otherCause: (says.causes ?? []).length > 0,
      },
    ];
  };
  return resultsOf(readRows("look at a zone", judgements, judgedOf, aside).flat());
}
