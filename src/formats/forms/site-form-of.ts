import type { SiteText } from "../job-file/types";
import type { SiteForm } from "./site";

type ZoneForm = SiteForm["zones"][number];

export const BLANK_ZONE: ZoneForm = {
  id: "",
  name: "",
  area: "",
  turf: "",
  seeded: "",
  sodded: "",
  seeding: "",
  sodding: "",
  ground: "",
  irrigation: "",
  lies: "",
  height: "",
  mowed: "",
  measured: "",
};

/** The form of one that exists, or an empty one. */
export function siteFormOf(site: Partial<SiteText> = {}): SiteForm {
  return {
    name: site.name ?? "",
    jurisdiction: site.jurisdiction ?? "",
    water: site.waterSource?.fill === true,
    minding: site.precautions ?? "",
    access: site.access ?? "",
    notes: site.notes ?? "",
    waters: site.irrigatedBy ?? "",
    tapFlow: site.waterSource?.flow ?? "",
    gate: site.entrance ?? "",
    tap: site.waterSource?.position ?? "",
    zones: (site.zones ?? []).length
      ? site.zones!.map((z) => ({
          id: z.id ?? "",
          name: z.name ?? "",
          area: z.area,
          turf: z.turf ?? "",
          seeded: z.seededOn ?? "",
          sodded: z.soddedOn ?? "",
          seeding: z.seedingOn ?? "",
          sodding: z.soddingOn ?? "",
          ground: "",
          irrigation: z.irrigationRate ?? "",
          lies: z.footing ?? "",
          height: z.mowingHeight ?? "",
          mowed: z.mowedOn ?? "",
          measured: z.measurement ? JSON.stringify(z.measurement) : "",
        }))
      : [BLANK_ZONE],
  };
}
