"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { dayWords, format } from "../data/dates";
import dynamic from "next/dynamic";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { dateOf } from "@/core/calendar";
import { volumeIn } from "@/core/calibration/expected-catch";
import { CHECK_BAND, CHECK_EVERY, judgeRatio, trendOf, type CheckPoint, type Trend } from "@/core/calibration/quick-check";
import { showChange, writeNumber } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import { read } from "@/core/working/units";
import type { CheckEntry } from "@/formats/entries";
import { CatchWatch } from "../calibrate/catch-watch";
import { calibrationWorking } from "../calibrate/working";
import { sentences, useSlice } from "../data/records";
import { nowMoment, wallClock } from "../data/clock";
import { today, useInHand, type Calibrated } from "../data/in-hand";
import { useSaveOnce } from "../data/save-id";
import { Room } from "../frame/room";
import { Heading, Note, Reading, SubHeading } from "../parts/controls";
import { lackIn, NeedHand } from "../parts/need-hand";
import { FirstThing, Notice } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { Row } from "../parts/layout";
import { LoadsSaid } from "./loads-said";

const A_MINUTE = entered("60 s", "time");

// The one room with a large chart: its library is fetched here and nowhere else.
const TrendChart = dynamic(() => import("./trend-chart").then((m) => m.TrendChart), {
  ssr: false,
  loading: () => <Note>Fetching the chart …</Note>,
});

/** The weekly one-minute test of the flow, and its series. */
export function CheckRoom() {
  const hand = useInHand();
  if (!hand.read) return <Room working={[]}>{null}</Room>;
  const lacks = lackIn(hand);
  const calibrated = hand.calibrated;
  return (
    <Room working={calibrated && !lacks ? calibrationWorking(calibrated.made, hand.system) : []}>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>Quick check{hand.rig && `: ${hand.rig.rig.name}`}</Heading>
      </Row>
      <ClientOnly>
        {lacks ? (
          <NeedHand lacks={lacks} />
        ) : !calibrated ? (
          <FirstThing>
            A quick check is held against a full calibration: <PageLink href="/calibrate">calibrate first</PageLink>.
          </FirstThing>
        ) : !calibrated.made.flow || calibrated.estimate ? (
          <FirstThing>
            This calibration has no measured flow to hold a check against:{" "}
            <PageLink href="/calibrate">calibrate with a catch</PageLink>.
          </FirstThing>
        ) : (
          <Checking calibrated={calibrated} />
        )}
      </ClientOnly>
    </Room>
  );
}

function Checking({ calibrated }: { calibrated: Calibrated }) {
  const { person, site, system } = useInHand();
  const saveOnce = useSaveOnce();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const { entry, made } = calibrated;
  const flow = made.flow!;
  const save = async (one: { volume: string; time: string }) => {
    const whose = { personId: person?.id ?? null, siteId: site?.id ?? null };
    const check = { calibrationId: entry.id, ...whose, ...one };
    const result = await saveOnce("/api/quick-checks", `check:${entry.id}`, check, { madeAt: nowMoment() });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  const series = useSlice("series", { calibration: entry.id }).value;
  const latest = calibrated.check;
  return (
    <Box
      display="grid"
      gap="22px"
      gridTemplateColumns={{ base: "minmax(0,1fr)", xl: "minmax(0,1fr) minmax(0,1.2fr)" }}
      marginTop="10px"
    >
      <Box>
        <Note marginBottom="10px">
          A minute in the bucket, every {CHECK_EVERY} days. Within ±{CHECK_BAND * 100} % of{" "}
          <Reading>{read(flow.value, "flow", system)}</Reading> it still stands; beyond, recalibrate. It tests the flow alone:
          time the pace again each month.
        </Note>
        <CatchWatch
          id={`check:${entry.id}`}
          time={A_MINUTE}
          says="Hold the wand in the bucket and press"
          onCaught={(one) => void save(one)}
        >
          <Note marginTop="8px">
            About {read(volumeIn(flow.value, A_MINUTE.value), "volume", system)} in the minute: take a vessel that holds more.
          </Note>
        </CatchWatch>
        {trouble.map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        {latest && <Verdict check={latest} />}
        <LoadsSaid calibrated={calibrated} />
      </Box>
      {series && <Series points={series.points} checks={series.checks} />}
    </Box>
  );
}

function Verdict({ check }: { check: CheckEntry }) {
  const pass = judgeRatio(check.ratio) === "pass";
  return (
    <Row role="status" marginTop="16px" gap="12px" flexWrap="wrap">
      <Stamp state={pass ? "good" : "stop"}>{pass ? "pass" : "recalibrate"}</Stamp>
      <Box>
        <Reading>{showChange(check.ratio - 1)}</Reading> on {format(wallClock(check.madeAt), "d MMM, HH:mm")}: {check.volume} in{" "}
        {check.time}. {!pass && <PageLink href="/calibrate">Calibrate again</PageLink>}
      </Box>
    </Row>
  );
}

const day = (number: number) => dayWords(dateOf(number));

/** The series with its trend, in words and as a picture. */
function Series({ points, checks }: { points: readonly CheckPoint[]; checks: readonly CheckEntry[] }) {
  const trend = trendOf(points, today());
  return (
    <Box>
      <SubHeading>The series</SubHeading>
      {points.length === 0 ? (
        <Box paddingY="12px">
          <FirstThing>No check of the rig as it is set today. Three make a trend.</FirstThing>
        </Box>
      ) : (
        <TrendChart points={points} trend={trend} today={today()} />
      )}
      {points.length > 0 && <TrendWords trend={trend} />}
      <Box as="ol" listStyleType="none" marginTop="10px" aria-label="Quick checks">
        {checks.map((c) => (
          <Box
            as="li"
            key={c.id}
            display="grid"
            gridTemplateColumns="120px 1fr 90px"
            gap="10px"
            borderBottom="1px solid"
            borderColor="line"
            paddingY="6px"
          >
            <chakra.span color="soft">{format(wallClock(c.madeAt), "d MMM yyyy")}</chakra.span>
            <span>
              {c.volume} in {c.time}
            </span>
            <Reading textAlign="right">{showChange(c.ratio - 1, { decimals: 1 })}</Reading>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function TrendWords({ trend }: { trend: Trend | undefined }) {
  if (!trend) return <Note>Three checks make a trend.</Note>;
  // A day's slope, over thirty of them.
  const rate = `${showChange(trend.slope * 30).replace(" %", "")} ± ${writeNumber(trend.slopeBand * 3000, { figures: 2 })} % in 30 days`;
  if (!trend.told) return <Box>No trend can be told yet: {rate}.</Box>;
  if (!trend.leaves) return <Box>Trend {rate}. It does not leave the band within two years.</Box>;
  const { day: on, earliest, latest } = trend.leaves;
  return (
    <Box>
      Trend {rate}. It leaves the ±5 % band about <strong>{day(on)}</strong>, from {day(earliest)} to{" "}
      {latest === null ? "later than can be told" : day(latest)} with 95 %.
    </Box>
  );
}
