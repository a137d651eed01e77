import { entered } from "@/core/quantity/parse";
import { given } from "@/core/working/rule";
import type { JobFile } from "@/formats/job-file/types";
import { siteLines } from "./site-lines";

const product = (label: object) => ({
  name: "Soil",
  form: "liquid",
  rate: "1 fl oz/1000 ft2",
  label: { packages: [], limits: [], gear: [], rates: [{ rate: "1 fl oz/1000 ft2" }], ...label },
});
const SOAK = product({ waterLeast: "0.25 in", waterMost: "0.5 in" });
const job = (site: object, zone: object, products: readonly object[] = []) =>
  ({
    date: "2026-05-10",
    products,
    sites: [{ name: "Green", ...site, zones: [{ name: "north", area: "6,000 ft2", ...zone }] }],
  }) as unknown as JobFile;
const says = (...args: Parameters<typeof siteLines>) => siteLines(...args).map((line) => `${line.state}: ${line.says}`);

test("what is to be minded comes first, getting in last; nothing known is nothing said", () => {
  expect(says(job({ access: "gate 7", precautions: "bees" }, {}), "us")).toEqual([
    "act: Green: bees. The label says how far to stay away, and for how long.",
    "plain: Green: gate 7",
  ]);
  expect(says(job({}, {}), "us")).toEqual([]);
});

test("a label's depth is minutes of the zone's irrigation and water; the client's sprinklers aren't ours", () => {
  expect(says(job({ irrigatedBy: "client" }, { irrigationRate: "0.5 in/h" }, [SOAK]), "us")).toEqual([
    expect.stringMatching(/^act: Green: the client waters\./),
    "plain: Green, north: water in 30 min to 60 min of its irrigation, 935 gal to 1,870 gal.",
  ]);
  expect(says(job({ irrigatedBy: "firm" }, { irrigationRate: "half an inch" }, [SOAK]), "metric")).toEqual([
    "plain: Green, north: water in 3,540 L to 7,079 L.",
  ]);
  const within = (least: string, most: string) =>
    says(job({}, { irrigationRate: "0.5 in/h" }, [product({ waterLeast: least, waterMost: most })]), "us")[0];
  expect(within("0.26 in", "0.27 in")).toContain("32 min to 32 min of its irrigation");
  expect(within("0.261 in", "0.262 in")).toContain("31 min 19 s to 31 min 26 s");
  // No label asks for it: who waters is nobody's concern.
  expect(says(job({ irrigatedBy: "client" }, { irrigationRate: "0.5 in/h" }, [product({})]), "us")).toEqual([]);
});

test("ground that is walked otherwise than the pace was timed, the tap's time for the fill, and how the turf stands", () => {
  const rough = job({ waterSource: { flow: "8 gal/min" } }, { footing: "rough", mowingHeight: "3 in", mowedOn: "2026-05-07" });
  const fill = given(entered("4 gal", "volume"), "fill");
  expect(says(rough, "us", { timedOn: "turf", fill })).toEqual([
    expect.stringMatching(/^act: north of Green is rough ground or among obstacles, and the pace was timed on even turf/),
    "plain: Green: its tap fills 4 gal in 30.0 s.",
    "plain: Green, north: at 3 in, mowed 3 days ago.",
  ]);
  expect(says(rough, "us", { timedOn: "rough" })).toHaveLength(1);
  expect(says(rough, "us", { timedOn: null })).toHaveLength(1);
  expect(says(job({}, { mowedOn: "2026-05-12" }), "us")).toEqual([]);
});
