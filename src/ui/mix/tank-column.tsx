"use client";

import { Box, chakra } from "@chakra-ui/react";
import { fullness, stepsOf, type Filling, type Step, type WaterFirst } from "@/core/mixing/column";
import type { MixProduct } from "@/core/mixing/product";
import type { Source } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import { compare } from "@/core/quantity/arithmetic";
import type { MeasuringOf } from "./measures";
import { stepText, StepWords, type StepText } from "./step-words";
import { Tank } from "./tank-drawing";
import { Check } from "../parts/choose";
import { HowItCame } from "../parts/math";

interface ColumnsProps {
  readonly products: readonly MixProduct[];
  readonly fillings: readonly Filling[];
  readonly usable: Source<"volume">;
  /** What is filled is the jar of a hose-end head. */
  readonly jar?: boolean;
  /** How much of the water comes before the products. */
  readonly school?: WaterFirst;
  readonly system: System;
  /** How each amount is measured with the rig's own kit. */
  readonly measured?: MeasuringOf | undefined;
  /** Why no product may be opened yet; undefined where nothing is in the way. */
  readonly locked?: string | undefined;
  /** The keys of the ticked steps; undefined where nothing is poured yet. */
  readonly done?: ReadonlySet<string>;
  readonly onTick?: (step: string, done: boolean) => void;
  /** What is known of a filling beside what goes in: how long it lasts, where it is filled. */
  readonly about?: (filling: Filling) => readonly string[];
}

interface ColumnProps extends Omit<ColumnsProps, "fillings"> {
  /** The first of a run of fillings that are alike. */
  readonly filling: Filling;
  /** The number of the last of the run. */
  readonly last: number;
  /** On paper: the number of the last load that is filled alike, and how many are; nothing of one that repeats another. */
  readonly paper?: { readonly last: number; readonly count: number } | "repeats";
}

/** One load, drawn to scale: half the water, the products in pouring order with what to measure, up to the mark. */
function TankColumn({
  products,
  filling,
  last,
  paper,
  usable,
  jar,
  school,
  system,
  measured,
  locked,
  done,
  onTick,
  about,
}: ColumnProps) {
  const steps = stepsOf(products, filling, school);
  const title =
    last === filling.number
      ? `Load ${filling.number}`
      : `Loads ${filling.number} ${last === filling.number + 1 ? "and" : "to"} ${last}, each`;
  const words = (step: Step) =>
    stepText(step, system, step.kind === "product" ? measured?.(filling, step.product) : undefined, jar);
  const finished = done !== undefined && steps.every((s) => done.has(s.key));
  return (
    <Box
      as="section"
      aria-label={title}
      className={paper === "repeats" ? "no-print" : undefined}
      borderTop="3px solid"
      borderColor={finished ? "line" : "ink"}
      paddingTop="8px"
      breakInside="avoid"
    >
      <Box display="flex" justifyContent="space-between" alignItems="baseline">
        <chakra.h2 fontSize="1.0625rem" fontWeight="700">
          {typeof paper === "object" && paper.count > 1 ? (
            <>
              <chakra.span className="no-print">{title}</chakra.span>
              <chakra.span className="print-only">
                Loads {filling.number} to {paper.last}, each: {"☐ ".repeat(paper.count)}
              </chakra.span>
            </>
          ) : (
            title
          )}{" "}
          {finished && "✓"}
        </chakra.h2>
        <Box textStyle="note" color="soft" textAlign="right">
          {read(filling.covers.value, "area", system)}
        </Box>
      </Box>
      <Box textStyle="small" color="soft">
        {about?.(filling).join(" · ")}
      </Box>
      <Box display="grid" gridTemplateColumns="64px minmax(0,1fr)" gap="12px" marginTop="8px">
        <Tank share={fullness(filling.fillTo, usable)} products={filling.amounts.length} done={done} steps={steps} />
        <Box as="ol" listStyleType="none">
          {steps.map((step) => (
            <Box as="li" key={step.key} borderBottom="1px dashed" borderColor="line">
              {done && onTick ? (
                <Ticked
                  step={step}
                  text={words(step)}
                  locked={step.kind === "product" ? locked : undefined}
                  done={done.has(step.key)}
                  onTick={onTick}
                />
              ) : (
                <Untickable step={step} text={words(step)} />
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

/** A step that is only read: its amount shows how it came about. */
function Untickable({ step, text }: { step: Step; text: StepText }) {
  if (step.kind === "rinse") return <StepWords text={text} />;
  return (
    <HowItCame of={step.kind === "product" ? step.amount : step.to} title={`${text.what}: ${text.amount}`}>
      <StepWords text={text} />
    </HowItCame>
  );
}

function Ticked({
  step,
  text,
  locked,
  done,
  onTick,
}: {
  step: Step;
  text: StepText;
  /** Why it can't be ticked now. */
  locked: string | undefined;
  done: boolean;
  onTick: (step: string, done: boolean) => void;
}) {
  return (
    <Check gloves checked={done} disabled={locked !== undefined && !done} onChange={(e) => onTick(step.key, e.target.checked)}>
      <Box textDecoration={done ? "line-through" : "none"} opacity={done ? 0.75 : 1}>
        <StepWords text={text} />
        {locked && !done && (
          <Box textStyle="small" color="soft">
            {locked}
          </Box>
        )}
      </Box>
    </Check>
  );
}

/** All fillings side by side. Before anything is poured, those that are alike are drawn once. */
export function TankColumns({ fillings, ...rest }: ColumnsProps) {
  const together = alike(fillings);
  const runs = rest.done
    ? fillings.map((filling) => {
        const run = together.find((r) => r.filling === filling);
        return {
          filling,
          last: filling.number,
          paper: run ? { last: run.last, count: run.last - filling.number + 1 } : ("repeats" as const),
        };
      })
    : together;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "repeat(auto-fill, minmax(300px, 1fr))" }}
      gap="24px 28px"
      // On paper a column goes where it has room: a grid would take its whole row to the next page.
      css={{ "@media print": { display: "block", "& > section": { marginBottom: "18px" } } }}
    >
      {runs.map((run) => (
        <TankColumn key={run.filling.key} {...run} {...rest} />
      ))}
    </Box>
  );
}

/** Fillings that follow one another for one site with the same contents, as runs: the first, and the number of the last. */
export function alike(fillings: readonly Filling[]): { filling: Filling; last: number }[] {
  const runs: { filling: Filling; last: number }[] = [];
  for (const filling of fillings) {
    const run = runs.at(-1);
    const same =
      run &&
      run.last === filling.number - 1 &&
      compare(run.filling.fillTo.value, filling.fillTo.value) === 0 &&
      run.filling.sites.join() === filling.sites.join();
    if (same) run.last = filling.number;
    else runs.push({ filling, last: filling.number });
  }
  return runs;
}
