"use client";

import { Box, chakra } from "@chakra-ui/react";
import { daysFrom } from "@/core/calendar";
import { writeNumber } from "@/core/quantity/format";
import { SLACK } from "@/core/quantity/slack";
import type { YearOfSiteEntry } from "@/formats/entries";
import { dayWords } from "../data/dates";
import { SubHeading } from "../parts/controls";

type Budget = YearOfSiteEntry["budgets"][number];

const HEIGHT = 36;
const percent = (part: number): string => `${writeNumber(part * 100, { figures: 3 })} %`;
const most = ({ down, steps }: Budget): number => Math.max(down, ...steps.map(([, part]) => part));

/** How each limit of a year fills, with each planned day; of a site's zones, and of two limits on one active, the fullest. */
export function Budgets({ year, budgets }: { year: number; budgets: readonly Budget[] }) {
  const fullest = new Map<string, Budget>();
  for (const budget of budgets) {
    const key = `${budget.product}\n${budget.active}`;
    const known = fullest.get(key);
    if (!known || most(budget) > most(known)) fullest.set(key, budget);
  }
  return (
    <Box as="section" aria-label="Budgets of the year">
      <SubHeading>What the year&apos;s limits hold</SubHeading>
      <Box as="ul" listStyleType="none">
        {[...fullest.values()].map((budget) => (
          <Filling key={`${budget.product} ${budget.active}`} year={year} budget={budget} />
        ))}
      </Box>
    </Box>
  );
}

function Filling({ year, budget }: { year: number; budget: Budget }) {
  const { product, active, zone, down, steps } = budget;
  const length = daysFrom(`${year}-01-01`, `${year}-12-31`) + 1;
  const full = Math.max(1, most(budget));
  const y = (part: number) => HEIGHT - (part / full) * HEIGHT;
  const at = (day: string) => daysFrom(`${year}-01-01`, day);
  const path = steps.reduce((drawn, [day, part]) => `${drawn}H${at(day)}V${y(part)}`, `M0 ${HEIGHT}V${y(down)}`);
  const words = [
    down > 0 && `${percent(down)} down`,
    ...steps.map(([day, part]) => `${percent(part)} after ${dayWords(day)}`),
  ].filter(Boolean);
  const over = most(budget) > 1 + SLACK;
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "250px minmax(0,1fr)" }}
      gap="2px 16px"
      padding="8px 0"
      borderTop="1px solid"
      borderColor="line"
    >
      <Box>
        <chakra.strong>{product}</chakra.strong>
        <Box textStyle="small" color="soft">
          {active === product ? "" : `${active}, `}
          {zone}
        </Box>
      </Box>
      <Box>
        <svg viewBox={`0 0 ${length} ${HEIGHT}`} preserveAspectRatio="none" width="100%" height={HEIGHT} aria-hidden>
          <path
            d={`${path}H${length}V${HEIGHT}Z`}
            fill="var(--cg-colors-water)"
            stroke="var(--cg-colors-ink)"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
          <line
            x1="0"
            x2={length}
            y1={y(1)}
            y2={y(1)}
            stroke="var(--cg-colors-stop)"
            strokeWidth="2"
            strokeDasharray="6 4"
            vectorEffect="non-scaling-stroke"
          />
        </svg>
        <Box textStyle="small" color={over ? "stop" : "ink"}>
          {words.join(", ")} of what a year allows
        </Box>
      </Box>
    </Box>
  );
}
