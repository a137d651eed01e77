import fc from "fast-check";
import { raw } from "../quantity/kinds";
import { entered } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";
import { given, num, nums } from "../working/rule";
import { amountFor } from "./amounts";
import { dayRun, type Lawn, type RunInput } from "./day-run";

const GRANULE = { name: "G", form: "dry" as const, rate: entered("0.3 oz/1000 ft2", "rateByWeight") };
/** `green 6000 wet`: a lawn of the site "green". */
const lawns = (...texts: string[]): Lawn[] =>
  texts.map((text, i) => {
    const [site, area, wet] = text.split(" ") as [string, string, string?];
    return { site, name: `lawn ${i + 1}`, area: given(entered(`${area} ft2`, "area"), `lawn ${i + 1}`), water: wet === "wet" };
  });
const run = (of: readonly Lawn[], more: Partial<RunInput> = {}) =>
  dayRun({
    sprayVolume: given(entered("1 gal/1000 ft2", "sprayVolume"), "q"),
    usable: given(entered("10 gal", "volume"), "usable"),
    lawns: of,
    loads: "full-then-part",
    places: true,
    amounts: [amountFor(GRANULE)],
    ...more,
  });
const gal = (v: { value: Parameters<typeof raw>[0] }) => Number((raw(v.value) / 3785.411784).toPrecision(9));
const served = (r: ReturnType<typeof dayRun>) =>
  r.loads.map((l) => l.pieces.map((p) => `${p.lawn.site} ${Math.round(valueIn(p.covers.value, "ft2"))}`).join(", "));

describe("where the truck refills", () => {
  test("a lawn that one tank can do is never left half done", () => {
    const day = run(lawns("a 6000", "b 5000", "c 4000"));
    expect(served(day)).toEqual(["a 6000", "b 5000, c 4000"]);
    expect(day.loads.map((l) => gal(l.fillTo))).toEqual([6, 9]);
    expect(day.loads.every((l) => l.pieces.every((p) => !p.broken && !p.resumed))).toBe(true);
    expect(day.left).toBeNull();
  });
  test("among as many fills the fuller goes first, the last is short", () =>
    expect(served(run(lawns("a 5000", "b 5000", "c 4000")))).toEqual(["a 5000, b 5000", "c 4000"]));
  test("a hydrant is worth a refill before the tank is empty: it saves the drive", () => {
    // Full first would run dry between c and d, where no water is; at b it is.
    const day = run(lawns("a 3000", "b 3000 wet", "c 3000", "d 6000"));
    expect(served(day)).toEqual(["a 3000, b 3000", "c 3000, d 6000"]);
    expect(day.loads.map((l) => l.at)).toEqual([{ kind: "shop" }, { kind: "hydrant", site: "b" }]);
    const dry = run(lawns("a 3000", "b 3000", "c 3000", "d 6000"));
    expect(served(dry)).toEqual(["a 3000, b 3000, c 3000", "d 6000"]);
    expect(dry.loads.map((l) => l.at)).toEqual([{ kind: "shop" }, { kind: "shop" }]);
  });
  test("a lawn over the tank is broken as seldom as can be, where its own water is", () => {
    const day = run(lawns("a 4000", "field 25000 wet", "b 3000"));
    expect(served(day)).toEqual(["a 4000, field 6000", "field 10000", "field 9000", "b 3000"]);
    expect(day.loads[1]!.at).toEqual({ kind: "hydrant", site: "field" });
    expect(day.loads[0]!.pieces.at(-1)!.broken).toBe(true);
    expect(day.loads[2]!.pieces[0]!.resumed).toBe(true);
  });
  test("equal loads, and jobs that don't say where water is, run dry where they do", () => {
    const equal = run(lawns("a 6000", "b 5000", "c 4000"), { loads: "equal" });
    expect(equal.loads.map((l) => gal(l.fillTo))).toEqual([7.5, 7.5]);
    expect(served(equal)).toEqual(["a 6000, b 1500", "b 3500, c 4000"]);
    const plain = run(lawns("a 6000", "b 5000", "c 4000"), { places: false });
    expect(served(plain)).toEqual(["a 6000, b 4000", "b 1000, c 4000"]);
    expect(plain.loads.map((l) => l.at)).toEqual([null, null]);
  });
  test("a short last fill under the least mix is joined where nothing is known of places", () => {
    const least = given(entered("2 gal", "volume"), "least mix");
    const day = run(lawns("a 6000", "b 5000"), { places: false, least });
    expect(day.loads.map((l) => gal(l.fillTo))).toEqual([5.5, 5.5]);
  });
});

describe("in the middle of a day", () => {
  const inTank = (gallons: string) => given(entered(gallons, "volume"), "in the tank");
  test("what is in the tank serves what it can; the next fill adds what is missing", () => {
    const day = run(lawns("b 5000", "c 4000"), { inTank: inTank("7 gal") });
    expect(day.begun.map((p) => p.lawn.site)).toEqual(["b"]);
    const [fill] = day.loads;
    expect([gal(fill!.startsWith!), gal(fill!.fillTo), gal(fill!.adds)]).toEqual([2, 4, 2]);
    // Only what is added takes product: 2 gal treat 2,000 sq ft.
    expect(raw(fill!.amounts[0]!.value as never) / 28.349523125).toBeCloseTo(0.6, 12);
  });
  test("a stop that was skipped leaves its spray in the tank, and that is said at the end", () => {
    const day = run(lawns("c 4000"), { inTank: inTank("9 gal") });
    expect(day.loads).toEqual([]);
    expect(gal(day.left!)).toBe(5);
  });
  test("a tank that is too low for anything: filled up before the next lawn", () => {
    const day = run(lawns("b 5000"), { inTank: inTank("1.5 gal") });
    expect(day.begun).toEqual([]);
    expect([gal(day.loads[0]!.startsWith!), gal(day.loads[0]!.fillTo), gal(day.loads[0]!.adds)]).toEqual([1.5, 5, 3.5]);
  });
  test("an exact tankful is used up to the last drop", () => {
    const day = run(lawns("b 5000", "c 4000", "d 2000"), { inTank: inTank("9 gal") });
    expect(day.begun).toHaveLength(2);
    expect(day.loads[0]!.startsWith).toBeNull();
    expect(gal(day.loads[0]!.fillTo)).toBe(2);
  });
  test("a refill goes to the stop that has water, before the tank is empty, where that saves the drive", () => {
    const day = run(lawns("b 3000 wet", "c 3000", "d 6000"), { inTank: inTank("7 gal") });
    expect(day.begun.map((p) => p.lawn.site)).toEqual(["b"]);
    expect(day.loads.map((l) => [l.at, gal(l.startsWith!), gal(l.fillTo)])).toEqual([[{ kind: "hydrant", site: "b" }, 4, 9]]);
    // Without it the tank is used up as far as it goes.
    const dry = run(lawns("b 3000", "c 3000", "d 6000"), { inTank: inTank("7 gal") });
    expect(dry.begun.map((p) => p.lawn.site)).toEqual(["b", "c"]);
    expect(dry.loads.map((l) => l.at)).toEqual([{ kind: "shop" }]);
  });
  test("the site that was done last may have the water", () => {
    const at = (water: boolean, more: object = {}) =>
      run(lawns("c 5000"), { standsAt: { site: "b", water }, ...more }).loads.map((l) => l.at);
    expect(at(true)).toEqual([{ kind: "hydrant", site: "b" }]);
    expect(at(false)).toEqual([{ kind: "shop" }]);
    expect(at(true, { inTank: inTank("1 gal") })).toEqual([{ kind: "hydrant", site: "b" }]);
    const lawn = run(lawns("c 5000 wet"), { standsAt: { site: "b", water: false } });
    expect(lawn.loads[0]!.at).toEqual({ kind: "hydrant", site: "c" });
  });
  test("nothing to do", () => expect(run([])).toEqual({ begun: [], loads: [], left: null }));
});

const anyRun = fc.record({
  areas: fc.array(fc.tuple(fc.double({ min: 50, max: 40_000, noNaN: true }), fc.boolean()), { minLength: 1, maxLength: 14 }),
  usable: fc.double({ min: 3, max: 60, noNaN: true }),
  q: fc.double({ min: 0.3, max: 5, noNaN: true }),
  loads: fc.constantFrom("full-then-part" as const, "equal" as const),
  places: fc.boolean(),
  inTank: fc.option(fc.double({ min: 0.05, max: 1, noNaN: true }), { nil: undefined }),
  standsAt: fc.option(fc.record({ site: fc.constant("before"), water: fc.boolean() }), { nil: undefined }),
});

test("a day conserves its liquid and its product, serves each lawn once and never overfills", () => {
  fc.assert(
    fc.property(anyRun, ({ areas, usable, q, loads, places, inTank, standsAt }) => {
      const of = lawns(...areas.map(([area, wet], i) => `s${i} ${area.toFixed(6)} ${wet ? "wet" : ""}`));
      const sprayVolume = given(entered(`${q.toPrecision(9)} gal/1000 ft2`, "sprayVolume"), "q");
      const tank = given(entered(`${usable.toPrecision(9)} gal`, "volume"), "usable");
      const start = inTank === undefined ? undefined : given(entered(`${(usable * inTank).toPrecision(9)} gal`, "volume"), "in");
      const day = run(of, { sprayVolume, usable: tank, loads, places, inTank: start, standsAt });
      const near = (a: number, b: number) => expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-6 * Math.max(a, b, 1));
      const pieces = [...day.begun, ...day.loads.flatMap((l) => l.pieces)];
      for (const lawn of of)
        near(
          pieces.filter((p) => p.lawn === lawn).reduce((sum, p) => sum + num(p.covers), 0),
          num(lawn.area),
        );
      const all = nums(of.map((l) => l.area)).reduce((sum, a) => sum + a, 0);
      const added = nums(day.loads.map((l) => l.adds)).reduce((sum, v) => sum + v, 0);
      near(added + (start ? num(start) : 0), all * num(sprayVolume) + (day.left ? num(day.left) : 0));
      // Product for what is added, no more and no less.
      const product = day.loads.reduce((sum, l) => sum + num(l.amounts[0]! as never), 0);
      near(product, (added / num(sprayVolume)) * raw(GRANULE.rate.value));
      for (const load of day.loads) {
        expect(num(load.fillTo)).toBeLessThanOrEqual(num(tank) * (1 + 1e-9));
        near(load.pieces.reduce((sum, p) => sum + num(p.covers), 0) * num(sprayVolume), num(load.fillTo));
      }
      if (places && loads === "full-then-part")
        for (const piece of pieces)
          if (num(piece.lawn.area) <= (num(tank) / num(sprayVolume)) * (1 - 1e-6))
            expect(piece.broken || piece.resumed).toBe(false);
      // In the order of the day.
      const order = pieces.map((p) => of.indexOf(p.lawn));
      expect(order).toEqual([...order].sort((a, b) => a - b));
    }),
    { numRuns: 400 },
  );
});

/** Every way to cut a short day into loads of whole lawns: the fewest drives, then the fewest fills. */
function naive(areas: readonly [number, boolean][], tank: number) {
  let best: [number, number] | undefined;
  for (let cuts = 0; cuts < 2 ** (areas.length - 1); cuts++) {
    let [trips, fills, inLoad] = [0, 1, areas[0]![0]];
    let fits = inLoad <= tank;
    for (let i = 1; i < areas.length; i++) {
      if (cuts & (1 << (i - 1))) {
        fills += 1;
        if (!areas[i]![1] && !areas[i - 1]![1]) trips += 1;
        inLoad = 0;
      }
      inLoad += areas[i]![0];
      fits &&= inLoad <= tank;
    }
    if (fits && (!best || trips < best[0] || (trips === best[0] && fills < best[1]))) best = [trips, fills];
  }
  return best!;
}

test("no other way to cut the day has fewer drives, or as few and fewer fills", () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 100, max: 10_000 }), fc.boolean()), { minLength: 1, maxLength: 9 }),
      (areas) => {
        const day = run(lawns(...areas.map(([area, wet], i) => `s${i} ${area} ${wet ? "wet" : ""}`)));
        const drives = day.loads.slice(1).filter((l) => l.at!.kind === "shop").length;
        expect([drives, day.loads.length]).toEqual(naive(areas, 10_000));
      },
    ),
    { numRuns: 300 },
  );
});

test("in the middle of a day too: of every lawn after which the tank could be filled none saves a drive, or as many and a fill", () => {
  const area = fc.integer({ min: 100, max: 10_000 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(area, fc.boolean()), { minLength: 1, maxLength: 8 }),
      area,
      fc.boolean(),
      (areas, holds, water) => {
        const standsAt = { site: "before", water };
        const of = lawns(...areas.map(([size, wet], i) => `s${i} ${size} ${wet ? "wet" : ""}`));
        const inTank = given(entered(`${holds / 1000} gal`, "volume"), "in the tank");
        const day = run(of, { inTank, standsAt });
        const all = areas.reduce((sum, [size]) => sum + size, 0);
        if (all <= holds) return expect(day.loads).toEqual([]);
        const ways = areas.flatMap(([, wet], k): [number, number][] => {
          const done = areas.slice(0, k).reduce((sum, [size]) => sum + size, 0);
          if (done > holds) return [];
          const drive = wet || (k === 0 ? water : areas[k - 1]![1]) ? 0 : 1;
          const [trips, fills] = naive(areas.slice(k), 10_000);
          return [[trips + drive, fills]];
        });
        const [trips, fills] = ways.sort((a, b) => a[0] - b[0] || a[1] - b[1])[0]!;
        expect([day.loads.filter((l) => l.at!.kind === "shop").length, day.loads.length]).toEqual([trips, fills]);
      },
    ),
    { numRuns: 300 },
  );
});
