import type { ProductText } from "@/formats/job-file/types";
import { afterLine, afterOf, weatherLines } from "./field-words";

const product = (name: string, label: object = {}): ProductText => ({
  name,
  form: "liquid",
  rate: "1 fl oz/1000 ft2",
  label: { packages: [], limits: [], gear: [], rates: [{ rate: "1 fl oz/1000 ft2" }], ...label },
});

test("the hardest wish of the weather, and whose the others are", () => {
  expect(weatherLines([], "us", [])).toEqual([]);
  expect(weatherLines([product("A")], "us", [])).toEqual([["Wind", "10 mph at most (our ceiling, where no label says)"]]);
  const lines = weatherLines(
    [
      product("A", { wind: "12 mph", airMost: "85 °F", airOver: "3 days" }),
      product("B", { wind: "8 mph", airLeast: "50 °F", airMost: "90 °F", soilLeast: "50 °F" }),
    ],
    "us",
    [],
  );
  expect(lines).toEqual([
    ["Wind", "8 mph at most (B); 12 mph (A)"],
    ["Air", "at most 85 °F, over 3 days (A)"],
    ["Air", "50 °F to 90 °F (B)"],
    ["Soil", "at least 50 °F (B)"],
  ]);
});

test("the limit that is shown is the one that holds: the rule of the place before the label, both named", () => {
  const rules = [{ jurisdiction: "Quay County", wind: "6 mph", airMost: "80 °F" }];
  expect(weatherLines([product("A", { wind: "12 mph" })], "us", rules)).toEqual([
    ["Wind", "6 mph at most (the rule of Quay County); 12 mph (A)"],
    ["Air", "at most 80 °F (the rule of Quay County)"],
  ]);
  const alike = [product("A", { wind: "10 mph" }), product("B", { wind: "10 mph" })];
  expect(weatherLines(alike, "us", [])).toEqual([["Wind", "10 mph at most"]]);
  expect(weatherLines(alike, "us", rules, true)[0]).toEqual(["Wind", "6 mph at most (the rule of Quay County)"]);
  expect(weatherLines(alike, "us", rules)[0]).toEqual(["Wind", "6 mph at most (the rule of Quay County); 10 mph (A, B)"]);
  expect(weatherLines([product("A")], "metric", [{ wind: "20 mph" }])[0]).toEqual([
    "Wind",
    "16 km/h at most (our ceiling, where no label says); 20 mph (the firm's own rule)",
  ]);
});

test("afterwards, by the clock: dry first, then the water before its deadline", () => {
  const mix = [
    product("Leaf", { keepDry: "24 h" }),
    product("Soil", { waterLeast: "0.25 in", waterMost: "0.5 in", waterWithin: "72 h" }),
  ];
  const line = afterLine(mix, "2026-09-02T09:40:00.000Z");
  expect(line?.[1]).toMatch(/^keep dry for 24 h, then water in 0\.25 in to 0\.5 in within 72 h\./);
  expect(line?.[1]).toMatch(/dry until Thu 3 Sep \d\d:40, then 0\.25 in to 0\.5 in of water by Sat 5 Sep \d\d:40/);
  expect(afterLine([product("Plain")], "2026-09-02T09:40:00.000Z")).toBeUndefined();
});

test("the hardest of all: the longest dry, the earliest deadline; no deadline is open beside another's dry hours", () => {
  const after = afterOf([
    product("A", { keepDry: "4 h" }),
    product("B", { keepDry: "24 h" }),
    product("C", { waterLeast: "0.1 in", waterWithin: "48 h" }),
    product("D", { waterLeast: "0.2 in" }),
  ]);
  expect([after.dry?.of, after.by?.of, after.least?.of, after.openOf]).toEqual(["B", "C", "D", "D"]);
  expect(afterOf([product("D", { waterLeast: "0.2 in", keepDry: "4 h" })]).openOf).toBeNull();
});
