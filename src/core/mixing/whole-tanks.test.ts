import fc from "fast-check";
import { entered } from "../quantity/parse";
import { expectNear } from "../testing/near";
import { given, num } from "../working/rule";
import { sprayFor } from "./areas";
import { wholeTanks } from "./whole-tanks";

const offered = (area: string, volume: string, usable: string, relative: number | null = 0.03) => {
  const ground = given(entered(area, "area"), "lawn");
  const q = given(entered(volume, "sprayVolume"), "spray volume");
  return wholeTanks(sprayFor(ground, q), ground, given(entered(usable, "volume"), "tank"), relative);
};

test("an acre that needs 101.4 gal of a 100 gal tank is one tank (common practice)", () => {
  const one = offered("1 ac", "2.3278 gal/1000 ft2", "100 gal")!;
  expect(one.loads).toBe(1);
  expectNear(one.ratio, 100 / (2.3278 * 43.56), 1e-9);
  // 100 gal on an acre are 2.296 gal per 1,000 sq ft (trade check value).
  expectNear(num(one.sprayVolume) / num(given(entered("2.2957 gal/1000 ft2", "sprayVolume"), "")), 1, 1e-4);
});

test("only where what is left over is within 5 %, or within what the calibration is sure of", () => {
  expect(offered("1 ac", "2.41 gal/1000 ft2", "100 gal")).not.toBeNull();
  expect(offered("1 ac", "2.45 gal/1000 ft2", "100 gal")).toBeNull();
  expect(offered("1 ac", "2.45 gal/1000 ft2", "100 gal", 0.12)).not.toBeNull();
  expect(offered("1 ac", "2.2 gal/1000 ft2", "100 gal")).toBeNull();
  expect(offered("2 ac", "2.296 gal/1000 ft2", "100 gal", null)?.loads).toBe(2);
});

test("the loads that there are hold all of it, and never less than the band allows", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 500, max: 90000, noNaN: true }),
      fc.double({ min: 0.3, max: 5, noNaN: true }),
      fc.integer({ min: 2, max: 300 }),
      (area, volume, tank) => {
        const one = offered(`${area.toFixed(0)} ft2`, `${volume.toFixed(3)} gal/1000 ft2`, `${tank} gal`, null);
        if (!one) return;
        expect(one.ratio).toBeLessThan(1);
        expect(one.ratio).toBeGreaterThanOrEqual(0.95 - 1e-9);
        const gallons = (num(one.sprayVolume) * Number(area.toFixed(0)) * 0.09290304) / 3785.411784;
        expectNear(gallons, one.loads * tank, 1e-9);
      },
    ),
  );
});
