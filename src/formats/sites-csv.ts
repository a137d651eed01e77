import { parse } from "papaparse";
import { isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { foldedName, sameName } from "@/core/names";
import { parseQuantity } from "@/core/quantity/parse";
import { readTable } from "./card/csv";
import { toCsv } from "./csv-out";
import type { SiteText, ZoneText } from "./job-file/types";

/** Sites as a table: one line a zone, the lines of a site together or apart, in the order of the file. */
export const SITE_COLUMNS = [
  "site",
  "zone",
  "area",
  "turf",
  "seeded",
  "sodded",
  "seeding",
  "sodding",
  "water",
  "jurisdiction",
] as const;
type Column = (typeof SITE_COLUMNS)[number];

const DATES = ["seeded", "sodded", "seeding", "sodding"] as const;

/** CSV → the sites of a job file, or every fault with its line. */
export const sitesFromCsv = (text: string): Result<SiteText[]> => sitesOf(text, { spoken: false });

/** What other programs call our columns. */
const CALLED: Readonly<Record<Column, RegExp>> = {
  site: /^(site|property|customer|client|account|address|name)( name)?$/,
  zone: /^(zone|lawn|section|part|area name|zone name)$/,
  area: /^(area|size|lawn size|treated area|square footage|turf area)$/,
  turf: /^(turf|grass|turf type|grass type|species)$/,
  seeded: /^seeded( on)?$/,
  sodded: /^sodded( on)?$/,
  seeding: /^seeding( planned)?$/,
  sodding: /^sodding( planned)?$/,
  water: /^(water|fill|water to fill)$/,
  jurisdiction: /^(jurisdiction|county|local rules|rules|state)$/,
};

/** Units that a heading may tell: "Area (sq ft)", "Acres". */
const UNITS: readonly (readonly [RegExp, string])[] = [
  [/\b(sq\.? ?(ft|feet)|square (feet|footage)|ft2|sf)\b|ft²/, "ft2"],
  [/\bacres?\b|\bac\b/, "ac"],
  [/\b(sq\.? ?m|square met(er|re)s?|m2)\b|m²/, "m2"],
  [/\bhectares?\b|\bha\b/, "ha"],
];

/**
 * A table that another program wrote → sites: its columns are told by their headings, whatever it calls them, and so is the unit
 * of an area that has none.
 */
export function sitesFromSheet(text: string): Result<SiteText[]> {
  const plain = text.replace(/^\uFEFF/, "");
  const head = parse<string[]>(plain, { preview: 1 }).data[0] ?? [];
  const named = head.map((cell) => columnOf(cell) ?? cell.trim());
  const double = named.find((name, i) => (SITE_COLUMNS as readonly string[]).includes(name) && named.indexOf(name) < i);
  if (double !== undefined)
    return bad({ path: "line 1", code: "duplicate-name", received: double, expected: `column: ${SITE_COLUMNS.join(", ")}` });
  const at = named.indexOf("area");
  const unit = at < 0 ? undefined : UNITS.find(([words]) => words.test(head[at]!.toLowerCase()))?.[1];
  const rest = plain.slice(endOfHead(plain));
  return sitesOf(`${named.map((name) => `"${name.replaceAll('"', '""')}"`).join(",")}${rest}`, { unit, spoken: true });
}

/** Which of our columns a heading is. */
function columnOf(heading: string): Column | undefined {
  const plain = heading.toLowerCase().replace(/\(.*?\)/g, "").replace(/[_\s]+/g, " ").trim(); // prettier-ignore
  const found = SITE_COLUMNS.find((column) => CALLED[column].test(plain));
  return found ?? (UNITS.some(([words]) => words.test(plain)) ? "area" : undefined);
}

/** Where the first line ends; a quoted heading may hold a line break. */
function endOfHead(text: string): number {
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '"') quoted = !quoted;
    else if (!quoted && (text[i] === "\n" || text[i] === "\r")) return i;
  }
  return text.length;
}

/** An area as a table has it: with its unit, or in that of the heading. */
function areaOf(cell: string, { unit, spoken }: Areas, path: string) {
  const bare = /^[\d.,\s]+$/.test(cell);
  return parseQuantity(bare && unit ? `${cell.trim()} ${unit}` : cell, "area", { path, ...(spoken && { dialect: "screen" }) });
}

/** How areas are written: in the unit of their heading, where it tells one; as a person writes them, or as a file of ours does. */
interface Areas {
  readonly unit?: string | undefined;
  readonly spoken: boolean;
}

function sitesOf(text: string, areas: Areas): Result<SiteText[]> {
  const table = readTable(text, SITE_COLUMNS, ["site", "area"]);
  if (!table.ok) return table;
  const issues: Issue[] = [];
  // One customer is one site, however its name is written in each line.
  const sites = new Map<string, { name: string; "x-water"?: boolean; "x-jurisdiction"?: string; zones: ZoneText[] }>();
  for (const { line, cells } of table.value) {
    const place = (column: string) => `line ${line}.${column}`;
    const name = cells.site ?? "";
    if (name === "") issues.push({ path: place("site"), code: "missing", received: "", expected: `"Ferry green"` });
    const area = areaOf(cells.area ?? "", areas, place("area"));
    if (!area.ok) issues.push(...area.issues);
    for (const key of DATES)
      if (cells[key] && !isDate(cells[key]))
        issues.push({ path: place(key), code: "bad-date", received: cells[key], expected: `"2026-04-14"` });
    if (cells.water && !["yes", "no"].includes(cells.water))
      issues.push({ path: place("water"), code: "not-a-choice", received: cells.water, expected: "yes, no" });
    const folded = foldedName(name);
    const site = sites.get(folded) ?? { name, zones: [] };
    const zone = cells.zone || `zone ${site.zones.length + 1}`;
    if (site.zones.some((z) => sameName(z.name!, zone)))
      issues.push({ path: place("zone"), code: "duplicate-name", received: zone, expected: "name" });
    if (!area.ok || name === "") continue;
    site.zones.push({
      name: zone,
      area: area.value.text,
      ...(cells.turf && { "x-turf": cells.turf }),
      ...Object.fromEntries(DATES.flatMap((key) => (cells[key] ? [[`x-${key}`, cells[key]]] : []))),
    });
    sites.set(folded, {
      ...site,
      ...(cells.water === "yes" && { "x-water": true }),
      ...(cells.jurisdiction && { "x-jurisdiction": cells.jurisdiction }),
    });
  }
  return issues.length > 0 ? bad(...issues) : good([...sites.values()]);
}

/** Sites → CSV, which comes back as the same sites. @param head whether the names of the columns come first */
export const sitesToCsv = (sites: readonly SiteText[], head = true): string => {
  const lines = sites.flatMap((site) =>
    site.zones.map((zone) => ({
      site: site.name,
      zone: zone.name ?? "",
      area: zone.area,
      turf: zone["x-turf"] ?? "",
      seeded: zone["x-seeded"] ?? "",
      sodded: zone["x-sodded"] ?? "",
      seeding: zone["x-seeding"] ?? "",
      sodding: zone["x-sodding"] ?? "",
      water: site["x-water"] === true ? "yes" : "",
      jurisdiction: site["x-jurisdiction"] ?? "",
    })),
  );
  return head || lines.length > 0 ? toCsv(lines, SITE_COLUMNS, head) : "";
};
