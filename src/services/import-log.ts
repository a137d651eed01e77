import { bad, good, issueAt, type Issue, type Result } from "@/core/contents";
import { logLines } from "@/formats/log-csv";
import { findApplication } from "@/records/applications";
import type { Records } from "@/records/database";
import { labelNamed } from "@/records/labels";
import { personNamed } from "@/records/people";
import { findSite, siteNamed } from "@/records/sites";
import { fileId } from "./file-id";
import { readUpload } from "./import-job";
import { issue } from "./input";
import { saveApplication } from "./save-application";

/**
 * Takes what went down in from a CSV file: `{ text }`. Sites, zones, products and people are found by their names. All
 * lines are kept, or none with every fault told; a line that is on record already is passed over.
 */
export function importLog(db: Records, input: unknown): Result<{ added: number; known: number }> {
  const text = readUpload(input);
  if (!text.ok) return text;
  const lines = logLines(text.value);
  if (!lines.ok) return lines;
  const issues: Issue[] = [];
  const seen = new Map<string, number>();
  const counts = { added: 0, known: 0 };
  try {
    db.transaction((tx) => {
      for (const { line, cells } of lines.value) {
        const place = `line ${line}`;
        const siteId = siteNamed(tx, cells.site!)?.id;
        const zone = siteId === undefined ? undefined : findSite(tx, siteId)?.zones.find((z) => z.name === cells.zone);
        const labelId = labelNamed(tx, cells.product!)?.id;
        const personId = cells.person === "" ? null : personNamed(tx, cells.person!)?.id;
        if (siteId === undefined) issues.push(issue(`${place}.site`, "unknown-name", cells.site!, "the sites on record"));
        else if (!zone) issues.push(issue(`${place}.zone`, "unknown-name", cells.zone!, `the zones of ${cells.site}`));
        if (labelId === undefined)
          issues.push(issue(`${place}.product`, "unknown-name", cells.product!, "the labels on record: add its card first"));
        if (personId === undefined) issues.push(issue(`${place}.person`, "unknown-name", cells.person!, "the people on record"));
        if (siteId === undefined || !zone || labelId === undefined || personId === undefined) continue;
        // Two lines that are alike are two applications; the same file again is the same two.
        const content = JSON.stringify(cells);
        const nth = seen.get(content) ?? 0;
        seen.set(content, nth + 1);
        const id = fileId("log", content, String(nth));
        if (findApplication(tx, id)) {
          counts.known += 1;
          continue;
        }
        const { date, amount, note } = cells as Record<"date" | "amount" | "note", string>;
        const entry = { id, date, siteId, zoneId: zone["x-id"], labelId, amount, personId, note, corrects: null };
        const saved = saveApplication(tx, entry, "file");
        if (saved.ok) counts.added += 1;
        else issues.push(...saved.issues.map((i) => issueAt(place, i)));
      }
      if (issues.length > 0) throw new Refused();
    });
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return bad(...issues);
  }
  return good(counts);
}

/** Takes a whole file back: one line of it can't stand. */
class Refused extends Error {}
