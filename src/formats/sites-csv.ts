import { isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { parseQuantity } from "@/core/quantity/parse";
import { readTable } from "./card/csv";
import type { SiteText, ZoneText } from "./job-file/types";

/** Sites as a table, for a batch: one line a zone, the lines of a site together or apart, in the order of the file. */
export const SITE_COLUMNS = ["site", "zone", "area", "turf", "seeded", "sodded", "seeding", "sodding", "water"] as const;

const DATES = ["seeded", "sodded", "seeding", "sodding"] as const;

/** CSV → the sites of a job file, or every fault with its line. */
export function sitesFromCsv(text: string): Result<SiteText[]> {
  const table = readTable(text, SITE_COLUMNS, ["site", "area"]);
  if (!table.ok) return table;
  const issues: Issue[] = [];
  const sites = new Map<string, { name: string; "x-water"?: boolean; zones: ZoneText[] }>();
  for (const { line, cells } of table.value) {
    const place = (column: string) => `line ${line}.${column}`;
    const name = cells.site ?? "";
    if (name === "") issues.push({ path: place("site"), code: "missing", received: "", expected: `"Ferry green"` });
    const area = parseQuantity(cells.area ?? "", "area", { path: place("area") });
    if (!area.ok) issues.push(...area.issues);
    for (const key of DATES)
      if (cells[key] && !isDate(cells[key]))
        issues.push({ path: place(key), code: "bad-date", received: cells[key], expected: `"2026-04-14"` });
    if (cells.water && !["yes", "no"].includes(cells.water))
      issues.push({ path: place("water"), code: "not-a-choice", received: cells.water, expected: "yes, no" });
    const site = sites.get(name) ?? { name, zones: [] };
    const zone = cells.zone || `zone ${site.zones.length + 1}`;
    if (site.zones.some((z) => z.name === zone))
      issues.push({ path: place("zone"), code: "duplicate-name", received: zone, expected: "name" });
    if (!area.ok || name === "") continue;
    site.zones.push({
      name: zone,
      area: area.value.text,
      ...(cells.turf && { "x-turf": cells.turf }),
      ...Object.fromEntries(DATES.flatMap((key) => (cells[key] ? [[`x-${key}`, cells[key]]] : []))),
    });
    sites.set(name, { ...site, ...(cells.water === "yes" && { "x-water": true }) });
  }
  return issues.length > 0 ? bad(...issues) : good([...sites.values()]);
}
