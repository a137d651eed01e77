"use client";

import { Box } from "@chakra-ui/react";
import { wordsFor, type Issue } from "@/core/issue";
import { read, type System } from "@/core/working/units";
import { Typed } from "../calibrate/typed";
import { Choose } from "../parts/choose";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";
import type { Ended } from "./how-it-ended";
import { TO_PLAN, type LoadsTold, type LoadTold, type PlannedLoad } from "./told-loads";

interface NumberProps {
  readonly ended: Exclude<Ended, "each">;
  readonly loads: readonly PlannedLoad[];
  readonly told: LoadsTold;
  readonly set: (told: LoadsTold) => void;
  readonly issues: readonly Issue[];
  readonly system: System;
}

/** The one number that a load's end asks for: what was left, or what was covered; of a stop both. Of several loads, of the last. */
export function OneNumber({ ended, loads, told, set, issues, system }: NumberProps) {
  const last = loads.at(-1);
  const at = loads.find((load) => told[load.key] !== undefined) ?? last;
  if (!at) return null;
  const several = loads.length > 1;
  const sites = new Set(loads.map((load) => load.site)).size > 1;
  const one = told[at.key] ?? TO_PLAN;
  const change = (next: Partial<LoadTold>) => set({ [at.key]: { ...one, ...next } });
  return (
    <Column gap="12px" maxW="480px">
      {several && (
        <Choose
          label="Which load?"
          value={at.key}
          options={loads.map((load) => [load.key, sites ? `${load.site}, load ${load.load}` : `Load ${load.load}`])}
          onPick={(key) => set({ [key]: { ...TO_PLAN, left: one.left, covered: one.covered } })}
        />
      )}
      {ended !== "early" && (
        <Typed
          label="Left in the tank"
          field="left"
          zero
          value={one.left}
          onChange={(left) => change({ left })}
          placeholder="0.5 gal"
          hint={`of ${read(at.fillTo, "volume", system)}, by the marks or measured`}
        />
      )}
      {ended !== "left" && (
        <Typed
          label="Area covered"
          field="zoneArea"
          value={one.covered}
          onChange={(covered) => change({ covered })}
          placeholder="1,800 sq ft"
          hint={`of ${read(at.covers, "area", system)}, measured or paced along the edge`}
        />
      )}
      {issues.map((issue) => (
        <Box key={issue.path + issue.code}>
          <Notice state="act">{wordsFor(issue, system)}</Notice>
        </Box>
      ))}
    </Column>
  );
}
