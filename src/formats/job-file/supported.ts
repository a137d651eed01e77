import type { Issue } from "@/core/contents";
import type { JobFile } from "./types";

/**
 * What the format can say of a mix and the product can't work out yet. Each answers with a fault that names it: a number that
 * leaves a limit out would be worse than none.
 */
export function unsupportedIn(file: JobFile): Issue[] {
  const issues: Issue[] = [];
  const refuse = (path: string, received: string, expected: string) =>
    issues.push({ path, code: "not-supported", received, expected });
  file.products?.forEach((product, i) => {
    const at = `products[${i}]`;
    if (product.limits) refuse(`${at}.limits`, "checking limits", "no mix is made of a product whose limits can't be checked");
    if (product.carrierAtLeast)
      refuse(`${at}.carrierAtLeast`, "checking the carrier minimum", "no mix is made that can't be checked against it");
    if (product.dilutionAtLeast)
      refuse(`${at}.dilutionAtLeast`, "checking the least dilution", "no mix is made that can't be checked against it");
    if (product.labelRange)
      refuse(`${at}.labelRange`, "checking a rate against the label's range", "no mix is made that can't be checked against it");
  });
  file.sites?.forEach((site, i) =>
    site.zones.forEach((zone, j) => {
      if (zone.applied?.length)
        refuse(
          `sites[${i}].zones[${j}].applied`,
          "counting what went down before",
          "no mix is made that can't be checked against it",
        );
    }),
  );
  if (file.run) refuse("run", "a day run", "mix site by site");
  return issues;
}
