"use client";

import { Box } from "@chakra-ui/react";
import { useId, useMemo, useState } from "react";
import { overlap, type Swath } from "@/core/pattern/swaths";
import { hasMap } from "@/formats/area/map-out";
import type { System } from "@/core/working/units";
import type { SiteEntry } from "@/formats/entries";
import { Note, SubHeading } from "../parts/controls";
import { Field } from "../parts/field";
import { edgeOf, frameOf, HIGH, WIDE } from "../sites/plan-frame";
import { ScaleBar } from "../sites/scale-bar";

interface StreaksProps {
  readonly site: SiteEntry;
  readonly deposit: readonly number[];
  readonly swath: Swath;
  /** How far readings lie apart, m. */
  readonly spacing: number;
  readonly system: System;
}

/** The lawns of a site as passes there and back leave them: dark where they get more, light where less. */
export function LawnStreaks({ site, deposit, swath, spacing, system }: StreaksProps) {
  const [angle, setAngle] = useState(0);
  const id = useId();
  const frame = useMemo(
    () =>
      frameOf(
        site.site.zones.flatMap((zone) => {
          const polygons = zone.measurement?.map?.polygons;
          return polygons ? [{ key: zone.id, name: zone.name, polygons }] : [];
        }),
      ),
    [site],
  );
  if (!hasMap(site.site) || !frame) return null;
  const { backAndForth } = overlap(deposit, swath.spacings);
  const most = Math.max(...backAndForth);
  const step = spacing * frame.scale;
  const period = step * backAndForth.length;
  return (
    <Box as="section" aria-label={`Streaks on ${site.site.name}`}>
      <SubHeading>On {site.site.name}</SubHeading>
      <Box maxW="520px">
        <Field label={`Passes run ${angle}° off north`}>
          {(props) => (
            <input
              {...props}
              type="range"
              min={0}
              max={175}
              step={5}
              value={angle}
              style={{ width: "100%", height: 44, accentColor: "var(--cg-colors-ink)" }}
              onChange={(e) => setAngle(Number(e.target.value))}
            />
          )}
        </Field>
      </Box>
      <Box maxWidth={`${WIDE}px`} border="1px solid" borderColor="line" background="panel">
        <svg
          viewBox={`0 0 ${WIDE} ${HIGH}`}
          width="100%"
          role="img"
          aria-label={`${site.site.name} from above, darker where it gets more`}
        >
          <defs>
            <pattern id={id} width={period} height="10" patternUnits="userSpaceOnUse" patternTransform={`rotate(${angle})`}>
              <rect width={period} height="10" fill="var(--cg-colors-panel)" />
              {backAndForth.map((amount, i) => (
                <rect
                  key={i}
                  x={i * step}
                  width={step * 1.03}
                  height="10"
                  fill="var(--cg-colors-ink)"
                  fillOpacity={0.75 * (amount / most) ** 2}
                />
              ))}
            </pattern>
          </defs>
          {frame.zones.map((zone) => (
            <path
              key={zone.key}
              d={edgeOf(zone, frame.at, undefined)}
              fillRule="evenodd"
              fill={`url(#${id})`}
              stroke="currentColor"
              strokeWidth="2"
            />
          ))}
          <ScaleBar wide={frame.wide} scale={frame.scale} x={30} y={HIGH - 10} system={system} />
        </svg>
      </Box>
      <Note>Differences are drawn stronger than an eye would see them on grass.</Note>
    </Box>
  );
}
