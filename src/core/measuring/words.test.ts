import { quantity } from "../quantity/quantity";
import { measure, type Tool } from "./measure";
import { errorWords, measureWords, needsWords } from "./words";

const OZ = 28.349523125;
const cup = (capacity: number, step: number, name: string): Tool => ({ name, step, capacity, unit: "mL" });
const scale = (step: number, capacity: number, name: string): Tool => ({
  name,
  step: step * OZ,
  capacity: capacity * OZ,
  unit: "oz",
});
const poured = (mL: number, ...tools: Tool[]) => {
  const how = measure(quantity("volume", mL, "mL"), mL, tools, "mL");
  return [how.best && measureWords(how.best, false), needsWords(how, `${mL} mL`, false, "mL")];
};
const weighed = (ounces: number, ...tools: Tool[]) => {
  const how = measure(quantity("mass", ounces, "oz"), ounces * OZ, tools, "oz");
  return [how.best && measureWords(how.best, true), needsWords(how, `${ounces} oz`, true, "oz")];
};

describe("how to measure, as one says it", () => {
  test.each<[string, (string | null | undefined)[], string | null, string | undefined]>([
    ["several full and a part", poured(165, cup(30, 5, "cup")), "cup: five full and one to 15 mL", undefined],
    ["full once names its mark", poured(30, cup(30, 1, "cup")), "cup: full, 30 mL", undefined],
    ["less than full", poured(20, cup(30, 1, "cup")), "cup: to 20 mL", undefined],
    ["full once and a part", poured(45, cup(30, 1, "cup")), "cup: full, 30 mL and one to 15 mL", undefined],
    [
      "two vessels, the full one first",
      poured(1012, cup(1000, 100, "jug"), cup(30, 1, "cup")),
      "jug: full, 1000 mL, then cup: to 12 mL",
      undefined,
    ],
    [
      "a cup of 30 marked every 4 is full at 28",
      poured(28, cup(30, 4, "cup")),
      "cup: full, 28 mL",
      "28 mL needs a vessel marked every 2 mL",
    ],
    ["on a scale nothing is full", weighed(0.29, scale(0.01, 20, "bench")), "bench: 0.29 oz", undefined],
    ["once what the scale takes, then the rest", weighed(25, scale(0.1, 20, "bench")), "bench: 20 oz, then 5 oz", undefined],
    ["twice what it takes", weighed(45, scale(0.1, 20, "bench")), "bench: two times 20 oz, then 5 oz", undefined],
    ["three times, and nothing left", weighed(60, scale(0.1, 20, "bench")), "bench: three times 20 oz", undefined],
    [
      "too coarse a scale",
      weighed(0.29, scale(0.1, 80, "kitchen")),
      "kitchen: 0.2 oz",
      "0.29 oz needs a scale that reads 0.01 oz",
    ],
    ["no tool at all", poured(100), null, "100 mL needs a vessel marked every 10 mL and takes 100 mL"],
    [
      "a cup far too small is told how large",
      poured(10_000, cup(30, 5, "cup")),
      expect.stringContaining("cup: "),
      "10000 mL needs a vessel marked every 1000 mL and takes 10000 mL",
    ],
  ])("%s", (_what, said, words, needs) => expect(said).toEqual([words, needs]));

  test("how far it may be off, not torn apart at the end of a line", () => {
    const { best } = measure(quantity("volume", 30, "mL"), 30, [cup(30, 1, "cup")], "mL");
    expect(errorWords(best!)).toBe("±1.7\u00a0%");
  });
});
