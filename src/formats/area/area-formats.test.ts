import fc from "fast-check";
import { placeAt, ringOnEarth, unrolled, type Position } from "@/core/area/geodesic";
import { crossing } from "@/core/area/ring";
import { expectNear } from "@/core/testing/near";
import { valueIn } from "@/core/quantity/quantity";
import { entered } from "@/core/quantity/parse";
import { good } from "@/core/issue";
import { siteFormOf } from "../forms/site-form-of";
import { readSiteForm, siteText } from "../forms/site";
import { readTyped } from "../typed";
import { measuredText, NEW_GROUND, shapeText, strides, type GroundDraft, type ReadLength, type ShapeDraft } from "./draft";
import { cutOut, readMapFile, withCorner } from "./map-in";
import { geoJsonOf, gpxOf, kmlOf } from "./map-out";
import { areaOfMeasured, isMeasured } from "./measured";
import { mendedRing } from "./mend";
import type { MeasuredText } from "./types";

const length: ReadLength = (typed, zero) => readTyped("side", typed, { zero });
const slope = () => good(undefined);
const draft = (parts: readonly ShapeDraft[], more: Partial<GroundDraft> = {}): GroundDraft => ({ ...NEW_GROUND, parts, ...more });
const shape = (kind: ShapeDraft["kind"], typed: Record<string, string>): ShapeDraft => ({ kind, typed });
const ft2 = (measured: MeasuredText) => {
  const area = areaOfMeasured(measured);
  if (!area.ok) throw new Error(JSON.stringify(area.issues));
  return valueIn(area.value.value, "ft2");
};

describe("a piece of ground as it is typed", () => {
  test.each<[string, ShapeDraft, number]>([
    ["feet and inches", shape("rectangle", { length: `10' 6"`, width: "20" }), 210],
    ["base and height", shape("triangle", { base: "10", height: "6 ft" }), 30],
    ["three sides", shape("three sides", { a: "3", b: "4", c: "5" }), 6],
    ["across", shape("circle", { diameter: "20" }), Math.PI * 100],
    ["an ellipse", shape("ellipse", { length: "20", width: "10" }), Math.PI * 50],
    ["two parallel sides", shape("trapezoid", { first: "4", second: "6", height: "3" }), 15],
    ["readings, one after another", shape("offsets", { every: "10", list: "0, 12, 9; 0" }), 210],
    ["legs", shape("traverse", { list: "100 at 0; 100 ft at 90; 100 180°; 100 at 270" }), 10_000],
  ])("%s", (_what, one, area) => {
    const measured = measuredText(draft([one]), length, slope);
    expect(measured).toMatchObject({ ok: true, value: { by: "tape" } });
    if (!measured.ok) return;
    expectNear(ft2(measured.value), area, 1e-9);
    expect(isMeasured(JSON.parse(JSON.stringify(measured.value)))).toBe(true);
  });
  test("parts are added, what isn't sprayed is taken off, a plan's slope is kept", () => {
    const parts = [shape("rectangle", { length: "40", width: "20" }), shape("rectangle", { length: "15", width: "10" })];
    const less = [shape("circle", { diameter: "10" })];
    const measured = measuredText(draft(parts, { less, by: "plan", slope: "25 %" }), length, () => good("25 %"));
    expect(measured).toMatchObject({ ok: true, value: { by: "map", ground: { measuredOn: "map", slope: "25 %" } } });
    if (measured.ok) expectNear(ft2(measured.value), (950 - Math.PI * 25) * Math.sqrt(1.0625), 1e-9);
  });
  test("strides are so many lengths of one", () => {
    const stride = entered("30 in", "length");
    expect(strides(48, stride).text).toBe("120 ft");
    fc.assert(fc.property(fc.integer({ min: 1, max: 2000 }), (n) => expectNear(strides(n, stride).number, n * 2.5, 1e-9)));
  });
  test.each<[ShapeDraft, string[]]>([
    [shape("rectangle", { length: "10" }), ["width"]],
    [shape("circle", { diameter: "4 oz" }), ["diameter"]],
    [shape("offsets", { every: "10", list: "5" }), ["list"]],
    [shape("offsets", { every: "x", list: "5, 6" }), ["every"]],
    [shape("traverse", { list: "60; 60 at 90; 60 at 180" }), ["list"]],
    [shape("traverse", { list: "60 at 0; 60 at 90" }), ["list"]],
    [shape("traverse", { list: "60 at 0; 60 at 90; 60 at 400" }), ["list"]],
  ])("what can't be read is told at its field: %j", (one, places) => {
    const read = shapeText(one, length);
    expect(read.ok ? [] : [...new Set(read.issues.map((issue) => issue.path))]).toEqual(places);
  });
});

const SQUARE = [
  [-74, 40],
  [-73.9995, 40],
  [-73.9995, 40.0004],
  [-74, 40.0004],
] as const;
const BED = [
  [-73.9999, 40.0001],
  [-73.9998, 40.0001],
  [-73.9998, 40.0002],
] as const;
const closed = (ring: readonly (readonly number[])[]) => [...ring, ring[0]!];
const feature = (name: string, ...rings: (readonly (readonly number[])[])[]) => ({
  type: "Feature",
  properties: { name },
  geometry: { type: "Polygon", coordinates: rings.map(closed) },
});
const file = (...features: object[]) => new TextEncoder().encode(JSON.stringify({ type: "FeatureCollection", features }));
const found = async (bytes: Uint8Array) => {
  const read = await readMapFile(bytes);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value.rings;
};

describe("a map that is brought in", () => {
  test("collections within collections without an end are a fault with its place", async () => {
    const text = `${'{"type":"GeometryCollection","geometries":['.repeat(3000)}${"]}".repeat(3000)}`;
    const read = await readMapFile(new TextEncoder().encode(text));
    expect(read.ok ? [] : read.issues.map(({ path, code }) => [path.replace(/geometries\[0\]/g, "g"), code])[0]).toEqual([
      "g.g.g.g.g.g.g.g.geometries",
      "too-many",
    ]);
  });
  test("a drawn ring comes as it was, with its area; one inside is cut out of it", async () => {
    const [lawn, bed] = await found(file(feature("front", SQUARE), feature("bed", BED)));
    expect(lawn).toMatchObject({ name: "front", walked: false, open: null, thinned: 0, polygons: [[SQUARE]] });
    const cut = cutOut(lawn!, bed!);
    expect(cut.ok && cut.value.polygons).toEqual([[SQUARE, BED]]);
    if (cut.ok) expectNear(cut.value.area, ringOnEarth(SQUARE).area - ringOnEarth(BED).area, 1e-9);
    const other = cutOut(bed!, lawn!);
    expect(other.ok ? "" : other.issues[0]!.received).toBe("front isn't wholly inside bed");
    const itself = cutOut(lawn!, lawn!);
    expect(itself.ok ? "" : itself.issues[0]!.received).toBe("front is as large as front");
  });
  test("a corner can be set right, of what is cut out too, as long as it is a ring then", async () => {
    const [lawn, bed] = await found(file(feature("lawn", SQUARE), feature("bed", BED)));
    const cut = cutOut(lawn!, bed!);
    if (!cut.ok) throw new Error("no bed");
    const wider = withCorner(cut.value, 0, 2, [-73.999, 40.0004]);
    const outer: Position[] = [...SQUARE.slice(0, 2), [-73.999, 40.0004], SQUARE[3]];
    expect(wider.ok && wider.value.area / (ringOnEarth(outer).area - bed!.area)).toBeCloseTo(1, 9);
    expect(wider.ok && wider.value.polygons).toEqual([[outer, BED]]);
    expect(withCorner(cut.value, 0, 2, [-74.001, 39.9999]).ok).toBe(false);
    expect(withCorner(cut.value, 1, 0, [-74.01, 40.0001]).ok).toBe(false);
  });
  test("a walk is thinned to its corners: as many points are left out as say nothing, and its area hardly changes", async () => {
    let seed = 3;
    const noise = () => ((seed = (seed * 48271) % 2147483647) / 2147483647 - 0.5) * 1.2e-5;
    const steps = 60;
    const walk = SQUARE.flatMap(([x, y], i) => {
      const [u, v] = SQUARE[(i + 1) % 4]!;
      return Array.from({ length: steps }, (_, k) => [x + ((u - x) * k) / steps + noise(), y + ((v - y) * k) / steps + noise()]);
    });
    // Once round, and a few steps more over the first side.
    walk.push(...walk.slice(0, 12).map(([x, y]) => [x! + 2e-6, y! - 2e-6]));
    const gpx = `<gpx xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${walk
      .map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`)
      .join("")}</trkseg></trk></gpx>`;
    const [ring] = await found(new TextEncoder().encode(gpx));
    expect(ring).toMatchObject({ name: "track 1", walked: true, open: null });
    expect(ring!.thinned).toBeGreaterThan(150);
    expect(Math.abs(ring!.area / ringOnEarth(SQUARE).area - 1)).toBeLessThan(0.02);
  });
  test.each([4, 12, 40])(
    "a round lawn of %d m, walked or drawn, has the area of its ring: thinning only draws",
    async (radius) => {
      const ring = Array.from({ length: 240 }, (_, i) => {
        const [sin, cos] = [Math.sin((i / 120) * Math.PI), Math.cos((i / 120) * Math.PI)];
        return placeAt([-74, 40], [radius * sin, radius * cos]);
      });
      const walk = `<gpx xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${ring.map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`).join("")}</trkseg></trk></gpx>`;
      const [walked] = await found(new TextEncoder().encode(walk));
      const [drawn] = await found(file(feature("lawn", ring)));
      for (const one of [walked!, drawn!]) {
        expect(one.thinned).toBeGreaterThan(100);
        expectNear(one.area, ringOnEarth(ring).area, 1e-5);
      }
    },
  );
  test.each<[string, string, RegExp]>([
    ["nothing", "", /not-json|missing|unreadable/],
    ["a list of sites", `{"format":"careful-gauge-site"}`, /missing/],
  ])("%s is refused", async (_what, text, code) => {
    const read = await readMapFile(new TextEncoder().encode(text));
    expect(read.ok ? "" : read.issues[0]!.code).toMatch(code);
  });
});

describe("out to other programs, and back", () => {
  const site = {
    name: `Bank & "ditch"`,
    zones: [
      {
        name: "front",
        area: "1 ft2",
        turf: "ryegrass",
        measurement: { by: "map" as const, map: { polygons: [[SQUARE, BED]] } },
      },
      { name: "typed", area: "500 ft2" },
    ],
  };
  test.each([
    ["GeoJSON", geoJsonOf],
    ["KML", kmlOf],
  ])("%s comes back the same", async (_what, write) => {
    const rings = await found(new TextEncoder().encode(write(site)));
    expect(rings.map((ring) => ring.name)).toEqual(["front"]);
    expect(rings[0]!.polygons).toEqual([[SQUARE, BED]]);
  });
  test("GPX has no areas: what is cut out goes as a walk of its own, and says so", async () => {
    const rings = await found(new TextEncoder().encode(gpxOf(site)));
    expect(rings.map((ring) => ring.name)).toEqual(["front", "front, not sprayed"]);
    for (const [i, ring] of [SQUARE, BED].entries()) expect(rings[i]!.area / ringOnEarth(ring).area).toBeCloseTo(1, 6);
    expect(rings.map((ring) => ring.open)).toEqual([null, null]);
  });
});

describe("a fault is shown where it is, and what of the ring may be kept", () => {
  const look = async (...features: readonly object[]) => {
    const read = await readMapFile(new TextEncoder().encode(JSON.stringify({ type: "FeatureCollection", features })));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    return read.value;
  };
  /** Where a latitude that stands first is told: it is no latitude. */
  const WEST = SQUARE.map(([lon, lat]): Position => [lon - 20, lat]);
  const GOOD = feature("good", SQUARE);
  const whole = ringOnEarth(SQUARE).area;
  test("an open ring beside a sound one: the sound one stands, the open one may be closed", async () => {
    const { rings, broken, faults } = await look(GOOD, { ...GOOD, geometry: { type: "Polygon", coordinates: [SQUARE] } });
    expect([rings.map((ring) => ring.name), faults]).toEqual([["good"], []]);
    expect(broken[0]).toMatchObject({
      what: "open",
      issue: { path: "features[1].geometry.coordinates[0]" },
      at: [SQUARE[3], SQUARE[0]],
    });
    expect(broken[0]!.mend!.area).toBeCloseTo(whole, 6);
  });
  test("latitude first: told, and turned round it is the same ground", async () => {
    const swapped = await look(
      GOOD,
      feature(
        "turned",
        WEST.map(([lon, lat]) => [lat!, lon!]),
      ),
    );
    expect(swapped.broken[0]).toMatchObject({ what: "turned", at: [] });
    expect(swapped.broken[0]!.mend!.area).toBeCloseTo(ringOnEarth(WEST).area, 6);
  });
  test("one that crosses itself: the larger loop", async () => {
    // A square with an ear that hangs on it by a crossing.
    const [a, b, c, d] = SQUARE;
    const ear: Position[] = [[d![0] - 2e-5, d![1] + 1e-5], [d![0] + 2e-5, d![1] + 3e-5]]; // prettier-ignore
    const { broken } = await look(feature("ear", closed([a!, b!, c!, ...ear, [d![0], d![1] - 3e-5]])));
    expect(broken[0]).toMatchObject({ what: "crossing", issue: { code: "contradiction" } });
    const { mend } = broken[0]!;
    expect(mend!.area / whole).toBeGreaterThan(0.7);
    expect(mend!.area / whole).toBeLessThan(1.1);
    expect(broken[0]!.at).toHaveLength(1);
  });
  test("a hole outside: nobody knows what it was to leave out", async () => {
    const away = BED.map(([lon, lat]) => [lon! + 0.01, lat!]);
    const { rings, broken } = await look(GOOD, feature("holed", SQUARE, away));
    expect(rings.map((ring) => ring.name)).toEqual(["good"]);
    expect(broken[0]).toMatchObject({ what: "hole", mend: null });
  });
  test("ground at another place, and a sliver, are taken and told", async () => {
    const sliver = [SQUARE[0]!, SQUARE[1]!, [SQUARE[1]![0], SQUARE[1]![1]! + 1e-6], [SQUARE[0]![0], SQUARE[0]![1]! + 1e-6]];
    const { rings } = await look(GOOD, feature("far", WEST), feature("sliver", sliver as never));
    expect(rings.map(({ far, sliver: thin }) => [(far ?? 0) > 2000, thin])).toEqual([
      [false, false],
      [true, false],
      [false, true],
    ]);
  });
  test("what can't be drawn is told beside what can be taken", async () => {
    const { rings, faults, broken } = await look(GOOD, { ...GOOD, geometry: { type: "Circle" } });
    expect([rings.length, broken.length, faults.map((issue) => issue.code)]).toEqual([1, 0, ["not-a-choice"]]);
  });
  test("whatever is drawn, what is offered is a ring that doesn't cross itself, of no more ground than its corners span", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })), { minLength: 3, maxLength: 12 }),
        (corners) => {
          const ring = corners.map(([x, y]): Position => [10 + x * 1e-5, 50 + y * 1e-5]);
          const mend = mendedRing("crossing", ring);
          if (!mend) return;
          expect(crossing(unrolled(mend))).toBeUndefined();
          const span = ringOnEarth([[10, 50], [10.0003, 50], [10.0003, 50.0003], [10, 50.0003]]).area; // prettier-ignore
          expect(ringOnEarth(mend).area).toBeLessThanOrEqual(span * (1 + 1e-9));
        },
      ),
    ));
});

describe("a zone keeps how it was measured as long as its area is what that comes to", () => {
  const measured: MeasuredText = { by: "tape", ground: { measured: { shape: "rectangle", length: "62 ft", width: "100 ft" } } };
  const kept = (area: string, how: string) => {
    const form = siteFormOf({ name: "Green", zones: [{ name: "north", area }] });
    const read = readSiteForm({ ...form, zones: [{ ...form.zones[0]!, measured: how }] });
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    return siteText(read.value).zones[0]!.measurement;
  };
  test("typed over, it counts no more; what is no measurement neither", () => {
    expect(kept("6,200 ft2", JSON.stringify(measured))).toEqual(measured);
    expect(kept("6,210 ft2", JSON.stringify(measured))).toEqual(measured);
    expect(kept("6,300 ft2", JSON.stringify(measured))).toBeUndefined();
    expect(kept("6,200 ft2", "")).toBeUndefined();
    expect(kept("6,200 ft2", "{")).toBeUndefined();
    expect(kept("6,200 ft2", JSON.stringify({ by: "guess", ground: measured.ground }))).toBeUndefined();
    expect(siteFormOf({ name: "G", zones: [{ name: "n", area: "6200 ft2", measurement: measured }] }).zones[0]!.measured).toBe(
      JSON.stringify(measured),
    );
  });
  test.each<[unknown]>([
    [null],
    [{ by: "tape" }],
    [{ by: "tape", ground: measured.ground, map: { polygons: [[SQUARE]] } }],
    [{ by: "strides", stride: "3 oz", ground: measured.ground }],
    [{ by: "map", map: {} }],
    [{ by: "map", map: { polygons: [] } }],
    [{ by: "map", map: { polygons: [[[[0, 0]]]] } }],
    [{ by: "tape", ground: { measured: { shape: "star" } } }],
  ])("%j is no measurement", (value) => expect(isMeasured(value)).toBe(false));
});
