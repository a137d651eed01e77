"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";
import type { Calibration } from "@/core/calibration/calibrate";
import { agreement } from "@/core/calibration/trials";
import { coverageOf } from "@/core/mixing/mix";
import { writeNumber } from "@/core/quantity/format";
import { read, type System } from "@/core/working/units";
import { groundText, paceTime } from "@/core/working/thousand";
import { compare, larger, ratio } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import type { CalibrationEntry, MemberEntry, PersonEntry, RigEntry } from "@/formats/entries";
import { judge, lockOf, workOut } from "@/formats/standing";
import { readTanks } from "@/formats/job-file/read-calibration";
import { usePeople, useRead, useSlice } from "../data/records";
import { dayNow, wallClock } from "../data/clock";
import { useInHand, type Calibrated } from "../data/in-hand";
import { Room } from "../frame/room";
import { standingWords } from "../frame/standing-words";
import { Heading, Note, SubHeading } from "../parts/controls";
import { FirstThing } from "../parts/notices";
import { WhichRig } from "../parts/need-hand";
import { Stamp } from "../parts/stamp";
import { Column, Row } from "../parts/layout";
import { ownerOf } from "@/rig-kinds/rules";
import { FACES } from "@/rig-kinds/faces";

/** People on one rig beside one another, and how well each repeats: the training record. */
export function CrewRoom() {
  const known = useRead("rigs", "people");
  const { rig, system } = useInHand();
  if (!known) return <Room working={[]}>{null}</Room>;
  return (
    <Room>
      <Row justifyContent="space-between" alignItems="baseline" gap="4px 12px" flexWrap="wrap">
        <Heading>Paces{rig && ` on ${rig.rig.name}`}</Heading>
      </Row>
      <ClientOnly>
        {!rig ? (
          <WhichRig />
        ) : ownerOf(rig.rig.kind) !== "person" ? (
          <FirstThing>
            {rig.rig.name} is not anyone&apos;s own: {FACES[rig.rig.kind].anyones}
          </FirstThing>
        ) : (
          <Compared rig={rig} system={system} />
        )}
      </ClientOnly>
    </Room>
  );
}

interface Member {
  readonly person: PersonEntry;
  readonly calibrated: Calibrated;
  /** Oldest first. */
  readonly record: readonly { readonly entry: CalibrationEntry; readonly made: Calibration }[];
}

const crewOf = (people: readonly PersonEntry[], rig: RigEntry, members: readonly MemberEntry[]): Member[] =>
  members.flatMap((member): Member[] => {
    const person = people.find((p) => p.id === member.personId);
    if (!person) return [];
    const calibrated = judge(rig.rig, member.entry, member.check ?? undefined, dayNow());
    return [{ person, calibrated, record: member.record.map((entry) => ({ entry, made: workOut(entry) })) }];
  });

function Compared({ rig, system }: { rig: RigEntry; system: System }) {
  const people = usePeople();
  const members = useSlice("crew", { rig: rig.id }).value;
  if (!members) return null;
  const crew = crewOf(people, rig, members);
  if (crew.length === 0)
    return (
      <FirstThing>
        Nobody has calibrated this rig yet. <PageLink href="/calibrate">Begin</PageLink>, and this is where paces are compared.
      </FirstThing>
    );
  const most = crew.map((m) => m.calibrated.made.sprayVolume.value).reduce(larger);
  return (
    <Column gap="28px" marginTop="14px">
      <Box overflowX="auto" tabIndex={0} role="region" aria-label="People compared">
        <Note marginBottom="8px">One sprayer, other legs: what one person&apos;s mix would do in another&apos;s hands.</Note>
        <chakra.table width="100%" minWidth="640px" borderCollapse="collapse" fontSize="1.0625rem">
          <thead>
            <tr>
              {["Who", `Pace, ${groundText(system)}`, "Spray volume", "A full tank covers", "Repeats within", "Stands"].map(
                (head) => (
                  <chakra.th
                    key={head}
                    scope="col"
                    textAlign="left"
                    textStyle="small"
                    color="soft"
                    borderBottom="2px solid"
                    borderColor="ink"
                    padding="4px 12px 4px 0"
                  >
                    {head}
                  </chakra.th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {crew.map((member) => (
              <MemberRow key={member.person.id} member={member} rig={rig} most={most} system={system} />
            ))}
          </tbody>
        </chakra.table>
      </Box>
      <Swap crew={crew.filter((m) => !lockOf(m.calibrated))} />
      <Box>
        <SubHeading>Training record</SubHeading>
        <Note marginY="8px">
          Pace, width and height are trained with water until repeat runs agree: within 5 % is good, over 10 % no calibration.{" "}
          <PageLink href="/calibrate/practice">Practise</PageLink>, and see who holds which pace.
        </Note>
        {crew.map((member) => (
          <Training key={member.person.id} member={member} />
        ))}
      </Box>
    </Column>
  );
}

const paceSpread = (made: Calibration) => made.trials.find((t) => t.of === "pace")?.spread ?? null;

function MemberRow({
  member: { person, calibrated },
  rig,
  most,
  system,
}: {
  member: Member;
  rig: RigEntry;
  most: Quantity<"sprayVolume">;
  system: System;
}) {
  const { made } = calibrated;
  const tank = readTanks(rig.rig)[0];
  const spread = paceSpread(made);
  const cell = { borderBottom: "1px solid", borderColor: "line", padding: "8px 12px 8px 0", verticalAlign: "top" } as const;
  return (
    <tr>
      <chakra.th scope="row" textAlign="left" {...cell}>
        {person.name}
      </chakra.th>
      <chakra.td fontFamily="reading" {...cell}>
        {made.timePer1000 ? paceTime(made.timePer1000.value, system) : "not timed"}
      </chakra.td>
      <chakra.td {...cell}>
        <chakra.strong>{read(made.sprayVolume.value, "sprayVolume", system)}</chakra.strong>
        {made.uncertainty && ` ± ${writeNumber(made.uncertainty.relative * 100, { figures: 2 })} %`}
        <Box
          height="6px"
          background="ink"
          opacity="0.7"
          width={`${ratio(made.sprayVolume.value, most) * 100}%`}
          marginTop="4px"
          aria-hidden
        />
      </chakra.td>
      <chakra.td fontFamily="reading" {...cell}>
        {tank ? read(coverageOf(tank, made.sprayVolume).value, "area", system) : "–"}
      </chakra.td>
      <chakra.td fontFamily="reading" {...cell}>
        {spread === null ? "one walk" : `${writeNumber(spread * 100, { figures: 2 })} %`}
      </chakra.td>
      <chakra.td textStyle="small" {...cell}>
        {standingWords(calibrated)}
      </chakra.td>
    </tr>
  );
}

/** What goes wrong when one person sprays what was mixed for another, in the worst pair. */
function Swap({ crew }: { crew: readonly Member[] }) {
  const sorted = [...crew].sort((a, b) => compare(a.calibrated.made.sprayVolume.value, b.calibrated.made.sprayVolume.value));
  const [low, high] = [sorted[0], sorted.at(-1)];
  if (!low || !high || low === high) return null;
  const times = ratio(high.calibrated.made.sprayVolume.value, low.calibrated.made.sprayVolume.value);
  return (
    <Box borderLeft="6px solid" borderColor="act" padding="8px 14px" background="sheet" maxW="72ch">
      A tank mixed for {low.person.name} and sprayed by {high.person.name} puts{" "}
      <strong>{writeNumber((times - 1) * 100, { figures: 2 })} % too much</strong> down. That is why amounts ask who holds the
      wand.
    </Box>
  );
}

const WORDS = { single: "one walk", good: "repeats", wide: "take another", disagree: "not yet" } as const;

/** One person's walks on this rig, oldest first: how far they were apart each time. */
function Training({ member: { person, record } }: { member: Member }) {
  const latest = agreement(paceSpread(record.at(-1)!.made));
  return (
    <Box marginTop="14px">
      <Row gap="12px">
        <chakra.h3 fontWeight="700">{person.name}</chakra.h3>
        <Stamp state={latest === "good" ? "good" : latest === "disagree" ? "stop" : "act"}>{WORDS[latest]}</Stamp>
      </Row>
      <Box
        as="ol"
        listStyleType="none"
        display="grid"
        gridTemplateColumns="repeat(auto-fill, minmax(150px, 1fr))"
        gap="6px 18px"
        marginTop="6px"
      >
        {record.map(({ entry, made }) => {
          const spread = paceSpread(made);
          return (
            <Box as="li" key={entry.id} textStyle="note">
              <PageLink href={`/calibrate/record?id=${entry.id}`}>{format(wallClock(entry.madeAt), "d MMM")}</PageLink>{" "}
              <chakra.strong fontFamily="reading">
                {spread === null ? "1 walk" : `${writeNumber(spread * 100, { figures: 2 })} %`}
              </chakra.strong>
              <Box position="relative" height="8px" background="well" aria-hidden>
                <Box position="absolute" left="50%" top="0" bottom="0" borderLeft="1px solid" borderColor="ink" />
                {spread !== null && (
                  <Box
                    height="8px"
                    width={`${Math.min(100, (spread / 0.1) * 100)}%`}
                    background={spread > 0.1 ? "stop" : spread > 0.05 ? "act" : "ink"}
                  />
                )}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
