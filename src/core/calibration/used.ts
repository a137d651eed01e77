import { derive, given, num, nums, rule, type Derived, type Source } from "../working/rule";
import type { UsedTrial } from "./evidence";

export const usedVolumeRule = rule({
  id: "used-volume",
  version: 1,
  title: "Used up",
  formula: "start - remaining",
  inputs: { start: "volume", remaining: "volume" },
  output: "volume",
  source: "what was filled less what was left",
  compute: ({ start, remaining }) => num(start) - num(remaining),
});

export const pooledRule = rule({
  id: "pooled-spray-volume",
  version: 1,
  title: "Spray volume",
  formula: "sum(volumes) / sum(areas)",
  inputs: { volumes: ["volume"], areas: ["area"] },
  output: "sprayVolume",
  source: "direct trials are pooled: total volume over total area (common practice)",
  compute: ({ volumes, areas }) => nums(volumes).reduce((sum, v) => sum + v, 0) / nums(areas).reduce((sum, a) => sum + a, 0),
});

/** What one trial used up. The caller has checked that more went in than was left. */
export function usedVolume(trial: UsedTrial, name: string): Source<"volume"> {
  if ("topUp" in trial.used) return given(trial.used.topUp, `${name}, top-up`);
  return derive(usedVolumeRule, {
    start: given(trial.used.start, `${name}, start`),
    remaining: given(trial.used.remaining, `${name}, remaining`),
  });
}

/** Spray volume from direct trials. */
export function pooled(trials: readonly UsedTrial[]): Derived<"sprayVolume"> {
  return derive(pooledRule, {
    volumes: trials.map((t, i) => usedVolume(t, `trial ${i + 1}`)),
    areas: trials.map((t, i) => given(t.area, `area ${i + 1}`)),
  });
}
