import { issueAt, wordsFor } from "@/core/issue";
import type { Reason } from "@/core/labels/reason";
import { quantity } from "@/core/quantity/quantity";
import { heldIssues, issuesFor } from "./held";
import { issue } from "./input";

const volume = (gallons: number) => quantity("sprayVolume", gallons, "gal/1000 ft2");
const REASON: Reason = {
  code: "under-carrier-minimum",
  values: { least: volume(2), sprayVolume: volume(1) },
  product: "Osselgrain",
  site: null,
  zone: null,
  most: null,
};

test("a plan that is held is refused in the units of who asked, at its place, and as plain data", () => {
  const [held] = heldIssues({ reasons: [REASON] });
  const other = issue("id", "not-possible", "one", "two");
  const said = issuesFor([issueAt("sheets[1]", held!), other], "metric");
  expect(said).toEqual([
    {
      path: "sheets[1]",
      code: "held",
      received: "Osselgrain: the label wants at least 8.15 L per 100 m², this sprayer puts down 4.07 L per 100 m².",
      expected: "Walk slower or take a larger tip, and calibrate again.",
    },
    other,
  ]);
  expect(wordsFor(issuesFor([held!], "us")[0]!)).toContain("at least 2 gal per 1,000 sq ft");
});
