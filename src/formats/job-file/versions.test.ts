import { readFileSync } from "node:fs";
import { lineFor } from "@/core/issue";
import { run } from "@/cli/gauge";
import { EXAMPLE } from "@/testing/job-example";
import { readAny, readJob } from "./read";
import { appliedInVersion1, fromVersion1, inVersion1, placedIn, RENAMED } from "./versions";

/** Version 1 of a job: the keys that the format had names for, and those that this program wrote beside them. */
const FIRST = {
  format: "careful-gauge-job",
  version: 1,
  "x-person": "Odile Marsh",
  "x-made-at": "2026-04-01T06:40:00Z",
  "x-lever": { name: "pressure", setTo: "46 psi" },
  rig: {
    name: "Blue backpack",
    kind: "backpack",
    tanks: [{ name: "main", usable: "4 gal" }],
    tip: { size: "025", pressure: "40 psi" },
    "x-setup": { nozzle: "half turn" },
    "x-chart": { size: "025", rows: [] },
    "x-somebodys": 1,
  },
  calibration: {
    pace: { kind: "timed-area", area: "250 ft2", times: ["61 s", "63 s"] },
    flow: { kind: "timed-catch", catches: [{ volume: "33 fl oz", time: "62 s" }] },
    "x-graduation": "1 fl oz",
    "x-swath": "5 ft",
  },
  products: [{ name: "Demo granule", form: "dry", rate: "0.3 oz/1000 ft2", "x-id": "label-1", "x-choice": { row: 0 } }],
  sites: [
    {
      name: "Ferry green",
      "x-water": true,
      "x-tap-flow": "8 gal/min",
      "x-waters": "client",
      zones: [
        {
          name: "north",
          area: "6200 ft2",
          "x-turf": "bentgrass",
          "x-seeded": "2024-09-01",
          "x-spot": "0.5 gal",
          "x-whole": "9000 ft2",
          applied: [
            {
              of: "A",
              active: "b",
              fraction: "2 %",
              amount: "1 oz/1000 ft2",
              date: "2026-04-14",
              "x-unknown": true,
              "x-id": "e",
            },
          ],
        },
      ],
    },
  ],
  date: "2026-09-02",
  outcome: [{ site: "Ferry green", load: 1, left: "0 gal", covered: "6200 ft2", "x-zones": { north: "6200 ft2" } }],
  "x-any-order": true,
  "x-one-less": false,
  "x-water-first": "half",
};

const said = (file: unknown) => {
  const read = readAny(file);
  return read.ok ? [] : read.issues.map(lineFor);
};
/** The first version with something else at a place. */
const withAt = (path: (string | number)[], value: unknown) => {
  const copy = structuredClone(FIRST) as unknown as Record<string | number, unknown>;
  let at = copy;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path.at(-1)!] = value;
  return copy;
};

describe("version 1 is read for ever", () => {
  test("each private key that this program wrote has its name in version 2, which is sound; other people's stay", () => {
    const second = fromVersion1(FIRST) as object;
    expect(second).toMatchObject({
      version: 2,
      rig: { setup: { nozzle: "half turn" }, tip: { size: "025", pressure: "40 psi", chart: { size: "025" } }, "x-somebodys": 1 },
      calibration: {
        graduation: "1 fl oz",
        swath: "5 ft",
        record: {
          person: "Odile Marsh",
          madeAt: "2026-04-01T06:40:00Z",
          adjusts: { lever: "pressure", setTo: "46 psi" },
        },
      },
      products: [{ id: "label-1", rateChoice: { row: 0 } }],
      sites: [
        {
          waterSource: { fill: true, flow: "8 gal/min" },
          irrigatedBy: "client",
          zones: [
            {
              turf: "bentgrass",
              seededOn: "2024-09-01",
              spot: { volume: "0.5 gal", zoneArea: "9000 ft2" },
              applied: [{ activeUnknown: true, id: "e" }],
            },
          ],
        },
      ],
      outcome: [{ zones: { north: "6200 ft2" } }],
      priorOrder: "any",
      oneLoadLess: false,
      fillOrder: "half",
    });
    expect(JSON.stringify(second).match(/"x-[a-z-]+"/g)).toEqual([`"x-somebodys"`]);
    expect(said(FIRST)).toEqual([]);
    expect(said(second)).toEqual([]);
    const [one, two] = [readJob(FIRST), readJob(second)];
    expect(one).toEqual({ ok: true, value: { ...(two as { value: object }).value, version1: true } });
  });

  test("without private keys it means the same as version 2", () => {
    const plain = { ...EXAMPLE, "x-note": undefined };
    const bare = JSON.parse(
      JSON.stringify({
        ...plain,
        ...{ priorOrder: undefined, overage: undefined, fillOrder: undefined },
        calibration: { ...plain.calibration, ownTimes: undefined, record: undefined },
        products: plain.products.map((one) => ({ ...one, label: undefined })),
        sites: [{ name: "Ferry green", zones: [{ name: "north", area: "6200 ft2" }] }],
      }),
    ) as object;
    for (const verb of ["calibrate", "mix", "reconcile"])
      expect(run(verb, JSON.stringify({ ...bare, version: 1 }))).toEqual(run(verb, JSON.stringify({ ...bare, version: 2 })));
    expect(run("mix", JSON.stringify({ ...bare, version: 1 })).exit).toBe(0);
  });

  test("faults keep their places, in the order in which they were told", () => {
    expect(said(withAt(["sites", 0, "zones", 0, "x-seeded"], "spring"))).toEqual([
      expect.stringMatching(/^sites\[0\]\.zones\[0\]\.x-seeded: "spring" is not a date/),
    ]);
    // A name of version 2 is unknown to version 1, as it was.
    expect(said(withAt(["sites", 0, "zones", 0, "turf"], "bentgrass"))).toEqual([
      expect.stringMatching(/^sites\[0\]\.zones\[0\]\.turf: not a key of the format/),
    ]);
    expect(said(withAt(["products", 0, "x-label"], "all of it"))).toEqual([expect.stringMatching(/^products\[0\]\.x-label: /)]);
    const less = run("mix", JSON.stringify({ ...withAt(["x-one-less"], true), sites: undefined }));
    expect(less).toMatchObject({ exit: 2, err: expect.stringMatching(/^x-one-less: /) });
  });

  test("what couldn't be read under a private key was passed over, and is", () => {
    for (const path of [
      ["calibration", "x-graduation"],
      ["calibration", "x-rate"],
      ["rig", "x-chart"],
      ["sites", 0, "zones", 0, "x-turf"],
    ])
      expect([path, said(withAt(path, 7))]).toEqual([path, []]);
  });
});

test("version 2 says what is wrong under its own names", () => {
  const second = <File>(change: (file: File) => void) => {
    const file = structuredClone(fromVersion1(FIRST));
    change(file as File);
    return said(file).map((line) => line.split(":")[0]);
  };
  expect(second((f: { calibration: object }) => Object.assign(f.calibration, { graduation: 7 }))).toEqual([
    "calibration.graduation",
  ]);
  expect(second((f: { sites: object[] }) => Object.assign(f.sites[0]!, { waterSource: { flow: "8" } }))).toEqual([
    "sites[0].waterSource.flow",
  ]);
  expect(
    second((f: { sites: { zones: object[] }[] }) => Object.assign(f.sites[0]!.zones[0]!, { seededOn: "2026-02-30" })),
  ).toEqual(["sites[0].zones[0].seededOn"]);
  expect(second((f: object) => Object.assign(f, { priorOrder: "file" }))).toEqual(["priorOrder"]);
});

test("what ids were once taken of is written as it was", () => {
  const { rig, calibration } = fromVersion1(FIRST) as { rig: object; calibration: { record: object } };
  const { record: _, ...readings } = calibration;
  const first = { format: "careful-gauge-job", version: 1, rig: FIRST.rig, calibration: FIRST.calibration };
  const { "x-somebodys": other, "x-chart": chart, ...own } = FIRST.rig;
  expect(JSON.stringify(inVersion1({ format: "careful-gauge-job", version: 2, rig, calibration: readings } as never))).toBe(
    JSON.stringify({ ...first, rig: { ...own, "x-somebodys": other, "x-chart": chart } }),
  );
  const [entry] = FIRST.sites[0]!.zones[0]!.applied;
  const made = fromVersion1({ ...FIRST }) as { sites: { zones: { applied: object[] }[] }[] };
  expect(JSON.stringify(appliedInVersion1(made.sites[0]!.zones[0]!.applied[0]!))).toBe(JSON.stringify(entry));
});

test("places lead back", () => {
  const places: [string, string][] = [
    ["calibration.record.person", "x-person"],
    ["calibration.record.adjusts", "x-lever"],
    ["calibration.graduation", "calibration.x-graduation"],
    ["rig.tip.chart.rows", "rig.x-chart.rows"],
    ["sites[3].waterSource.flow", "sites[3].x-tap-flow"],
    ["sites[3].zones[12].spot.volume", "sites[3].zones[12].x-spot"],
    ["sites[0].zones[0].applied[1].alsoOn", "sites[0].zones[0].applied[1].x-also-on"],
    ["outcome[0].zones.north", "outcome[0].x-zones.north"],
    ["products[0].label.rates[0].rate", "products[0].x-label.rates[0].rate"],
    ["rig.tip.size", "rig.tip.size"],
    ["oneLoadLess", "x-one-less"],
  ];
  const issue = (path: string) => ({ path, code: "missing", received: "", expected: "" }) as const;
  expect(placedIn(1, places.map(([now]) => issue(now))).map(({ path }) => path)).toEqual(places.map(([, was]) => was)); // prettier-ignore
  expect(placedIn(2, [issue("oneLoadLess")])).toEqual([issue("oneLoadLess")]);
});

describe("docs/job-file.md", () => {
  const docs = readFileSync("docs/job-file.md", "utf8");
  test("lists each name in both versions", () => {
    const at = { file: "", rig: "rig.", calibration: "calibration.", product: "products[].", site: "sites[].", zone: "zones[].", applied: "applied[].", outcome: "outcome[]." }; // prettier-ignore
    const rows = Object.entries(RENAMED).flatMap(([part, keys]) =>
      keys.map(([was, now]) => {
        const head = at[part as keyof typeof at];
        return `\`${head}${now}\`|\`${head}${was}\``;
      }),
    );
    const listed = docs.split("\n").map((line) => line.split("|").slice(1, 3).map((cell) => cell.trim()).join("|")); // prettier-ignore
    expect(rows.filter((row) => !listed.includes(row))).toEqual([]);
  });
  test("its examples run", () => {
    const examples = [...docs.matchAll(/```json\n([^]*?)```/g)].map((found) => found[1]!).filter((text) => text.includes("careful-gauge-job")); // prettier-ignore
    expect(examples.length).toBeGreaterThan(0);
    for (const text of examples)
      for (const verb of ["calibrate", "mix"]) expect(run(verb, text)).toMatchObject({ exit: 0, err: "" });
  });
});
