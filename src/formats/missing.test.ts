import type { ApplicationEntry, PersonEntry } from "./entries";
import type { JobFile } from "./job-file/types";
import { missingOfEntry, missingOfSheet } from "./missing";

const person = (categories?: string): PersonEntry => ({
  id: "p",
  retired: false,
  name: "Odile Marsh",
  papers: [{ kind: "certificate", number: "FT-1", ...(categories && { categories }) }],
});
const job = (label: object) =>
  ({
    sites: [{ name: "Green", zones: [{ name: "north", area: "1000 ft2" }] }],
    products: [{ name: "Tollguard", form: "dry", rate: "0.3 oz/1000 ft2", label }],
  }) as unknown as JobFile;
const DAY = "2026-10-21";

describe("the category that the work takes", () => {
  const asked = (categories?: string) =>
    missingOfSheet(job({ category: "turf and ornamental" }), person(categories), DAY).map((one) => one.category);
  test("is missing where no certificate of who sprays names it, whatever the product", () => {
    expect(asked()).toEqual(["turf and ornamental"]);
    expect(asked("core, aquatic")).toEqual(["turf and ornamental"]);
    expect(asked("core, Turf and Ornamental")).toEqual([]);
    expect(missingOfSheet(job({}), person(), DAY)).toEqual([]);
    expect(missingOfSheet(job({ category: "turf" }), undefined, DAY).map((one) => one.category)).toEqual(["turf"]);
  });
  test("of a record it is the one of that day", () => {
    const entry = (facts: object) =>
      missingOfEntry({ product: "Tollguard", date: DAY, facts } as unknown as ApplicationEntry).map((one) => one.category);
    expect(entry({ category: "turf", certificate: "FT-1", categories: "core" })).toEqual(["turf"]);
    expect(entry({ category: "turf", certificate: "FT-1", categories: "core, turf" })).toEqual([]);
    expect(entry({})).toEqual([]);
  });
});
