"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";
import { useRouter } from "next/navigation";
import { mixLock } from "@/core/calibration/may-mix";
import { writeNumber } from "@/core/quantity/format";
import { readParts, type System } from "@/core/working/units";
import { fromCanonical } from "@/core/quantity/arithmetic";
import type { PersonEntry, RigEntry, SheetEntry, StandingEntry } from "@/formats/entries";
import type { Cursor, Page } from "@/formats/slices";
import { usePeople, useRead, useRigs, useSites, useSlice } from "../data/records";
import { wallClock } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { calibrationWorking } from "../calibrate/working";
import { keptKeys } from "../data/kept-here";
import { Room } from "../frame/room";
import { LOCK_WORDS, standingWords } from "../frame/standing-words";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { FirstThing } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { BringIn } from "../settings/bring-in";
import { FirmZone } from "../settings/firm-settings";
import { DueLooks } from "../looks/due-looks";
import { AfterWork } from "../after/after-work";
import { DueRounds } from "../program/due-rounds";
import { WeatherHours } from "../weather/hours";
import { ShelfDue, TodaysWork, Unaccounted } from "./todays-work";
import { Next } from "./next";
import { PapersDue } from "./papers-due";
import { Stop } from "./stop";
import { More } from "../parts/more";
import { SetAside } from "../parts/set-aside";
import { WholeRecords } from "../settings/records";
import { Column, Row } from "../parts/layout";

interface Pair {
  readonly rig: RigEntry;
  readonly person: PersonEntry | undefined;
  readonly standing: StandingEntry | undefined;
}

/** Each rig with each person (or tap) that it was calibrated with; one that never was, once by itself. */
const pairsOf = (rigs: readonly RigEntry[], people: readonly PersonEntry[], standings: readonly StandingEntry[]): Pair[] =>
  rigs
    .filter((r) => !r.retired)
    .flatMap((rig): Pair[] => {
      const retired = (id: string | null) => people.some((p) => p.id === id && p.retired);
      const own = standings.filter((one) => one.rigId === rig.id && !retired(one.personId));
      if (own.length === 0) return [{ rig, person: undefined, standing: undefined }];
      return own.map((standing) => ({ rig, person: people.find((p) => p.id === standing.personId), standing }));
    });

interface Due {
  readonly state: "good" | "act" | "stop";
  /** On the stamp. */
  readonly word: string;
  /** What to do about it. */
  readonly go: readonly [words: string, path: string];
}

const CALIBRATE = ["Calibrate", "/calibrate"] as const;
const CHECK = ["Quick check", "/calibrate/check"] as const;

/** How a rig stands with a person or a tap today, and what is due. */
function judge(one: StandingEntry | undefined): Due {
  if (!one) return { state: "act", word: "to do", go: CALIBRATE };
  const lock = mixLock(one);
  if (lock?.code === "unsure") return { state: "stop", word: "not yet", go: CALIBRATE };
  if (lock?.code === "estimate") return { state: "stop", word: "estimate only", go: CALIBRATE };
  if (lock) return { state: lock.code === "failing" ? "stop" : "act", word: LOCK_WORDS[lock.code], go: CALIBRATE };
  if (one.leans) return { state: "act", word: `loads lean ${one.leans}`, go: CHECK };
  if (one.standing.state === "expired") return { state: "act", word: "expired", go: CALIBRATE };
  return one.checkDue ? { state: "act", word: "check due", go: CHECK } : { state: "good", word: "good", go: ["Mix", "/mix"] };
}

export function TodayRoom() {
  const known = useRead("firm", "rigs");
  const firm = useSlice("firm", {}).value;
  const rigs = useRigs();
  const { calibrated, system } = useInHand();
  if (!known || !firm) return <Room working={[]}>{null}</Room>;
  return (
    <Room working={calibrated ? calibrationWorking(calibrated.made, system) : []}>
      <ClientOnly>
        <Column gap="24px">
          {!firm.settled && rigs.length > 0 && <FirmZone asking />}
          <Unreadable />
          {rigs.length === 0 ? <Empty settled={firm.settled} /> : <Today rigs={rigs} />}
        </Column>
      </ClientOnly>
    </Room>
  );
}

/** The rows that can't be read, of all that Today looks at. */
function Unreadable() {
  const asides = [
    useSlice("people", {}).aside,
    useSlice("rigs", {}).aside,
    useSlice("tips", {}).aside,
    useSlice("labels", {}).aside,
    useSlice("sites", {}).aside,
    useSlice("standings", {}).aside,
    useSlice("openSheets", {}).aside,
    useSlice("spreadings", {}).aside,
    useSlice("log", {}).aside,
    useSlice("due", {}).aside,
  ].flat();
  return <SetAside rows={[...new Map(asides.map((one) => [`${one.of} ${one.id}`, one])).values()]} />;
}

function Empty({ settled }: { settled: boolean }) {
  return (
    <Column gap="24px">
      <Heading>Nothing on record yet</Heading>
      <Column border="2px solid" borderColor="ink" background="sheet" padding="16px" gap="8px" maxW="640px">
        <Box textStyle="lead">What goes into the tank, for this lawn, now?</Box>
        <Box>A tank, a plot, a watch, a bucket, the label&apos;s rate: one page, three minutes, and it can be kept.</Box>
        <Button look="act" minHeight="56px" asChild>
          <PageLink href="/mix/quick">Quick mix</PageLink>
        </Button>
      </Column>
      {!settled && <FirmZone asking />}
      <Note>Or step by step, with everything on record:</Note>
      <FirstThing>
        <Box as="ol" listStyleType="decimal" paddingLeft="22px" display="grid" gap="6px">
          <li>
            <PageLink href="/rigs">Add a rig</PageLink>, and <PageLink href="/crew">who sprays with it</PageLink>.
          </li>
          <li>
            <PageLink href="/calibrate">Calibrate it</PageLink>: a watch, a bucket, clean water.
          </li>
          <li>
            <PageLink href="/labels">Add a label</PageLink> with its rate, and <PageLink href="/sites">a site</PageLink> with its
            area.
          </li>
          <li>
            <PageLink href="/mix">Mix</PageLink>: what goes into each tank, and how it came about.
          </li>
        </Box>
      </FirstThing>
      <BringIn />
      <WholeRecords />
    </Column>
  );
}

function Today({ rigs }: { rigs: readonly RigEntry[] }) {
  const { system } = useInHand();
  const people = usePeople();
  const standings = useSlice("standings", {}).value;
  const pairs = standings ? pairsOf(rigs, people, standings) : [];
  const state = (pair: Pair) => judge(pair.standing);
  const due = pairs.filter((p) => state(p).state !== "good" && state(p).go !== CHECK);
  const toCheck = pairs.filter((p) => state(p).go === CHECK);
  const ready = pairs.filter((p) => state(p).state === "good");
  return (
    <>
      <Heading>{format(wallClock(), "EEEE, d MMMM")}</Heading>
      <Box
        display="grid"
        gap="24px 32px"
        marginTop="8px"
        alignItems="start"
        gridTemplateColumns={{ base: "minmax(0,1fr)", lg: "minmax(0,1.35fr) minmax(0,1fr)" }}
      >
        <Column gap="24px">
          <Next />
          <OpenSheets />
          <RunSheets rigs={rigs} people={people} />
          <TodaysWork />
          <DueRounds />
        </Column>
        <Column gap="24px">
          <WeatherHours />
          <Unaccounted />
          <AfterWork />
          <PapersDue />
          <ShelfDue />
          <DueLooks />
          {due.length > 0 && <Rows title="Calibrate" pairs={due} system={system} />}
          {toCheck.length > 0 && <Rows title="Quick check" pairs={toCheck} system={system} />}
          {ready.length > 0 && <Rows title="Ready to mix from" pairs={ready} system={system} />}
        </Column>
      </Box>
    </>
  );
}

/** What is open, in the order in which it was made: it waits to be poured, or to be put on record. All of it, however old. */
function OpenSheets() {
  const first = useSlice("openSheets", {}).value;
  if (!first || first.rows.length === 0) return null;
  return (
    <Box as="section" aria-label="Route">
      <SubHeading>Route</SubHeading>
      <SomeSheets page={first} />
    </Box>
  );
}

function MoreSheets({ after }: { after: Cursor }) {
  const page = useSlice("openSheets", { after }).value;
  return page ? <SomeSheets page={page} /> : null;
}

function SomeSheets({ page: { rows, next } }: { page: Page<SheetEntry> }) {
  return (
    <>
      {rows.map((sheet) => (
        <Stop key={sheet.id} sheet={sheet} />
      ))}
      <More next={next} says="More open sheets">
        {(after) => <MoreSheets after={after} />}
      </More>
    </>
  );
}

/** Run sheets that were begun on this device and not saved. */
function RunSheets({ rigs, people }: { rigs: readonly RigEntry[]; people: readonly PersonEntry[] }) {
  const { choose } = useInHand();
  const router = useRouter();
  const kept = keptKeys("session:").map((key) => [key, ...key.split(":").slice(1)] as const);
  const { sites } = useSites(kept.map(([, , , siteId]) => siteId ?? ""));
  const begun = kept.flatMap(([key, rigId, personId, siteId]) => {
    const rig = rigs.find((r) => r.id === rigId && !r.retired);
    const person = people.find((p) => p.id === personId);
    const site = sites.find((s) => s.id === siteId);
    return rig ? [{ key, rig, person, site }] : [];
  });
  if (begun.length === 0) return null;
  return (
    <Box>
      <SubHeading>Begun on this device</SubHeading>
      {begun.map(({ key, rig, person, site }) => (
        <Row key={key} gap="16px" minHeight="52px" borderBottom="1px solid" borderColor="line">
          <Box flex="1">
            Calibration of <chakra.strong>{rig.rig.name}</chakra.strong>
            {person && ` with ${person.name}`}
            {site && `, tap of ${site.site.name}`}
          </Box>
          <Button
            onClick={() => {
              choose({ rigId: rig.id, ...(person && { personId: person.id }), ...(site && { siteId: site.id }) });
              router.push("/calibrate");
            }}
          >
            Go on
          </Button>
        </Row>
      ))}
    </Box>
  );
}

function Standing({ standing, system }: { standing: StandingEntry; system: System }) {
  const { number, unit } = readParts(fromCanonical<"sprayVolume">(standing.sprayVolume), "sprayVolume", system);
  return (
    <>
      <chakra.strong fontSize="1.375rem" lineHeight="1.1">
        {number}
      </chakra.strong>
      {standing.relative !== null && ` ± ${writeNumber(standing.relative * 100, { figures: 2 })} %`}
      <Box color="soft" textStyle="small">
        {unit}
      </Box>
    </>
  );
}

function Rows({ title, pairs, system }: { title: string; pairs: readonly Pair[]; system: System }) {
  const { choose } = useInHand();
  const router = useRouter();
  const take = (pair: Pair, path: string) => {
    choose({
      rigId: pair.rig.id,
      ...(pair.person && { personId: pair.person.id }),
      ...(pair.standing?.siteId && { siteId: pair.standing.siteId }),
    });
    router.push(path);
  };
  return (
    <Box>
      <SubHeading>{title}</SubHeading>
      <Box as="ul" listStyleType="none">
        {pairs.map((pair) => {
          const { rig, person, standing } = pair;
          const { state, word, go } = judge(standing);
          const whose = person?.name ?? (standing?.tap && `tap of ${standing.tap}`);
          const name = `${rig.rig.name}${whose ? `, ${whose}` : ""}`;
          return (
            <Box
              as="li"
              key={`${rig.id}${person?.id}${standing?.siteId}`}
              display="grid"
              gridTemplateColumns="minmax(0,1fr) auto"
              gap="4px 18px"
              alignItems="center"
              borderBottom="1px solid"
              borderColor="line"
              padding="8px 0"
            >
              <Box>
                <Box textStyle="strong">
                  {rig.rig.name}
                  {whose && <chakra.span fontWeight="400">, {whose}</chakra.span>}
                </Box>
                <Box textStyle="small" color="soft">
                  {standing ? standingWords(standing) : "never calibrated"}
                </Box>
              </Box>
              <Box fontFamily="reading" textStyle="note" gridColumn="1">
                {standing && <Standing standing={standing} system={system} />}
              </Box>
              <Box gridColumn="1">
                <Stamp state={state}>{word}</Stamp>
              </Box>
              <Box gridColumn="2" gridRow="1 / span 3">
                <Button
                  look={state === "good" ? "plain" : "act"}
                  aria-label={`${go[0] === "Calibrate" ? "Calibrate" : `${go[0]} with`} ${name}`}
                  onClick={() => take(pair, go[1])}
                  minW="112px"
                >
                  {go[0]}
                </Button>
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
