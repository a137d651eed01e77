import { putSetting } from "@/records/settings";
import { findSite, sitesPage } from "@/records/sites";
import { sitesToCsv } from "@/formats/sites-csv";
import { importSiteTable } from "./import-site-table";
import { liveSites } from "./live-sites";
import { saveApplication, voidApplication } from "./save-application";
import { faults, freshRecords, ids, must, NOW, town } from "./testing/town";

const records = freshRecords();
beforeEach(() => town(records.db));
const names = () => sitesPage(records.db, { retired: false }, undefined, 100).rows.map((row) => row.site.name);
const table = (...lines: string[]) => `site,zone,area,turf\n${lines.join("\n")}\n`;
const states = (text: string, choices?: Record<string, string>) =>
  must(importSiteTable(records.db, text, choices)).items.map((item) => `${item.name}: ${item.state}`);

test("what isn't on record is added, the same file again brings nothing", () => {
  const text = table("Slip cottage,front,5600 ft2,ryegrass", "Slip cottage,back,3800 ft2,fescue", "Green,north,6200 ft2,");
  expect(states(text, {})).toEqual(["Slip cottage: new", "Green: same"]);
  expect(names()).toEqual(["Green", "Slip cottage"]);
  expect(states(text, {})).toEqual(["Slip cottage: same", "Green: same"]);
});
test("what differs is left unless it is chosen; under another way of writing it is the same customer", () => {
  const text = table("GREEN,north,7000 ft2,ryegrass");
  expect(states(text)).toEqual(["GREEN: differs"]);
  must(importSiteTable(records.db, text, {}));
  expect(findSite(records.db, ids.sites)!.site.zones[0]!.area).toBe("6,200 ft2");
  must(importSiteTable(records.db, text, { [`site:${ids.sites}`]: "take" }));
  expect(findSite(records.db, ids.sites)!.site.zones[0]).toMatchObject({ area: "7000 ft2", turf: "ryegrass", name: "north" });
});
test("a zone that comes to a site is asked which ground it is; until then it is left", () => {
  const text = table("Green,orchard,900 ft2,");
  expect(states(text, {})).toEqual(["Green: same", "orchard of Green: new-zone"]);
  expect(findSite(records.db, ids.sites)!.site.zones).toHaveLength(2);
  must(importSiteTable(records.db, text, { [`zone:${ids.sites}:orchard`]: "new" }));
  expect(findSite(records.db, ids.sites)!.site.zones.map((zone) => zone.name)).toContain("orchard");
});
test("one fault and nothing of it is kept", () => {
  expect(faults(importSiteTable(records.db, table("New one,a,5600 ft2,", "Other,b,5 oz,"), {}))).toEqual([
    "line 3.area wrong-unit",
  ]);
  expect(names()).toEqual(["Green"]);
});
test("all sites go out, some hundred at a time, and come back as they are", () => {
  const many = Array.from({ length: 650 }, (_, i) => `Lawn ${String(i).padStart(3, "0")},front,${100 + i} ft2,ryegrass`);
  must(importSiteTable(records.db, table(...many), {}));
  const pages = [...liveSites(records.db)];
  expect(pages.map((page) => page.length)).toEqual([300, 300, 51]);
  const text = pages.map((page, i) => sitesToCsv(page, i === 0)).join("");
  expect(text.trimEnd().split("\n")).toHaveLength(653);
  expect(new Set(states(text, {}).map((state) => state.split(": ")[1]))).toEqual(new Set(["same"]));
});

test("sites are found by turf, by whose rules hold, and by how long nothing went down", () => {
  const head = "site,zone,area,turf,jurisdiction\n";
  must(importSiteTable(records.db, `${head}Slip cottage,front,5600 ft2,Ryegrass,Osselby\nPier,front,900 ft2,fescue,Quay\n`, {}));
  must(
    saveApplication(records.db, {
      id: "entry-000000001",
      date: "2026-08-20",
      siteId: ids.sites,
      zoneId: `${ids.sites}.0`,
      labelId: ids.labels,
      amount: "1 oz",
      personId: null,
      note: "",
      corrects: null,
    }),
  );
  const found = (asked: object) =>
    sitesPage(records.db, { ...asked, retired: false }, undefined, 100).rows.map((row) => row.site.name);
  expect(found({ turf: "ryegrass" })).toEqual(["Slip cottage"]);
  expect(found({ rules: "quay" })).toEqual(["Pier"]);
  expect(found({ turf: "ryegrass", rules: "Quay" })).toEqual([]);
  expect(found({ idleSince: "2026-08-20" })).toEqual(["Pier", "Slip cottage"]);
  const m2 = (feet: number) => feet * 0.09290304;
  expect(found({ least: m2(5600) })).toEqual(["Green", "Slip cottage"]);
  expect(found({ least: m2(901), most: m2(5600) })).toEqual(["Slip cottage"]);
  expect(found({ most: m2(900) })).toEqual(["Pier"]);
  expect(found({ idleSince: "2026-08-21" })).toEqual(["Green", "Pier", "Slip cottage"]);
  must(voidApplication(records.db, { id: "void-000000001", corrects: "entry-000000001", why: "rained off" }));
  expect(found({ idleSince: "2026-08-20" })).toContain("Green");
});

test("what was said of a column is remembered with the import; a unit is asked each time; unsaid nothing is kept", () => {
  const text = (name: string) => `Client,Ref,Area\n${name},17,900\n`;
  const look = (of: string, said?: Record<string, string>) =>
    must(importSiteTable(records.db, of, undefined, undefined, said)).columns!;
  expect(look(text("Pier"))).toMatchObject({ headings: [{ as: "site" }, { as: null, key: "column:ref" }, { as: "area" }] });
  expect(faults(importSiteTable(records.db, text("Pier"), {}))).toEqual(["line 1 not-a-choice", "line 1 no-unit"]);
  const said = { "column:ref": "" };
  expect(look(text("Pier"), said).unit).toBeNull();
  expect(faults(importSiteTable(records.db, text("Pier"), said))).toEqual(["line 1 no-unit"]);
  // A look remembers nothing.
  expect(look(text("Pier")).headings[1]!.as).toBeNull();
  must(importSiteTable(records.db, text("Pier"), { ...said, unit: "m2" }));
  expect(names()).toEqual(["Green", "Pier"]);
  const next = look(text("Mole"));
  expect([next.headings[1]!.as, next.unit]).toEqual(["", null]);
});

test("what was remembered of columns and can't be read is nothing, and no import stands still for it", () => {
  ["{", "3", "null", `{"ref":7}`].forEach((raw, i) => {
    putSetting(records.db, "site-columns", raw, NOW);
    expect(states(table(`Lawn ${i},front,900 ft2,`))).toEqual([`Lawn ${i}: new`]);
  });
});
