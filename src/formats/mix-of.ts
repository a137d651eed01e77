import { good, type Result } from "@/core/issue";
import { coversRule } from "@/core/mixing/areas";
import type { WaterFirst } from "@/core/mixing/column";
import type { LoadMode } from "@/core/mixing/loads";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { parseField } from "@/core/quantity/ranges";
import { derive, given, type Source } from "@/core/working/rule";
import type { CountedEntry, KeptSite } from "./entries";
import { withCounted } from "./counted";
import { mixJob } from "./job-file/assemble";
import type { CalibrationText, JobFile, ProductText, RigText, SiteText } from "./job-file/types";

/** How a mix is asked for, by a screen and by the server's own check of it. Texts are as typed. */
export interface MixWish {
  readonly tank: string;
  readonly loads: LoadMode;
  /** One fill serves several sites. */
  readonly run: boolean;
  /** So much more than the sites take; empty for none. */
  readonly overage: string;
  /** The fixed-volume school: mixed for this; empty for the calibrated spray volume. */
  readonly mixedFor: string;
  /** One load less, where what is left over may be let go. */
  readonly oneLess?: boolean;
  /** The school of filling; half where it is left out. */
  readonly waterFirst?: WaterFirst;
}

/** A site of a mix: some of its zones may be left out, or a spot of one of them is all that is sprayed. */
export interface StopWish {
  readonly siteId: string;
  /** The ids of the zones that are left out. */
  readonly without?: readonly string[];
  readonly spot?: { readonly zoneId: string; readonly volume: string };
}

export interface MixOf extends MixWish {
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  readonly sprayVolume: Source<"sprayVolume">;
  readonly products: readonly ProductText[];
  readonly stops: readonly (StopWish & { readonly site: KeptSite })[];
  readonly counted: readonly CountedEntry[];
  /** ISO date. */
  readonly date: string;
  /** The sheet that is looked at: it doesn't count against itself. */
  readonly except?: string;
}

/** A mix as its job file, with everything that counts against its zones; or what is wrong with what was typed. */
export function mixFile(mix: MixOf): Result<JobFile> {
  const overage = optional("overage", mix.overage, "overage");
  const mixedFor = optional("sprayVolume", mix.mixedFor, "mixedFor");
  if (!overage.ok) return overage;
  if (!mixedFor.ok) return mixedFor;
  const sites: SiteText[] = [];
  for (const [i, stop] of mix.stops.entries()) {
    const zones = zonesOf(stop, mix.sprayVolume, `stops[${i}].spot`);
    if (!zones.ok) return zones;
    const { siteId, site } = stop;
    // A day's refills are placed by where there is water, and where there is none.
    const water = mix.run && { waterSource: { fill: false, ...site.waterSource } };
    sites.push(withCounted({ ...site, ...water, id: siteId, zones: zones.value }, siteId, mix.counted, mix.except));
  }
  return good(
    mixJob({
      rig: mix.rig,
      calibration: mix.calibration,
      products: mix.products,
      sites,
      loads: mix.loads,
      date: mix.date,
      ...(mix.tank !== "" && { tank: mix.tank }),
      ...(mix.run && { run: "day" as const }),
      ...(overage.value !== undefined && { overage: overage.value }),
      ...(mixedFor.value !== undefined && { nominalSprayVolume: mixedFor.value }),
      ...(mix.oneLess && { oneLoadLess: true }),
      ...(mix.waterFirst !== undefined && mix.waterFirst !== "half" && { fillOrder: mix.waterFirst }),
      priorOrder: "any",
    }),
  );
}

function optional(field: "overage" | "sprayVolume", typed: string, path: string): Result<string | undefined> {
  if (typed.trim() === "") return good(undefined);
  const read = parseField(field, typed, { path });
  return read.ok ? good(read.value.text) : read;
}

/** A mix needs to know by what a zone was measured, not every corner of it. */
export const forMix = ({ measurement: measured, ...zone }: SiteText["zones"][number]) => ({
  ...zone,
  ...(measured && { measuredBy: measured.by }),
});

/** The zones of a stop; of a spot mix the one zone, as large as its volume treats. */
function zonesOf(
  { site, without, spot }: MixOf["stops"][number],
  sprayVolume: Source<"sprayVolume">,
  path: string,
): Result<SiteText["zones"]> {
  if (!spot) return good(site.zones.filter((z) => !without?.includes(z.id)).map(forMix));
  const volume = parseField("spot", spot.volume, { path });
  if (!volume.ok) return volume;
  const treats = derive(coversRule, { fill: given(volume.value, "spot mix"), sprayVolume });
  const area = `${plainNumber(valueIn(treats.value, "ft2"))} ft2`;
  return good(
    site.zones
      .filter((z) => z.id === spot.zoneId)
      .map(({ measurement: _, ...z }) => ({ ...z, area, spot: { volume: volume.value.text, zoneArea: z.area } })),
  );
}
