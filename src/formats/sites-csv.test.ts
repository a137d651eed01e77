import fc from "fast-check";
import { sitesFromCsv, sitesFromSheet, sitesToCsv } from "./sites-csv";
import type { SiteText } from "./job-file/types";

const read = (text: string) => {
  const sites = sitesFromSheet(text);
  if (!sites.ok) throw new Error(JSON.stringify(sites.issues));
  return sites.value.sites!;
};
const faults = (text: string) => {
  const sites = sitesFromSheet(text);
  return sites.ok ? [] : sites.issues.map((issue) => `${issue.path} ${issue.code}`);
};

describe("a table of sites that another program wrote", () => {
  test("its columns are told by what they are called there, and the unit by the heading", () => {
    const text =
      'Customer,Lawn,"Area (sq ft)",Grass type,County\nGreen,front,"6,200",ryegrass,Osselby\nGreen,back,1800,fescue,\n';
    expect(read(text)).toEqual([
      {
        name: "Green",
        jurisdiction: "Osselby",
        zones: [
          { name: "front", area: "6,200 ft2", turf: "ryegrass" },
          { name: "back", area: "1800 ft2", turf: "fescue" },
        ],
      },
    ]);
  });
  test.each([
    ["Acres", "0.5", "0.5 ac"],
    ["Size (m²)", "400", "400 m2"],
    ["Square footage", "400", "400 ft2"],
    ["Area", "400 sq ft", "400 ft2"],
    ["area", "62 x 100", "6200 ft2"],
    ["Area (ha)", "6,200 sq ft", "6,200 ft2"],
  ])("an area under %s: %s is %s", (heading, cell, area) =>
    expect(read(`site,${heading}\nGreen,"${cell}"\n`)[0]!.zones[0]!.area).toBe(area),
  );
  test("one customer is one site, however the name is written in each line", () => {
    const sites = read("site,zone,area\nFerry Green,a,5 ft2\n FERRY  green ,b,6 ft2\nFérry green,c,7 ft2\n");
    expect(sites.map((site) => [site.name, site.zones.length])).toEqual([["Ferry Green", 3]]);
  });
  test.each<[string, string, string[]]>([
    ["a weight", "site,area\nGreen,5 oz\n", ["line 2.area wrong-unit"]],
    ["no name", "site,area\n,5 ft2\n", ["line 2.site missing"]],
    ["a zone twice", "site,zone,area\nGreen,a,5 ft2\ngreen,A,5 ft2\n", ["line 3.zone duplicate-name"]],
    ["a day that never was", "site,area,seeded\nGreen,5 ft2,2026-02-30\n", ["line 2.seeded bad-date"]],
    ["water that is neither", "site,area,water\nGreen,5 ft2,maybe\n", ["line 2.water not-a-choice"]],
    [
      "what is known of it, in words that say nothing",
      "site,area,irrigation,ground,waters,mowed\nGreen,5 ft2,5 oz,sea,rain,x\n",
      ["line 2.mowed bad-date", "line 2.waters not-a-choice", "line 2.irrigation wrong-unit", "line 2.ground not-a-choice"],
    ],
    ["no area", "site,zone\nGreen,a\n", ["line 1 missing"]],
    ["no line", "site,area\n", [" too-few"]],
  ])("%s is told at its line", (_what, text, expected) => expect(faults(text)).toEqual(expected));
  test("a heading of no kind, one that would be a column again, and an area without a unit are asked about", () => {
    const asked = (text: string, said?: Parameters<typeof sitesFromSheet>[1]) => {
      const result = sitesFromSheet(text, said);
      if (!result.ok) throw new Error(JSON.stringify(result.issues));
      const { columns, sites } = result.value;
      return [columns.headings.map(({ as }) => as), columns.unit, sites?.map((site) => site.zones.map((zone) => zone.area))];
    };
    const text = "Customer;Name;Phone;Area;\nGreen;front;1;6200;\n";
    expect(asked(text)).toEqual([["site", null, null, "area", ""], null, undefined]);
    expect(asked("Customer;Size of it\nGreen;6200\n")).toEqual([["site", null], undefined, undefined]);
    const columns = { name: "zone", phone: "" };
    expect(asked(text, { columns })).toEqual([["site", "zone", "", "area", ""], null, undefined]);
    expect(asked(text, { columns, unit: "m2" })).toEqual([["site", "zone", "", "area", ""], "m2", [["6200 m2"]]]);
    expect(asked(text, { columns, unit: "parsec" })[1]).toBeNull();
    expect(asked("site,size (ac)\nGreen,5\n", { columns: {}, unit: "ha" })[2]).toEqual([["5 ha"]]);
    expect(sitesFromSheet(text, { columns: { name: "site", phone: "" } })).toMatchObject({
      ok: false,
      issues: [{ path: "line 1", code: "duplicate-name", received: "site" }],
    });
  });
  test("all faults at once", () =>
    expect(faults("site,area,seeded\n,5 oz,x\nGreen,,2026-02-30\n")).toEqual([
      "line 2.site missing",
      "line 2.area wrong-unit",
      "line 2.seeded bad-date",
      "line 3.area missing",
      "line 3.seeded bad-date",
    ]));
});

describe("sites out as a table", () => {
  const word = fc
    .string({ unit: "grapheme", minLength: 1, maxLength: 12 })
    .map((text) => text.replace(/[\p{C}\p{Z}\u00ad]/gu, "").trim())
    .filter((text) => /[\p{L}\p{N}]/u.test(text));
  test("come back the same, whatever they are called, and no cell is a formula", () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(word, { minLength: 1, maxLength: 5, selector: (name) => name.normalize("NFKD").toLowerCase() }),
        fc.array(fc.integer({ min: 1, max: 99_999 }), { minLength: 1, maxLength: 3 }),
        fc.boolean(),
        (names, areas, water) => {
          const sites: SiteText[] = names.map((name) => ({
            name,
            ...(water && {
              waterSource: { fill: true, flow: "8 gal/min" },
              precautions: "bees, a dog",
              irrigatedBy: "client" as const,
            }),
            zones: areas.map((area, i) => ({
              name: `=lawn ${i + 1}`,
              area: `${area} ft2`,
              turf: "ryegrass",
              ...(water && {
                irrigationRate: "0.5 in/h",
                footing: "rough" as const,
                mowingHeight: "3 in",
                mowedOn: "2026-05-01",
              }),
            })),
          }));
          const text = sitesToCsv(sites);
          expect(text).not.toMatch(/(^|,)=lawn/m);
          const back = sitesFromCsv(text);
          // Names that fold to one are one site: then there are fewer, or a zone stands twice.
          if (back.ok && back.value.length === sites.length) expect(back.value).toEqual(sites);
        },
      ),
    ));
  test("no site is no line", () => expect(sitesToCsv([], false)).toBe(""));
});
