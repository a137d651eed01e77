import { parse } from "papaparse";
import { isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { foldedName, sameName } from "@/core/names";
import { GROUNDS } from "@/core/calibration/evidence";
import { parseQuantity } from "@/core/quantity/parse";
import { parseField, type Field } from "@/core/quantity/ranges";
import { placeOf } from "./area/place";
import { readTable, type Line } from "./card/csv";
import { toCsv } from "./csv-out";
import { WATERS, type SiteText, type ZoneText } from "./job-file/types";

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
  "minding",
  "access",
  "notes",
  "waters",
  "tap flow",
  "gate",
  "tap",
  "irrigation",
  "ground",
  "height",
  "mowed",
] as const;
type Column = (typeof SITE_COLUMNS)[number];

const DATES = ["seeded", "sodded", "seeding", "sodding", "mowed"] as const;
const dateKey = (column: (typeof DATES)[number]) => `${column}On` as const;

/** Columns of one kind of cell each, of a site or of its zone: the key that they have there, and what they may hold. */
const SAID = [
  { column: "minding", of: "site", key: "precautions" },
  { column: "access", of: "site", key: "access" },
  { column: "notes", of: "site", key: "notes" },
  { column: "waters", of: "site", key: "irrigatedBy", choices: WATERS },
  { column: "tap flow", of: "tap", key: "flow", field: "tapFlow" },
  { column: "gate", of: "site", key: "entrance", place: true },
  { column: "tap", of: "tap", key: "position", place: true },
  { column: "irrigation", of: "zone", key: "irrigationRate", field: "irrigation" },
  { column: "ground", of: "zone", key: "footing", choices: GROUNDS },
  { column: "height", of: "zone", key: "mowingHeight", field: "mowing" },
] as const satisfies readonly {
  column: Column;
  of: "site" | "tap" | "zone";
  key: string;
  choices?: readonly string[];
  field?: Field;
  place?: true;
}[];

/** CSV → the sites of a job file, or every fault with its line. */
export function sitesFromCsv(text: string): Result<SiteText[]> {
  const table = readTable(text, SITE_COLUMNS, ["site", "area"]);
  return table.ok ? sitesOf(table.value, { spoken: false }) : table;
}

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
  minding: /^(minding|to be minded|hazards|pets)$/,
  access: /^(access|gate code|getting in)$/,
  notes: /^(notes?|comments?|remarks?)$/,
  waters: /^(waters|who waters)$/,
  "tap flow": /^(tap flow|hydrant flow)$/,
  gate: /^(gate at|gate)$/,
  tap: /^(tap at|tap)$/,
  irrigation: /^(irrigation|irrigation rate|precipitation rate)$/,
  ground: /^(ground|kind of ground)$/,
  height: /^(height|mowing height)$/,
  mowed: /^(mowed|mowed on|last mowed)$/,
};

/** Units that a heading may tell: "Area (sq ft)", "Acres". */
const UNITS: readonly (readonly [RegExp, string])[] = [
  [/\b(sq\.? ?(ft|feet)|square (feet|footage)|ft2|sf)\b|ft²/, "ft2"],
  [/\bacres?\b|\bac\b/, "ac"],
  [/\b(sq\.? ?m|square met(er|re)s?|m2)\b|m²/, "m2"],
  [/\bhectares?\b|\bha\b/, "ha"],
];

/** What a person said of the columns of a table: which of ours a heading is ("" for none of them), and the unit of bare areas. */
export interface SheetSaid {
  readonly columns: Readonly<Record<string, string>>;
  readonly unit?: string | undefined;
}

/** How the columns of a table are read. */
export interface SheetColumns {
  /** `as`: which of ours each is, "" where it is passed over, null where it has to be said. */
  readonly headings: readonly { readonly heading: string; readonly as: Column | "" | null }[];
  /** The unit of areas that have none: null where it has to be said, undefined where each has its own. */
  readonly unit: string | null | undefined;
}

export const AREA_UNITS: readonly string[] = UNITS.map(([, unit]) => unit);

/** A heading as it is told from others, and remembered. */
export const headingKey = (heading: string): string => foldedName(heading);

/**
 * A table that another program wrote → sites: its columns are told by what a person said of them, else by their headings,
 * whatever it calls them; so is the unit of an area that has none.
 * @returns how the columns are read, and the sites, which are null while something of the columns has to be said
 */
export function sitesFromSheet(
  text: string,
  said: SheetSaid = { columns: {} },
): Result<{ readonly columns: SheetColumns; readonly sites: SiteText[] | null }> {
  const plain = text.replace(/^\uFEFF/, "");
  const { data, meta } = parse<string[]>(plain, { preview: 1, skipEmptyLines: "greedy" });
  const headings = columnsOf(data[0] ?? [], said);
  const names = headings.map(({ as }, i) => (as ? as : `passed over ${i}`));
  const double = names.find((name, i) => names.indexOf(name) < i);
  if (double !== undefined)
    return bad({ path: "line 1", code: "duplicate-name", received: double, expected: `column: ${SITE_COLUMNS.join(", ")}` });
  const open = headings.some(({ as }) => as === null);
  const rest = plain.slice(endOfHead(plain));
  const table = readTable(`${names.join(meta.delimiter)}${rest}`, names, open ? [] : ["site", "area"]);
  if (!table.ok) return table;
  // All that has to be said is asked at once.
  const bare = table.value.some(({ cells }) => isBare(cells.area ?? ""));
  const areas = headings.find(({ as }) => as === "area")?.heading.toLowerCase() ?? "";
  const told = UNITS.find(([words]) => words.test(areas))?.[1];
  const spoken = said.unit !== undefined && AREA_UNITS.includes(said.unit) ? said.unit : undefined;
  const unit = bare ? (spoken ?? told ?? null) : undefined;
  if (open || unit === null) return good({ columns: { headings, unit }, sites: null });
  const sites = sitesOf(table.value, { unit, spoken: true });
  return sites.ok ? good({ columns: { headings, unit }, sites: sites.value }) : sites;
}

/** Which of our columns each heading is; of two that would be the same one, the second has to be said. */
function columnsOf(head: readonly string[], said: SheetSaid): SheetColumns["headings"] {
  const taken = new Set<string>();
  return head.map((cell) => {
    const heading = cell.trim();
    const told = Object.hasOwn(said.columns, headingKey(heading)) ? said.columns[headingKey(heading)] : undefined;
    if (heading === "" || told === "") return { heading, as: "" };
    if (told !== undefined && isColumn(told)) {
      taken.add(told);
      return { heading, as: told };
    }
    const found = columnOf(heading);
    if (found === undefined || taken.has(found)) return { heading, as: null };
    taken.add(found);
    return { heading, as: found };
  });
}

const isColumn = (name: string): name is Column => (SITE_COLUMNS as readonly string[]).includes(name);

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
  return parseQuantity(isBare(cell) && unit ? `${cell.trim()} ${unit}` : cell, "area", {
    path,
    ...(spoken && { dialect: "screen" }),
  });
}

const isBare = (cell: string) => /^[\d.,\s]*\d[\d.,\s]*$/.test(cell);

/** How areas are written: in the unit of their heading, where it tells one; as a person writes them, or as a file of ours does. */
interface Areas {
  readonly unit?: string | undefined;
  readonly spoken: boolean;
}

function sitesOf(lines: readonly Line[], areas: Areas): Result<SiteText[]> {
  const issues: Issue[] = [];
  // One customer is one site, however its name is written in each line.
  const sites = new Map<string, Omit<SiteText, "zones"> & { zones: ZoneText[] }>();
  for (const { line, cells } of lines) {
    const place = (column: string) => `line ${line}.${column}`;
    const name = cells.site ?? "";
    if (name === "") issues.push({ path: place("site"), code: "missing", received: "", expected: `"Ferry green"` });
    const area = areaOf(cells.area ?? "", areas, place("area"));
    if (!area.ok) issues.push(...area.issues);
    for (const key of DATES)
      if (cells[key] && !isDate(cells[key]))
        issues.push({ path: place(key), code: "bad-date", received: cells[key], expected: `"2026-04-14"` });
    const said = saidIn(cells, place, issues);
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
      ...(cells.turf && { turf: cells.turf }),
      ...Object.fromEntries(DATES.flatMap((key) => (cells[key] ? [[dateKey(key), cells[key]]] : []))),
      ...said.zone,
    });
    const tap = { ...site.waterSource, ...(cells.water === "yes" && { fill: true }), ...said.tap };
    sites.set(folded, {
      ...site,
      ...(Object.keys(tap).length > 0 && { waterSource: tap }),
      ...(cells.jurisdiction && { jurisdiction: cells.jurisdiction }),
      ...said.site,
    });
  }
  return issues.length > 0 ? bad(...issues) : good([...sites.values()]);
}

/** What a line says of its site, of the tap there and of its zone, as far as it can be understood. */
function saidIn(cells: Line["cells"], place: (column: string) => string, issues: Issue[]) {
  const said: Record<"site" | "tap" | "zone", Record<string, string>> = { site: {}, tap: {}, zone: {} };
  for (const { column, of, key, ...may } of SAID) {
    const cell = cells[column];
    if (!cell) continue;
    const read = "field" in may ? parseField(may.field, cell, { path: place(column) }) : undefined;
    if (read && !read.ok) issues.push(...read.issues);
    else if ("choices" in may && !(may.choices as readonly string[]).includes(cell))
      issues.push({ path: place(column), code: "not-a-choice", received: cell, expected: may.choices.join(", ") });
    else if ("place" in may && placeOf(cell) === undefined)
      issues.push({
        path: place(column),
        code: "wrong-type",
        received: cell,
        expected: `"41.88321, -87.61231": latitude, longitude`,
      });
    else said[of][key] = read?.ok ? read.value.text : cell;
  }
  return said;
}

/** Sites → CSV, which comes back as the same sites. @param head whether the names of the columns come first */
export const sitesToCsv = (sites: readonly SiteText[], head = true): string => {
  const lines = sites.flatMap((site) =>
    site.zones.map((zone) => ({
      site: site.name,
      zone: zone.name ?? "",
      area: zone.area,
      turf: zone.turf ?? "",
      ...Object.fromEntries(DATES.map((key) => [key, zone[dateKey(key)] ?? ""])),
      ...Object.fromEntries(
        SAID.map(({ column, of, key }) => [
          column,
          (of === "zone" ? zone[key] : of === "tap" ? site.waterSource?.[key] : site[key]) ?? "",
        ]),
      ),
      water: site.waterSource?.fill === true ? "yes" : "",
      jurisdiction: site.jurisdiction ?? "",
    })),
  );
  return head || lines.length > 0 ? toCsv(lines, SITE_COLUMNS, head) : "";
};
