import { entered, parseRate } from "@/core/contents";
import { totalText } from "@/formats/card/choice";
import type { KeptSite } from "@/formats/book";
import type { AppliedText } from "@/formats/job-file/types";
import { addApplication, findApplication } from "@/records/applications";
import type { Access } from "@/records/database";
import { fileId } from "./file-id";

/** Takes the history in that a job file brings along: each entry once, however often the file comes. */
export function keepApplied(
  tx: Access,
  site: KeptSite & { readonly id: string },
  zones: readonly { readonly name?: string; readonly applied?: readonly AppliedText[] }[],
  now: string,
): number {
  let kept = 0;
  zones.forEach((zone, i) => {
    const own = site.zones.find((z) => z.name === (zone.name ?? `zone ${i + 1}`));
    zone.applied?.forEach((entry, k) => {
      if (!own || entry["x-planned"]) return;
      const id = fileId("applied", site.name, own.name, String(k), JSON.stringify(entry));
      if (findApplication(tx, id)) return;
      const rate = parseRate(entry.amount, undefined);
      if (!rate.ok) return;
      const area = entered(own.area, "area");
      addApplication(
        tx,
        {
          id,
          date: entry.date,
          siteId: site.id,
          zoneId: own["x-id"],
          zone: own.name,
          area,
          product: entry.of,
          labelId: null,
          rate: rate.value.text,
          total: totalText(rate.value, area.value),
          actives: [{ name: entry.active, content: (entry.fraction ?? entry.strength)! }],
          gravity: entry["x-gravity"] ?? null,
          personId: null,
          source: "file",
          sheetId: null,
          note: null,
          corrects: null,
          isVoid: false,
        },
        now,
      );
      kept += 1;
    });
  });
  return kept;
}
