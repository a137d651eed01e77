import { mix } from "@/core/mixing/mix";
import type { MixInput } from "@/core/mixing/plan";
import type { MixProduct } from "@/core/mixing/product";
import { entered } from "@/core/quantity/parse";
import { given } from "@/core/working/rule";

/**
 * Mixing 1,000 sites × 4 products in core, with every derivation kept, against a bare loop that does the same arithmetic
 * on plain numbers and keeps the same results. Prints one JSON object: seconds for each, and the ratio.
 */
const SITES = 1000;
const ROUNDS = 60;

const areas = Array.from({ length: SITES }, (_, i) => 800 + ((i * 7919) % 23_000));
const rates = [0.3, 1.5, 6, 0.46];
const products: MixProduct[] = rates.map((rate, i) =>
  i % 2 === 0
    ? { name: `dry ${i}`, form: "dry", rate: entered(`${rate} oz/1000 ft2`, "rateByWeight") }
    : { name: `liquid ${i}`, form: "liquid", rate: entered(`${rate} fl oz/1000 ft2`, "rateByVolume") },
);
const input: MixInput = {
  sprayVolume: given(entered("1.03 gal/1000 ft2", "sprayVolume"), "spray volume"),
  tank: { name: "main", usable: entered("4 gal", "volume"), leastMix: entered("0.5 gal", "volume") },
  products,
  sites: areas.map((area, i) => ({
    name: `site ${i}`,
    zones: [
      { name: "a", area: entered(`${area} ft2`, "area") },
      { name: "b", area: entered("700 ft2", "area") },
    ],
  })),
  loads: "full-then-part",
};

interface BareLoad {
  fill: number;
  covers: number;
  amounts: number[];
}

/** The same sums on plain numbers: spray, loads, what each covers and holds, totals. */
function bare(q: number, usable: number, least: number, zones: readonly (readonly number[])[], perArea: readonly number[]) {
  const contents = (fill: number): BareLoad => ({ fill, covers: fill / q, amounts: perArea.map((r) => r * (fill / q)) });
  const full = contents(usable);
  return zones.map((of) => {
    let area = 0;
    for (const zone of of) area += zone;
    const spray = q * area;
    const count = Math.max(1, Math.ceil((spray / usable) * (1 - 1e-9)));
    const loads: { number: number; contents: BareLoad }[] = [];
    const put = (one: BareLoad) => loads.push({ number: loads.length + 1, contents: one });
    const last = spray - (count - 1) * usable;
    if (count === 1) put(contents(spray));
    else if (last >= least) {
      for (let i = 0; i < count - 1; i++) put(full);
      put(contents(last));
    } else {
      for (let i = 0; i < count - 2; i++) put(full);
      const half = contents((usable + last) / 2);
      put(half);
      put(half);
    }
    return { area, spray, loads, totals: perArea.map((r) => r * area) };
  });
}

const number = (value: unknown) => value as number;
const q = number(input.sprayVolume.value);
const usable = number(input.tank.usable.value);
const least = number(input.tank.leastMix!.value);
const zones = input.sites.map((s) => s.zones.map((z) => number(z.area.value)));
const perArea = products.map((p) => number(p.rate.value));

// The two must agree before their times mean anything.
const ours = mix(input);
const theirs = bare(q, usable, least, zones, perArea);
ours.sites.forEach((site, i) => {
  const other = theirs[i]!;
  const near = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * Math.abs(b);
  const same =
    site.loads.length === other.loads.length &&
    site.totals.every((t, p) => near(number(t.value), other.totals[p]!)) &&
    near(number(site.loads.at(-1)!.contents.fillTo.value), other.loads.at(-1)!.contents.fill);
  if (!same) throw new Error(`site ${i} differs`);
});

let sink = 0;
const time = (work: () => { length: number }) => {
  const start = process.hrtime.bigint();
  for (let i = 0; i < 5; i++) sink += work().length;
  return Number(process.hrtime.bigint() - start) / 5e9;
};
const seconds = { core: [] as number[], bare: [] as number[] };
for (let i = 0; i < ROUNDS; i++) {
  seconds.core.push(time(() => mix(input).sites));
  seconds.bare.push(time(() => bare(q, usable, least, zones, perArea)));
}
const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;
const [core, loop] = [median(seconds.core.slice(10)), median(seconds.bare.slice(10))];
console.log(JSON.stringify({ core, bare: loop, ratio: core / loop, checked: sink > 0 }));
