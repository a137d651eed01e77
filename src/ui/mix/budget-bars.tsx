"use client";

import { Box, chakra } from "@chakra-ui/react";
import { readAreaRate, sizeOf, type AreaRate } from "@/core/labels/active";
import type { SiteBudget } from "@/core/mixing/plan";
import type { System } from "@/core/working/units";
import { SubHeading } from "../parts/controls";
import { atMost } from "@/core/quantity/slack";

const part = (rate: AreaRate | null, limit: AreaRate): number => (rate ? sizeOf(rate) / sizeOf(limit) : 0);

interface BarsProps {
  readonly budgets: readonly SiteBudget[];
  readonly system: System;
}

/** What each zone may still take of an active: down, planned, and the limit, drawn as a rule. */
export function BudgetBars({ budgets, system }: BarsProps) {
  const years = tightest(budgets.filter((b) => b.of === "year"));
  if (years.length === 0) return null;
  return (
    <Box as="section" aria-label="Budgets">
      <SubHeading>What the year still allows</SubHeading>
      <Box as="ul" listStyleType="none">
        {years.map((budget, i) => (
          <Bar key={i} budget={budget} system={system} />
        ))}
      </Box>
    </Box>
  );
}

/** Of several limits on one active of a zone, the one that leaves least. */
function tightest(budgets: readonly SiteBudget[]): SiteBudget[] {
  const least = new Map<string, SiteBudget>();
  for (const budget of budgets) {
    const key = [budget.zone, budget.product, budget.active].join("\n");
    const known = least.get(key);
    if (!known || sizeOf(budget.left) < sizeOf(known.left)) least.set(key, budget);
  }
  return [...least.values()];
}

const WIDE = 300;

function Bar({ budget, system }: { budget: SiteBudget; system: System }) {
  const { limit, used, planned } = budget;
  const [down, plan] = [part(used, limit), part(planned, limit)];
  const whole = Math.max(1, down + plan);
  const over = !atMost(down + plan, 1);
  const x = (share: number) => (share / whole) * WIDE;
  const words = [
    used ? `${readAreaRate(used, system)} down` : "nothing down",
    `${readAreaRate(planned, system)} planned`,
    `limit ${readAreaRate(limit, system)} ${budget.yearKind === "rolling" ? "in 12 months" : "a year"}`,
  ];
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "190px minmax(0,1fr)" }}
      gap="2px 16px"
      padding="8px 0"
      borderBottom="1px solid"
      borderColor="line"
    >
      <Box>
        <Box fontWeight="700">{budget.zone}</Box>
        <Box textStyle="small" color="soft">
          {budget.active === budget.product ? budget.product : `${budget.active}, as ${budget.product}`}
        </Box>
      </Box>
      <Box minW={0}>
        <chakra.svg viewBox={`-1 0 ${WIDE + 2} 26`} width="100%" height="26px" preserveAspectRatio="none" aria-hidden color="ink">
          <rect x={0} y={6} width={x(down)} height={14} fill="currentColor" />
          <rect
            x={x(down)}
            y={6}
            width={x(plan)}
            height={14}
            fill={over ? "var(--cg-colors-stop)" : "var(--cg-colors-water)"}
            stroke="currentColor"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
          <rect
            x={0}
            y={6}
            width={x(1)}
            height={14}
            fill="none"
            stroke="currentColor"
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
          <line
            x1={x(1)}
            x2={x(1)}
            y1={0}
            y2={26}
            stroke={over ? "var(--cg-colors-stop)" : "currentColor"}
            strokeWidth="3"
            vectorEffect="non-scaling-stroke"
          />
        </chakra.svg>
        <Box fontFamily="reading" textStyle="small">
          {over && <chakra.strong color="stop">✕ over · </chakra.strong>}
          {words.join(" · ")}
        </Box>
      </Box>
    </Box>
  );
}
