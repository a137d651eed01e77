import { tipFormOf } from "@/formats/forms/tip-form-of";
import { put, retire, type KeptKind } from "./keep-up";
import { readAll } from "./read-all";
import { add, faults, freshRecords, ids, LABEL, must, RIG, SITE, town } from "./testing/town";

const records = freshRecords();
const TIP_ROW = { pressure: "40", flow: "0.25", droplet: "medium" };

describe("keeping people, rigs, labels and sites up to date", () => {
  test("what was typed is kept as a job file writes it, and comes back", () => {
    town(records.db);
    const book = readAll(records.db);
    expect(book.rigs[0]!.rig).toEqual({
      name: "Blue backpack",
      kind: "backpack",
      tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
      outlets: { count: 1 },
      tip: { size: "025", pressure: "40 psi" },
      setup: {
        kit: {
          scales: [{ name: "bench scale", step: "0.01 oz", capacity: "20 oz" }],
          vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
        },
      },
    });
    expect(book.labels[0]!.card).toEqual({
      name: "Granule",
      form: "dry",
      formulation: "WG",
      actives: [],
      gear: [],
      limits: [],
      rates: [{ rate: "0.3 oz/1000 ft2" }],
      packages: [{ content: "80 oz", price: "64" }],
    });
    expect(book.sites[0]!.site.zones).toEqual([
      { name: "north", area: "6,200 ft2", id: `${ids.sites}.0` },
      { name: "south", area: "1800 ft2", id: `${ids.sites}.1` },
    ]);
  });

  test("a name is given once; saving the same again changes it in place", () => {
    town(records.db);
    expect(faults(add(records.db, "rigs", RIG, "rig-0000000002"))).toEqual(["name duplicate-name"]);
    must(add(records.db, "rigs", { ...RIG, pressure: "45 psi" }));
    expect(readAll(records.db).rigs.map((r) => r.rig.tip?.pressure)).toEqual(["45 psi"]);
  });

  test("retired is out of the way, not gone", () => {
    town(records.db);
    must(retire(records.db, "labels", { id: ids.labels, retired: true }));
    expect(readAll(records.db).labels[0]!.retired).toBe(true);
    must(retire(records.db, "labels", { id: ids.labels, retired: false }));
    expect(readAll(records.db).labels[0]!.retired).toBe(false);
    expect(faults(retire(records.db, "labels", { id: "nothing-of-that", retired: true }))).toEqual(["id unknown-name"]);
  });

  test.each<[KeptKind, object | null, string]>([
    ["rigs", { ...RIG, tanks: [{ name: "main", usable: "0", leastMix: "" }] }, "tanks[0].usable zero"],
    ["rigs", { ...RIG, tanks: [{ name: "main", usable: "4 gal", leastMix: "5 gal" }] }, "tanks[0].leastMix contradiction"],
    ["rigs", { ...RIG, tanks: [{ name: "main", usable: "4 ac", leastMix: "" }] }, "tanks[0].usable wrong-unit"],
    [
      "rigs",
      { ...RIG, tanks: [{ name: "main", usable: "4 gal", capacity: "3 gal", leastMix: "" }] },
      "tanks[0].usable contradiction",
    ],
    ["rigs", { ...RIG, outlets: "1.5" }, "outlets out-of-range"],
    ["rigs", { ...RIG, pumpServiced: "last week" }, "pumpServiced bad-date"],
    ["rigs", { ...RIG, hoseDiameter: "3 gal" }, "hoseDiameter wrong-unit"],
    [
      "rigs",
      { ...RIG, vessels: [{ name: "jug", graduation: "2 gal", capacity: "1 gal" }] },
      "vessels[0].graduation contradiction",
    ],
    [
      "rigs",
      { ...RIG, kind: "hose-end", head: { kind: "dial", setting: "", feed: "", product: "", water: "" } },
      "head.setting missing",
    ],
    [
      "rigs",
      { ...RIG, kind: "hose-end", head: { kind: "dial", setting: "2", feed: "", product: "8 fl oz", water: "" } },
      "head.water missing",
    ],
    [
      "tips",
      { ...tipFormOf(), name: "Fan", size: "x", rows: [{ pressure: "40", flow: "0.25", droplet: "" }] },
      "size not-a-choice",
    ],
    [
      "tips",
      { ...tipFormOf(), name: "Fan", size: "025", rows: [{ pressure: "40", flow: "0.25", droplet: "huge" }] },
      "rows[0].droplet not-a-choice",
    ],
    [
      "tips",
      { ...tipFormOf(), name: "Fan", size: "025", rows: [TIP_ROW, { ...TIP_ROW, pressure: "40 psi" }] },
      "rows[1].pressure duplicate-name",
    ],
    ["rigs", { ...RIG, kind: "kite" }, "kind not-a-choice"],
    ["rigs", { ...RIG, name: " " }, "name missing"],
    ["rigs", { ...RIG, tipSize: "blue" }, "tipSize not-a-choice"],
    ["labels", { ...LABEL, rates: [{ rate: "0.3 fl oz/1000 ft2" }] }, "rates[0].rate volume-on-dry"],
    ["labels", { ...LABEL, rates: [{ rate: "0.3 mi" }] }, "rates[0].rate wrong-unit"],
    ["labels", { ...LABEL, rates: [{ rate: "5000000 oz/1000 ft2" }] }, "rates[0].rate out-of-range"],
    ["labels", { ...LABEL, packages: [{ content: "80 oz", price: "-3" }] }, "packages[0].price out-of-range"],
    ["labels", { ...LABEL, packages: [{ content: "1 gal" }] }, "packages[0].content volume-on-dry"],
    ["labels", { ...LABEL, packages: [{ price: "64" }] }, "packages[0].content missing"],
    ["sites", { ...SITE, zones: [{ name: "n", area: "1,5" }] }, "zones[0].area comma-decimal"],
    ["sites", { ...SITE, zones: [{ name: "", area: "100" }] }, "zones[0].name missing"],
    ["people", { name: "x".repeat(61) }, "name too-long"],
    ["people", null, " wrong-type"],
  ])("%s %p is refused: %s", (kind, form, expected) => {
    expect(faults(add(records.db, kind, form))).toContain(expected);
    expect(readAll(records.db)[kind]).toEqual([]);
  });

  test("an id is asked for", () => expect(faults(put(records.db, "people", { form: { name: "A" } }))).toEqual(["id wrong-type"]));
});
