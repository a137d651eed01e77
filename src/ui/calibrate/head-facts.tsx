"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { Calibration, CalibrationInput } from "@/core/calibration/calibrate";
import { dialForJar, dialForPace, drawCheck, jarLasts, readHead, tapAgainstHead, type Head } from "@/core/hose-end/head";
import { PRODUCT_USES, suitsHead, type ProductUse } from "@/core/hose-end/suitability";
import type { Tank } from "@/core/mixing/plan";
import { show, showDuration, writeNumber } from "@/core/quantity/format";
import { given, type Source } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import { dialText } from "@/core/words/values";
import { paceText } from "@/core/working/thousand";
import { rowRates } from "@/formats/card/choice";
import { readTyped } from "@/formats/typed";
import { useLabels } from "../data/records";
import { useKept } from "../data/kept-here";
import { SubHeading, Select } from "../parts/controls";
import { Fact, Facts } from "../parts/fact";
import { Field } from "../parts/field";
import { Notice } from "../parts/notices";
import { ShelfPick } from "../parts/pickers";
import { MistakeNote } from "./mistake-note";
import { Typed } from "./typed";

interface HeadProps {
  readonly made: Calibration;
  readonly input: CalibrationInput;
  /** The jar, where its size is known. */
  readonly tank?: Tank | undefined;
  readonly system: System;
}

interface Asked {
  readonly labelId: string;
  readonly use: ProductUse | "";
  readonly tapVolume: string;
  readonly tapTime: string;
  readonly drawVolume: string;
  readonly drawTime: string;
}
const NOTHING: Asked = { labelId: "", use: "", tapVolume: "", tapTime: "", drawVolume: "", drawTime: "" };

/** What a hose-end head does with a product: the pace for the rate, the dial for a pace, and the classic mistakes. */
export function HeadFacts({ made, input, tank, system }: HeadProps) {
  const labels = useLabels();
  const [asked = NOTHING, setAsked] = useKept<Asked>("head");
  const set = (next: Partial<Asked>) => setAsked({ ...asked, ...next });
  const head = input.rig.head!;
  const label = labels.find((l) => l.id === asked.labelId && l.card.form === "liquid");
  const use = asked.use || (label?.card.use ?? "");
  const stated = label && rowRates(label.card, 0)?.least;
  const rate =
    stated?.kind === "rateByVolume" ? given(stated, "label rate") : (input.rate && given(input.rate, "label rate")) || null;
  const reading = readHead(head, made.flow, rate, made.timePer1000);
  return (
    <Box as="section" aria-label="Hose-end head" display="grid" gap="16px">
      <SubHeading>In the jar</SubHeading>
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }} maxW="640px">
        <ShelfPick
          label="Product, by its label"
          value={asked.labelId}
          which={(l) => l.card.form === "liquid"}
          empty="a liquid from the shelf …"
          onPick={(labelId) => set({ labelId })}
        />
        <Field label="What it is for">
          {(props) => (
            <Select {...props} value={use} onChange={(e) => set({ use: e.target.value as ProductUse })}>
              <option value="">pick, to be told whether it suits</option>
              {PRODUCT_USES.map((use) => (
                <option key={use}>{use}</option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      {use !== "" && <Suits use={use} />}
      <Facts>
        <OfTheFlow head={head} flow={made.flow} tank={tank} system={system} />
        {reading.timePer1000 && <Fact name="Pace for the label rate" value={paceText(reading.timePer1000.value, system)} />}
        {reading.overdose !== null && (
          <Fact name="At the pace timed" value={`${writeNumber(reading.overdose, { figures: 3 })} × the label rate`} />
        )}
      </Facts>
      {reading.overdose !== null && Math.abs(reading.overdose - 1) > 0.05 && (
        <Notice state={reading.overdose > 1 ? "stop" : "act"}>
          {reading.overdose > 1
            ? `Too much: ${writeNumber(reading.overdose, { figures: 2 })} times the label rate goes down at this pace.`
            : `Too little: ${writeNumber(reading.overdose * 100, { figures: 2 })} % of the label rate goes down at this pace.`}
        </Notice>
      )}
      {head.kind === "dial" && rate && made.flow && made.timePer1000 && (
        <>
          <Box>
            Dial for the pace timed:{" "}
            <chakra.strong>{dialText(dialForPace(rate, made.flow, made.timePer1000).value, system)}</chakra.strong>
            {head.jar && (
              <>
                {" "}
                of undiluted product;{" "}
                <chakra.strong>
                  {dialText(dialForJar(dialForPace(rate, made.flow, made.timePer1000).value, head.jar), system)}
                </chakra.strong>{" "}
                as the jar is made up.
              </>
            )}
          </Box>
          <MistakeNote rate={rate.value} flow={made.flow.value} pace={made.timePer1000.value} system={system} />
        </>
      )}
      <Checks asked={asked} set={set} made={made} drawn={jarDraw(input, made)} system={system} />
    </Box>
  );
}

interface FlowProps {
  readonly head: Head;
  readonly flow: Source<"flow"> | null;
  readonly tank: Tank | undefined;
  readonly system: System;
}

/** What the flow through a head says by itself, with no label rate: what is drawn, how far the stream thins it, how long a jar lasts. */
function OfTheFlow({ head, flow, tank, system }: FlowProps) {
  const { productFlow, dilution } = readHead(head, flow, null, null);
  return (
    <>
      {productFlow && <Fact name="Product drawn" value={read(productFlow.value, "flow", system)} />}
      {dilution && <Fact name="Stream to product" value={show(dilution.value, "dilution", ":1")} />}
      {tank && flow && (
        <Fact name="A full jar lasts" value={showDuration(jarLasts(head, given(tank.usable, "jar"), flow).value)} />
      )}
    </>
  );
}

/** The same on a run sheet that has no label rate yet. */
export const FlowAlone = (props: FlowProps) => (
  <Box as="section" aria-label="Hose-end head">
    <SubHeading>By the flow alone</SubHeading>
    <Facts>
      <OfTheFlow {...props} />
    </Facts>
  </Box>
);

/** What a draw check should find: all that leaves the jar, water of a diluted one included. */
function jarDraw({ rig }: CalibrationInput, { flow }: Calibration) {
  const head = rig.head!;
  if (head.kind === "metered") return head.feed.value;
  return flow ? (readHead({ kind: "dial", setting: head.setting }, flow, null, null).productFlow?.value ?? null) : null;
}

function Suits({ use }: { use: ProductUse }) {
  const { state, text } = suitsHead(use);
  return <Notice state={state === "poor" ? "stop" : state === "ask" ? "act" : "plain"}>{text} The label decides.</Notice>;
}

interface ChecksProps {
  readonly asked: Asked;
  readonly set: (next: Partial<Asked>) => void;
  readonly made: Calibration;
  readonly drawn: ReturnType<typeof jarDraw>;
  readonly system: System;
}

/** Two checks that the head's arithmetic can't do without: the bare tap against the head, and what the jar gives. */
function Checks({ asked, set, made, drawn, system }: ChecksProps) {
  const flowOf = (volume: string, time: string) => {
    const [v, t] = [readTyped("catchVolume", volume), readTyped("catchTime", time)];
    return v.ok && t.ok ? drawCheck(given(v.value, "caught"), given(t.value, "time"), drawn) : undefined;
  };
  const tap = flowOf(asked.tapVolume, asked.tapTime);
  const draw = flowOf(asked.drawVolume, asked.drawTime);
  return (
    <Box display="grid" gap="14px" gridTemplateColumns={{ base: "minmax(0,1fr)", md: "1fr 1fr" }}>
      <Box>
        <SubHeading>Bare tap against head</SubHeading>
        <Pair
          names={["Bare tap gave", "in"]}
          values={[asked.tapVolume, asked.tapTime]}
          onChange={(tapVolume, tapTime) => set({ tapVolume, tapTime })}
        />
        {tap && made.flow && (
          <Box>
            The bare tap gives <strong>{writeNumber(tapAgainstHead(tap.drawn.value, made.flow.value), { figures: 2 })} ×</strong>{" "}
            what leaves the head: count only what leaves the head, {read(made.flow.value, "flow", system)}.
          </Box>
        )}
      </Box>
      <Box>
        <SubHeading>Draw check, full and near empty</SubHeading>
        <Pair
          names={["The jar fell by", "in"]}
          values={[asked.drawVolume, asked.drawTime]}
          onChange={(drawVolume, drawTime) => set({ drawVolume, drawTime })}
        />
        {draw && (
          <Box>
            Drawn {read(draw.drawn.value, "flow", system)}
            {draw.ratio !== null && (
              <>
                , <strong>{writeNumber(draw.ratio * 100, { figures: 3 })} %</strong> of what the head should draw
                {Math.abs(draw.ratio - 1) > 0.1 ? ": clean it, or go by what it draws" : ""}
              </>
            )}
            . Full jars draw better: do it again near empty.
          </Box>
        )}
      </Box>
    </Box>
  );
}

function Pair({
  names,
  values,
  onChange,
}: {
  names: [string, string];
  values: [string, string];
  onChange: (volume: string, time: string) => void;
}) {
  return (
    <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px" marginY="8px">
      <Typed label={names[0]} field="catchVolume" value={values[0]} onChange={(v) => onChange(v, values[1])} />
      <Typed label={names[1]} field="catchTime" value={values[1]} onChange={(t) => onChange(values[0], t)} />
    </Box>
  );
}
