import { raw } from "@/core/quantity/kinds";
import { parseField } from "@/core/quantity/ranges";
import { simulatedMeter } from "./flow-meter";

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const readAll = (outlets: number, flow = 0.4) => {
  const readings: string[] = [];
  simulatedMeter({ flow, every: 100 }).stream(outlets, (i, reading) => void (readings[i] = reading));
  jest.advanceTimersByTime(100 * (outlets + 2));
  return readings;
};

describe("the simulated flow meter", () => {
  test("reads each outlet once, in order, in a unit that a run sheet takes", () => {
    const readings = readAll(12);
    expect(readings.length).toBe(12);
    for (const reading of readings) expect(parseField("meterFlow", reading).ok).toBe(true);
  });
  test("the same boom always reads the same; a long one has a worn outlet and a half blocked one", () => {
    expect(readAll(12)).toEqual(readAll(12));
    const flows = readAll(12).map((r) => {
      const read = parseField("meterFlow", r);
      return read.ok ? raw(read.value.value) : NaN;
    });
    const mean = flows.reduce((a, b) => a + b) / 12;
    expect(flows.filter((f) => Math.abs(f / mean - 1) > 0.1).length).toBe(2);
  });
  test("stops when it is told to", () => {
    let count = 0;
    const stop = simulatedMeter({ flow: 0.4, every: 100 }).stream(12, () => void (count += 1));
    jest.advanceTimersByTime(350);
    stop();
    jest.advanceTimersByTime(5000);
    expect(count).toBe(3);
  });
});
