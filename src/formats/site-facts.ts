import type { Ground } from "@/core/calibration/evidence";
import type { AfterTank } from "@/core/labels/aftercare";
import { fillTimeRule, wateringOf, type Watering } from "@/core/labels/watering";
import { parseField } from "@/core/quantity/ranges";
import { derive, given, type Derived, type Source } from "@/core/working/rule";
import type { SiteText } from "./job-file/types";

/** What is known of the sites of a mix, put to use. A file may say anything under our own keys: what can't be read says nothing. */

export interface ZoneWatering {
  readonly site: string;
  readonly zone: string;
  readonly least: Watering | null;
  readonly most: Watering | null;
}

/** What the aftercare of a mix is on each of its zones; empty where it asks for no depth. */
export function wateringsOf(sites: readonly SiteText[], after: AfterTank): ZoneWatering[] {
  if (!after.least && !after.most) return [];
  return sites.flatMap((site) =>
    site.zones.flatMap((zone, i): ZoneWatering[] => {
      const name = zone.name ?? `zone ${i + 1}`;
      const area = parseField("zoneArea", zone.area);
      const rate = parseField("irrigation", zone.irrigationRate ?? "");
      if (!area.ok) return [];
      const waterings = wateringOf(after, given(area.value, name), rate.ok ? rate.value : undefined);
      return [{ site: site.name, zone: name, ...waterings }];
    }),
  );
}

/** How long a fill takes at each site whose tap or hydrant was timed. */
export const fillsAt = (
  sites: readonly SiteText[],
  fill: Source<"volume">,
): { readonly site: string; readonly time: Derived<"time"> }[] =>
  sites.flatMap((site) => {
    const flow = parseField("tapFlow", site.waterSource?.flow ?? "");
    return flow.ok
      ? [{ site: site.name, time: derive(fillTimeRule, { fill, tap: given(flow.value, `tap of ${site.name}`) }) }]
      : [];
  });

/** The zones that are walked otherwise than the pace of a calibration was timed. */
export const walkedOtherwise = (
  sites: readonly SiteText[],
  timedOn: Ground,
): { readonly name: string; readonly lies: Ground }[] =>
  sites.flatMap((site) =>
    site.zones.flatMap((zone, i) => {
      const lies = zone.footing;
      return lies !== undefined && lies !== timedOn ? [{ name: `${zone.name ?? `zone ${i + 1}`} of ${site.name}`, lies }] : [];
    }),
  );
