"use client";

import dynamic from "next/dynamic";
import { Box } from "@chakra-ui/react";
import { useMemo } from "react";
import type { Calibration } from "@/core/calibration/calibrate";
import type { Kit } from "@/core/calibration/kit";
import type { Filling } from "@/core/mixing/column";
import type { MixPlan } from "@/core/mixing/plan";
import { given } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import type { Job } from "@/formats/job-file/read-checked";
import { readAmount } from "@/core/mixing/display";
import { totalsOf } from "@/core/mixing/totals";
import { SubHeading } from "../parts/controls";
import { Fold } from "../parts/fold";
import { aboutFilling } from "./about-filling";
import { costWords } from "./cost-words";
import { BesideTheLoads } from "./beside-the-loads";
import { measuresOf } from "./measures";
import { SpreadList } from "./spread-list";
import { TankColumns } from "./tank-column";
import { Totals } from "./totals";
import { Column } from "../parts/layout";

const RiskFold = dynamic(() => import("./risk-fold").then((m) => m.RiskFold), { ssr: false });

interface OnePlanProps {
  readonly plan: MixPlan;
  readonly fillings: readonly Filling[];
  /** Fills of a day that come after the next: what they hold may still change, so nothing of them is ticked. */
  readonly later?: readonly Filling[];
  readonly job: Job;
  readonly calibration: Calibration;
  readonly kit: Kit;
  readonly system: System;
  readonly locked?: string | undefined;
  readonly done?: ReadonlySet<string>;
  readonly onTick?: (step: string, done: boolean) => void;
}

/** A plan that may be poured: its loads; folded, what it takes in all and what it may need beside them. */
export function OnePlan({ plan, fillings, later = [], job, calibration, kit, system, ...ticking }: OnePlanProps) {
  const measured = useMemo(() => measuresOf(plan, kit, system), [plan, kit, system]);
  const usable = given(job.tank!.usable, "usable volume");
  const shared = {
    products: plan.products,
    usable,
    jar: job.rig.head !== undefined,
    school: job.waterFirst,
    system,
    measured,
    about: aboutFilling(job, calibration, system),
  };
  const groups = plan.run ? [{ name: "", of: fillings }] : bySite(fillings);
  return (
    <>
      <SpreadList items={plan.spread} system={system} />
      {groups.map(({ name, of }) => (
        <Column key={name}>
          {groups.length > 1 && <SubHeading>{[name, siteCost(plan, name)].filter(Boolean).join(" · ")}</SubHeading>}
          <TankColumns fillings={of} {...shared} {...ticking} />
        </Column>
      ))}
      {later.length > 0 && (
        <Box as="section" aria-label="Later fills" display="grid" gap="12px" gridTemplateColumns="minmax(0,1fr)">
          <SubHeading>Later, as it stands now</SubHeading>
          <TankColumns fillings={later} {...shared} />
        </Box>
      )}
      {plan.sites.length > 0 && plan.products.length > 0 && (
        <Fold strong onPaper title={`Whole mix: ${totalsLine(plan, system)}`}>
          <Totals plan={plan} system={system} />
        </Fold>
      )}
      <BesideTheLoads plan={plan} fillings={fillings} job={job} calibration={calibration} kit={kit} system={system} />
      {fillings[0] && plan.sites.length > 0 && (
        <RiskFold plan={plan} filling={fillings[0]} calibration={calibration} measured={measured} system={system} />
      )}
    </>
  );
}

/** What the whole mix takes of each product, in a line. */
const totalsLine = (plan: MixPlan, system: System): string =>
  totalsOf(plan)
    .map(({ amount }, i) => `${plan.products[i]!.name} ${readAmount(amount, system)}`)
    .join(" · ");

/** What one site of several costs. */
function siteCost(plan: MixPlan, name: string): string | undefined {
  const site = plan.sites.find((s) => s.name === name);
  return site && costWords(plan.products, site.totals);
}

/** Fillings in groups of one site each. */
function bySite(fillings: readonly Filling[]): { name: string; of: readonly Filling[] }[] {
  const names = [...new Set(fillings.map((f) => f.sites.join()))];
  return names.map((name) => ({ name, of: fillings.filter((f) => f.sites.join() === name) }));
}
