import fc from "fast-check";
import { expectNear } from "../testing/near";
import { raw } from "../quantity/kinds";
import { quantity, valueIn } from "../quantity/quantity";
import { pool, type LoadEvidence } from "./evidence";

const load = (gal: number, ft2: number, calibrated = 2): LoadEvidence => ({
  sprayed: quantity("volume", gal, "gal"),
  covered: quantity("area", ft2, "ft2"),
  ratio: gal / (ft2 / 1000) / calibrated,
});

test("volumes and grounds are added up, not spray volumes averaged", () => {
  // 4 gal on 2,000 and 1 gal on 250 sq ft: 5 gal on 2,250, 2.222 gal per 1,000; the mean of 2 and 4 would be 3.
  const { sprayVolume, count } = pool([load(4, 2000), load(1, 250)]);
  expectNear(valueIn(sprayVolume, "gal/1000 ft2"), 5 / 2.25, 1e-12);
  expect(count).toBe(2);
});

test("one load says nothing of a second; the band of several is Student's", () => {
  expect(pool([load(4, 1800)])).toMatchObject({ relative: null, leans: null });
  // Ratios 1.0, 1.1, 1.2: mean 1.1, s = 0.1; t(0.975, 2) = 4.303 (table of the t distribution, from memory).
  const { ratio, relative } = pool([load(4, 2000), load(4.4, 2000), load(4.8, 2000)]);
  expectNear(ratio, 1.1, 1e-12);
  expectNear(relative! * ratio, (4.303 * 0.1) / Math.sqrt(3), 1e-3);
});

test("three that agree on a tenth too much are a change; two, or three that scatter, are none", () => {
  const heavy = [load(4.4, 2000), load(4.42, 2000), load(4.38, 2000)];
  expect(pool(heavy).leans).toBe("heavy");
  expect(pool(heavy.slice(0, 2)).leans).toBeNull();
  expect(pool([load(4, 2000), load(4.4, 2000), load(4.8, 2000)]).leans).toBeNull();
  expect(pool([load(3.6, 2000), load(3.61, 2000), load(3.59, 2000)]).leans).toBe("light");
  // Within 5 % nothing leans, however well it agrees.
  expect(pool([load(4.19, 2000), load(4.19, 2000), load(4.19, 2000)]).leans).toBeNull();
});

test("what is pooled lies between the lightest and the heaviest load", () => {
  const one = fc.tuple(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 100, max: 9000 })).map(([gal, ft2]) => load(gal, ft2));
  fc.assert(
    fc.property(fc.array(one, { minLength: 1, maxLength: 12 }), (loads) => {
      const volumes = loads.map((l) => raw(l.sprayed) / raw(l.covered));
      const pooled = raw(pool(loads).sprayVolume);
      expect(pooled).toBeGreaterThanOrEqual(Math.min(...volumes) * (1 - 1e-12));
      expect(pooled).toBeLessThanOrEqual(Math.max(...volumes) * (1 + 1e-12));
    }),
  );
});
