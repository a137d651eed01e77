"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRef, type ReactNode } from "react";
import { wordsFor } from "@/core/issue";
import { unitText, writeNumber } from "@/core/quantity/format";
import { groundText } from "@/core/working/thousand";
import { bareUnit, rateField, amountField } from "@/core/quantity/ranges";
import { readRate } from "@/formats/forms/rate";
import { Typed } from "../calibrate/typed";
import { useFrames, useWatch, watchText } from "../calibrate/watch";
import { unitsInHand, useSystem } from "../data/units";
import { SlipAsk, SlipKeeper } from "../parts/slip-ask";
import { rateWords } from "../labels/words";
import { quickAsks, type QuickAsk } from "./quick-slips";
import { Button } from "../parts/controls";
import { TextField } from "../parts/field";
import { Pair } from "../rigs/pair";
import { Drawn } from "./drawn";
import { timesOf, type Quick } from "./quick-job";
import { Column, Row } from "../parts/layout";

const KINDS: readonly (readonly [Quick["kind"], string])[] = [
  ["backpack", "Backpack"],
  ["hand-can", "Hand can"],
  ["spray-truck", "Gun and hose"],
];

export function KindPick({ value, onPick }: { value: Quick["kind"]; onPick: (kind: Quick["kind"]) => void }) {
  return (
    <Box as="fieldset" border="none" display="flex" flexWrap="wrap">
      <chakra.legend textStyle="label" marginBottom="4px">
        What sprays
      </chakra.legend>
      {KINDS.map(([kind, words]) => (
        <chakra.label
          key={kind}
          display="flex"
          alignItems="center"
          gap="8px"
          minHeight="48px"
          padding="6px 14px 6px 10px"
          border="2px solid"
          borderColor={value === kind ? "ink" : "line"}
          marginRight="-2px"
          cursor="pointer"
          fontWeight={value === kind ? "700" : "400"}
        >
          <chakra.input
            type="radio"
            name="kind"
            checked={value === kind}
            onChange={() => onPick(kind)}
            width="20px"
            height="20px"
            accentColor="var(--cg-colors-ink)"
          />
          {words}
        </chakra.label>
      ))}
    </Box>
  );
}

/** A field with the drawing of what it is about. */
function Line({ of, children }: { of: Parameters<typeof Drawn>[0]["of"]; children: ReactNode }) {
  return (
    <Row gap="14px" alignItems="flex-start" borderBottom="1px solid" borderColor="line" paddingBottom="10px">
      <Box paddingTop="22px">
        <Drawn of={of} />
      </Box>
      <Column flex="1" minW={0} gap="10px">
        {children}
      </Column>
    </Row>
  );
}

interface FieldsProps {
  readonly quick: Quick;
  readonly set: (next: Partial<Quick>) => void;
}

export function Fields({ quick, set }: FieldsProps) {
  const system = useSystem();
  const asks = quickAsks(quick, system);
  const dismissed = quick.dismissed ?? [];
  return (
    <SlipKeeper dismissed={dismissed} dismiss={(more) => set({ dismissed: [...dismissed, ...more] })}>
      <Line of="tank">
        <Typed
          label="A full tank holds"
          field="usable"
          value={quick.tank}
          onChange={(tank) => set({ tank })}
          placeholder="4 gal"
        />
        <Asks of="tank" asks={asks} set={set} />
      </Line>
      <Course quick={quick} set={set} asks={asks} />
      <Line of="time">
        <Times quick={quick} set={set} />
        <Asks of="times" asks={asks} set={set} />
      </Line>
      <Line of="catch">
        <Pair>
          <Typed
            label="Caught in the bucket"
            field="catchVolume"
            value={quick.caught}
            onChange={(caught) => set({ caught })}
            placeholder="33 fl oz"
          />
          <Typed
            label="in"
            field="catchTime"
            optional
            value={quick.caughtFor}
            onChange={(caughtFor) => set({ caughtFor })}
            hint="empty: as long as the walk"
          />
        </Pair>
        <Asks of="caught" asks={asks} set={set} />
      </Line>
      <LabelRates quick={quick} set={set} asks={asks} />
      <Line of="lawn">
        <Typed
          label="The lawn"
          field="zoneArea"
          value={quick.lawn}
          onChange={(lawn) => set({ lawn })}
          placeholder="62 x 100"
          hint="or two sides"
        />
        <Asks of="lawn" asks={asks} set={set} />
      </Line>
    </SlipKeeper>
  );
}

/** What probably went wrong in a field. */
function Asks({ of, asks, set }: { of: QuickAsk["field"]; asks: readonly QuickAsk[]; set: FieldsProps["set"] }) {
  return asks
    .filter(({ field }) => field === of)
    .map(({ field, typed, slips, take }) => (
      <SlipAsk key={typed} field={field} typed={typed} slips={slips} words={rateWords} onTake={(text) => set(take(text))} />
    ));
}

/** The plot that is sprayed with water, or a straight course and the width of a pass. */
function Course({ quick, set, asks }: FieldsProps & { asks: readonly QuickAsk[] }) {
  const system = useSystem();
  return (
    <Line of={quick.course ? "course" : "plot"}>
      {quick.course ? (
        <Pair>
          <Typed
            label="Course, one way"
            field="course"
            value={quick.distance}
            onChange={(distance) => set({ distance })}
            placeholder="200 ft"
          />
          <Typed
            label="Width of a pass"
            field="swath"
            value={quick.swath}
            onChange={(swath) => set({ swath })}
            placeholder="5 ft"
          />
        </Pair>
      ) : (
        <Typed
          label="Plot you spray with water"
          field="testArea"
          value={quick.plot}
          onChange={(plot) => set({ plot })}
          placeholder="10 x 25"
          hint={system === "us" ? "pegged on the lawn: 10 x 25 is 250 sq ft" : "pegged on the lawn: 3 x 8 is 24 m²"}
        />
      )}
      <Asks of={quick.course ? "swath" : "plot"} asks={asks} set={set} />
      <Button look="inline" justifySelf="start" onClick={() => set({ course: !quick.course })}>
        {quick.course ? "A plot instead" : "A straight course instead"}
      </Button>
    </Line>
  );
}

/** What the label says: how much, and never more than. */
function LabelRates({ quick, set, asks }: FieldsProps & { asks: readonly QuickAsk[] }) {
  const system = useSystem();
  const rate = quick.rate.trim() === "" ? undefined : readRate(quick.rate, quick.form);
  const most = quick.most.trim() === "" ? undefined : readRate(quick.most, quick.form);
  const field = rateField(quick.form);
  return (
    <>
      <Line of="rate">
        <Box as="fieldset" border="none" display="flex" gap="18px">
          {(["dry", "liquid"] as const).map((form) => (
            <chakra.label key={form} display="flex" gap="8px" alignItems="center" minHeight="44px" cursor="pointer">
              <chakra.input
                type="radio"
                name="form"
                checked={quick.form === form}
                onChange={() => set({ form })}
                width="20px"
                height="20px"
                accentColor="var(--cg-colors-ink)"
              />
              {form === "dry" ? "Weighed" : "Measured"} ({unitText(bareUnit(amountField(form), system))})
            </chakra.label>
          ))}
        </Box>
        <TextField
          label={`Label rate for ${groundText(system)}`}
          quantity={field}
          placeholder={quick.form === "dry" ? "0.3 oz" : "1.5 fl oz"}
          value={quick.rate}
          error={rate && !rate.ok ? wordsFor(rate.issues[0]!, unitsInHand()) : undefined}
          {...(rate?.ok && { hint: `understood as ${rateText(rate.value)}` })}
          onChange={(e) => set({ rate: e.target.value })}
        />
        <Asks of="rate" asks={asks} set={set} />
      </Line>
      <Line of="most">
        <TextField
          label="The label's most at once"
          quantity={field}
          placeholder={quick.form === "dry" ? "0.4 oz" : "2 fl oz"}
          value={quick.most}
          error={most && !most.ok ? wordsFor(most.issues[0]!, unitsInHand()) : undefined}
          hint={`for ${groundText(system)}; nothing over it gets an amount. Empty: not checked`}
          onChange={(e) => set({ most: e.target.value })}
        />
        <Asks of="most" asks={asks} set={set} />
      </Line>
    </>
  );
}

const rateText = (rate: { readonly number: number; readonly unit: string }) =>
  `${writeNumber(rate.number, { figures: 4 })} ${unitText(rate.unit)}`;

/** The times of the walks: typed, or by the watch. */
function Times({ quick, set }: { quick: Quick; set: (next: Partial<Quick>) => void }) {
  const watch = useWatch("watch:quick");
  const digits = useRef<HTMLSpanElement>(null);
  useFrames(watch.running, () => {
    if (digits.current) digits.current.textContent = watchText(watch.seconds());
  });
  const typed = quick.times.trim();
  const times = typed === "" ? undefined : timesOf(typed);
  return (
    <Row alignItems="flex-start">
      <Box flex="1">
        <TextField
          label={quick.course ? "Time of the course" : "Time to spray it"}
          placeholder="62, 64, 61"
          value={quick.times}
          error={typed !== "" && !times ? `write seconds, or 1:02, with commas between` : undefined}
          hint={times && times.length > 1 ? `${times.length} walks, averaged` : "s, or 1:02; three walks are the habit"}
          onChange={(e) => set({ times: e.target.value })}
        />
      </Box>
      <Button
        marginTop="25px"
        minW="104px"
        look={watch.running ? "act" : "plain"}
        aria-label={watch.running ? "Stop the watch" : "Start the watch"}
        onClick={(event) => {
          const seconds = watch.press(event.timeStamp);
          if (seconds !== undefined) set({ times: [typed, seconds.toFixed(2)].filter(Boolean).join(", ") });
        }}
      >
        {watch.running ? (
          <span>
            ■ <span ref={digits}>{watchText(watch.seconds())}</span>
          </span>
        ) : (
          "▶ Watch"
        )}
      </Button>
    </Row>
  );
}
