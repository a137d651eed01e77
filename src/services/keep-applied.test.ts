import { findApplication } from "@/records/applications";
import { importJob } from "./import-job";
import { put } from "./keep-up";
import { readAll } from "./read-all";
import { add, freshRecords, ids, LABEL, must, SITE, town } from "./testing/town";

/** The history that a job file brings, on records that have two of everything: which zone and which label each entry is of. */
const records = freshRecords();
const SECOND = "label-000000002";
const entry = (more: object = {}) => ({ of: "Granule", active: "osselfenate", fraction: "40 %", amount: "0.7 oz/1000 ft2", date: "2026-05-01", ...more }); // prettier-ignore
const RIG = { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] };
const file = (...zones: object[]) =>
  JSON.stringify({
    ...{ format: "careful-gauge-job", version: 2, date: "2026-09-02" },
    ...{
      rig: RIG,
      calibration: { sprayVolume: "1 gal/1000 ft2", record: { person: "Odile Marsh" } },
      sites: [{ name: "Green", zones }],
    },
  });
const bring = (...zones: object[]) => must(importJob(records.db, file(...zones), {}));
const kept = () => readAll(records.db).applications.map(({ id }) => findApplication(records.db, id)!);

beforeEach(() => {
  town(records.db);
  must(add(records.db, "labels", { ...LABEL, name: "Second granule", actives: [{ name: "tollazole", content: "5 %" }] }, SECOND));
});

test("each entry is of the label that it names, in whatever capitals; of none where there is none of that name", () => {
  const of = (name: string) => entry({ of: name });
  bring({ name: "south", area: "1800 ft2", applied: [of("second GRANULE"), of("Granule"), of("Third granule")] });
  expect(
    kept()
      .map((a) => [a.product, a.labelId])
      .sort(),
  ).toEqual([
    ["Granule", ids.labels],
    ["Third granule", null],
    ["second GRANULE", SECOND],
  ]);
});

test("each zone by its name, or by its id where it has another name by now; its total is that of its own area", () => {
  bring(
    { name: "south", area: "1800 ft2", applied: [entry()] },
    { name: "north", area: "6200 ft2", applied: [entry({ date: "2026-06-01" })] },
  );
  expect(
    kept()
      .map((a) => [a.zone, a.zoneId, a.date, a.total])
      .sort(),
  ).toEqual([
    ["north", `${ids.sites}.0`, "2026-06-01", "4.34 oz"],
    ["south", `${ids.sites}.1`, "2026-05-01", "1.26 oz"],
  ]);
  const zones = SITE.zones.map((zone, i) => ({ ...zone, id: `${ids.sites}.${i}`, name: i === 0 ? "south" : "east" }));
  must(put(records.db, "sites", { id: ids.sites, form: { ...SITE, zones } }));
  bring({ name: "east", area: "1800 ft2", id: `${ids.sites}.1`, applied: [entry({ date: "2026-07-01" })] });
  expect(kept().find((a) => a.date === "2026-07-01")).toMatchObject({ zone: "east", zoneId: `${ids.sites}.1` });
});

test("what it says of an entry goes with it: gravity, another day that it counts on, an active that nobody noted", () => {
  bring({
    name: "north",
    area: "6200 ft2",
    applied: [
      entry({ specificGravity: "1.2", alsoOn: "2026-04-30" }),
      entry({ of: "Nobody knows", activeUnknown: true, date: "2026-06-02" }),
    ],
  });
  const [unknown, known] = kept();
  expect(known).toMatchObject({ gravity: "1.2", alsoOn: "2026-04-30", source: "file", sheetId: null });
  expect(known!.actives).toEqual([{ name: "osselfenate", content: "40 %" }]);
  expect(unknown).toMatchObject({ gravity: null, alsoOn: null, actives: [] });
});
