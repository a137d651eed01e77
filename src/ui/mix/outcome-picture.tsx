"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { readAreaRate, sizeOf } from "@/core/labels/active";
import { labelsMost, type SiteOutcome } from "@/core/outcome/reconcile";
import { atMost } from "@/core/quantity/slack";
import { ratio, times } from "@/core/quantity/arithmetic";
import { ROUNDING, writeNumber } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";

/** Under this nobody walks, mixes or measures a difference (ours). */
const EVEN = 0.005;

/** "6.9 % heavy", "as meant". */
export function leanText(share: number): string {
  const off = share - 1;
  if (Math.abs(off) < EVEN) return "as meant";
  return `${writeNumber(Math.abs(off) * 100, ROUNDING.percent)} % ${off > 0 ? "heavy" : "light"}`;
}

interface BarsProps {
  readonly name: string;
  readonly meant: string;
  readonly applied: string;
  /** What was applied over what was meant. */
  readonly share: number;
  /** The label's most over what was meant, where the label has one. */
  readonly most?: number | undefined;
}

/** What was meant over what was applied, with the label's most as a line that is not to be passed. */
function Bars({ name, meant, applied, share, most }: BarsProps) {
  const whole = Math.max(1, share, most ?? 0) * 1.04;
  const over = most !== undefined && !atMost(share, most);
  const wide = (part: number) => `${Math.min(100, (part / whole) * 100)}%`;
  return (
    <Box>
      <Box display="flex" justifyContent="space-between" gap="8px">
        <strong>{name}</strong>
        <span>{leanText(share)}</span>
      </Box>
      <Box position="relative" borderLeft="2px solid" borderColor="ink" paddingY="4px" overflow="hidden">
        <Bar width={wide(1)}>meant {meant}</Bar>
        <Bar width={wide(share)} full over={over}>
          applied {applied}
        </Bar>
        {most !== undefined && (
          <Box aria-hidden position="absolute" top="0" bottom="0" left={wide(most)} width="3px" background="stop" />
        )}
      </Box>
      {most !== undefined && (
        <Box textStyle="small" color={over ? "stop" : "soft"} fontWeight={over ? "700" : "400"}>
          {over ? "✕ over the label's most" : "inside the label's most, the red line"}
        </Box>
      )}
    </Box>
  );
}

interface BarProps {
  readonly width: string;
  readonly full?: boolean;
  readonly over?: boolean;
  readonly children: ReactNode;
}

/** A bar with its words on it; they may stand over its end, and are read all the same. */
const Bar = ({ width, full = false, over = false, children }: BarProps) => (
  <Box position="relative" minHeight="28px" marginY="2px">
    <Box
      aria-hidden
      position="absolute"
      inset="0"
      width={width}
      border="2px solid"
      borderColor={over ? "stop" : "ink"}
      borderLeft="none"
      background={full ? "well" : "sheet"}
    />
    <chakra.span position="relative" paddingX="8px" textStyle="small" fontWeight={full ? "700" : "400"} lineHeight="28px">
      {children}
    </chakra.span>
  </Box>
);

/** What was meant against what was applied on one site, and how much of its ground is done. */
export function OutcomePicture({ site, system }: { site: SiteOutcome; system: System }) {
  const done = Math.min(1, ratio(site.covered.value, site.area.value));
  const meant = readMeant(site, system);
  return (
    <Box display="grid" gap="12px">
      <chakra.h3 fontSize="2.25rem" fontWeight="700" lineHeight="1.1">
        {leanText(site.ratio)}
      </chakra.h3>
      <Bars name="Spray volume" meant={meant} applied={read(site.sprayVolume.value, "sprayVolume", system)} share={site.ratio} />
      {site.products.map(({ product, planned, putDown, ratio: share }) => {
        const most = labelsMost(product);
        return (
          <Bars
            key={product.name}
            name={product.name}
            meant={readAreaRate(planned, system)}
            applied={readAreaRate(putDown, system)}
            share={share}
            most={most === undefined ? undefined : most / sizeOf(planned)}
          />
        );
      })}
      <Box display="flex" gap="12px" alignItems="center">
        <chakra.svg viewBox="0 0 96 56" width="96px" height="56px" flex="0 0 auto" aria-hidden color="ink">
          <rect x="2" y="2" width={92 * done} height="52" fill="var(--cg-colors-well)" />
          <rect
            x="2"
            y="2"
            width="92"
            height="52"
            fill="none"
            stroke="currentColor"
            strokeWidth="2"
            strokeDasharray={done < 1 ? "4 3" : undefined}
          />
        </chakra.svg>
        <span>
          Area covered: <strong>{read(site.covered.value, "area", system)}</strong> of {read(site.area.value, "area", system)}
        </span>
      </Box>
    </Box>
  );
}

/** The spray volume that was meant, in its own figures. */
function readMeant(site: SiteOutcome, system: System): string {
  return read(times(site.sprayVolume.value, 1 / site.ratio), "sprayVolume", system);
}
