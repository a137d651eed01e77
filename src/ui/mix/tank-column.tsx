"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  fullness,
  isWeight,
  measuredWith,
  num,
  read,
  readAmount,
  show,
  stepsOf,
  unitFor,
  type Load,
  type MixPlan,
  type Source,
  type Step,
  type System,
} from "@/core/contents";

interface ColumnProps {
  readonly plan: MixPlan;
  readonly site: number;
  /** The first of a run of loads that are filled alike. */
  readonly load: Load;
  /** The number of the last of the run. */
  readonly last: number;
  readonly usable: Source<"volume">;
  readonly system: System;
  /** The keys of the ticked steps; undefined where nothing is poured yet. */
  readonly done?: ReadonlySet<string>;
  readonly onTick?: (step: string, done: boolean) => void;
}

/** One load, drawn to scale: half the water, the products in pouring order with what to measure, up to the mark. */
function TankColumn({ plan, site, load, last, usable, system, done, onTick }: ColumnProps) {
  const steps = stepsOf(plan, site, load);
  const { contents } = load;
  const title =
    last === load.number
      ? `Load ${load.number}`
      : `Loads ${load.number} ${last === load.number + 1 ? "and" : "to"} ${last}, each`;
  const finished = done !== undefined && steps.every((s) => done.has(s.key));
  return (
    <Box
      as="section"
      aria-label={title}
      borderTop="3px solid"
      borderColor={finished ? "line" : "ink"}
      paddingTop="8px"
      breakInside="avoid"
    >
      <Box display="flex" justifyContent="space-between" alignItems="baseline">
        <chakra.h2 fontSize="18px" fontWeight="700">
          {title} {finished && "✓"}
        </chakra.h2>
        <Box fontSize="15px" color="soft">
          covers {read(contents.covers.value, "area", system)}
        </Box>
      </Box>
      <Box display="grid" gridTemplateColumns="64px minmax(0,1fr)" gap="12px" marginTop="8px">
        <Tank share={fullness(contents.fillTo, usable)} products={contents.amounts.length} done={done} steps={steps} />
        <Box as="ol" listStyleType="none">
          {steps.map((step) => (
            <Box as="li" key={step.key} borderBottom="1px dashed" borderColor="line">
              {done && onTick ? (
                <Ticked step={step} system={system} done={done.has(step.key)} onTick={onTick} />
              ) : (
                <StepWords step={step} system={system} />
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

function Ticked({
  step,
  system,
  done,
  onTick,
}: {
  step: Step;
  system: System;
  done: boolean;
  onTick: (step: string, done: boolean) => void;
}) {
  return (
    <chakra.label display="flex" gap="10px" alignItems="center" minHeight="56px" cursor="pointer" opacity={done ? 0.75 : 1}>
      <chakra.input
        type="checkbox"
        checked={done}
        onChange={(e) => onTick(step.key, e.target.checked)}
        width="28px"
        height="28px"
        flex="0 0 28px"
        accentColor="var(--cg-colors-ink)"
      />
      <Box textDecoration={done ? "line-through" : "none"}>
        <StepWords step={step} system={system} />
      </Box>
    </chakra.label>
  );
}

function StepWords({ step, system }: { step: Step; system: System }) {
  const line = (what: string, amount: string, how: string) => (
    <Box paddingY="5px">
      <Box fontSize="15px">{what}</Box>
      <Box fontFamily="reading" fontWeight="700" fontSize="21px" lineHeight="1.2">
        {amount}
      </Box>
      {how && (
        <Box fontSize="14px" color="soft">
          {how}
        </Box>
      )}
    </Box>
  );
  switch (step.kind) {
    case "water":
      return line(
        "Clean water to",
        show(step.to.value, "volume", unitFor(step.mark.value, "volume", system)),
        num(step.to) < num(step.mark) * 0.499 ? "what the product leaves room for" : "half, before anything else",
      );
    case "product":
      return line(
        `${step.name}${step.formulation && step.formulation.length <= 3 ? ` (${step.formulation})` : ""}`,
        readAmount(step.amount, system),
        `${isWeight(step.amount) ? "by weight" : "by volume"}, ${measuredWith(step.amount)}`,
      );
    case "topUp":
      return line("Fill to", read(step.to.value, "volume", system), "rinse the cup in, close, agitate");
  }
}

const DEEP = 210;

/** The tank in section, filled to scale. Only its drawing is to scale: the readings beside it are what counts. */
function Tank({
  share,
  products,
  done,
  steps,
}: {
  share: number;
  products: number;
  done: ReadonlySet<string> | undefined;
  steps: readonly Step[];
}) {
  const depth = Math.min(1, share) * DEEP;
  const level = 8 + DEEP - depth;
  const water = steps.find((s) => s.kind === "water");
  // Half, or what the products leave room for; none in a jar of undiluted product.
  const wet = water ? depth * (num(water.to) / num(water.mark)) : 0;
  const half = 8 + DEEP - wet;
  // Products that fill a jar are drawn to scale; the ounces in a tank would be too thin to see.
  const jar = wet < depth * 0.499;
  const band = jar ? (depth - wet) / products : Math.min(14, (depth - wet) / (products + 1));
  const poured = (step: Step) => done === undefined || done.has(step.key);
  const productSteps = steps.filter((s) => s.kind === "product");
  return (
    <chakra.svg viewBox="0 0 64 232" width="64px" height="232px" aria-hidden color="ink">
      {poured(steps.at(-1)!) && (
        <rect x="9" y={level} width="36" height={depth - wet} fill="var(--cg-colors-water)" opacity="0.65" />
      )}
      {water && poured(water) && <rect x="9" y={half} width="36" height={wet} fill="var(--cg-colors-water)" />}
      {productSteps.map((step, i) => (
        <rect
          key={step.key}
          x="9"
          y={half - (i + 1) * band}
          width="36"
          height={band}
          fill={poured(step) ? "currentColor" : "none"}
          stroke="currentColor"
          strokeDasharray={poured(step) ? "none" : "2 2"}
          opacity={0.55 + 0.15 * (i % 3)}
        />
      ))}
      <path d={`M8 6 V${8 + DEEP - 8} q0 9 9 9 h20 q9 0 9 -9 V6`} fill="none" stroke="currentColor" strokeWidth="2.5" />
      <line x1="4" x2="56" y1={half} y2={half} stroke="currentColor" strokeWidth="1.5" strokeDasharray="4 3" />
      <path d={`M46 ${level} h14 m0 0 l-6 -4 v8 z`} stroke="var(--cg-colors-act)" fill="var(--cg-colors-act)" strokeWidth="2.5" />
      {[0.25, 0.5, 0.75].map((at) => (
        <line key={at} x1="8" x2={at === 0.5 ? 18 : 14} y1={8 + DEEP * at} y2={8 + DEEP * at} stroke="currentColor" />
      ))}
    </chakra.svg>
  );
}

/** All loads of a site side by side. Before anything is poured, loads that are alike are drawn once. */
export function TankColumns({ plan, site, ...rest }: Omit<ColumnProps, "load" | "last">) {
  const loads = plan.sites[site]!.loads;
  const runs = rest.done ? loads.map((load) => ({ load, last: load.number })) : alike(loads);
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "repeat(auto-fill, minmax(300px, 1fr))" }}
      gap="24px 28px"
    >
      {runs.map(({ load, last }) => (
        <TankColumn key={load.number} plan={plan} site={site} load={load} last={last} {...rest} />
      ))}
    </Box>
  );
}

/** Loads that follow one another with the same contents, as runs: the first load, and the number of the last. */
function alike(loads: readonly Load[]): { load: Load; last: number }[] {
  const runs: { load: Load; last: number }[] = [];
  for (const load of loads) {
    const run = runs.at(-1);
    if (run?.load.contents === load.contents) run.last = load.number;
    else runs.push({ load, last: load.number });
  }
  return runs;
}

/** What a sheet says in one line: how many loads, how much spray, how much area. */
export function sheetLine(plan: MixPlan, site: number, system: System, jar = false): string {
  const one = plan.sites[site]!;
  const count = one.loads.length;
  const last = one.loads.at(-1)!.contents;
  const first = one.loads[0]!.contents;
  const alike = num(last.fillTo) === num(first.fillTo);
  const loads =
    count === 1
      ? "1 load"
      : alike
        ? `${count} loads, each ${read(first.fillTo.value, "volume", system)}`
        : `${count} loads, the last ${read(last.fillTo.value, "volume", system)}`;
  return `${loads} · ${read(one.spray.value, "volume", system)} ${jar ? "from the jar" : "of spray"} on ${read(one.area.value, "area", system)}`;
}
