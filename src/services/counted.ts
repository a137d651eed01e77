import { calibrate, parseRate } from "@/core/contents";
import type { CardText } from "@/formats/card/card";
import { areaRateText } from "@/formats/card/choice";
import type { CountedEntry } from "@/formats/book";
import { appliedOf } from "@/formats/counted";
import { soundJob } from "@/formats/job-file/assemble";
import { openSheets, standingApplications } from "@/records/applications";
import type { Access } from "@/records/database";

/** All that counts against the limits of a site's zones, or of every site's: what went down, and what open sheets plan. */
export function countedOf(db: Access, siteId?: string): CountedEntry[] {
  const down = standingApplications(db, siteId).flatMap((row) => {
    const { siteId: site, zoneId, zone, product: name, actives, rate, date } = row;
    const applied = appliedOf({ name, actives, ...(row.gravity !== null && { gravity: row.gravity }) }, rate, date);
    return applied.map((one): CountedEntry => ({ siteId: site, zoneId, zone, sheetId: null, applied: one }));
  });
  const planned = openSheets(db, siteId).flatMap((sheet) => {
    const job = soundJob(sheet.job);
    const { sprayVolume } = calibrate(job.calibration);
    return (sheet.job.products ?? []).flatMap((product) => {
      const rate = parseRate(product.rate, product.form);
      if (!rate.ok) return [];
      const rest = (product["x-label"] ?? {}) as Partial<CardText>;
      const actives = (product.actives ?? []).map((a) => ({ name: a.name, content: (a.fraction ?? a.strength)! }));
      const holder = { name: product.name, actives, ...(rest.gravity !== undefined && { gravity: rest.gravity }) };
      const amount = areaRateText(rate.value, sprayVolume);
      return (sheet.job.sites?.[0]?.zones ?? []).flatMap((zone) =>
        appliedOf(holder, amount, sheet.madeAt.slice(0, 10), true).map((applied): CountedEntry => ({
          siteId: sheet.siteId,
          zoneId: zone["x-id"] ?? "",
          zone: zone.name ?? "",
          sheetId: sheet.id,
          applied,
        })),
      );
    });
  });
  return [...down, ...planned];
}
