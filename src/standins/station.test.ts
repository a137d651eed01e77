import { judgeConditions } from "@/core/conditions/judge";
import { readAir } from "@/formats/air-seen";
import { readMetar } from "@/formats/weather/metar";
import { simulatedStation } from "./station";

test("every report of its month is read whole; some hours go, some wait, some don't", async () => {
  const verdicts = new Set<string>();
  for (let day = 1; day <= 30; day++)
    for (let hour = 0; hour < 24; hour++) {
      const metar = await simulatedStation.report(new Date(2026, 5, day, hour));
      const report = readMetar(metar);
      expect([metar, report.ok && report.value.unread]).toEqual([metar, []]);
      const seen = readAir({ when: hour < 8 ? "sunrise" : "day", metar });
      if (!seen.ok) throw new Error(metar);
      const { wind, temperature, air, wet, when } = seen.value;
      verdicts.add(judgeConditions({ wind, air: temperature, deltaT: air?.deltaT ?? null, wet }, {}, when).verdict);
    }
  expect([...verdicts].sort()).toEqual(["go", "no", "wait"]);
});
test("the same hour says the same; the front brings rain and gusts", async () => {
  const at = new Date(2026, 5, 12, 12);
  expect(await simulatedStation.report(at)).toBe(await simulatedStation.report(at));
  expect(await simulatedStation.report(at)).toMatch(/G27KT .*RA/);
});
