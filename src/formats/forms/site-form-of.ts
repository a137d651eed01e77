import type { SiteText } from "../job-file/types";
import type { SiteForm } from "./site";

/** The form of one that exists, or an empty one. */
export function siteFormOf(site: Partial<SiteText> = {}): SiteForm {
  return { name: site.name ?? "", zones: (site.zones ?? [{ area: "" }]).map((z) => ({ name: z.name ?? "", area: z.area })) };
}
