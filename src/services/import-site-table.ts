import { bad, good, type Issue, type Result } from "@/core/issue";
import { NOTHING, type Choices, type ColumnsRead, type Imported, type ImportItem } from "@/formats/import";
import { AREA_UNITS, headingKey, SITE_COLUMNS, sitesFromSheet, type SheetColumns } from "@/formats/sites-csv";
import type { Access, Records } from "@/records/database";
import { putSetting, readSettingAs } from "@/records/settings";
import { bringIn } from "./import-items";
import { newZones, siteOver, withGrounds } from "./import-sites";
import { issue, nowText } from "./input";
import { wholly } from "./keep-up";
import { groundGone } from "./same-ground";
import type { Progress } from "./progress";

/** More faults than anybody reads are not looked for. */
const MOST_FAULTS = 100;

/**
 * Takes sites in from a table. A site that is on record and differs is left, unless it was chosen; a zone that comes to a site is
 * asked which ground it is. A column that isn't known by its heading is asked about; what was said of it is remembered with the
 * import. All of it is kept, or nothing with every fault told.
 * @param said in a look beforehand: what was said of the columns so far
 */
export function importSiteTable(
  db: Records,
  text: string,
  chosen?: Choices,
  progress?: Progress,
  said: Choices = chosen ?? {},
): Result<Imported> {
  const choices = chosen ?? {};
  const remembered = columnsRemembered(db);
  const read = sitesFromSheet(text, { columns: { ...remembered, ...columnsSaid(said) }, unit: said.unit });
  if (!read.ok) return read;
  const columns = asRead(read.value.columns);
  const { sites } = read.value;
  if (!sites) return chosen ? { ok: false, issues: openColumns(read.value.columns) } : good({ ...NOTHING, items: [], columns });
  return wholly(db, (tx) => {
    const now = nowText();
    const items: ImportItem[] = [];
    const faults: Issue[] = [];
    const gone = groundGone(tx);
    for (const [i, told] of sites.entries()) {
      if (i % 20 === 0) progress?.(i, sites.length);
      if (faults.length > MOST_FAULTS) break;
      const { site, asked, open } = withGrounds(tx, told, choices, gone);
      items.push(...asked);
      if (chosen && open)
        faults.push(
          issue(site.name, "same-ground", site.name, asked.flatMap((item) => item.grounds!.map((g) => g.name)).join(", ")),
        );
      const brought = bringIn(
        tx,
        { of: "sites", text: site, path: site.name, over: (here) => siteOver(here, site) },
        choices,
        now,
      );
      if (!brought.ok) {
        faults.push(...brought.issues);
        continue;
      }
      const { item, id } = brought.value;
      items.push(item);
      // A site that was added has all its zones.
      if (item.state !== "new") items.push(...newZones(tx, id, site, site.name, choices, now, faults));
    }
    if (faults.length > 0) return { ok: false, issues: faults };
    if (chosen) remember(tx, { ...remembered, ...columnsSaid(said) }, now);
    return good({ ...NOTHING, items, columns });
  });
}

/** The key of a choice: which of our columns a heading is. */
const COLUMN = "column:";

const columnsSaid = (said: Choices): Record<string, string> =>
  Object.fromEntries(
    Object.entries(said).flatMap(([key, as]) => (key.startsWith(COLUMN) ? [[key.slice(COLUMN.length), as]] : [])),
  );

const asRead = ({ headings, unit }: SheetColumns): ColumnsRead => ({
  headings: headings.map(({ heading, as }) => ({ heading, key: `${COLUMN}${headingKey(heading)}`, as })),
  ours: SITE_COLUMNS,
  ...(unit !== undefined && { unit }),
  units: AREA_UNITS,
});

const openColumns = ({ headings, unit }: SheetColumns): Issue[] => [
  ...headings.flatMap(({ heading, as }) =>
    as === null ? [issue("line 1", "not-a-choice", heading, `${SITE_COLUMNS.join(", ")}; or say that it is passed over`)] : [],
  ),
  ...(unit === null ? [issue("line 1", "no-unit", "area", `a heading such as "Area (sq ft)", or say which unit it is`)] : []),
];

/** What was said of headings in tables before. A unit is not remembered: another table means another one by the same heading. */
const columnsRemembered = (db: Access): Readonly<Record<string, string>> =>
  readSettingAs(db, "site-columns", (told) =>
    typeof told === "object" && told !== null && Object.values(told).every((as) => typeof as === "string")
      ? good(told as Readonly<Record<string, string>>)
      : bad(issue("", "wrong-type", "something else", "headings and what they are")),
  ) ?? {};

/** So many headings are remembered (ours). */
const MOST_REMEMBERED = 500;

function remember(tx: Access, columns: Readonly<Record<string, string>>, now: string): void {
  const kept = Object.entries(columns).slice(-MOST_REMEMBERED);
  if (kept.length > 0) putSetting(tx, "site-columns", JSON.stringify(Object.fromEntries(kept)), now);
}
