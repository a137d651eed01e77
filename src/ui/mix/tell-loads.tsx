"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { wordsFor, type Issue } from "@/core/issue";
import { read, type System } from "@/core/working/units";
import { Typed } from "../calibrate/typed";
import { Check } from "../parts/choose";
import { Note } from "../parts/controls";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { TO_PLAN, type LoadTold, type LoadsTold, type PlannedLoad } from "./told-loads";

interface TellProps {
  readonly loads: readonly PlannedLoad[];
  readonly told: LoadsTold;
  readonly set: (told: LoadsTold) => void;
  readonly issues: readonly Issue[];
  readonly system: System;
}

/** Load by load: what was left, how much ground it did, a second pass. What stays empty went to plan. */
export function TellLoads({ loads, told, set, issues, system }: TellProps) {
  const several = new Set(loads.map((load) => load.site)).size > 1;
  return (
    <Column gap="14px">
      <Note>Only what was different: an empty field went to plan, and a tank of which nothing is said ran dry.</Note>
      {loads.map((load) => (
        <OneLoad
          key={load.key}
          load={load}
          name={several ? `${load.site}, load ${load.load}` : `Load ${load.load}`}
          told={told[load.key] ?? TO_PLAN}
          set={(next) => set({ ...told, [load.key]: { ...(told[load.key] ?? TO_PLAN), ...next } })}
          system={system}
        />
      ))}
      {issues.map((issue) => (
        <Notice key={issue.path + issue.code} state="act">
          {wordsFor(issue, system)}
        </Notice>
      ))}
    </Column>
  );
}

interface LoadProps {
  readonly load: PlannedLoad;
  readonly name: string;
  readonly told: LoadTold;
  readonly set: (next: Partial<LoadTold>) => void;
  readonly system: System;
}

function OneLoad({ load, name, told, set, system }: LoadProps) {
  const { skipped, again } = told;
  return (
    <Box as="fieldset" border="none" borderTop="1px solid" borderColor="line" paddingTop="8px">
      <Box as="legend" textStyle="strong">
        {name}{" "}
        <Box as="span" color="soft" fontWeight="400">
          {read(load.fillTo, "volume", system)} for {read(load.covers, "area", system)}
        </Box>
      </Box>
      {!skipped && (
        <LeftAndGround left={told.left} covered={told.covered} set={set}>
          <Typed
            label="Spraying took"
            field="loadTime"
            value={told.time}
            onChange={(time) => set({ time })}
            placeholder="6:40"
            hint="tells the pace from the flow"
          />
        </LeftAndGround>
      )}
      {!skipped && told.zones && (
        <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }}>
          {load.zones.map((zone) => (
            <Typed
              key={zone}
              label={`Of ${zone}`}
              field="zoneArea"
              zero
              value={told.zones?.[zone] ?? ""}
              onChange={(typed) => set({ zones: { ...told.zones, [zone]: typed } })}
              placeholder="1,800 sq ft"
              hint="empty: none of it"
            />
          ))}
        </Box>
      )}
      <Row flexWrap="wrap" gap="0 22px">
        {!skipped && load.zones.length > 1 && (
          <Check checked={told.zones !== undefined} onChange={(e) => set({ zones: e.target.checked ? {} : undefined })}>
            Say which zone got how much
          </Check>
        )}
        {!skipped && (
          <Check checked={again} onChange={(e) => set({ again: e.target.checked })}>
            A second pass with what was left
          </Check>
        )}
        <Check checked={skipped} onChange={(e) => set({ skipped: e.target.checked })}>
          Never sprayed
        </Check>
      </Row>
      {!skipped && again && (
        <LeftAndGround
          second
          left={told.againLeft}
          covered={told.againCovered}
          set={({ left, covered }) =>
            set({ ...(left !== undefined && { againLeft: left }), ...(covered !== undefined && { againCovered: covered }) })
          }
        />
      )}
    </Box>
  );
}

interface PassProps {
  /** Of a second pass over the same ground. */
  readonly second?: boolean;
  readonly left: string;
  readonly covered: string;
  readonly set: (next: { readonly left?: string; readonly covered?: string }) => void;
  readonly children?: ReactNode;
}

/** What a pass left in the tank, and the ground that it did. */
function LeftAndGround({ second = false, left, covered, set, children }: PassProps) {
  return (
    <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }}>
      <Typed
        label={second ? "Left after the second pass" : "Left in the tank"}
        field="left"
        zero
        value={left}
        onChange={(typed) => set({ left: typed })}
        placeholder="0.5 gal"
        hint="empty: it ran dry"
      />
      <Typed
        label={second ? "Area of the second pass" : "Area covered"}
        field="zoneArea"
        value={covered}
        onChange={(typed) => set({ covered: typed })}
        placeholder="1,800 sq ft"
        hint={second ? "empty: the same area" : "empty: as planned"}
      />
      {children}
    </Box>
  );
}
