import { unfitForHead } from "../hose-end/suitability";
import { entered } from "../quantity/parse";
import { quantity } from "../quantity/quantity";
import { constant, given } from "../working/rule";
import { amountFor } from "./amounts";
import { stepsOf } from "./column";
import { formulationCode, goesInAsSlurry, isPacket, pouringOrder } from "./pouring-order";
import type { MixProduct } from "./product";

const product = (formulation: string, more: Partial<MixProduct> = {}): MixProduct => ({
  name: formulation,
  form: "dry",
  formulation,
  rate: entered("0.5 oz/1000 ft2", "rateByWeight"),
  ...more,
});

test.each(["WSP", "wsb", "WSBs", "soluble bag", "Water-soluble bags", "packet", "soluble pack", "pod", "sachet"])(
  "%s is a packet: before the powders, whole, never stirred to a slurry",
  (noted) => {
    expect([formulationCode(noted), isPacket(product(noted)), goesInAsSlurry(product(noted))]).toEqual(["WSP", true, false]);
    expect(pouringOrder([product("WG"), product(noted)])).toEqual([1, 0]);
  },
);
test.each(["WG", "SC", "G", "bagged", "", "podzol"])("%p is none", (noted) => expect(isPacket(product(noted))).toBe(false));

test("a step says how many packets go in, where they come out whole", () => {
  const packets = product("WSB", { packages: [{ content: entered("1 oz", "mass") }] });
  const fill = given(entered("4 gal", "volume"), "tank");
  const at = (ft2: number) => {
    const covers = constant("area", quantity("area", ft2, "ft2"), "area");
    const filling = {
      key: "1",
      number: 1,
      fillTo: fill,
      adds: fill,
      startsWith: null,
      covers,
      amounts: [amountFor(packets)(covers, fill)],
      sites: [],
    };
    return stepsOf([packets], filling).find((step) => step.kind === "product");
  };
  expect(at(4000)).toMatchObject({ packets: { count: 2 }, slurry: false });
  expect(at(4500)).toMatchObject({ packets: { count: null } });
});

test("a herbicide and a hose-end head: said by the product's name, wherever it is asked", () => {
  expect(
    unfitForHead([{ name: "Osselgrain", use: "herbicide" }, { name: "Wetter", use: "wetting agent" }, { name: "Unnoted" }]),
  ).toEqual([{ name: "Osselgrain", text: expect.stringMatching(/hose-end head gives neither/) as string }]);
});
