import { good, type Issue, type Result } from "@/core/issue";
import { NOTHING, type Choices, type Imported, type ImportItem } from "@/formats/import";
import { sitesFromSheet } from "@/formats/sites-csv";
import type { Records } from "@/records/database";
import { bringIn } from "./import-items";
import { newZones, siteOver, withGrounds } from "./import-sites";
import { issue, nowText } from "./input";
import { wholly } from "./keep-up";
import type { Progress } from "./progress";

/** More faults than anybody reads are not looked for. */
const MOST_FAULTS = 100;

/**
 * Takes sites in from a table. A site that is on record and differs is left, unless it was chosen; a zone that comes to a site is
 * asked which ground it is. All of it is kept, or nothing with every fault told.
 */
export function importSiteTable(db: Records, text: string, chosen?: Choices, progress?: Progress): Result<Imported> {
  const choices = chosen ?? {};
  const sites = sitesFromSheet(text);
  if (!sites.ok) return sites;
  return wholly(db, (tx) => {
    const now = nowText();
    const items: ImportItem[] = [];
    const faults: Issue[] = [];
    for (const [i, told] of sites.value.entries()) {
      if (i % 20 === 0) progress?.(i, sites.value.length);
      if (faults.length > MOST_FAULTS) break;
      const { site, asked, open } = withGrounds(tx, told, choices);
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
      items.push(brought.value.item, ...newZones(tx, brought.value.id, site, site.name, choices, now, faults));
    }
    return faults.length > 0 ? { ok: false, issues: faults } : good({ ...NOTHING, items });
  });
}
