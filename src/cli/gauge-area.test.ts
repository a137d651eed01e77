import { readFileSync } from "node:fs";
import Ajv2020 from "ajv/dist/2020";
import fc from "fast-check";
import proj4 from "proj4";
import { expectNear } from "@/core/testing/near";
import { MOST_BYTES } from "@/formats/area/decode";
import { MOST_POINTS } from "@/formats/area/map";
import { SITE_FILE_SCHEMA } from "@/formats/area/schema";
import { runArea } from "./gauge";

/** `gauge area`, against plane geometry, and on the map against an equal-area projection by another library. */
const bytes = (content: unknown) => new TextEncoder().encode(typeof content === "string" ? content : JSON.stringify(content));
const told = async (content: unknown) => {
  const { out, err, exit } = await runArea(bytes(content));
  expect({ err, exit }).toEqual({ err: "", exit: 0 });
  return JSON.parse(out) as {
    zones: { name: string; area: { value: number; unit: string }; perimeter: { value: number } | null; warnings: string[] }[];
    total: { value: number };
    working: string[];
    passedOver: string[];
  };
};
const refused = async (content: unknown) => {
  const { out, err, exit } = await runArea(content instanceof Uint8Array ? content : bytes(content));
  expect({ out, exit }).toEqual({ out: "", exit: 2 });
  return err.split("\n");
};
const fits = new Ajv2020({ strict: false }).compile(SITE_FILE_SCHEMA);
const site = (...zones: object[]) => ({
  format: "careful-gauge-site",
  version: 1,
  zones: zones.map((zone, i) => ({ name: `z${i}`, ...zone })),
});
const one = async (measured: object, more: object = {}) => {
  const file = site({ measured, ...more });
  expect([fits(file), fits.errors]).toEqual([true, null]);
  return (await told(file)).zones[0]!;
};

test("the example of the format: a rectangle less a circle; a tape along a slope has it already", async () => {
  const file = {
    ...site({
      name: "north",
      measured: { shape: "rectangle", length: "120 ft", width: "51.5 ft" },
      less: [{ shape: "circle", diameter: "12 ft" }],
      slope: "25 %",
      measuredOn: "ground",
    }),
    name: "Ferry green",
  };
  const { zones, total, working } = await told(file);
  expectNear(zones[0]!.area.value, 120 * 51.5 - Math.PI * 36);
  expectNear(total.value, zones[0]!.area.value);
  expectNear(zones[0]!.perimeter!.value, 343);
  expect(working).toContain("north: Circle = π × 12 ft × 12 ft ÷ 4 = 113 sq ft");
});

describe("shapes, by hand", () => {
  test.each<[string, object, number, number | null]>([
    ["triangle of base and height", { shape: "triangle", base: "30 ft", height: "20 ft" }, 300, null],
    // Heron: the 13-14-15 triangle has 84; the 3-4-5 one is a right one.
    ["three sides", { shape: "triangle", sides: ["13 ft", "14 ft", "15 ft"] }, 84, 42],
    ["a right triangle", { shape: "triangle", sides: ["5 ft", "3 ft", "4 ft"] }, 6, 12],
    ["a circle", { shape: "circle", radius: "10 ft" }, 314.159265358979, 62.8318530717959],
    // An ellipse of half axes 5 and 3: 15 π; its perimeter is 25.526998863398… (complete elliptic integral, from memory).
    ["an ellipse", { shape: "ellipse", length: "10 ft", width: "6 ft" }, 47.1238898038469, 25.526998863398],
    ["an ellipse that is a circle", { shape: "ellipse", length: "6 ft", width: "6 ft" }, 28.2743338823081, 18.8495559215388],
    ["a trapezoid", { shape: "trapezoid", parallel: ["40 ft", "60 ft"], height: "30 ft" }, 1500, null],
    ["offsets", { shape: "offsets", every: "10 ft", offsets: ["0 ft", "12 ft", "9 ft", "0 ft"] }, 210, null],
    ["two offsets", { shape: "offsets", every: "10 ft", offsets: ["4 ft", "6 ft"] }, 50, null],
    [
      "an L",
      {
        shape: "parts",
        parts: [
          { shape: "rectangle", length: "40 ft", width: "20 ft" },
          { shape: "rectangle", length: "15 ft", width: "10 ft" },
        ],
      },
      950,
      null,
    ],
    [
      "a square traverse",
      { shape: "traverse", legs: [0, 90, 180, 270].map((bearing) => ({ length: "100 ft", bearing })) },
      10_000,
      400,
    ],
    ["in metres", { shape: "rectangle", length: "10 m", width: "10 m" }, 1076.39104167097, 131.233595800525],
  ])("%s", async (_what, measured, area, around) => {
    const zone = await one(measured);
    expectNear(zone.area.value, area, 1e-12);
    if (around === null) expect(zone.perimeter).toBeNull();
    else expectNear(zone.perimeter!.value, around, 1e-12);
    expect(zone.warnings).toEqual([]);
  });
  test("Simpson's rule is exact for a parabola; the trapezoidal one comes near it from below, as four times the steps say", async () => {
    // Offsets of y = x (40 - x) / 10 over 40 ft: exactly 40³/60 = 1,066.67 sq ft.
    const area = async (steps: number) => {
      const offsets = Array.from({ length: steps + 1 }, (_, i) => {
        const x = (40 * i) / steps;
        return `${(x * (40 - x)) / 10} ft`;
      });
      return (await one({ shape: "offsets", every: `${40 / steps} ft`, offsets })).area.value;
    };
    const exact = 64_000 / 60;
    const [coarse, fine] = [await area(4), await area(8)];
    expect(exact - coarse).toBeGreaterThan(0);
    expectNear((exact - coarse) / (exact - fine), 4, 1e-9);
    // Richardson: what the two say together is Simpson's.
    expectNear((4 * fine - coarse) / 3, exact, 1e-12);
  });
  test("a map's flat area is the slope's by √(1 + slope²): 25 % adds 3.1 %", async () => {
    const flat = { shape: "rectangle", length: "100 ft", width: "100 ft" };
    const onMap = await one(flat, { slope: "25 %", measuredOn: "map" });
    expectNear(onMap.area.value, 10_000 * Math.sqrt(1.0625));
    expect(onMap.area.value / 10_000 - 1).toBeCloseTo(0.031, 3);
    expectNear((await one(flat, { slope: "25 %" })).area.value, 10_000);
    expectNear((await one(flat, { slope: "0 %", measuredOn: "map" })).area.value, 10_000);
  });
  test("a traverse that misses by over 1 % says so; the gap is spread over the legs by their lengths", async () => {
    const legs = (west: string) => ({
      shape: "traverse",
      legs: ["100 ft", "100 ft", "100 ft", west].map((length, i) => ({ length, bearing: i * 90 })),
    });
    expect((await one(legs("97 ft"))).warnings).toEqual([]);
    const off = await one(legs("95 ft"));
    expect(off.warnings).toEqual(["misclosure"]);
    // By hand: 5 ft east over 395 ft; each corner moves west by its part of them.
    const part = 5 / 395;
    const corners = [
      [0, 0],
      [-100 * part, 100],
      [100 - 200 * part, 100],
      [100 - 300 * part, 0],
    ] as const;
    const twice = corners.reduce((sum, [x, y], i) => {
      const [u, v] = corners[(i + 1) % 4]!;
      return sum + x * v - u * y;
    }, 0);
    expectNear(off.area.value, Math.abs(twice) / 2, 1e-12);
  });
});

describe("what can't be is refused, each with its place", () => {
  const zone = async (measured: object, more: object = {}) => refused(site({ measured, ...more }));
  test.each<[string, object, object, RegExp]>([
    [
      "no triangle",
      { shape: "triangle", sides: ["1 ft", "2 ft", "3 ft"] },
      {},
      /^zones\[0\]\.measured\.sides: .* make no triangle/,
    ],
    [
      "two ways at once",
      { shape: "triangle", sides: ["3 ft", "4 ft", "5 ft"], base: "3 ft" },
      {},
      /^zones\[0\]\.measured: a triangle/,
    ],
    ["half a triangle", { shape: "triangle", base: "3 ft" }, {}, /"base" and "height"/],
    ["no circle", { shape: "circle" }, {}, /^zones\[0\]\.measured: a circle: "radius", or "diameter"/],
    ["a shape of no kind", { shape: "star" }, {}, /^zones\[0\]\.measured\.shape: "star" is not one of/],
    ["a weight for a length", { shape: "circle", radius: "3 oz" }, {}, /^zones\[0\]\.measured\.radius: .*another kind/],
    ["a key of another shape", { shape: "circle", radius: "3 ft", width: "3 ft" }, {}, /^zones\[0\]\.measured\.width: not a key/],
    ["two legs", { shape: "traverse", legs: [0, 180].map((bearing) => ({ length: "9 ft", bearing })) }, {}, /at least 3 leg/],
    [
      "a gap over 10 %",
      { shape: "traverse", legs: [0, 90, 180].map((bearing) => ({ length: "100 ft", bearing })) },
      {},
      /^zones\[0\]\.measured\.legs: it ends 100 ft from where it began, 33 % of its length/,
    ],
    [
      "a traverse that crosses itself",
      {
        shape: "traverse",
        legs: [
          [141.42, 45],
          [100, 270],
          [141.42, 135],
          [100, 270],
        ].map(([l, bearing]) => ({ length: `${l} ft`, bearing })),
      },
      {},
      /^zones\[0\]\.measured\.legs\[2\]: leg 3 \(141.42 ft\) crosses leg 1/,
    ],
    [
      "nothing between",
      { shape: "offsets", every: "9 ft", offsets: ["1 ft", "0 ft", "1 ft"] },
      {},
      /^zones\[0\]\.measured\.offsets\[1\]/,
    ],
    ["no ground at all", { shape: "offsets", every: "9 ft", offsets: ["0 ft", "0 ft"] }, {}, /without any area/],
    [
      "as much taken off",
      { shape: "rectangle", length: "10 ft", width: "10 ft" },
      { less: [{ shape: "rectangle", length: "20 ft", width: "5 ft" }] },
      /^zones\[0\]\.less: as much is taken off as there is \(100 sq ft\)/,
    ],
    [
      "a bearing beyond a turn",
      { shape: "traverse", legs: [0, 90, 400].map((bearing) => ({ length: "9 ft", bearing })) },
      {},
      /legs\[2\]\.bearing/,
    ],
    ["a slope of a cliff", { shape: "circle", radius: "9 ft" }, { slope: "400 %" }, /^zones\[0\]\.slope/],
    ["measured elsewhere", { shape: "circle", radius: "9 ft" }, { measuredOn: "moon" }, /^zones\[0\]\.measuredOn/],
  ])("%s", async (_what, measured, more, line) => expect((await zone(measured, more))[0]).toMatch(line));
  test("parts within parts, as deep as makes sense", async () => {
    const deep = (n: number): object =>
      n === 0 ? { shape: "circle", radius: "9 ft" } : { shape: "parts", parts: [deep(n - 1)] };
    expectNear((await one(deep(4))).area.value, Math.PI * 81);
    expect((await zone(deep(6)))[0]).toMatch(/"parts" is not one of/);
    await refused(site({ measured: deep(2000) }));
  });
  test.each([
    "",
    "{",
    "[]",
    "null",
    "7",
    '{"format":"careful-gauge-site"}',
    '{"type":"Circle"}',
    "<svg/>",
    "<gpx>",
    "plain words",
  ])("%j is no file with ground in it", async (text) => expect((await refused(text)).length).toBeGreaterThan(0));
  test("all faults at once", async () => {
    const lines = await refused(site({ measured: { shape: "circle" } }, { measured: { shape: "triangle", base: "1 ft" } }));
    expect(lines.map((line) => line.split(":")[0])).toEqual(["zones[0].measured", "zones[1].measured"]);
  });
  test("schema and reader agree, and the schema in docs is the one that is made", () => {
    expect(JSON.parse(readFileSync("docs/site-file.schema.json", "utf8"))).toEqual(SITE_FILE_SCHEMA);
    for (const measured of [
      { shape: "star" },
      { shape: "circle" },
      { shape: "triangle", base: "1 ft" },
      { shape: "circle", radius: "3 oz" },
    ])
      expect(fits(site({ measured }))).toBe(false);
  });
});

const SQUARE = [
  [-74, 40],
  [-73.999, 40],
  [-73.999, 40.001],
  [-74, 40.001],
  [-74, 40],
];
const HOLE = [
  [-73.9998, 40.0002],
  [-73.9996, 40.0002],
  [-73.9996, 40.0004],
  [-73.9998, 40.0002],
];
const east = (ring: readonly (readonly number[])[], degrees: number) => ring.map(([lon, lat]) => [lon! + degrees, lat!]);
const crs = (name: string) => ({ type: "name", properties: { name } });
const polygon = (...rings: unknown[]) => ({ type: "Polygon", coordinates: rings });
const feature = (geometry: unknown, name?: string) => ({ type: "Feature", properties: name ? { name } : null, geometry });
const collection = (...features: object[]) => ({ type: "FeatureCollection", features });

/** The same ring by Lambert's equal-area projection about its first point, and the shoelace: another way to the same area, m². */
function projected(ring: readonly (readonly number[])[]): number {
  const [lon, lat] = ring[0]!;
  const flat = ring.map((at) =>
    proj4(`+proj=laea +lat_0=${lat} +lon_0=${lon} +x_0=0 +y_0=0 +ellps=WGS84 +units=m`, [at[0]!, at[1]!]),
  );
  return (
    Math.abs(
      flat.reduce((sum, [x, y], i) => sum + x! * flat[(i + 1) % flat.length]![1]! - flat[(i + 1) % flat.length]![0]! * y!, 0),
    ) / 2
  );
}
const FT2 = 0.09290304;

describe("from a map", () => {
  test("a thousand lawns anywhere are as large as an equal-area projection has them", async () => {
    let worst = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.double({ min: -75, max: 75, noNaN: true }),
        fc.array(fc.double({ min: 0.3, max: 1, noNaN: true }), { minLength: 5, maxLength: 24 }),
        fc.double({ min: 5, max: 150, noNaN: true }),
        async (lon, lat, radii, size) => {
          // A star-shaped lawn around its middle never crosses itself.
          const ring = radii.map((r, i) => {
            const angle = (2 * Math.PI * i) / radii.length;
            const east = (size * r * Math.sin(angle)) / (111_320 * Math.cos((lat * Math.PI) / 180));
            return [lon + east, lat + (size * r * Math.cos(angle)) / 110_574];
          });
          const { zones } = await told(polygon([...ring, ring[0]]));
          const other = projected(ring);
          const off = Math.abs(zones[0]!.area.value * FT2 - other);
          worst = Math.max(worst, off / other);
          // The geodesics of a small ring are right to some square centimetres, wherever it lies.
          expect(off).toBeLessThan(Math.max(1e-6 * other, 1e-3));
        },
      ),
      { numRuns: 1000 },
    );
    console.log(`geodesic area against an equal-area projection, 1,000 lawns: worst ${worst.toExponential(1)}`);
  }, 60_000);
  test("holes are taken off, pieces are added, each feature is a zone by its name; points are told, not counted", async () => {
    const hole = [
      [-73.9998, 40.0002],
      [-73.9996, 40.0002],
      [-73.9996, 40.0004],
      [-73.9998, 40.0002],
    ];
    const { zones, total, passedOver } = await told(
      collection(
        feature(polygon(SQUARE, hole), "north"),
        feature({ type: "MultiPolygon", coordinates: [[SQUARE], [SQUARE.map(([x, y]) => [x! + 1, y!])]] }),
        feature({ type: "Point", coordinates: [-74, 40] }, "gate"),
      ),
    );
    expect(zones.map((zone) => zone.name)).toEqual(["north", "zone 2"]);
    const [a, b] = [projected(SQUARE.slice(0, -1)), projected(hole.slice(0, -1))];
    expectNear(zones[0]!.area.value * FT2, a - b, 1e-6);
    expectNear(zones[1]!.area.value * FT2, 2 * a, 1e-6);
    expectNear(total.value, zones[0]!.area.value + zones[1]!.area.value);
    expect(passedOver).toEqual([expect.stringContaining("Point")]);
  });
  test("pieces that touch by a sliver are told; zones may lie on one another, both are told", async () => {
    const pieces = { type: "MultiPolygon", coordinates: [[SQUARE], [east(SQUARE, 0.001 - 2e-7)]] };
    const sliver = await told(collection(feature(pieces, "two")));
    expect(sliver.zones[0]!.warnings).toEqual(["touching"]);
    const edge = { type: "MultiPolygon", coordinates: [[SQUARE], [east(SQUARE, 0.001)]] };
    expect((await told(collection(feature(edge)))).zones[0]!.warnings).toEqual([]);
    const lawns = [SQUARE, east(SQUARE, 0.0004), east(SQUARE, 1)].map((ring, i) => feature(polygon(ring), `lawn ${i}`));
    expect((await told(collection(...lawns))).zones.map(({ warnings }) => warnings)).toEqual([
      ["zones-overlap"],
      ["zones-overlap"],
      [],
    ]);
  });
  test.each([
    "urn:ogc:def:crs:OGC:1.3:CRS84",
    "EPSG:4326",
    "urn:ogc:def:crs:EPSG::4326",
    "http://www.opengis.net/def/crs/OGC/1.3/CRS84",
  ])("a map that says of itself that it is in %s is read", async (name) => {
    const there = (await told(polygon(SQUARE))).total.value;
    expect((await told({ ...collection(feature(polygon(SQUARE))), crs: crs(name) })).total.value).toBe(there);
  });
  test("longitudes that are counted on past the date line are turned back", async () => {
    const there = (await told(polygon(SQUARE))).total.value;
    expectNear((await told(polygon(east(SQUARE, 360)))).total.value, there, 1e-9);
    expectNear((await told(polygon(east(SQUARE, 74 + 179.9995)))).total.value, there, 1e-9);
  });
  test("which way round a ring runs, and over the date line, makes no difference", async () => {
    const there = (await told(polygon(SQUARE))).total.value;
    expectNear((await told(polygon([...SQUARE].reverse()))).total.value, there, 1e-12);
    const moved = SQUARE.map(([x, y]) => [x! + 74 + 179.9995 > 180 ? x! + 74 - 180.0005 : x! + 74 + 179.9995, y]);
    expectNear((await told(polygon(moved))).total.value, there, 1e-9);
  });
  test.each<[string, unknown, RegExp]>([
    ["an open ring", polygon(SQUARE.slice(0, -1)), /^coordinates\[0\]: an open ring/],
    [
      "two points",
      polygon([
        [0, 0],
        [1, 1],
        [0, 0],
      ]),
      /^coordinates\[0\]: 2 points, at least 3/,
    ],
    [
      "a bow tie",
      polygon([
        [0, 0],
        [1, 1],
        [1, 0],
        [0, 1],
        [0, 0],
      ]),
      /^coordinates\[0\]: the ring crosses itself near/,
    ],
    [
      "a way back over itself",
      polygon([
        [0, 0],
        [2, 0],
        [1, 0],
        [1, 1],
        [0, 0],
      ]),
      /crosses itself/,
    ],
    ["latitude first", polygon(SQUARE.map(([x, y]) => [y, x! - 40])), /^coordinates\[0\]\[0\]: "latitude -114" .*swapped\?/],
    ["beyond the earth", polygon(SQUARE.map(([x, y]) => [x! - 300, y])), /longitude -374/],
    ["words", polygon([["a", "b"]]), /^coordinates\[0\]\[0\]: .*\[longitude, latitude\]/],
    [
      "a hole outside",
      polygon(
        SQUARE,
        SQUARE.map(([x, y]) => [x! + 1, y]),
      ),
      /^coordinates\[1\]: a hole that isn't wholly inside/,
    ],
    [
      "a hole over the edge",
      polygon(
        SQUARE,
        SQUARE.map(([x, y]) => [x! + 0.0005, y! + 0.0002]),
      ),
      /wholly inside/,
    ],
    [
      "a hole over another",
      polygon(SQUARE, HOLE, east(HOLE, 0.0001)),
      /^coordinates\[2\]: a hole that lies on coordinates\[1\] by /,
    ],
    [
      "a piece over another",
      collection(feature({ type: "MultiPolygon", coordinates: [[SQUARE], [east(SQUARE, 0.0005)]] }, "two")),
      /^features\[0\]\.geometry\.coordinates\[1\]: a piece that lies on features\[0\]\.geometry\.coordinates\[0\] by [\d,]+ sq ft/,
    ],
    [
      "one ring twice",
      collection(feature({ type: "MultiPolygon", coordinates: [[SQUARE], [SQUARE]] })),
      /a piece that lies on .* by [\d,]+ sq ft/,
    ],
    ["metres of a national grid", { ...collection(feature(polygon(SQUARE))), crs: crs("urn:ogc:def:crs:EPSG::3857") }, /^crs: /],
    ["a hole as large", polygon(SQUARE, SQUARE), /as much is taken off/],
    ["no polygon", collection(feature({ type: "Point", coordinates: [0, 0] })), /this has none/],
    ["no feature", collection({ type: "Lawn" }), /^features\[0\]\.type/],
    ["no list", { type: "FeatureCollection" }, /^features: /],
  ])("%s is refused with its place", async (_what, file, line) => expect((await refused(file))[0]).toMatch(line));
});

const gpx = (inner: string) => `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">${inner}</gpx>`;
const points = (ring: readonly (readonly number[])[]) => ring.map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`).join("");
const kml = (inner: string) =>
  `<?xml version="1.0" encoding="UTF-8"?><kml xmlns="http://www.opengis.net/kml/2.2"><Document>${inner}</Document></kml>`;
const ringText = (ring: readonly (readonly number[])[]) =>
  `<LinearRing><coordinates>${ring.map(([lon, lat]) => `${lon},${lat},0`).join(" ")}</coordinates></LinearRing>`;

describe("walks and drawings of other programs", () => {
  test("a track's segments are one ring, closed from its end to its start; far from closed is told", async () => {
    const walked = gpx(
      `<trk><name>north</name><trkseg>${points(SQUARE.slice(0, 2))}</trkseg><trkseg>${points(SQUARE.slice(2, 4))}</trkseg></trk>`,
    );
    const there = (await told(polygon(SQUARE))).total.value;
    const { zones } = await told(walked);
    expect(zones[0]).toMatchObject({ name: "north", warnings: ["open-walk"] });
    expectNear(zones[0]!.area.value, there, 1e-12);
    const closed = await told(gpx(`<rte>${points(SQUARE).replaceAll("trkpt", "rtept")}</rte>`));
    expect(closed.zones[0]).toMatchObject({ name: "route 1", warnings: [] });
    expectNear(closed.total.value, there, 1e-12);
  });
  test("a placemark's polygon with its inner boundaries is a zone", async () => {
    const hole = [
      [-73.9998, 40.0002],
      [-73.9996, 40.0002],
      [-73.9996, 40.0004],
      [-73.9998, 40.0002],
    ];
    const drawn = kml(
      `<Placemark><name>Bank &amp; ditch</name><Polygon><outerBoundaryIs>${ringText(SQUARE)}</outerBoundaryIs><innerBoundaryIs>${ringText(hole)}</innerBoundaryIs></Polygon></Placemark><Placemark><name>gate</name><Point><coordinates>0,0</coordinates></Point></Placemark>`,
    );
    const { zones, passedOver } = await told(drawn);
    expect(zones.map((zone) => zone.name)).toEqual(["Bank & ditch"]);
    expectNear(zones[0]!.area.value, (await told(polygon(SQUARE, hole))).total.value, 1e-12);
    expect(passedOver).toHaveLength(1);
  });
  test("drawings as programs write them: tags with a prefix, blanks after commas, folders, closed lines, rings of their own", async () => {
    const line = (ring: readonly (readonly number[])[]) => ring.map(([lon, lat]) => `${lon}, ${lat}, 0`).join("\n  ");
    const drawn = `<?xml version="1.0"?><k:kml xmlns:k="http://www.opengis.net/kml/2.2"><k:Document><k:Folder><k:Folder>
      <k:Placemark><k:name>line</k:name><k:MultiGeometry><k:LineString><k:coordinates>${line(SQUARE)}</k:coordinates></k:LineString></k:MultiGeometry></k:Placemark>
      </k:Folder><k:Placemark><k:name>ring</k:name><k:LinearRing><k:coordinates>${line(east(SQUARE, 1))}</k:coordinates></k:LinearRing></k:Placemark>
      <k:Placemark><k:name>path</k:name><k:LineString><k:coordinates>${line(SQUARE.slice(0, -1))}</k:coordinates></k:LineString></k:Placemark>
      </k:Folder></k:Document></k:kml>`;
    const there = (await told(polygon(SQUARE))).total.value;
    const { zones, passedOver } = await told(drawn);
    expect(zones.map(({ name }) => name)).toEqual(["line", "ring"]);
    for (const zone of zones) expectNear(zone.area.value, there, 1e-9);
    expect(passedOver).toEqual([expect.stringContaining("path")]);
  });
  test("a description with a page's tags in it, and a comment, are text", async () => {
    const described = `<!-- <b><i><u> --><description><![CDATA[${"line<br>".repeat(100)}<p>]]></description>`;
    const drawn = Array.from(
      { length: 3 },
      (_, i) =>
        `<Placemark><name>bed ${i}</name>${described}<Polygon><outerBoundaryIs>${ringText(SQUARE)}</outerBoundaryIs></Polygon></Placemark>`,
    );
    expect((await told(kml(drawn.join("")))).zones.map((zone) => zone.name)).toEqual(["bed 0", "bed 1", "bed 2"]);
    expect((await refused(kml(`<Placemark><description><![CDATA[ cut off`)))[0]).toMatch(/in the middle of a text/);
  });
  test("other encodings are read as what they say that they are; what is none is told", async () => {
    const text = gpx(`<trk><name>Grün</name><trkseg>${points(SQUARE)}</trkseg></trk>`);
    const utf16 = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, "utf16le")]);
    const latin = Buffer.from(text.replace(`<?xml version="1.0"?>`, `<?xml version="1.0" encoding="ISO-8859-1"?>`), "latin1");
    const marked = Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), Buffer.from(text)]);
    for (const file of [utf16, latin, marked]) {
      const { out } = await runArea(file);
      expect((JSON.parse(out) as { zones: { name: string }[] }).zones[0]!.name).toBe("Grün");
    }
    expect((await refused(Buffer.from(text, "latin1")))[0]).toMatch(/text that isn't utf-8/);
  });
});

describe("hostile files are refused in bounded time and memory", () => {
  /** Seconds of work since then: what else a machine does is none of ours. */
  const workedSince = (began: NodeJS.CpuUsage): number => {
    const { user, system } = process.cpuUsage(began);
    return (user + system) / 1e6;
  };
  const within = async (seconds: number, content: unknown): Promise<string> => {
    const began = process.cpuUsage();
    const [line] = await refused(content);
    expect(workedSince(began)).toBeLessThan(seconds);
    return line!;
  };
  test("larger than what is taken", async () =>
    expect(await within(1, Buffer.alloc(MOST_BYTES + 1, 0x20))).toMatch(/larger than what is taken here/));
  test("a million points", async () => {
    const ring = Array.from({ length: 1_000_000 }, (_, i) => [i % 7, i % 5]);
    expect(await within(10, polygon(ring))).toBe(`1,000,000 points, at most ${MOST_POINTS.toLocaleString("en-US")} possible`);
  });
  test("entities that expand, or fetch", async () => {
    const laughs = `<!DOCTYPE lolz [<!ENTITY lol "lol"><!ENTITY lol2 "&lol;&lol;">]>`;
    expect(await within(1, `<?xml version="1.0"?>${laughs}<gpx><trk><name>&lol2;</name></trk></gpx>`)).toMatch(
      /document type or entities/,
    );
    const outside = `<?xml version="1.0"?><!DOCTYPE gpx SYSTEM "file:///etc/passwd"><gpx/>`;
    expect(await within(1, outside)).toMatch(/document type or entities/);
    expect(await within(1, gpx(`<trk><name>&other;</name></trk>`))).toMatch(/no XML/);
  });
  test("deep nesting, in JSON and in XML", async () => {
    expect(await within(2, "[".repeat(200_000))).toMatch(/not JSON/);
    expect(await within(2, `{"type":"Polygon","coordinates":${"[".repeat(5000)}${"]".repeat(5000)}}`)).toBeTruthy();
    expect(await within(2, `<kml>${"<Folder>".repeat(100_000)}`)).toMatch(/more than 64 levels/);
  });
  test("cut off", async () => {
    expect(await within(2, gpx(`<trk><trkseg>${points(SQUARE)}</trkseg></trk>`).slice(0, -80))).toBeTruthy();
    expect(await within(2, JSON.stringify(polygon(SQUARE)).slice(0, -9))).toMatch(/not JSON/);
  });
  test("a ring of as many points as are taken is looked at in time", async () => {
    const n = MOST_POINTS - 1;
    const ring = Array.from({ length: n }, (_, i) => {
      const angle = (2 * Math.PI * i) / n;
      return [-74 + 0.01 * Math.cos(angle), 40 + 0.01 * Math.sin(angle)];
    });
    const began = process.cpuUsage();
    const { zones } = await told(polygon([...ring, ring[0]]));
    expect(zones).toHaveLength(1);
    expect(workedSince(began)).toBeLessThan(30);
  }, 60_000);
});
