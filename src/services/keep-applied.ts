import { parseRate } from "@/core/labels/rate";
import { sameName } from "@/core/names";
import { entered } from "@/core/quantity/parse";
import { totalText } from "@/formats/card/choice";
import type { AppliedText } from "@/formats/job-file/types";
import { addApplication, findApplication } from "@/records/applications";
import type { Access } from "@/records/database";
import { recordsNamed } from "@/records/names";
import type { KnownSite } from "@/records/sites";
import { appliedInVersion1 } from "@/formats/job-file/versions";
import { fileId } from "./file-id";

interface FileZone {
  readonly name?: string;
  readonly id?: string;
  readonly applied?: readonly AppliedText[];
}

/** The zone of a site that a zone of a file is: by its id, else by its name. */
export function zoneMeant(site: KnownSite, zone: FileZone, i: number): { id: string; name: string; area: string } | undefined {
  const name = zone.name ?? `zone ${i + 1}`;
  const all = [...site.site.zones.map((z) => ({ id: z.id, name: z.name, area: z.area })), ...site.former];
  return all.find((z) => z.id === zone.id) ?? all.find((z) => sameName(z.name, name));
}

/**
 * Takes the history in that a job file brings along: each entry once, however often the file comes.
 * @param fileSite what the file calls the site
 * @returns how many entries were put on record
 */
export function keepApplied(tx: Access, site: KnownSite, fileSite: string, zones: readonly FileZone[], now: string): number {
  let kept = 0;
  zones.forEach((zone, i) => {
    const own = zoneMeant(site, zone, i);
    zone.applied?.forEach((entry, k) => {
      if (!own || entry.planned) return;
      // What an id was once taken of stays what it was: the same file of either version is the same.
      const text = JSON.stringify(appliedInVersion1(entry));
      const id = fileId("applied", own.id, String(k), text);
      // Ids were once made from names: what came then is on record under that.
      const before = fileId("applied", fileSite, zone.name ?? `zone ${i + 1}`, String(k), text);
      if (findApplication(tx, id) ?? findApplication(tx, before)) return;
      const rate = parseRate(entry.amount, undefined);
      if (!rate.ok) return;
      const area = entered(own.area, "area");
      addApplication(
        tx,
        {
          id,
          date: entry.date,
          siteId: site.id,
          zoneId: own.id,
          zone: own.name,
          area,
          product: entry.of,
          labelId: recordsNamed(tx, "labels", entry.of)[0]?.id ?? null,
          rate: rate.value.text,
          total: totalText(rate.value, area.value),
          covered: area,
          // An entry that stands for a product of which nobody noted the active says nothing of an active.
          actives: entry.activeUnknown ? [] : [{ name: entry.active, content: (entry.fraction ?? entry.strength)! }],
          gravity: entry.specificGravity ?? null,
          personId: null,
          source: "file",
          sheetId: null,
          note: null,
          why: null,
          alsoOn: entry.alsoOn ?? null,
          corrects: null,
          isVoid: false,
          facts: null,
        },
        now,
      );
      kept += 1;
    });
  });
  return kept;
}
