"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useState } from "react";
import { dateOf, dayOf, daysFrom } from "@/core/calendar";
import { capital } from "@/core/words/capital";
import type { YearEntry, YearOfSiteEntry, YearRoundEntry } from "@/formats/entries";
import { MOST_LATER } from "@/formats/season/program";
import { todayDate } from "../data/clock";
import { format } from "../data/dates";
import { money } from "../data/money";
import { send, useCurrency, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Room } from "../frame/room";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { downloadFrom } from "../parts/download";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { useAction } from "../parts/use-action";
import { Budgets } from "./budgets";
import { MovedWords, useMoves, type Moves } from "./moves";
import { laterWords, WHY, nameList } from "./why";
import { dayAfter, YearDrawing, type Mark, type YearRow } from "./year-drawing";
import { Week } from "./week";
import { Shift } from "./shift";

/** The year of all sites, or of one, and the week in it. */
export function YearRoom() {
  const asked = useSearchParams();
  const [siteId, setSiteId] = useState(asked.get("site") ?? "");
  const [next, setNext] = useState(false);
  const year = useSlice("year", next ? { next: true } : {}).value;
  const site = useSlice("yearOfSite", siteId === "" ? null : { site: siteId, ...(next && { next: true }) }).value;
  const moves = useMoves(year ? Number(year.date.slice(0, 4)) : 0);
  return (
    <Room>
      <Heading>Year</Heading>
      <Note>
        Each round gets a day on each site: in its window, no more than a day&apos;s work a day, and inside its label. Drag a bar,
        or use the arrow keys and Enter. <PageLink href="/sites/program">The program</PageLink> says what the rounds are.
      </Note>
      <ClientOnly>
        {year && (
          <Column gap="22px" marginTop="14px">
            <Row flexWrap="wrap" gap="10px 20px" alignItems="flex-end">
              <Box width="300px" maxW="100%">
                <SitePick label="Whose year" empty="all sites" value={siteId} onPick={setSiteId} />
              </Box>
              <Button aria-pressed={next} onClick={() => setNext(!next)}>
                {next ? "Back to this year" : "Next year"}
              </Button>
              {year.undo && (
                <Button look="quiet" onClick={() => void moves.undo(year.undo!)}>
                  Undo what was moved last
                </Button>
              )}
            </Row>
            <MovedWords moves={moves} />
            {year.rounds.length === 0 && <Note>There are no rounds yet: the program says what is to be done when.</Note>}
            {site ? <OfSite site={site} siteId={siteId} moves={moves} /> : <OfAll year={year} moves={moves} />}
            {year.rounds.length > 0 && <Week key={year.date} moves={moves} {...(next && { first: firstWork(year) })} />}
            {siteId === "" && year.rounds.length > 0 && <Shift year={year} moves={moves} />}
            <InCalendar siteId={siteId} />
          </Column>
        )}
      </ClientOnly>
    </Room>
  );
}

/** The first day of a year on which there is work; its first day, where there is none. */
const firstWork = ({ rounds, date }: YearEntry): string =>
  rounds.flatMap(({ planned }) => planned.map(([day]) => day)).sort()[0] ?? date;

/** The same for another program: once as a file, or again and again from its address. */
function InCalendar({ siteId }: { siteId: string }) {
  const path = `/api/calendar${siteId === "" ? "" : `?site=${encodeURIComponent(siteId)}`}`;
  const [address, setAddress] = useState("");
  const { busy, trouble, run } = useAction("The calendar could not be fetched: is the server there? Try again.");
  /** From now on what changes is told as a change. */
  const take = (then: () => void | Promise<void>) =>
    run(async () => {
      const told = await send("/api/calendar", siteId === "" ? {} : { site: siteId });
      if (!told.ok) throw new Error(told.issues[0]!.code);
      await then();
    });
  return (
    <Box as="section" aria-label="Calendar">
      <SubHeading>In another calendar</SubHeading>
      <Row flexWrap="wrap" gap="0 14px" alignItems="center" marginTop="8px">
        <Button
          disabled={busy}
          onClick={() => void take(() => downloadFrom(path, siteId === "" ? "spray-work.ics" : "site.ics"))}
        >
          Save as a calendar file
        </Button>
        <Button look="quiet" disabled={busy} onClick={() => void take(() => setAddress(`${window.location.origin}${path}`))}>
          Let a calendar fetch it
        </Button>
      </Row>
      {address !== "" && (
        <Note>
          The address for your calendar: <strong>{address}</strong>. What moves, moves there, and what falls away is called off.
        </Note>
      )}
      {trouble && <Notice state="stop">{trouble}</Notice>}
    </Box>
  );
}

/** Days that a bar of the year of all sites is wide. */
const WEEK = 7;

function OfAll({ year, moves }: { year: YearEntry; moves: Moves }) {
  const most = Math.max(
    1,
    ...year.rounds.flatMap((round) =>
      [...weeks(round.planned, round.opens), ...weeks(round.done, round.opens)].map(([, n]) => n),
    ),
  );
  return (
    <YearDrawing
      year={Number(year.date.slice(0, 4))}
      today={year.date === todayDate() ? year.date : null}
      rows={year.rounds.map((round) => rowOf(round, most, moves))}
    />
  );
}

/** How many sites in each week, by its first day; weeks are counted from the day that the round opens. */
function weeks(days: readonly (readonly [string, number, ...number[]])[], opens?: string | null): [string, number][] {
  const found = new Map<string, number>();
  for (const [day, sites] of days) {
    const first = opens ?? `${day.slice(0, 4)}-01-01`;
    const start = dateOf(dayOf(first) + Math.floor(daysFrom(first, day) / WEEK) * WEEK);
    found.set(start, (found.get(start) ?? 0) + sites);
  }
  return [...found];
}

const sum = (days: readonly (readonly [string, number, ...number[]])[]): number => days.reduce((all, [, n]) => all + n, 0);
const shortDay = (date: string): string => format(new Date(`${date}T12:00:00`), "d MMM");
const spanWords = (from: string, to: string): string => (from === to ? shortDay(from) : `${shortDay(from)} to ${shortDay(to)}`);
const many = (n: number): string => n.toLocaleString("en-US");

function rowOf(round: YearRoundEntry, most: number, moves: Moves): YearRow {
  const { name, opens, closes, expected, later, planned, done, unfit, counted } = round;
  const marks: Mark[] = [
    ...weeks(done, opens).map(([day, n]) => ({ day, part: n / most, done: true })),
    ...weeks(planned, opens).map(([day, n]) => ({ day, part: n / most, done: false })),
  ];
  const said = [
    sum(done) > 0 && `${many(sum(done))} done`,
    sum(planned) > 0 && `${many(sum(planned))} to do, ${spanWords(planned[0]![0], planned.at(-1)![0])}`,
    later !== 0 && laterWords(later),
    !counted && "no rate: its limits aren't counted ahead",
  ].filter(Boolean);
  return {
    name,
    sub: said.join(" · "),
    opens,
    closes,
    expected,
    marks,
    wide: WEEK,
    below: unfit.length > 0 && <Unfit round={round} />,
    move: {
      whole: true,
      least: -MOST_LATER - later,
      most: MOST_LATER - later,
      says: (days) => `${name}: ${laterWords(later + days)}`,
      onMove: (days) => void moves.shift([name], later + days),
    },
  };
}

function Unfit({ round: { unfit } }: { round: YearRoundEntry }) {
  const system = useSystem();
  return (
    <Box as="ul" listStyleType="none" textStyle="note" marginTop="4px">
      {unfit.map(({ reason, sites, names, says }) => (
        <Box as="li" key={reason} color={reason === "limit" ? "stop" : "act"}>
          <chakra.strong>
            {reason === "limit" ? "✕" : "!"} {many(sites)} {sites === 1 ? "site" : "sites"}: {WHY[reason]}.
          </chakra.strong>{" "}
          <chakra.span color="ink">
            {names.join(", ")}
            {sites > names.length ? " …" : "."}
            {says[0] && ` ${sites > 1 ? "For example: " : ""}${says[0][system]}`}
          </chakra.span>
        </Box>
      ))}
    </Box>
  );
}

function OfSite({ site: { date, items, budgets }, siteId, moves }: { site: YearOfSiteEntry; siteId: string; moves: Moves }) {
  const system = useSystem();
  const currency = useCurrency();
  const year = Number(date.slice(0, 4));
  const rows = items.map((item): YearRow => {
    const { round, state, on, fixed, earliest, latest, reasons, says, left, cost } = item;
    const words = [
      state === "done" && on && `done ${shortDay(on)}`,
      state === "planned" && on && `${shortDay(on)}${fixed ? ", fixed" : ""}`,
      state === "unfit" && "no day",
      left && `still ${nameList(left)}`,
      cost !== null && `${money(cost, currency)} of product`,
    ];
    const why = capital(reasons.map((reason) => WHY[reason]).join(", "));
    return {
      name: round,
      sub: words.filter(Boolean).join(" · "),
      opens: earliest,
      closes: latest,
      expected: false,
      marks: on ? [{ day: on, part: 1, done: state === "done", bad: reasons.length > 0 }] : [],
      wide: 5,
      below: (
        <Row flexWrap="wrap" gap="0 12px" textStyle="note">
          {why && (
            <Box color={reasons.includes("limit") ? "stop" : "act"}>{`${why}. ${says.map((one) => one[system]).join(" ")}`}</Box>
          )}
          {fixed && (
            <Button look="inline" onClick={() => void moves.move([{ siteId, round, day: null }])}>
              Let {round} find its day again
            </Button>
          )}
        </Row>
      ),
      move:
        state === "done"
          ? undefined
          : {
              whole: false,
              least: daysFrom(on ?? date, date),
              most: daysFrom(on ?? date, `${year}-12-31`),
              says: (days) => `${round}: ${on || days !== 0 ? dayAfter(on ?? date, days) : "no day"}`,
              onMove: (days) => void moves.move([{ siteId, round, day: dateOf(dayOf(on ?? date) + days) }]),
            },
    };
  });
  return (
    <Column gap="18px">
      <YearDrawing year={year} today={date === todayDate() ? date : null} rows={rows} />
      {budgets.length > 0 && <Budgets year={year} budgets={budgets} />}
    </Column>
  );
}
