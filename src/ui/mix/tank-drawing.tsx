"use client";

import { chakra } from "@chakra-ui/react";
import type { Step } from "@/core/mixing/column";
import { ratio } from "@/core/quantity/arithmetic";

const DEEP = 210;

/** The tank in section, filled to scale. Only its drawing is to scale: the readings beside it are what counts. */
export function Tank({
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
  const wet = water ? depth * ratio(water.to.value, water.mark.value) : 0;
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
