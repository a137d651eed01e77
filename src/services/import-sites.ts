import { issueAt, type Issue } from "@/core/issue";
import { entered } from "@/core/quantity/parse";
import { canonical, ratio } from "@/core/quantity/arithmetic";
import type { Choices, ImportItem } from "@/formats/import";
import { isMeasured } from "@/formats/area/measured";
import { newGround } from "@/formats/grounds";
import type { SiteText, ZoneText } from "@/formats/job-file/types";
import type { Access } from "@/records/database";
import { findSite, zonesTold } from "@/records/sites";
import { meantBy } from "./file-identity";
import { issue } from "./input";
import { zoneMeant } from "./keep-applied";
import { keepUp } from "./keep-up";
import { groundBefore, groundGone, groundKnown, groundNear, siteAsked } from "./same-ground";

/** The sites of a job file, put beside those that are here. */

/**
 * A site of a file put over the one here: its own facts and those of the zones that both know. No zone goes, and what the
 * file leaves unsaid (when it was seeded) stays as it is.
 */
export function siteOver(here: SiteText, file: SiteText): SiteText {
  const told = zonesTold(
    file,
    here.zones.map((z) => ({ id: z.id!, name: z.name! })),
  );
  return {
    ...here,
    ...file,
    ...((here.waterSource ?? file.waterSource) && { waterSource: { ...here.waterSource, ...file.waterSource } }),
    zones: here.zones.map((zone) => {
      const i = told.indexOf(zone.id);
      if (i < 0) return zone;
      const { applied: _, ...facts } = file.zones[i]!;
      // The same area written otherwise is the same area.
      const area = sameArea(zone.area, facts.area) ? zone.area : facts.area;
      return { ...zone, ...facts, area, name: facts.name ?? zone.name!, id: zone.id! };
    }),
  };
}

const sameArea = (here: string, file: string): boolean =>
  Math.abs(ratio(entered(file, "area").value, entered(here, "area").value) - 1) < 1e-9;

/** The zones of a file that its site doesn't have: each is left until somebody says which ground it is. */
export function newZones(
  tx: Access,
  siteId: string,
  file: SiteText,
  path: string,
  choices: Choices,
  now: string,
  faults: Issue[],
): ImportItem[] {
  let known = findSite(tx, siteId)!;
  return file.zones.flatMap((zone, j): ImportItem[] => {
    if (zoneMeant(known, zone, j)) return [];
    const name = zone.name ?? `zone ${j + 1}`;
    const key = `zone:${siteId}:${name}`;
    const grounds = groundsOf(tx, siteId, zone, j, groundKnown(tx, siteId));
    const answer = choices[key];
    if (answer !== undefined) {
      const { applied: _, ...facts } = zone;
      const zones = [...known.site.zones, { ...facts, name, continues: answer }];
      const kept = keepUp(tx, "sites", siteId, { ...known.site, zones }, now);
      if (!kept.ok) faults.push(...kept.issues.map((i) => issueAt(path, i)));
      known = findSite(tx, siteId)!;
    }
    return [
      {
        key,
        kind: "zone",
        name: `${name} of ${file.name}`,
        state: "new-zone",
        differences: [],
        grounds,
        taken: answer !== undefined,
      },
    ];
  });
}

/**
 * A site of a file that isn't on record, with the ground that each of its zones is: where it may be ground that somebody
 * gave up, that is asked. For a look beforehand what is unsaid is taken for new ground: nothing of it is kept.
 * @param gone the ground that was given up, where many sites are asked about one after another
 * @returns the site, what is asked of it, and whether some of that is still to be said
 */
export function withGrounds(
  tx: Access,
  site: SiteText,
  choices: Choices,
  gone = groundGone(tx),
): { readonly site: SiteText; readonly asked: readonly ImportItem[]; readonly open: boolean } {
  if (meantBy(tx, "sites", site.name, site.id)) return { site, asked: [], open: false };
  const asked: ImportItem[] = [];
  const known = { here: [], gone, near: groundNear(tx, "", siteAsked(site)) };
  const zones = site.zones.map((zone, j) => {
    const name = zone.name ?? `zone ${j + 1}`;
    const grounds = groundsOf(tx, "", zone, j, known);
    if (grounds.length === 0) return zone;
    const key = `zone:${site.name}:${name}`;
    const taken = choices[key] !== undefined;
    asked.push({ key, kind: "zone", name: `${name} of ${site.name}`, state: "new-zone", differences: [], grounds, taken });
    return { ...zone, continues: choices[key] ?? newGround("nobody has said yet") };
  });
  return { site: { ...site, zones }, asked, open: asked.some((item) => !item.taken) };
}

const groundsOf = (tx: Access, siteId: string, zone: ZoneText, j: number, known: ReturnType<typeof groundKnown>) =>
  groundBefore(
    tx,
    siteId,
    {
      name: zone.name ?? `zone ${j + 1}`,
      areaM2: canonical(entered(zone.area, "area").value),
      polygons: polygonsIn(zone),
    },
    known,
  ).map((z) => ({ id: z.id, name: `${z.name} of ${z.site}`, ...(z.live && { live: z.live }) }));

/** The shape of a zone of a file, where that is one. */
const polygonsIn = (zone: ZoneText) => (isMeasured(zone.measurement) ? zone.measurement.map?.polygons : undefined);

/** A spot mix at a site that isn't on record: how large its zones really are is not in the file. */
export function spotOf(tx: Access, site: SiteText, path: string): Issue | undefined {
  const j = site.zones.findIndex((zone) => zone.spot?.volume !== undefined);
  if (j < 0 || meantBy(tx, "sites", site.name, site.id)) return undefined;
  return issue(
    `${path}.zones[${j}].area`,
    "not-possible",
    `${site.zones[j]!.area} is what a spot mix treats`,
    `add ${site.name} with its own areas first`,
  );
}
