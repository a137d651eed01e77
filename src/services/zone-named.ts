import type { Issue } from "@/core/issue";
import type { KeptZone } from "@/formats/entries";
import { issue, shown } from "./input";

/**
 * The zone that an id names. Where none is named, the only one that there is: nobody has to pick from one, and what is
 * pressed before a device knows a site's zones means it too.
 */
export const zoneNamed = (zones: readonly KeptZone[] | undefined, id: unknown): KeptZone | undefined =>
  id === "" && zones?.length === 1 ? zones[0] : zones?.find((z) => z.id === id);

/** What is wrong with naming a zone so. */
export const noZone = (id: unknown): Issue =>
  id === ""
    ? issue("zoneId", "missing", "", "one of the site's zones")
    : issue("zoneId", "unknown-name", shown(id), "the zones of the site");
