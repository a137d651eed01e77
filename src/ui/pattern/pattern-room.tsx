"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { NO_UNIT } from "@/core/quantity/typed";
import { extremes, overlap, swathsOf, widestWithin, worseOf, type Swath } from "@/core/pattern/swaths";
import { times } from "@/core/quantity/arithmetic";
import { show, writeNumber } from "@/core/quantity/format";
import { parseField } from "@/core/quantity/ranges";
import { valueIn } from "@/core/quantity/quantity";
import type { System } from "@/core/working/units";
import { EVEN_ENOUGH } from "@/formats/pattern/file";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { Heading, Lines, Note, SubHeading } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Column } from "../parts/layout";
import { Fold } from "../parts/fold";
import { Faults } from "./faults";
import { LawnStreaks } from "./lawn-streaks";
import { TakeSwath } from "./take-swath";

// The chart's library is fetched where there is something to draw.
const SwathChart = dynamic(() => import("./swath-chart").then((m) => m.SwathChart), { ssr: false });

interface Draft {
  readonly spacing: string;
  readonly caught: string;
  readonly most: string;
  /** The swath that is looked at, as so many spacings; nought for the widest that is even enough. */
  readonly at: number;
}
const BLANK: Draft = { spacing: "", caught: "", most: "", at: 0 };

/** What was typed of a pass: numbers apart by anything that is no part of one. */
export function caughtOf(text: string): { readonly deposit: readonly number[]; readonly strange: string | undefined } {
  const parts = text.split(/[\s;,]+/).filter(Boolean);
  const strange = parts.find((part) => !/^\d+(\.\d+)?$/.test(part));
  return { deposit: strange === undefined ? parts.map(Number) : [], strange };
}

/** From one pass's catches to the swath at which lawns get the same everywhere. */
export function PatternRoom() {
  return (
    <Room>
      <Heading>Swath</Heading>
      <Note>
        Lay cups, cards or a gutter at equal spacings across one pass, spray clean water over them once, and read each: how much
        it caught, or how much of it is covered. From that follows how far the passes may lie apart.
      </Note>
      <ClientOnly>
        <Pattern />
        <Box marginTop="22px">
          <Fold strong title="What a blocked outlet, a wrong height, wind or a yawing boom would do">
            <Faults />
          </Fold>
        </Box>
      </ClientOnly>
    </Room>
  );
}

const LEAST = 3;

function Pattern() {
  const { system } = useInHand();
  const [draft = BLANK, keep] = useKept<Draft>("pattern");
  const change = (next: Partial<Draft>) => keep({ ...draft, ...next });
  const { deposit, strange } = caughtOf(draft.caught);
  const spacing = parseField("side", draft.spacing);
  const most = draft.most.trim() === "" ? EVEN_ENOUGH : Number(draft.most.replace("%", "")) / 100;
  const fits = deposit.length >= LEAST && deposit.some((amount) => amount > 0) && spacing.ok && most > 0 && most < 2;
  return (
    <Column gap="18px" marginTop="14px">
      <Box display="grid" gap="12px" gridTemplateColumns={{ base: "1fr", md: "220px 220px 1fr" }}>
        <TextField
          label="They lie apart by"
          placeholder="1 ft"
          quantity="side"
          value={draft.spacing}
          onChange={(e) => change({ spacing: e.target.value })}
        />
        <TextField
          label="Uneven by at most, %"
          quantity={NO_UNIT}
          placeholder="15"
          hint="empty: 15 %"
          inputMode="decimal"
          value={draft.most}
          onChange={(e) => change({ most: e.target.value })}
        />
        <Field
          label="What each caught, from left to right"
          hint="in any unit; begin and end where nothing fell"
          error={strange === undefined ? undefined : `"${strange}" is no number: write e.g. 0 2 5 9 10 9 5 2 0`}
        >
          {(props) => (
            <Lines
              {...props}
              rows={3}
              inputMode="decimal"
              placeholder="e.g. 0 2 5 9 10 9 5 2 0"
              value={draft.caught}
              onChange={(e) => change({ caught: e.target.value, at: 0 })}
            />
          )}
        </Field>
      </Box>
      {fits && spacing.ok ? (
        <Found
          deposit={deposit}
          spacing={spacing.value.value}
          most={most}
          at={draft.at}
          system={system}
          onPick={(at) => change({ at })}
        />
      ) : (
        <Note>Three readings or more, one of them above nought, and how far they lie apart.</Note>
      )}
    </Column>
  );
}

interface FoundProps {
  readonly deposit: readonly number[];
  readonly spacing: Parameters<typeof times<"length">>[0];
  readonly most: number;
  readonly at: number;
  readonly system: System;
  readonly onPick: (at: number) => void;
}

const percent = (part: number): string => `${writeNumber(part * 100, { figures: 3 })} %`;

function Found({ deposit, spacing, most, at, system, onPick }: FoundProps) {
  const { site } = useInHand();
  const swaths = swathsOf(deposit);
  const best = widestWithin(swaths, most);
  const looked = swaths[at - 1] ?? best ?? swaths[0]!;
  const unit = system === "us" ? "ft" : "m";
  const width = (swath: Swath) => times(spacing, swath.spacings);
  const wide = show(width(looked), "length", unit);
  const { under, over } = extremes(deposit, looked);
  const uneven = worseOf(looked) > most;
  return (
    <>
      <Box
        as="section"
        aria-label="What it comes to"
        borderLeft="6px solid"
        borderColor={best ? "ink" : "stop"}
        paddingLeft="14px"
      >
        {best ? (
          <Box fontSize="1.375rem" fontWeight="700">
            {show(width(best), "length", unit)} is the widest swath that is even enough
          </Box>
        ) : (
          <Box color="stop">✕ No swath is even enough: clean or change the tips, and catch again.</Box>
        )}
        <Box color={uneven ? "stop" : "ink"}>
          {uneven && "✕ "}At {wide}: {percent(looked.backAndForth)} there and back, {percent(looked.sameWay)} always the same way;
          the lawn gets between {percent(under)} and {percent(over)} of the mean.
        </Box>
      </Box>
      <SwathChart
        swaths={swaths}
        widths={swaths.map((swath) => valueIn(width(swath), unit))}
        unit={unit}
        most={most}
        at={looked.spacings - 1}
      />
      <Box maxW="520px">
        <Field label={`Look at a swath of ${wide}`}>
          {(props) => (
            <input
              {...props}
              type="range"
              min={1}
              max={swaths.length}
              value={looked.spacings}
              style={{ width: "100%", height: 44, accentColor: "var(--cg-colors-ink)" }}
              onChange={(e) => onPick(Number(e.target.value))}
            />
          )}
        </Field>
      </Box>
      <Streaks deposit={deposit} swath={looked} />
      {site && <LawnStreaks site={site} deposit={deposit} swath={looked} spacing={valueIn(spacing, "m")} system={system} />}
      <TakeSwath wide={show(width(looked), "length", unit, { figures: 4 })} uneven={uneven} />
    </>
  );
}

const HEIGHT = 90;
const PASSES = 4;

/** The lawn under some passes, as it gets it: dark where it gets more, with the mean. */
function Streaks({ deposit, swath }: { deposit: readonly number[]; swath: Swath }) {
  const { backAndForth } = overlap(deposit, swath.spacings);
  const places = Array.from({ length: (PASSES / 2) * backAndForth.length }, (_, i) => backAndForth[i % backAndForth.length]!);
  const most = Math.max(...places);
  return (
    <Box as="section" aria-label="On the lawn">
      <SubHeading>On the lawn, {PASSES} passes there and back</SubHeading>
      <svg
        viewBox={`0 0 ${places.length} ${HEIGHT}`}
        preserveAspectRatio="none"
        width="100%"
        height={HEIGHT}
        role="img"
        aria-label={`The least is ${percent(Math.min(...places) / swath.mean)} of the mean, the most ${percent(most / swath.mean)}`}
      >
        {places.map((amount, i) => (
          <rect
            key={i}
            x={i}
            y={HEIGHT - (amount / most) * (HEIGHT - 6)}
            width="0.94"
            height={(amount / most) * (HEIGHT - 6)}
            fill="var(--cg-colors-water)"
            stroke="var(--cg-colors-ink)"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <line
          x1="0"
          x2={places.length}
          y1={HEIGHT - (swath.mean / most) * (HEIGHT - 6)}
          y2={HEIGHT - (swath.mean / most) * (HEIGHT - 6)}
          stroke="var(--cg-colors-act)"
          strokeWidth="2"
          strokeDasharray="6 4"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
    </Box>
  );
}
