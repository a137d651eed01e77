"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useSyncExternalStore } from "react";
import type { BoomCheck } from "@/core/calibration/boom";
import { showChange, writeNumber } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { read, type System } from "@/core/working/units";
import { canonical } from "@/core/quantity/arithmetic";

const WIDE = 640;
const NARROW = 370;
const HEIGHT = 210;
const TOP = 18;
const LOW = 172;

interface PictureProps {
  /** One an outlet, in order; undefined where nothing was read yet. */
  readonly flows: readonly (Quantity<"flow"> | undefined)[];
  readonly check: BoomCheck | undefined;
  readonly rated: Quantity<"flow"> | undefined;
  readonly system: System;
}

/** The boom as seen from behind: a column an outlet, the mean with its ±5 % band, ±10 % of rated as brackets. */
export function BoomPicture({ flows, check, rated, system }: PictureProps) {
  // Drawn anew for a phone, not shrunk: its figures must stay readable.
  const WIDTH = useNarrow() ? NARROW : WIDE;
  const mean = check && canonical(check.mean);
  const most = Math.max(
    ...flows.map((f) => (f === undefined ? 0 : canonical(f))),
    (mean ?? 0) * 1.15,
    rated === undefined ? 0 : canonical(rated) * 1.15,
  );
  if (!most) return <Box color="soft">The boom is drawn here as the outlets are read.</Box>;
  const y = (value: number) => LOW - (value / most) * (LOW - TOP);
  const step = (WIDTH - 60) / flows.length;
  const x = (i: number) => 44 + step * (i + 0.5);
  const wide = Math.min(34, step * 0.62);
  const marks = new Map<number, string>([
    ...(check?.toReplace ?? []).map((n) => [n, "replace"] as const),
    ...(check?.toClean ?? []).map((n) => [n, "clean"] as const),
  ]);
  return (
    <chakra.svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      role="img"
      aria-label={boomWords(flows, check)}
      color="ink"
      fontFamily="var(--cg-fonts-reading)"
    >
      <line x1="40" x2={WIDTH - 12} y1={LOW} y2={LOW} stroke="currentColor" strokeWidth="3" />
      {mean !== undefined && (
        <g>
          <rect
            x="40"
            width={WIDTH - 52}
            y={y(mean * 1.05)}
            height={y(mean * 0.95) - y(mean * 1.05)}
            fill="var(--cg-colors-water)"
          />
          <line x1="40" x2={WIDTH - 12} y1={y(mean)} y2={y(mean)} stroke="currentColor" strokeWidth="1.5" />
          <text style={{ fontSize: 12 }} x="36" y={y(mean) + 4} textAnchor="end" fill="currentColor">
            mean
          </text>
        </g>
      )}
      {rated !== undefined && (
        <g stroke="var(--cg-colors-stop)" strokeWidth="1.5" strokeDasharray="6 4">
          {[0.9, 1.1].map((part) => (
            <line key={part} x1="40" x2={WIDTH - 12} y1={y(canonical(rated) * part)} y2={y(canonical(rated) * part)} />
          ))}
        </g>
      )}
      {flows.map((flow, i) => {
        const mark = marks.get(i + 1);
        return (
          <g key={i}>
            {flow !== undefined && (
              <rect
                x={x(i) - wide / 2}
                width={wide}
                y={y(canonical(flow))}
                height={LOW - y(canonical(flow))}
                fill={mark ? "var(--cg-colors-act)" : "currentColor"}
                fillOpacity={mark ? 1 : 0.55}
              />
            )}
            <text style={{ fontSize: 13, fontWeight: 700 }} x={x(i)} y={LOW + 16} textAnchor="middle" fill="currentColor">
              {i + 1}
            </text>
            {mark && (
              <text
                style={{ fontSize: 12, fontWeight: 700 }}
                x={x(i)}
                y={LOW + 32}
                textAnchor="middle"
                fill="var(--cg-colors-act)"
              >
                {mark === "replace" ? "↑" : "↓"} {step > 46 ? mark : ""}
              </text>
            )}
          </g>
        );
      })}
      {check && (
        <text style={{ fontSize: 12.5 }} x={WIDTH - 14} y="12" textAnchor="end" fill="currentColor">
          mean {read(check.mean, "flow", system)}
        </text>
      )}
    </chakra.svg>
  );
}

/** Whether the screen is a phone's. */
function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(PHONE);
      media.addEventListener("change", changed);
      return () => media.removeEventListener("change", changed);
    },
    () => window.matchMedia(PHONE).matches,
    () => false,
  );
}
const PHONE = "(max-width: 47.99rem)";

function boomWords(flows: PictureProps["flows"], check: BoomCheck | undefined): string {
  const done = flows.filter((f) => f !== undefined).length;
  if (!check) return `Boom of ${flows.length} outlets, ${done} read`;
  const off = check.outlets.flatMap((o, i) => (o.even ? [] : [`outlet ${i + 1} ${showChange(o.ofMean - 1)}`]));
  return `Boom of ${flows.length} outlets; ${off.length === 0 ? "all within 5 % of the mean" : `off the mean: ${off.join(", ")}`}`;
}

/** What the boom check comes to, in words. */
export function BoomVerdict({ check, rated }: { check: BoomCheck; rated: boolean }) {
  const list = (numbers: readonly number[]) => numbers.join(", ");
  const lines = [
    check.toReplace.length > 0 && `Replace ${list(check.toReplace)}: gives too much, worn.`,
    check.toClean.length > 0 && `Clean ${list(check.toClean)}, check its strainer: gives too little.`,
    check.sides && Math.abs(check.sides.apart) > 0.02
      ? `The ${check.sides.apart > 0 ? "left" : "right"} side gives ${writeNumber(Math.abs(check.sides.apart) * 100, { figures: 2 })} % more.`
      : check.sides && "Left and right agree.",
    !rated && "Tip size and pressure are not noted: wear can't be told from the mean alone.",
  ].filter((line): line is string => typeof line === "string");
  const even = check.toReplace.length + check.toClean.length === 0;
  return (
    <Box role="status">
      {even && <Box fontWeight="700">✓ Every outlet is within its band.</Box>}
      {lines.map((line) => (
        <Box key={line} fontWeight={line.startsWith("Replace") || line.startsWith("Clean") ? "700" : "400"}>
          {line}
        </Box>
      ))}
    </Box>
  );
}
