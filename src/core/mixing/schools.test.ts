import { toolsOf } from "../measuring/measure";
import { entered } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";
import { given, type Derived } from "../working/rule";
import { amountFor } from "./amounts";
import { waterFirst } from "./column";
import { pouringOrder } from "./pouring-order";
import type { MixProduct } from "./product";

const fill = given(entered("4 gal", "volume"), "fill");
const area = given(entered("4000 ft2", "area"), "area");
const soap = (rate: string): MixProduct => ({ name: "Soap", form: "liquid", rate: entered(rate, "rateByVolume") });
const gallons = (water: Derived<"volume"> | null) => water && Number(valueIn(water.value, "gal").toFixed(6));

test("half, or three quarters of the water first; what has no room beside it, less (common practice)", () => {
  const small = [amountFor(soap("2 fl oz/1000 ft2"))(area, fill)];
  const large = [amountFor(soap("48 fl oz/1000 ft2"))(area, fill)];
  expect(gallons(waterFirst(fill, small))).toBe(2);
  expect(gallons(waterFirst(fill, small, "three quarters"))).toBe(3);
  // 192 fl oz of product leave 2.5 gal: three quarters have no room, half has.
  expect(gallons(waterFirst(fill, large, "three quarters"))).toBe(2);
});

test("the label's own order wins over the usual one", () => {
  const wg: MixProduct = { name: "Grain", form: "dry", formulation: "WG", rate: entered("1 oz/1000 ft2", "rateByWeight") };
  const dye: MixProduct = { ...soap("1 fl oz/1000 ft2"), name: "Dye", formulation: "DYE" };
  expect(pouringOrder([dye, wg])).toEqual([1, 0]);
  expect(pouringOrder([{ ...dye, order: "Add first, before any other product" }, wg])).toEqual([0, 1]);
  expect(pouringOrder([wg, { ...soap("1 fl oz/1000 ft2"), order: "goes in last" }, dye])).toEqual([0, 2, 1]);
  // A word about the water is none about the product.
  expect(pouringOrder([dye, { ...wg, order: "fill half the tank first, then add while agitating" }])).toEqual([1, 0]);
});

test("a cup marked for one dry product measures that one alone", () => {
  const cup = { name: "scoop", product: "Grain", step: entered("0.5 oz", "mass"), capacity: entered("4 oz", "mass") };
  const kit = { scales: [], vessels: [], cups: [cup] };
  expect(toolsOf(kit, true, "GRAIN").map((t) => t.name)).toEqual(["scoop"]);
  expect(toolsOf(kit, true, "Other")).toEqual([]);
  expect(toolsOf(kit, true)).toEqual([]);
  expect(toolsOf(kit, false, "Grain")).toEqual([]);
});
