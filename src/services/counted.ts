import { calibrate, given, mixedFor, rateOnGround } from "@/core/contents";
import { groundText } from "@/formats/card/choice";
import type { CountedEntry } from "@/formats/book";
import { appliedOf } from "@/formats/counted";
import { soundJob } from "@/formats/job-file/assemble";
import { cardOfProduct } from "@/formats/gear";
import type { JobFile } from "@/formats/job-file/types";
import { openSheets, standingApplications } from "@/records/applications";
import type { Access } from "@/records/database";
import { siteIdOf } from "@/records/sheets";

/** All that counts against the limits of a site's zones, or of every site's: what went down, and what open sheets plan. */
export function countedOf(db: Access, siteId?: string): CountedEntry[] {
  const down = standingApplications(db, siteId).flatMap((row) => {
    const { siteId: site, zoneId, zone, product: name, actives, rate, date } = row;
    const applied = appliedOf({ name, actives, ...(row.gravity !== null && { gravity: row.gravity }) }, rate, date);
    return applied.map((one): CountedEntry => ({ siteId: site, zoneId, zone, sheetId: null, applied: one }));
  });
  const planned = openSheets(db, siteId).flatMap(plannedBy);
  return [...down, ...planned].filter((c) => siteId === undefined || c.siteId === siteId);
}

type OpenSheet = ReturnType<typeof openSheets>[number];

/** What sheets plan, worked out once for each: a sheet never changes. */
const known = new WeakMap<JobFile, Map<string, readonly CountedEntry[]>>();

function plannedBy(sheet: OpenSheet): readonly CountedEntry[] {
  const sheets = known.get(sheet.job) ?? new Map<string, readonly CountedEntry[]>();
  known.set(sheet.job, sheets);
  const key = [sheet.id, sheet.siteId, sheet.madeAt].join();
  const entries = sheets.get(key) ?? workOut(sheet);
  sheets.set(key, entries);
  return entries;
}

function workOut(sheet: OpenSheet): CountedEntry[] {
  const job = soundJob(sheet.job);
  const { sprayVolume } = calibrate(job.calibration);
  const fixed = job.mixedFor && !job.rig.head ? given(job.mixedFor, "mixed for") : undefined;
  return (sheet.job.products ?? []).flatMap((product, i) => {
    const one = job.products[i]!;
    const rest = cardOfProduct(product);
    const actives = (product.actives ?? []).map((a) => ({ name: a.name, content: (a.fraction ?? a.strength)! }));
    const holder = { name: product.name, actives, ...(rest.gravity !== undefined && { gravity: rest.gravity }) };
    const amount = groundText(rateOnGround(fixed ? mixedFor(one, fixed) : one, sprayVolume));
    const applied = appliedOf(holder, amount, sheet.madeAt.slice(0, 10), true);
    return (sheet.job.sites ?? []).flatMap((site) =>
      site.zones.flatMap((zone) =>
        applied.map((entry): CountedEntry => ({
          siteId: siteIdOf(sheet, site),
          zoneId: zone["x-id"] ?? "",
          zone: zone.name ?? "",
          sheetId: sheet.id,
          applied: entry,
        })),
      ),
    );
  });
}
