import fc from "fast-check";
import { addressOf, sameAddress } from "@/core/address";
import { coarse, overlapShare } from "@/core/area/overlap";
import { valueIn } from "@/core/quantity/quantity";
import { areaOfMeasured } from "@/formats/area/measured";
import type { GroundEntry } from "@/formats/entries";
import { slicePath } from "@/formats/slices";
import { groundGroups } from "@/records/ground";
import { findSite } from "@/records/sites";
import { countedOf } from "./counted";
import { put } from "./keep-up";
import { saveApplication } from "./save-application";
import { mergeSites } from "./merge-sites";
import { readSlice } from "./slices/read-slice";
import { add, entry, faults, freshRecords, ids, must, SITE, town } from "./testing/town";

/** A second site on the same ground: at one address, with one gate, or of a shape that lies on another's. */

const records = freshRecords();
const OTHER = "site-0000000002";
/** A square of so many metres, its corner so many metres east of the test town's. */
const M = 1 / 111_320;
const square = (east = 0, side = 20) => {
  const [lon, lat] = [-71.5, 42.1];
  const wide = M / Math.cos((lat * Math.PI) / 180);
  const at = (x: number, y: number) => [lon + (east + x) * wide, lat + y * M] as const;
  return [[[at(0, 0), at(side, 0), at(side, side), at(0, side), at(0, 0)]]];
};
const measured = (polygons: ReturnType<typeof square>) => ({ by: "map" as const, map: { polygons } });
const zone = (name: string, polygons: ReturnType<typeof square>, more: object = {}) => {
  const area = areaOfMeasured(measured(polygons));
  if (!area.ok) throw new Error("no area");
  return {
    name,
    area: `${valueIn(area.value.value, "ft2").toFixed(1)} sq ft`,
    measured: JSON.stringify(measured(polygons)),
    ...more,
  };
};

describe("how much of one piece of ground lies on another", () => {
  test.each([
    ["the same", 0, 20, 1],
    ["half beside it", 10, 20, 0.5],
    ["side by side", 20, 20, 0],
    ["a small one inside", 5, 10, 1],
    ["far off", 500, 20, 0],
  ])("%s", (_, east, side, share) => {
    expect(overlapShare(square(), square(east, side))).toBeCloseTo(share, 2);
    expect(overlapShare(square(east, side), square())).toBeCloseTo(share, 2);
  });
  test("two pieces that lie on one another are counted once; what is none lies on nothing", () => {
    expect(overlapShare([...square(), ...square()], square(10))).toBeCloseTo(0.5, 2);
    expect(overlapShare([], square())).toBe(0);
  });
  test("it is the same however the ring is begun and turned, and as coarse as it is sent", () => {
    fc.assert(
      fc.property(fc.integer({ min: -25, max: 25 }), fc.integer({ min: 0, max: 3 }), (east, turn) => {
        const open = square(east)[0]![0]!.slice(0, 4);
        const turned = [...open.slice(turn), ...open.slice(0, turn)].reverse();
        const share = overlapShare(square(), [[turned]]);
        expect(share).toBeCloseTo(Math.max(0, 20 - Math.abs(east)) / 20, 2);
        expect(overlapShare(coarse(square()), coarse([[turned]]))).toBe(share);
      }),
    );
  });
});

test("addresses are told by number, street and kind of street, however they are written", () => {
  expect(addressOf("12 Ferry Ln., back")).toEqual({ number: "12", street: "ferry", kind: "lane" });
  expect(addressOf("Green")).toBeUndefined();
  for (const [a, b, same] of [
    ["12 Ferry Lane", "12  FERRY LN", true],
    ["12 Ferry Lane", "12 Ferry", true],
    ["12 Ferry Lane", "12 Ferry Road", false],
    ["12 Ferry Lane", "14 Ferry Lane", false],
    ["12a Ferry Lane", "12 Ferry Lane", false],
    ["Green", "Green", false],
  ] as const)
    expect([a, b, sameAddress(a, b)]).toEqual([a, b, same]);
});

describe("a second site in use", () => {
  const here = (form: object) => put(records.db, "sites", { id: ids.sites, form: { ...SITE, ...form }, revision: revision() });
  const revision = () => findSite(records.db, ids.sites)?.revision;
  const second = (form: object) =>
    add(records.db, "sites", { name: "Second", zones: [{ name: "all", area: "3000" }], ...form }, OTHER);
  const answered = (ground: string, more: object = {}) => second({ zones: [{ name: "all", area: "3000", ground }], ...more });
  const WHY = "new: the neighbour's, behind the fence";
  const down = () => must(saveApplication(records.db, entry()));

  beforeEach(() => town(records.db));

  test.each([
    ["at one address", { name: "12 Ferry Lane" }, { name: "12 Ferry Ln, front" }],
    ["with one gate", { gate: "42.10000, -71.50000" }, { gate: "42.10005; -71.50005" }],
  ])("%s is asked which ground it is; other ground needs a reason, the same carries the history", (_, first, then) => {
    must(here(first));
    down();
    expect(faults(second(then))).toEqual(["zones[0].ground same-ground"]);
    expect(faults(answered("new", then))).toEqual(["zones[0].ground reason-needed"]);
    expect(faults(answered("new: x", then))).toEqual(["zones[0].ground reason-needed"]);
    must(answered(`${ids.sites}.0`, then));
    expect(groundGroups(records.db, [OTHER]).get(`${OTHER}.0`)).toContain(`${ids.sites}.0`);
    expect(countedOf(records.db, [OTHER])).toHaveLength(1);
    // Kept again it isn't asked again.
    must(
      put(records.db, "sites", {
        id: OTHER,
        form: { name: "Second", zones: [{ id: `${OTHER}.0`, name: "all", area: "3100" }], ...then },
        revision: findSite(records.db, OTHER)!.revision,
      }),
    );
  });
  test("with a reason it is other ground, and the reason stays", () => {
    must(here({ name: "12 Ferry Lane" }));
    down();
    must(answered(WHY, { name: "12 Ferry Lane, back" }));
    expect(countedOf(records.db, [OTHER])).toEqual([]);
    expect(records.db.$client.prepare("select why from same_ground").pluck().all()).toEqual([WHY.slice(5)]);
  });
  test.each([
    ["elsewhere", { name: "14 Ferry Lane", gate: "42.11, -71.5" }],
    ["of no address", { name: "By the slip" }],
  ])("%s is asked nothing", (_, then) => {
    must(here({ name: "12 Ferry Lane", gate: "42.1, -71.5" }));
    must(second(then));
  });
  test("whose shape lies on another's is asked; beside it is not; a retired one has its own rule", () => {
    must(here({ zones: [zone("north", square())] }));
    expect(faults(second({ zones: [zone("all", square(10))] }))).toEqual(["zones[0].ground same-ground"]);
    must(second({ zones: [zone("all", square(19.5))] }));
    must(add(records.db, "sites", { name: "Third", zones: [zone("all", square(10), { ground: WHY })] }, "site-0000000003"));
  });
  test("a zone that is drawn anew, over another's, is asked as a new one", () => {
    must(here({ zones: [zone("north", square())] }));
    must(second({ zones: [zone("all", square(100))] }));
    const anew = (more: object = {}) =>
      put(records.db, "sites", {
        id: OTHER,
        form: { name: "Second", zones: [zone("all", square(10), { id: `${OTHER}.0`, ...more })] },
        revision: findSite(records.db, OTHER)!.revision,
      });
    expect(faults(anew())).toEqual(["zones[0].ground same-ground"]);
    must(anew({ ground: `${ids.sites}.0` }));
    expect(groundGroups(records.db, [OTHER]).get(`${OTHER}.0`)).toContain(`${ids.sites}.0`);
  });
  test("a form offers what the server asks", () => {
    must(here({ name: "12 Ferry Lane", zones: [zone("north", square())] }));
    const offered = (more: object) => {
      const query = { name: "all", areaM2: 280, ...more };
      return (readSlice(records.db, slicePath("grounds", query))!.value as readonly GroundEntry[]).map((g) => [g.name, g.live]);
    };
    expect(offered({ called: "12 Ferry Ln" })).toEqual([["north of 12 Ferry Lane", true]]);
    expect(offered({ map: JSON.stringify(coarse(square(10))) })).toEqual([["north of 12 Ferry Lane", true]]);
    // A walk has many points.
    const walk = [
      [
        Array.from(
          { length: 400 },
          (_, i) => [-71.4999 + 1e-4 * Math.cos(i / 63.66), 42.1001 + 1e-4 * Math.sin(i / 63.66)] as const,
        ),
      ],
    ];
    expect(offered({ map: JSON.stringify(coarse(walk)) })).toEqual([["north of 12 Ferry Lane", true]]);
    expect(offered({ map: JSON.stringify(coarse(square(100))) })).toEqual([]);
    expect(offered({ map: "no json" })).toEqual([]);
    expect(offered({ called: "12 Ferry Ln", site: ids.sites }).every(([, live]) => live === undefined)).toBe(true);
  });
  test("of two that are merged the ground comes along unasked", () => {
    must(here({ name: "12 Ferry Lane" }));
    must(answered(WHY, { name: "12 Ferry Lane, back" }));
    must(mergeSites(records.db, { keep: ids.sites, other: OTHER, zones: { [`${OTHER}.0`]: "comes" } }));
    expect(findSite(records.db, ids.sites)!.site.zones.map(({ name }) => name)).toEqual(["north", "south", "all"]);
  });
});
