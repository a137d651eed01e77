import type { Sheet, SiteEntry } from "@/formats/entries";
import { readJob } from "@/formats/job-file/read";
import { draftOfSheet } from "./anew";

/** A sheet as version 1 of the job file kept it: two tanks, two products of which one has no card, a zone left out. */
const KEPT = {
  format: "careful-gauge-job",
  version: 1,
  rig: {
    name: "Quay truck",
    kind: "spray-truck",
    tanks: [
      { name: "front", usable: "100 gal" },
      { name: "rear", usable: "50 gal" },
    ],
  },
  calibration: { sprayVolume: "2 gal/1000 ft2" },
  products: [
    {
      name: "Granule",
      form: "dry",
      formulation: "WG",
      rate: "0.3 oz/1000 ft2",
      "x-id": "label-1",
      "x-choice": { row: 1, point: "most" },
    },
    { name: "Liquid", form: "liquid", rate: "1.5 fl oz/1000 ft2", "x-id": "label-2" },
    { name: "Nobody's", form: "liquid", rate: "1 fl oz/1000 ft2" },
  ],
  sites: [{ name: "Green", "x-id": "site-1", zones: [{ name: "north", area: "6200 ft2", "x-id": "zone-1" }] }],
  tank: "rear",
} as const;
const sheetOf = (kept: object, run = false): Sheet => {
  const read = readJob(kept);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return { job: read.value.file, run } as unknown as Sheet;
};
const green = {
  id: "site-1",
  site: { name: "Green", zones: [{ id: "zone-1", name: "north", area: "6200 ft2" }, { id: "zone-2", name: "south", area: "900 ft2" }] }, // prettier-ignore
} as unknown as SiteEntry;

test("the same sites, zones, tank and products; a product without a card stays behind, a rate is as it was chosen or as it stood", () => {
  const draft = draftOfSheet(sheetOf(KEPT), [green]);
  expect(draft).toMatchObject({ purpose: "site", stops: ["site-1"], tank: expect.any(String) as string });
  expect(draft.tank).not.toBe("");
  expect(draft.tanks[draft.tank]).toEqual({
    without: ["zone-2"],
    products: [
      { labelId: "label-1", rate: "0.3 oz/1000 ft2", choice: { row: 1, point: "most" } },
      { labelId: "label-2", rate: "1.5 fl oz/1000 ft2", choice: { row: 0, point: "typed" } },
    ],
  });
});

test("in the first tank its key is empty; a day stays a day, two sites two, a spot a spot", () => {
  expect(draftOfSheet(sheetOf({ ...KEPT, tank: "front" }), [green]).tank).toBe("");
  expect(draftOfSheet(sheetOf(KEPT, true), [green]).purpose).toBe("day");
  const two = { ...KEPT, sites: [...KEPT.sites, { ...KEPT.sites[0], name: "Park", "x-id": "site-2" }] };
  expect(draftOfSheet(sheetOf(two), [green])).toMatchObject({ purpose: "sites", stops: ["site-1", "site-2"] });
  const zone = { ...KEPT.sites[0].zones[0], "x-spot": "0.5 gal", "x-whole": "9000 ft2" };
  expect(draftOfSheet(sheetOf({ ...KEPT, sites: [{ ...KEPT.sites[0], zones: [zone] }] }), [green])).toMatchObject({
    purpose: "spot",
    spot: { zoneId: "zone-1", volume: "0.5 gal" },
  });
});
