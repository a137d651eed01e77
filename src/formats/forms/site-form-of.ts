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
    jurisdiction: site["x-jurisdiction"] ?? "",
    water: site["x-water"] === true,
    minding: site["x-minding"] ?? "",
    access: site["x-access"] ?? "",
    notes: site["x-notes"] ?? "",
    waters: site["x-waters"] ?? "",
    tapFlow: site["x-tap-flow"] ?? "",
    gate: site["x-gate"] ?? "",
    tap: site["x-tap"] ?? "",
    zones: (site.zones ?? []).length
      ? site.zones!.map((z) => ({
          id: z["x-id"] ?? "",
          name: z.name ?? "",
          area: z.area,
          turf: z["x-turf"] ?? "",
          seeded: z["x-seeded"] ?? "",
          sodded: z["x-sodded"] ?? "",
          seeding: z["x-seeding"] ?? "",
          sodding: z["x-sodding"] ?? "",
          ground: "",
          irrigation: z["x-irrigation"] ?? "",
          lies: z["x-lies"] ?? "",
          height: z["x-height"] ?? "",
          mowed: z["x-mowed"] ?? "",
          measured: z["x-measured"] ? JSON.stringify(z["x-measured"]) : "",
        }))
      : [BLANK_ZONE],
  };
}
