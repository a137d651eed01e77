import type { ApplicationEntry, TotalEntry } from "@/formats/entries";
import type { Cursor, LogAsked, Page } from "@/formats/slices";
import {
  applicationsById,
  applicationsPage,
  coveredOf,
  totalsDown,
  type ApplicationRow,
  type LoggedRow,
} from "@/records/applications";
import type { SetAside } from "@/records/aside";
import type { Access } from "@/records/database";
import { peopleNames } from "@/records/people";
import { siteNames } from "@/records/sites";
import { cardsNow } from "../cards-now";
import { meantOf } from "../dismissed";
import { canonical } from "../once";

const SHOWN = 50;

/** A page of the log, newest first, as it is known today. */
export function logPage(
  db: Access,
  { site, label, person, after, ...rest }: LogAsked & { after?: Cursor },
  aside: SetAside[],
  most = SHOWN,
): Page<ApplicationEntry> {
  const page = applicationsPage(db, { siteId: site, labelId: label, personId: person, ...rest }, after, most, aside);
  return { ...page, rows: entriesOf(db, page.rows) };
}

/** What stands as down of each product, between two days. */
export const logTotals = (
  db: Access,
  { site, label, person, ...rest }: LogAsked & { from: string; to: string },
  aside: SetAside[],
): TotalEntry[] =>
  totalsDown(db, { siteId: site, labelId: label, personId: person, ...rest }, aside).flatMap(({ id: _, measured, ...row }) =>
    measured === null ? [] : [{ ...row, measured }],
  );

function entriesOf(db: Access, rows: readonly LoggedRow[]): ApplicationEntry[] {
  const known = cardsNow(db);
  const sites = siteNames(db, [...new Set(rows.map((row) => row.siteId))]);
  const people = peopleNames(db);
  const was = new Map(
    applicationsById(
      db,
      rows.flatMap((row) => row.corrects ?? []),
    ).map((row) => [row.id, row]),
  );
  const meant = meantOf(
    db,
    rows.map((row) => row.id),
  );
  return rows.map(({ gravity, createdAt: _c, measured: _m, spreadingId: _s, coveredM2: _g, ...row }): ApplicationEntry => {
    const { area, rateCanonical: _r, totalCanonical: _t, ...record } = row;
    const before = record.corrects === null || record.isVoid ? undefined : was.get(record.corrects);
    const changed = before && changesOf(before, record);
    const down = known.downOf({ ...record, gravity });
    return {
      ...record,
      area: area.text,
      covered: coveredOf(row).text,
      ...(changed && { was: changed }),
      site: sites.get(record.siteId) ?? "a site",
      person: people.get(record.personId ?? "") ?? null,
      meant: meant(record.id),
      // What is known of it now, where that is more than what was known then.
      ...(down.name !== record.product && { calledNow: down.name }),
      ...(canonical(down.actives) !== canonical(record.actives) && { activesNow: down.actives }),
    };
  });
}

type Changed = Pick<ApplicationRow, "date" | "zone" | "siteId" | "product" | "rate" | "total">;

/** What a correction changed of what counts, in words: what it was before. */
function changesOf(before: Changed, now: Changed): string | undefined {
  const changes = [
    before.product !== now.product && before.product,
    (before.siteId !== now.siteId || before.zone !== now.zone) && `on ${before.zone}`,
    before.date !== now.date && `on ${before.date}`,
    (before.rate !== now.rate || before.total !== now.total) && `${before.total}, ${before.rate}`,
  ].filter((change) => change !== false);
  return changes.length > 0 ? changes.join(", ") : undefined;
}

/** All of the log that is asked for, a few hundred records at a time, newest first. */
export function* wholeLog(db: Access, asked: LogAsked = {}, aside: SetAside[] = []): Generator<readonly ApplicationEntry[]> {
  const AT_ONCE = 500;
  let after: Cursor | undefined;
  do {
    const page: Page<ApplicationEntry> = logPage(db, { ...asked, ...(after && { after }) }, aside, AT_ONCE);
    yield page.rows;
    after = page.next ?? undefined;
  } while (after);
}
