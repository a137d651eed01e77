import { derive, given, num, nums, rule, type Source } from "../working/rule";
import type { FlowEvidence } from "./evidence";
import { denserFlow, tipFlow } from "./tips";

export const catchFlowRule = rule({
  id: "catch-flow",
  version: 1,
  title: "Flow of the catch",
  formula: "volume / time",
  inputs: { volume: "volume", time: "time" },
  output: "flow",
  source: "definition",
  compute: ({ volume, time }) => num(volume) / num(time),
});

export const meanFlowRule = rule({
  id: "mean-flow",
  version: 1,
  title: "Mean flow",
  formula: "mean(flows)",
  inputs: { flows: ["flow"] },
  output: "flow",
  source: "flows of several catches are averaged (common practice)",
  compute: ({ flows }) => nums(flows).reduce((sum, f) => sum + f, 0) / flows.length,
});

export const outletFlowRule = rule({
  id: "outlet-flow",
  version: 1,
  title: "Flow of all outlets",
  formula: "sum(volumes) / time",
  inputs: { volumes: ["volume"], time: "time" },
  output: "flow",
  source: "one catch an outlet, all for the same time, added up (common practice)",
  compute: ({ volumes, time }) => nums(volumes).reduce((sum, v) => sum + v, 0) / num(time),
});

export const meteredFlowRule = rule({
  id: "metered-flow",
  version: 1,
  title: "Flow of all outlets",
  formula: "sum(readings)",
  inputs: { readings: ["flow"] },
  output: "flow",
  source: "meter readings of the outlets, added up",
  compute: ({ readings }) => nums(readings).reduce((sum, f) => sum + f, 0),
});

/** The flow of all open outlets, worked out of its evidence. */
export function flowOf(evidence: FlowEvidence): Source<"flow"> {
  switch (evidence.kind) {
    case "timed-catch": {
      const flows = evidence.catches.map((c, i) =>
        derive(catchFlowRule, { volume: given(c.volume, `catch ${i + 1}`), time: given(c.time, `catch time ${i + 1}`) }),
      );
      return flows.length === 1 ? flows[0]! : derive(meanFlowRule, { flows });
    }
    case "outlet-catches":
      return derive(outletFlowRule, {
        volumes: evidence.volumes.map((v, i) => given(v, `outlet ${i + 1}`)),
        time: given(evidence.time, "catch time"),
      });
    case "metered-flow": {
      const readings = evidence.readings.map((r, i) => given(r, `reading ${i + 1}`));
      return readings.length === 1 ? readings[0]! : derive(meteredFlowRule, { readings });
    }
    case "tip-chart": {
      const flow = tipFlow(evidence.size, given(evidence.pressure, "pressure at the tip"), evidence.count, evidence.chart);
      return evidence.gravity ? denserFlow(flow, given(evidence.gravity, "specific gravity")) : flow;
    }
  }
}
