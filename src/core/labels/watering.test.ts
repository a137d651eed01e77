import fc from "fast-check";
import { entered } from "../quantity/parse";
import { valueIn } from "../quantity/quantity";
import { derive, given } from "../working/rule";
import { fillTimeRule, wateringOf } from "./watering";

const area = (text: string) => given(entered(text, "area"), "zone");
const ask = (text: string) => ({ of: "Green", value: entered(text, "length") });
const rain = (text: string) => entered(text, "precipitation");

describe("watering in", () => {
  // An acre-inch of water is 27,154 gal (USGS Water Science School); 623 gal do 1,000 sq ft (extension tables).
  test.each([
    ["1 in", "1 ac", 27_154],
    ["1 in", "1,000 ft2", 623.4],
    ["0.5 in", "6,000 ft2", 1870],
  ])("%s on %s is %d gal", (depth, ground, gallons) => {
    const { least } = wateringOf({ least: ask(depth), most: null }, area(ground), undefined);
    expect(valueIn(least!.volume.value, "gal") / gallons).toBeCloseTo(1, 3);
    expect(least!.time).toBeNull();
  });
  test.each([
    ["0.25 in", "0.5 in/h", 30],
    ["0.5 in", "1.5 in/h", 20],
    ["1 cm", "10 mm/h", 60],
    ["0.25 in", "12.7 mm/h", 30],
  ])("%s at %s takes %d min", (depth, rate, minutes) => {
    const { least, most } = wateringOf({ least: ask(depth), most: ask(depth) }, area("100 ft2"), rain(rate));
    expect(valueIn(least!.time!.value, "min")).toBeCloseTo(minutes, 9);
    expect(valueIn(most!.time!.value, "min")).toBeCloseTo(minutes, 9);
  });
  test("a label that asks for no depth asks for no water", () =>
    expect(wateringOf({ least: null, most: null }, area("100 ft2"), rain("1 in/h"))).toEqual({ least: null, most: null }));
  test("what the irrigation lays down in the time over the area is the water", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 3, noNaN: true }),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: 10, max: 1e6, noNaN: true }),
        (inches, rate, feet) => {
          const { least } = wateringOf({ least: ask(`${inches} in`), most: null }, area(`${feet} ft2`), rain(`${rate} in/h`));
          const deep = (valueIn(least!.time!.value, "h") * rate) / 12;
          expect((deep * feet * 1728) / 231 / valueIn(least!.volume.value, "gal")).toBeCloseTo(1, 9);
        },
      ),
    ));
});

test("a tank of 100 gal fills from a hydrant of 20 gal/min in 5 min", () => {
  const time = derive(fillTimeRule, {
    fill: given(entered("100 gal", "volume"), "tank"),
    tap: given(entered("20 gal/min", "flow"), "hydrant"),
  });
  expect(valueIn(time.value, "min")).toBeCloseTo(5, 12);
});
