"use client";

import { Box } from "@chakra-ui/react";
import { proxy } from "comlink";
import { useEffect, useRef, useState } from "react";
import type { Calibration } from "@/core/calibration/calibrate";
import type { AreaRate } from "@/core/labels/active";
import type { Filling } from "@/core/mixing/column";
import { rateOnGround } from "@/core/mixing/judge";
import type { MixPlan } from "@/core/mixing/plan";
import { writeNumber } from "@/core/quantity/format";
import type { Kind, Quantity } from "@/core/quantity/kinds";
import { quantity, valueIn } from "@/core/quantity/quantity";
import { riskExact, SURE, type Risk, type RiskInput } from "@/core/risk/risk";
import { kindOf } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import { riskInputOf } from "@/core/risk/input";
import type { RiskDoor } from "@/workers/risk.worker";
import { openWorker } from "../data/worker";
import { Button, Note } from "../parts/controls";
import { Fold } from "../parts/fold";
import type { MeasuringOf } from "./measures";
import { Row } from "../parts/layout";

interface RiskProps {
  readonly plan: MixPlan;
  readonly filling: Filling;
  readonly calibration: Calibration;
  readonly measured: MeasuringOf;
  readonly system: System;
}

/** How likely it is that more goes down than the label allows, or less than it takes. */
export function RiskFold({ plan, filling, calibration, measured, system }: RiskProps) {
  const inputs = plan.products.map((_, i) => riskInputOf(plan, i, filling, calibration, measured(filling, i)?.how.best));
  if (!calibration.uncertainty || inputs.every((input) => !input)) return null;
  return (
    <Fold strong title="How likely is it to pass the label?">
      <Note>
        From the ± of the calibration and of what is measured. Chances are of one full load sprayed as calibrated; another walk, a
        worn tip or wind are not in it.
      </Note>
      <Box as="ul" listStyleType="none" display="grid" gap="12px" marginTop="10px">
        {plan.products.map((product, i) =>
          inputs[i] ? (
            <li key={product.name}>
              <OneRisk name={product.name} input={inputs[i]} rate={rateOnGround(product, plan.leaves)} system={system} />
            </li>
          ) : null,
        )}
      </Box>
    </Fold>
  );
}

const SAMPLES = 200_000;

interface OneProps {
  readonly name: string;
  readonly input: RiskInput;
  readonly rate: AreaRate;
  readonly system: System;
}

function OneRisk({ name, input, rate, system }: OneProps) {
  const exact = riskExact(input);
  const drawn = useDrawn(exact ? undefined : input);
  const risk = exact ?? drawn.risk;
  return (
    <Box>
      <Box fontWeight="700">{name}</Box>
      {!risk && (
        <Row gap="12px">
          <Box role="status" fontFamily="reading">
            {drawn.failed
              ? "could not be drawn: is the server there?"
              : drawn.stopped
                ? "stopped"
                : `drawing, ${writeNumber(drawn.part * 100, { decimals: 0 })} %`}
          </Box>
          <Button look="quiet" onClick={drawn.stopped || drawn.failed ? drawn.again : drawn.stop}>
            {drawn.stopped || drawn.failed ? "Draw again" : "Stop"}
          </Button>
        </Row>
      )}
      {risk && <RiskWords risk={risk} rate={rate} system={system} />}
    </Box>
  );
}

const chance = (part: number) => (part < 0.0005 ? "under 0.1 %" : `${writeNumber(part * 100, { figures: 2 })} %`);

function RiskWords({ risk, rate, system }: { risk: Risk; rate: AreaRate; system: System }) {
  const tooMuch = risk.over !== null && risk.over > 1 - SURE;
  return (
    <Box as="ul" listStyleType="none">
      {risk.over !== null && (
        <li>
          more than the label&apos;s most: <strong>{chance(risk.over)}</strong>
          {tooMuch && risk.aim !== null && (
            <>
              . Aim for <strong>{aimWords(rate, risk.aim, system)}</strong> to stay under it with 95 %
            </>
          )}
        </li>
      )}
      {risk.under !== null && (
        <li>
          less than the label&apos;s least: <strong>{chance(risk.under)}</strong>
        </li>
      )}
    </Box>
  );
}

/** The rate to aim for, to two figures, never up. */
function aimWords(rate: AreaRate, factor: number, system: System): string {
  const kind = kindOf(rate) as "rateByWeight" | "rateByVolume";
  const value = rate.value as Quantity<"rateByWeight">;
  const aimed =
    kind === "rateByWeight"
      ? quantity("rateByWeight", valueIn(value, "g/m2") * factor, "g/m2")
      : quantity("rateByVolume", valueIn(rate.value as Quantity<"rateByVolume">, "mL/m2") * factor, "mL/m2");
  return read(aimed as Quantity<Kind>, kind, system, { figures: 2, down: true });
}

/** Draws a risk in a worker, with word of how far it is; stops with the screen, or when it is told to. */
function useDrawn(input: RiskInput | undefined) {
  const key = input && JSON.stringify(input);
  const [round, setRound] = useState(0);
  const [state, setState] = useState<{ key: string; part: number; risk?: Risk; stopped?: boolean; failed?: boolean }>({
    key: "",
    part: 0,
  });
  const halt = useRef<() => void>(() => undefined);
  useEffect(() => {
    if (key === undefined) return;
    const worker = new Worker(new URL("../../workers/risk.worker.ts", import.meta.url), { type: "module" });
    const { door, end } = openWorker<RiskDoor>(worker, () => setState({ key, part: 0, failed: true }));
    // JSON has no infinity: an input without trials has infinite degrees of freedom.
    const read = JSON.parse(key) as RiskInput;
    const whole = { ...read, freedom: read.freedom ?? Infinity };
    halt.current = () => {
      end();
      setState((was) => ({ ...was, stopped: true }));
    };
    void door
      .draw(
        whole,
        SAMPLES,
        1,
        // Word of the last batch may come after the answer.
        proxy((part) => setState((was) => (was.key === key && was.risk ? was : { key, part }))),
      )
      .then(
        (risk) => setState({ key, part: 1, risk }),
        () => setState({ key, part: 0, failed: true }),
      );
    return end;
  }, [key, round]);
  const now = state.key === key ? state : { key: "", part: 0 };
  return {
    part: now.part,
    risk: "risk" in now ? now.risk : undefined,
    stopped: "stopped" in now ? now.stopped : false,
    failed: "failed" in now ? now.failed : false,
    stop: () => halt.current(),
    again: () => {
      setState({ key: "", part: 0 });
      setRound(round + 1);
    },
  };
}
