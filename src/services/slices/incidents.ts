import type { IncidentEntry } from "@/formats/entries";
import type { IncidentsAsked, Page } from "@/formats/slices";
import { readRows, type SetAside } from "@/records/aside";
import type { Access } from "@/records/database";
import { incidentsPage, type IncidentRow } from "@/records/incidents";
import { findLabel } from "@/records/labels";
import { peopleNames } from "@/records/people";
import { siteNames } from "@/records/sites";

const SHOWN = 20;
/** As many go out with the log (ours): a firm that has more has other troubles. */
const OUT = 500;

/** What went wrong, newest first. */
export const incidents = (db: Access, asked: IncidentsAsked, aside: SetAside[]): Page<IncidentEntry> =>
  read(db, incidentsPage(db, asked, SHOWN, aside), aside);

/** Those that go out with a part of the log. */
export const incidentsOut = (db: Access, of: Omit<IncidentsAsked, "after">): readonly IncidentEntry[] =>
  read(db, incidentsPage(db, of, OUT)).rows;

function read(db: Access, page: Page<IncidentRow>, aside?: SetAside[]): Page<IncidentEntry> {
  const people = peopleNames(db);
  const sites = siteNames(db, [...new Set(page.rows.flatMap(({ siteId }) => siteId ?? []))]);
  const entryOf = (row: IncidentRow): IncidentEntry => ({
    ...row,
    site: row.siteId === null ? null : (sites.get(row.siteId) ?? "a site"),
    product: row.labelId === null ? null : (findLabel(db, row.labelId)?.card.name ?? "a product"),
    person: row.personId === null ? null : (people.get(row.personId) ?? null),
  });
  return { ...page, rows: readRows("incident", page.rows, entryOf, aside) };
}
