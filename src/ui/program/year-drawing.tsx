"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import { dateOf, dayOf, daysFrom } from "@/core/calendar";
import { dayWords, format } from "../data/dates";

/** A year as rows of bars over its days: each round in its window, what is planned and what went down in it. */

/** What can be moved of a row: all of it, or its one day. */
export interface Movable {
  /** The window moves with what stands in it. */
  readonly whole: boolean;
  /** What the slider says before it is moved by some days, and while it is. */
  readonly says: (days: number) => string;
  readonly least: number;
  readonly most: number;
  readonly onMove: (days: number) => void;
}

/** Something at a day: planned or done; `part` of the row's height. */
export interface Mark {
  readonly day: string;
  readonly part: number;
  readonly done: boolean;
  /** Something speaks against it. */
  readonly bad?: boolean;
}

export interface YearRow {
  readonly name: string;
  readonly sub: ReactNode;
  /** ISO; null: from the first day, to the last; undefined: nobody knows. */
  readonly opens: string | null | undefined;
  readonly closes: string | null;
  readonly expected: boolean;
  readonly marks: readonly Mark[];
  /** Days that a mark is wide. */
  readonly wide: number;
  readonly move?: Movable | undefined;
  readonly below?: ReactNode;
}

const MONTHS = Array.from({ length: 12 }, (_, i) => String(i + 1).padStart(2, "0"));
const HEIGHT = 40;

const lengthOf = (year: number): number => daysFrom(`${year}-01-01`, `${year}-12-31`) + 1;

/** How far a date lies into its year, days. */
const into = (year: number, date: string): number => Math.min(lengthOf(year), Math.max(0, daysFrom(`${year}-01-01`, date)));

interface DrawingProps {
  readonly year: number;
  /** ISO; null where it lies in no day of this year. */
  readonly today: string | null;
  readonly rows: readonly YearRow[];
}

export function YearDrawing({ year, today, rows }: DrawingProps) {
  return (
    <Box as="ul" listStyleType="none" aria-label={`Rounds of ${year}`}>
      <Box display={{ base: "none", lg: "grid" }} gridTemplateColumns={{ lg: "250px minmax(0,1fr)" }} gap="4px 16px" aria-hidden>
        <span />
        <Months year={year} />
      </Box>
      {rows.map((row) => (
        <Box
          as="li"
          key={row.name}
          display="grid"
          gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "250px minmax(0,1fr)" }}
          gap="4px 16px"
          padding="10px 0"
          borderTop="1px solid"
          borderColor="line"
        >
          <Box>
            <chakra.strong>{row.name}</chakra.strong>
            <Box textStyle="small" color="soft">
              {row.sub}
            </Box>
          </Box>
          <Box minW={0}>
            <Line year={year} today={today} row={row} />
            <Box display={{ lg: "none" }} aria-hidden>
              <Months year={year} />
            </Box>
            {row.below}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

function Months({ year }: { year: number }) {
  return (
    <Box position="relative" height="20px" textStyle="small" color="soft" overflow="hidden">
      {MONTHS.map((month) => (
        <chakra.span
          key={month}
          position="absolute"
          left={`${(into(year, `${year}-${month}-01`) / lengthOf(year)) * 100}%`}
          paddingLeft="3px"
          borderLeft="1px solid"
          borderColor="line"
        >
          {format(new Date(`${year}-${month}-15T12:00:00`), "MMM").slice(0, 3)}
        </chakra.span>
      ))}
    </Box>
  );
}

const ink = "var(--cg-colors-ink)";
const line = "var(--cg-colors-line)";

function Line({ year, today, row }: { year: number; today: string | null; row: YearRow }) {
  const length = lengthOf(year);
  const moved = useMoving(row.move, length);
  const { opens, closes, expected, marks, wide } = row;
  const [from, to] = [opens == null ? 0 : into(year, opens), closes === null ? length : into(year, closes) + 1];
  const shift = (days: number) => `translate(${days} 0)`;
  const bars = (of: readonly Mark[]) =>
    of.map((mark) => {
      const height = Math.max(4, mark.part * (HEIGHT - 4));
      const at = { x: into(year, mark.day), y: HEIGHT - height, width: wide * 0.86, height };
      const colour = mark.bad ? "var(--cg-colors-act)" : ink;
      return (
        <rect
          key={`${mark.day} ${mark.done}`}
          {...at}
          fill={mark.done ? ink : "var(--cg-colors-sheet)"}
          stroke={colour}
          strokeWidth={mark.done ? 0 : 2}
          vectorEffect="non-scaling-stroke"
        />
      );
    });
  return (
    <Box
      position="relative"
      height={`${HEIGHT + 4}px`}
      {...(row.move && {
        role: "slider",
        tabIndex: 0,
        "aria-label": row.name,
        "aria-valuemin": row.move.least,
        "aria-valuemax": row.move.most,
        "aria-valuenow": moved.days,
        "aria-valuetext": row.move.says(moved.days),
        cursor: "ew-resize",
        touchAction: "pan-y",
        ...moved.handlers,
      })}
    >
      <svg viewBox={`0 0 ${length} ${HEIGHT}`} preserveAspectRatio="none" width="100%" height={HEIGHT} aria-hidden>
        <pattern id="expected" width="4" height="8" patternUnits="userSpaceOnUse">
          <path d="M0 8L4 0" stroke={line} strokeWidth="1" vectorEffect="non-scaling-stroke" />
        </pattern>
        {MONTHS.map((month) => (
          <line
            key={month}
            x1={into(year, `${year}-${month}-01`)}
            x2={into(year, `${year}-${month}-01`)}
            y1="0"
            y2={HEIGHT}
            stroke={line}
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
        ))}
        <g transform={shift(row.move?.whole ? moved.days : 0)}>
          {opens !== undefined && (
            <rect
              x={from}
              y="2"
              width={Math.max(1, to - from)}
              height={HEIGHT - 2}
              fill={expected ? "url(#expected)" : "var(--cg-colors-well)"}
              stroke={line}
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
            />
          )}
        </g>
        <g transform={shift(moved.days)}>{bars(marks.filter((mark) => !mark.done))}</g>
        {bars(marks.filter((mark) => mark.done))}
        {today !== null && (
          <line
            x1={into(year, today)}
            x2={into(year, today)}
            y1="0"
            y2={HEIGHT}
            stroke="var(--cg-colors-act)"
            strokeWidth="2"
            strokeDasharray="4 3"
            vectorEffect="non-scaling-stroke"
          />
        )}
      </svg>
      {moved.days !== 0 && <Bubble>{row.move?.says(moved.days)}</Bubble>}
    </Box>
  );
}

const Bubble = chakra("div", {
  base: {
    position: "absolute",
    top: "2px",
    left: "6px",
    background: "sheet",
    border: "2px solid",
    borderColor: "act",
    padding: "2px 8px",
    textStyle: "small",
    fontWeight: "700",
    pointerEvents: "none",
  },
});

/** Days that an arrow key, and a page key, moves by. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 7,
  PageDown: -7,
};

/** A bar that is dragged, or moved by keys: Enter keeps it, Escape leaves it where it was. */
function useMoving(move: Movable | undefined, length: number) {
  const [days, setDays] = useState(0);
  const from = useRef<number | undefined>(undefined);
  const within = (wanted: number) => (move ? Math.min(move.most, Math.max(move.least, wanted)) : 0);
  const keep = () => {
    if (days !== 0) move?.onMove(days);
    setDays(0);
  };
  const handlers = {
    onPointerDown: (event: PointerEvent<HTMLDivElement>) => {
      from.current = event.clientX;
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event: PointerEvent<HTMLDivElement>) => {
      if (from.current === undefined) return;
      setDays(within(Math.round(((event.clientX - from.current) / event.currentTarget.clientWidth) * length)));
    },
    onPointerUp: () => {
      if (from.current === undefined) return;
      from.current = undefined;
      keep();
    },
    onPointerCancel: () => {
      from.current = undefined;
      setDays(0);
    },
    onKeyDown: (event: KeyboardEvent) => {
      const step = STEPS[event.key];
      if (step !== undefined) {
        event.preventDefault();
        setDays(within(days + step));
      } else if (event.key === "Enter") keep();
      else if (event.key === "Escape") setDays(0);
    },
    onBlur: () => setDays(0),
  };
  return { days, handlers };
}

/** A day some days on, in words. */
export const dayAfter = (date: string, days: number): string => dayWords(dateOf(dayOf(date) + days));
