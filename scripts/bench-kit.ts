import type { Kit } from "@/core/calibration/kit";
import { measure, toolsOf, type Tool } from "@/core/measuring/measure";
import { roomUp } from "@/core/measuring/room";
import { amountFor } from "@/core/mixing/amounts";
import { allFillings } from "@/core/mixing/column";
import { dayRun } from "@/core/mixing/day-run";
import { mix } from "@/core/mixing/mix";
import type { MixInput } from "@/core/mixing/plan";
import type { MixProduct } from "@/core/mixing/product";
import { entered } from "@/core/quantity/parse";
import { quantity } from "@/core/quantity/quantity";
import { given } from "@/core/working/rule";

/**
 * What the bench asks of mixing in full, as seconds: a mix of 1,000 sites × 4 products with limits, held against their
 * records, and every amount measured with a kit; the kit solver's worst amount on ten tools; a day of 60 stops. Prints one
 * JSON object.
 */
const SITES = 1000;
const fluid = (text: string) => entered(text, "volume");
const kit: Kit = {
  scales: [
    { name: "bench scale", step: entered("0.01 oz", "mass"), capacity: entered("20 oz", "mass") },
    { name: "shed scale", step: entered("0.1 lb", "mass"), capacity: entered("50 lb", "mass") },
  ],
  vessels: [
    { name: "jug", graduation: fluid("1 fl oz"), capacity: fluid("64 fl oz") },
    { name: "cup", graduation: fluid("5 mL"), capacity: fluid("250 mL") },
    { name: "syringe", graduation: fluid("1 mL"), capacity: fluid("60 mL") },
  ],
};
const applied = [
  {
    of: "before",
    active: { name: "active 0", content: entered("20 %", "share") },
    amount: given(entered("0.1 oz/1000 ft2", "rateByWeight"), "before"),
    date: "2026-04-14",
  },
];
const products: MixProduct[] = [0.3, 1.5, 6, 0.46].map((rate, i): MixProduct => {
  const active = { name: `active ${i}`, content: entered("40 %", "share") };
  if (i % 2 === 0) {
    const r = (times: number) => entered(`${(rate * times).toFixed(4)} oz/1000 ft2`, "rateByWeight");
    return {
      name: `dry ${i}`,
      form: "dry",
      rate: r(1),
      says: {
        actives: [active],
        limits: [{ perApplication: r(1.5), perYear: r(3), yearKind: "rolling", applicationsPerYear: 4, intervalAtLeast: 28 }],
      },
    };
  }
  const r = (times: number) => entered(`${(rate * times).toFixed(4)} fl oz/1000 ft2`, "rateByVolume");
  return {
    name: `liquid ${i}`,
    form: "liquid",
    rate: r(1),
    says: {
      actives: [active],
      gravity: entered("1.1", "gravity"),
      limits: [{ perApplication: r(1.5), perYear: r(3), yearKind: "calendar" }],
    },
  };
});
const areas = Array.from({ length: SITES }, (_, i) => 800 + ((i * 7919) % 23_000));
const input: MixInput = {
  sprayVolume: given(entered("1.03 gal/1000 ft2", "sprayVolume"), "spray volume"),
  tank: { name: "main", usable: fluid("4 gal"), leastMix: fluid("0.5 gal") },
  products,
  sites: areas.map((area, i) => ({
    name: `site ${i}`,
    zones: [
      { name: "a", area: entered(`${area} ft2`, "area"), applied },
      { name: "b", area: entered("700 ft2", "area") },
    ],
  })),
  loads: "full-then-part",
  date: "2026-11-25",
};

let sink = 0;
const seconds = (work: () => unknown, times: number) => {
  const all = Array.from({ length: times }, () => {
    const start = process.hrtime.bigint();
    sink += work() === undefined ? 1 : 0;
    return Number(process.hrtime.bigint() - start) / 1e9;
  });
  return all.sort((a, b) => a - b)[Math.floor(times / 2)]!;
};

/** The mix with its limits, and how to measure each amount: one that comes again is not worked out again. */
function inFull() {
  const plan = mix(input);
  const known = new Map<unknown, unknown>();
  const tools = [toolsOf(kit, true), toolsOf(kit, false)];
  for (const filling of allFillings(plan))
    filling.amounts.forEach((amount, p) => {
      if (known.has(amount)) return;
      const most = (amount.value as unknown as number) * roomUp(plan, p, filling.sites);
      known.set(amount, measure(amount.value, most, tools[products[p]!.form === "dry" ? 0 : 1]!, "mL"));
    });
  return known.size;
}

/** Ten tools whose marks have nothing in common. */
const ten: Tool[] = Array.from({ length: 10 }, (_, i) => {
  const step = [0.5, 1, 2.5, 4.92892159375, 5, 10, 14.78676478125, 25, 29.5735295625, 50][i]!;
  return { name: `tool ${i}`, step, capacity: step * (20 + 7 * i), unit: "mL" };
});
const amounts = Array.from({ length: 300 }, (_, i) => quantity("volume", 0.7 * 1.045 ** i, "mL"));
const each = amounts.map((amount) => seconds(() => measure(amount, 0, ten, "mL"), 3)).sort((a, b) => a - b);

const lawns = Array.from({ length: 120 }, (_, i) => ({
  site: `site ${Math.floor(i / 2)}`,
  name: `lawn ${i % 2}`,
  area: given(entered(`${900 + ((i * 7919) % 30_000)} ft2`, "area"), "lawn"),
  water: i % 14 === 0,
}));
const day = () =>
  dayRun({
    sprayVolume: input.sprayVolume,
    usable: given(fluid("200 gal"), "usable"),
    lawns,
    loads: "full-then-part",
    places: true,
    amounts: products.map(amountFor),
  }).loads.length;

const limits = () => mix(input).sites.length;
for (let i = 0; i < 3; i++) sink += limits() + day();
console.log(
  JSON.stringify({
    limits: seconds(limits, 15),
    inFull: seconds(inFull, 7),
    kitWorst: each.at(-1),
    kitMedian: each[Math.floor(each.length / 2)],
    day: seconds(day, 15),
    checked: sink > 0,
  }),
);
