"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { DayRun, Piece, RunLoad } from "@/core/mixing/day-run";
import type { Source } from "@/core/working/rule";
import { read, type System, unitFor } from "@/core/working/units";
import { quantity } from "@/core/quantity/quantity";
import { canonical, compare, times } from "@/core/quantity/arithmetic";
import { sprayFor } from "@/core/mixing/areas";
import { showNumber } from "@/core/quantity/format";

interface PictureProps {
  readonly run: DayRun;
  /** In the order of the day: what is behind comes before. */
  readonly stops: readonly { readonly name: string; readonly number: number }[];
  readonly sprayVolume: Source<"sprayVolume">;
  readonly usable: Source<"volume">;
  readonly least?: Source<"volume"> | undefined;
  /** What is in the tank before anything of it. */
  readonly inTank: number;
  readonly title: string;
  readonly system: System;
}

/** Less than this is nothing left over. */
const A_DROP = quantity("volume", 1, "mL");

const [WIDE, HIGH, TOP, LEFT] = [1000, 190, 26, 44];

interface Leg {
  readonly from: number;
  readonly to: number;
  readonly stop: number;
  readonly load: RunLoad | null;
}

/** The way the tank's level goes: a leg for every stretch of a stop, a fill before those that follow one. */
function legsOf(run: DayRun, inTank: number, q: Source<"sprayVolume">, numberOf: (site: string) => number): Leg[] {
  const legs: Leg[] = [];
  let level = inTank;
  const spray = (pieces: readonly Piece[], load: RunLoad | null) =>
    pieces.forEach((piece, i) => {
      const next = level - canonical(sprayFor(piece.covers, q).value);
      const [stop, last] = [numberOf(piece.lawn.site), legs.at(-1)];
      // Lawns of one site that follow each other in one load are one leg.
      if (i > 0 && last?.stop === stop) legs[legs.length - 1] = { ...last, to: next };
      else legs.push({ from: level, to: next, stop, load: i === 0 ? load : null });
      level = next;
    });
  spray(run.begun, null);
  for (const load of run.loads) {
    level = canonical(load.fillTo.value);
    spray(load.pieces, load);
  }
  return legs;
}

/** The tank's level along the day: down where it is sprayed, up where it is filled, and where that is. */
export function RunPicture({ run, stops, sprayVolume, usable, least, inTank, title, system }: PictureProps) {
  const numberOf = (site: string) => stops.find((s) => s.name === site)?.number ?? 0;
  const legs = legsOf(run, inTank, sprayVolume, numberOf);
  const full = canonical(usable.value);
  const y = (volume: number) => TOP + HIGH * (1 - Math.max(0, volume) / full);
  // Half of the width by stop, half by how much goes out there: a small lawn can still be seen.
  const weights = legs.map(
    (leg) => 0.5 / legs.length + (0.5 * (leg.from - leg.to)) / legs.reduce((s, l) => s + l.from - l.to, 0),
  );
  const ends = weights
    .reduce<number[]>((all, w) => [...all, all.at(-1)! + w], [0])
    .map((part) => LEFT + part * (WIDE - LEFT - 12));
  return (
    <chakra.figure margin="0">
      <chakra.svg viewBox={`0 0 ${WIDE} ${TOP + HIGH + 40}`} width="100%" role="img" aria-label={title} color="ink" minW="640px">
        {[0, 0.25, 0.5, 0.75, 1].map((part) => (
          <g key={part}>
            <line
              x1={LEFT - (part % 0.5 === 0 ? 10 : 6)}
              x2={LEFT}
              y1={y(full * part)}
              y2={y(full * part)}
              stroke="currentColor"
              strokeWidth="2"
            />
            {part % 0.5 === 0 && (
              <text x={LEFT - 14} y={y(full * part) + 5} textAnchor="end" style={{ fontSize: 15 }} fill="var(--cg-colors-soft)">
                {showNumber(times(usable.value, part), "volume", unitFor(usable.value, "volume", system))}
              </text>
            )}
          </g>
        ))}
        <line x1={LEFT} x2={LEFT} y1={TOP} y2={TOP + HIGH} stroke="currentColor" strokeWidth="2" />
        {legs.map((leg, i) => {
          const [a, b] = [ends[i]!, ends[i + 1]!];
          return (
            <g key={i}>
              <polygon points={`${a},${y(leg.from)} ${b},${y(leg.to)} ${b},${y(0)} ${a},${y(0)}`} fill="var(--cg-colors-water)" />
              <line x1={a} x2={b} y1={y(leg.from)} y2={y(leg.to)} stroke="currentColor" strokeWidth="3" />
              <line x1={b} x2={b} y1={y(0)} y2={y(0) + 7} stroke="currentColor" strokeWidth="1.5" />
              <text
                x={(a + b) / 2}
                y={y(0) + 24}
                textAnchor="middle"
                style={{ fontSize: 17, fontWeight: 700 }}
                fill="currentColor"
              >
                {leg.stop || ""}
              </text>
              {leg.load && (
                <Fill x={a} from={y(i === 0 ? inTank : Math.max(0, legs[i - 1]!.to))} to={y(leg.from)} load={leg.load} />
              )}
            </g>
          );
        })}
        {least && (
          <line
            x1={LEFT}
            x2={WIDE}
            y1={y(canonical(least.value))}
            y2={y(canonical(least.value))}
            stroke="var(--cg-colors-soft)"
            strokeDasharray="3 6"
            strokeWidth="1.5"
          />
        )}
        <line x1={LEFT} x2={WIDE - 12} y1={y(0)} y2={y(0)} stroke="currentColor" strokeWidth="2" />
      </chakra.svg>
      <chakra.figcaption textStyle="small" color="soft">
        {FILLED_AT}
        {least && ` Dashed: the least that the pump can agitate.`}
      </chakra.figcaption>
    </chakra.figure>
  );
}

const FILLED_AT = "Level of the tank from stop to stop. ▲ filled at the shop, ● filled at a site's own water.";

/** A fill: straight up, with where it is done. */
function Fill({ x, from, to, load }: { x: number; from: number; to: number; load: RunLoad }) {
  const hydrant = load.at?.kind === "hydrant";
  return (
    <g stroke="var(--cg-colors-act)" fill="var(--cg-colors-act)">
      <line x1={x} x2={x} y1={from} y2={to} strokeWidth="3" strokeDasharray="6 4" />
      {hydrant ? (
        <circle cx={x} cy={to - 9} r="7" stroke="none" />
      ) : (
        <path d={`M${x - 8} ${to - 2} h16 l-8 -14 z`} stroke="none" />
      )}
    </g>
  );
}

/** The fills of a day in words: where, how much, for which stops. */
export function RunWords({ run, numberOf, system }: { run: DayRun; numberOf: (site: string) => number; system: System }) {
  return (
    <Box as="ol" aria-label="Fills of the day" listStyleType="none" display="grid" gap="4px" maxW="80ch">
      {run.begun.length > 0 && <li>What is in the tank does {stopWords(run, run.begun, numberOf)}.</li>}
      {run.loads.map((load) => (
        <li key={load.number}>
          <chakra.strong>
            {load.at?.kind === "hydrant" ? `● Fill at ${load.at.site}` : load.at ? "▲ Fill at the shop" : "Fill"}
          </chakra.strong>{" "}
          to <chakra.strong fontFamily="reading">{read(load.fillTo.value, "volume", system)}</chakra.strong>
          {load.startsWith && ` (${read(load.adds.value, "volume", system)} fresh)`} for {stopWords(run, load.pieces, numberOf)}.
        </li>
      ))}
      {run.left && compare(run.left.value, A_DROP) > 0 && (
        <li>
          <chakra.strong color="act">! {read(run.left.value, "volume", system)} will be left over.</chakra.strong> Spray it on the
          same kind of ground under the label, never away: add a stop that may take it.
        </li>
      )}
    </Box>
  );
}

/** The stops of a fill in words; of a stop that another fill serves too, which of its lawns. */
function stopWords(run: DayRun, pieces: readonly Piece[], numberOf: (site: string) => number): string {
  const all = [run.begun, ...run.loads.map((load) => load.pieces)];
  const sites = [...new Set(pieces.map((p) => p.lawn.site))];
  return sites
    .map((site) => {
      const here = pieces.filter((p) => p.lawn.site === site);
      const divided = all.filter((of) => of.some((p) => p.lawn.site === site)).length > 1;
      const lawns = here.map((p) => `${p.broken || p.resumed ? "part of " : ""}${p.lawn.name}`);
      return `${numberOf(site) || ""} ${site}${divided ? ` (${lawns.join(", ")})` : ""}`.trim();
    })
    .join(", ");
}
