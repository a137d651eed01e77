import { good, issueAt, type Issue, type Result } from "@/core/issue";
import { sameName } from "@/core/names";
import { NOTHING, type Choices, type Imported } from "@/formats/import";
import { logLines } from "@/formats/log-csv";
import { addApplications, onRecord, type NewApplication } from "@/records/applications";
import type { Access, Records } from "@/records/database";
import { findLabel } from "@/records/labels";
import { recordsNamed, type NamedKind } from "@/records/names";
import { findSite } from "@/records/sites";
import { todayOf } from "./clock";
import { fileId } from "./file-id";
import { issue, nowText } from "./input";
import { wholly } from "./keep-up";
import type { Progress } from "./progress";
import { readEntry } from "./save-application";

/**
 * Takes what went down in from a CSV file. Sites, zones, products and people are found by their names, those that they
 * once had too. All lines are kept, or none with every fault told; a line that is on record already is passed over.
 */
export function importLog(db: Records, text: string, _choices?: Choices, progress?: Progress): Result<Imported> {
  const lines = logLines(text);
  if (!lines.ok) return lines;
  return wholly(db, (tx) => {
    const issues: Issue[] = [];
    const counts = { applications: 0, known: 0 };
    const now = nowText();
    const today = todayOf(tx);
    const entries: NewApplication[] = [];
    const find = finders(tx);
    // Two lines that are alike are two applications; the same file again is the same two.
    const seen = new Map<string, number>();
    const ids = lines.value.map(({ cells }) => {
      const content = JSON.stringify(cells);
      const nth = seen.get(content) ?? 0;
      seen.set(content, nth + 1);
      return fileId("log", content, String(nth));
    });
    const before = onRecord(tx, ids);
    for (const [i, { line, cells }] of lines.value.entries()) {
      if (i % 50 === 0) progress?.(i, lines.value.length);
      // More faults than anybody reads are not looked for.
      if (issues.length > MOST_FAULTS) break;
      const place = `line ${line}`;
      const site = find.site(cells.site!);
      const zone = site && zoneNamed(site, cells.zone!);
      const label = find.label(cells.product!);
      const personId = cells.person === "" ? null : find.person(cells.person!);
      if (!site) issues.push(issue(`${place}.site`, "unknown-name", cells.site!, "the sites on record"));
      else if (!zone) issues.push(issue(`${place}.zone`, "unknown-name", cells.zone!, `the zones of ${cells.site}`));
      if (!label)
        issues.push(issue(`${place}.product`, "unknown-name", cells.product!, "the labels on record: add its card first"));
      if (personId === undefined) issues.push(issue(`${place}.person`, "unknown-name", cells.person!, "the people on record"));
      if (!site || !zone || !label || personId === undefined) continue;
      const id = ids[i]!;
      if (before.has(id)) {
        counts.known += 1;
        continue;
      }
      const { date, amount, note } = cells as Record<"date" | "amount" | "note", string>;
      const wish = { date, siteId: site.id, zoneId: zone, labelId: label.id, amount, personId, note, corrects: null };
      const entry = readEntry(tx, wish, undefined, { site, label, person: null, today });
      if (!entry.ok) {
        issues.push(...entry.issues.map((one) => issueAt(place, one)));
        continue;
      }
      entries.push({ ...entry.value, id, source: "file" });
      counts.applications += 1;
    }
    if (issues.length === 0) addApplications(tx, entries, now);
    return issues.length > 0 ? { ok: false, issues } : good({ ...NOTHING, ...counts });
  });
}

const MOST_FAULTS = 100;

type Found = NonNullable<ReturnType<typeof findSite>>;

/** A zone of a site by its name; of one that was taken out too. */
const zoneNamed = (site: Found, name: string): string | undefined =>
  site.site.zones.find((z) => sameName(z.name, name))?.id ?? site.former.find((z) => sameName(z.name, name))?.id;

/** What the lines of a file name, each looked up once. */
function finders(tx: Access) {
  const once = <T>(find: (name: string) => T) => {
    const known = new Map<string, T>();
    return (name: string): T => {
      if (!known.has(name)) known.set(name, find(name));
      return known.get(name)!;
    };
  };
  const named = (kind: NamedKind, name: string) => recordsNamed(tx, kind, name)[0]?.id;
  return {
    site: once((name) => {
      const id = named("sites", name);
      return id === undefined ? undefined : findSite(tx, id);
    }),
    label: once((name) => {
      const id = named("labels", name);
      return id === undefined ? undefined : findLabel(tx, id);
    }),
    person: once((name) => named("people", name)),
  };
}
