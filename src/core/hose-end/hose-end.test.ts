import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { expectNear } from "../testing/near";
import { given, num } from "../working/rule";
import { dialForJar, dialForPace, drawCheck, labelNumberMistake, readHead, tapAgainstHead, type Head } from "./head";
import { jarVolume } from "./jars";
import { PRODUCT_USES, suitsHead } from "./suitability";

const flow = given(entered("2.5 gal/min", "flow"), "flow");
const rate = (text: string) => given(entered(text, "rateByVolume"), "rate");
const time = (text: string) => given(entered(text, "time"), "pace");
const metered = (feed: string): Head => ({ kind: "metered", feed: entered(feed, "flow") });
const dial = (setting: string, jar?: [string, string]): Head => ({
  kind: "dial",
  setting: entered(setting, "strengthByVolume"),
  ...(jar && { jar: { product: entered(jar[0], "volume"), water: entered(jar[1], "volume") } }),
});

describe("metered feed (common practice)", () => {
  test("2.5 gal/min and 2 fl oz/min are 160 : 1, and 4 fl oz take 2 min", () => {
    const head = readHead(metered("2 fl oz/min"), flow, rate("4 fl oz/1000 ft2"), time("60 s"));
    expectNear(valueIn(head.dilution!.value, ":1"), 160, 1e-12);
    expectNear(num(head.timePer1000!), 120, 1e-12);
    expectNear(head.overdose!, 0.5, 1e-12);
  });
  test("draws the same whatever the water does", () => {
    const slow = readHead(metered("2 fl oz/min"), given(entered("1 gal/min", "flow"), "f"), rate("4 fl oz/1000 ft2"), null);
    expectNear(num(slow.timePer1000!), 120, 1e-12);
    expect(slow.overdose).toBeNull();
  });
});

describe("dial, ounces per gallon (common practice)", () => {
  test("8 fl oz made up to 12, dial 2, 2.5 gal/min: 2 min 24 s for the jar", () => {
    const head = readHead(dial("2 fl oz/gal", ["8 fl oz", "4 fl oz"]), flow, rate("8 fl oz/1000 ft2"), null);
    expectNear(num(head.timePer1000!), 144, 1e-12);
    expectNear(valueIn(head.productFlow!.value, "fl oz/min"), 5 / 1.5, 1e-12);
  });
  test("the dial for a pace gives the label rate at that pace", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 20, max: 300, noNaN: true }),
        (ounces, seconds) => {
          const wanted = rate(`${ounces.toFixed(3)} fl oz/1000 ft2`);
          const pace = time(`${seconds.toFixed(2)} s`);
          const d = dialForPace(wanted, flow, pace);
          const setting = { kind: "dial", setting: { ...entered("1 fl oz/gal", "strengthByVolume"), value: d.value } } as Head;
          expectNear(readHead(setting, flow, wanted, pace).overdose!, 1, 1e-9);
        },
      ),
    );
  });
  test("nothing is said of a dial while the flow isn't known, nor of a rate that isn't there", () => {
    expect(readHead(dial("2 fl oz/gal"), null, rate("4 fl oz/1000 ft2"), time("60 s"))).toEqual({
      productFlow: null,
      dilution: null,
      timePer1000: null,
      overdose: null,
    });
    expect(readHead(dial("2 fl oz/gal"), flow, null, time("60 s")).overdose).toBeNull();
  });
});

// f = 2.5 gal/min, 4 fl oz per 1,000, dial 4: gone in 24 s; at a 60 s pace 2.5 times too much (common practice).
test("the label-number mistake: its seconds and its factor", () => {
  const mistake = labelNumberMistake(rate("4 fl oz/1000 ft2").value, flow.value, time("60 s").value);
  expectNear(valueIn(mistake.setting, "fl oz/gal"), 4, 1e-12);
  expectNear(mistake.seconds, 24, 1e-12);
  expectNear(mistake.factor, 2.5, 1e-12);
  const head = readHead(dial("4 fl oz/gal"), flow, rate("4 fl oz/1000 ft2"), time("60 s"));
  expectNear(head.overdose!, mistake.factor, 1e-12);
});

test("a bare tap may give three times what the head lets through", () =>
  expectNear(tapAgainstHead(quantity("flow", 7.5, "gal/min"), flow.value), 3, 1e-12));

test("the draw check holds what left the jar against what should have", () => {
  const volume = given(entered("4 fl oz", "volume"), "drop");
  const check = drawCheck(volume, time("60 s"), quantity("flow", 5, "fl oz/min"));
  expectNear(check.ratio!, 0.8, 1e-12);
  expect(drawCheck(volume, time("60 s"), null).ratio).toBeNull();
});

test("a jar gives product and water in its ratio", () => {
  const wanted = rate("8 fl oz/1000 ft2");
  expectNear(valueIn(jarVolume(dial("2 fl oz/gal", ["8 fl oz", "4 fl oz"]), wanted).value, "fl oz/1000 ft2"), 12, 1e-12);
  expectNear(valueIn(jarVolume(metered("2 fl oz/min"), wanted).value, "fl oz/1000 ft2"), 8, 1e-12);
});

test("what suits a head is said of every use, and never without the label", () => {
  const poor = PRODUCT_USES.filter((use) => suitsHead(use).state === "poor");
  expect(poor).toEqual(["herbicide", "pre-emergent"]);
  for (const use of PRODUCT_USES) expect(suitsHead(use).text).toMatch(/label/);
});

describe("a dial for a jar that is made up with water", () => {
  test("8 fl oz made up to 12 ask for half as much again: 1.5 times the dial", () => {
    const { jar } = dial("2 fl oz/gal", ["8 fl oz", "4 fl oz"]);
    expectNear(valueIn(dialForJar(quantity("strengthByVolume", 2, "fl oz/gal"), jar!), "fl oz/gal"), 3, 1e-12);
  });
  test("set so, the label's rate goes down at the pace, as it does undiluted", () => {
    const wanted = dialForPace(rate("8 fl oz/1000 ft2"), flow, time("144 s"));
    const { jar } = dial("2 fl oz/gal", ["5 fl oz", "15 fl oz"]);
    const set = valueIn(dialForJar(wanted.value, jar!), "fl oz/gal");
    const head = readHead(dial(`${set} fl oz/gal`, ["5 fl oz", "15 fl oz"]), flow, rate("8 fl oz/1000 ft2"), time("144 s"));
    expectNear(head.overdose!, 1, 1e-9);
  });
  test("what isn't known of a head is null: no flow, no thinning, and of a dial nothing drawn", () => {
    expect(readHead(dial("2 fl oz/gal"), null, rate("8 fl oz/1000 ft2"), null)).toEqual({
      productFlow: null,
      dilution: null,
      timePer1000: null,
      overdose: null,
    });
    const alone = readHead(metered("2 fl oz/min"), null, rate("4 fl oz/1000 ft2"), time("60 s"));
    expect(alone.dilution).toBeNull();
    expectNear(alone.overdose!, 0.5, 1e-12);
  });
});
