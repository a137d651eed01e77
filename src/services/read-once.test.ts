import { entered, parseAs, parseQuantity } from "@/core/quantity/parse";
import { saveCalibration } from "./save-calibration";
import { freshRecords, must, NOW, session, town } from "./testing/town";

jest.mock("@/core/quantity/parse", () => {
  const real = jest.requireActual<object>("@/core/quantity/parse");
  const { parseQuantity, parseAs, entered } = real as Record<string, (...args: unknown[]) => unknown>;
  return { ...real, parseQuantity: jest.fn(parseQuantity), parseAs: jest.fn(parseAs), entered: jest.fn(entered) };
});

const records = freshRecords();

/** How often a text was read, whoever asked for it. */
const timesRead = (text: string) =>
  [parseQuantity, parseAs, entered]
    .flatMap((reader) => jest.mocked<jest.Mock>(reader as never).mock.calls as unknown[][])
    .filter(([typed]) => typed === text).length;

test("a reading of the watch is read once on its way from the request into the records", () => {
  town(records.db);
  const made = session({ walks: [{ time: "61.37 s" }], catches: [{ volume: "33.21 fl oz", time: "62.18 s" }] });
  must(saveCalibration(records.db, { session: made, madeAt: NOW }));
  expect(records.db.$client.prepare("select time from trials order by position").pluck().all()).toEqual(["61.37 s", "62.18 s"]);
  expect([timesRead("61.37 s"), timesRead("62.18 s"), timesRead("33.21 fl oz")]).toEqual([1, 1, 1]);
});
