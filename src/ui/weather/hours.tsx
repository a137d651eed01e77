"use client";

import { Box } from "@chakra-ui/react";
import { read } from "@/core/working/units";
import { readTemperature } from "@/core/conditions/temperature";
import { limitsOfCards } from "@/formats/air-seen";
import { goodSpans, hoursOf, newestOf, type ReportedHour } from "@/formats/weather/hours";
import { simulatedStation } from "@/standins/station";
import { nowMoment, todayDate, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useInHand } from "../data/in-hand";
import { useLabels, useSites, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Button, Lines, Note } from "../parts/controls";
import { Field } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { partAt, useAirBeside } from "./beside";
import { REPORTS } from "./reports";
import { reasonsSaid, VERDICT_STATE, VERDICT_WORDS } from "./verdict";

const HOUR = 3_600_000;
const SIGN = { go: "✓", wait: "!", no: "✕" } as const;
const COLOUR = { go: "ink", wait: "act", no: "stop" } as const;

const clock = (at: number) => format(wallClock(new Date(at).toISOString()), "HH:mm");

/** What the made-up station said some hours ago. */
const hourAgo = (now: number, hours: number): Promise<string> => {
  const moment = new Date(now - hours * HOUR);
  return simulatedStation.report(wallClock(moment.toISOString()), moment);
};

/** The reports of a day, hour by hour, held against the labels of what is laid out for today: now, and when it went yesterday. */
export function WeatherHours() {
  const [text = "", set] = useKept<string>(REPORTS);
  const labels = useLabels();
  const system = useSystem();
  const today = todayDate();
  const week = useSlice("week", { from: today }).value;
  const work = week?.days.find(({ date }) => date === today)?.items ?? [];
  const due = new Set(work.map(({ labelId }) => labelId));
  const hand = useInHand();
  const { sites } = useSites([...work.map(({ siteId }) => siteId), hand.site?.id ?? ""]);
  const places = sites.map(({ site }) => site);
  const { rules } = useAirBeside(places);
  const cards = labels.filter(({ id }) => due.has(id)).map(({ card }) => card);
  const now = Date.parse(nowMoment());
  const { hours, unread } = hoursOf(text, limitsOfCards(cards, rules), now, partAt(places));
  const last = hours.at(-1);
  const fresh = newestOf(hours, nowMoment());
  const ask = async () => {
    const reports = await Promise.all(Array.from({ length: 24 }, (_, i) => hourAgo(now, 23 - i)));
    set(reports.join("\n"));
  };
  return (
    <Box as="section" aria-label="Weather">
      <Fold
        strong
        title={
          fresh
            ? `Weather: ${VERDICT_WORDS[fresh.judged.verdict]}, as of ${clock(fresh.at)}`
            : "Weather of the last day, hour by hour"
        }
        begun={hours.length > 0}
      >
        <Column gap="8px">
          {last && !fresh && <Note>The newest report is of {clock(last.at)}: too old to go by.</Note>}
          {fresh && fresh.judged.reasons.length > 0 && (
            <Notice
              state={VERDICT_STATE[fresh.judged.verdict]}
            >{`${reasonsSaid(fresh.judged.reasons, fresh.seen.when, system)}.`}</Notice>
          )}
          {hours.length > 0 && <Strip hours={hours} />}
          {unread.length > 0 && <Notice state="act">Not understood: {unread.slice(0, 3).join(" · ")}</Notice>}
          <Field label="Reports of a station (METAR), a line each">
            {(props) => (
              <Lines
                {...props}
                rows={3}
                placeholder="KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002"
                value={text}
                onChange={(e) => set(e.target.value === "" ? undefined : e.target.value)}
              />
            )}
          </Field>
          <Row>
            <Button look="quiet" onClick={() => void ask()}>
              Ask the simulated station for a day
            </Button>
          </Row>
        </Column>
      </Fold>
    </Box>
  );
}

function Strip({ hours }: { hours: readonly ReportedHour[] }) {
  const system = useSystem();
  const spans = goodSpans(hours);
  return (
    <>
      <Box as="ul" listStyleType="none" display="flex" flexWrap="wrap" gap="2px" aria-label="Hours">
        {hours.map(({ at, seen, judged }) => {
          const wind = seen.wind ? read(seen.wind.gust ?? seen.wind.speed, "speed", system, { figures: 2 }) : "no wind known";
          const air = seen.temperature === null ? "" : `, ${readTemperature(seen.temperature, system)}`;
          return (
            <Box
              as="li"
              key={at}
              width="46px"
              textAlign="center"
              borderTop="5px solid"
              borderColor={judged.verdict === "go" ? "line" : COLOUR[judged.verdict]}
              textStyle="small"
              color={COLOUR[judged.verdict]}
              title={`${wind}${air}`}
              aria-label={`${clock(at)}: ${VERDICT_WORDS[judged.verdict]}, ${wind}${air}`}
            >
              {SIGN[judged.verdict]}
              <br />
              {clock(at).slice(0, 2)}
            </Box>
          );
        })}
      </Box>
      <Box>
        {spans.length === 0
          ? "No hour of these let anything be sprayed."
          : `It went ${spans.map(([from, to]) => (from === to ? `at ${clock(from)}` : `from ${clock(from)} to ${clock(to)}`)).join(", ")}.`}{" "}
        What was, is no promise for today.
      </Box>
    </>
  );
}
