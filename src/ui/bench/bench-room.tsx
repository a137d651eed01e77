"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { belongsToPerson, readParts, writeNumber, type System } from "@/core/contents";
import type { Book, PersonEntry, RigEntry } from "@/formats/book";
import { useBook } from "../data/book";
import { calibratedFor, today, useInHand, type Calibrated } from "../data/in-hand";
import { calibrationWorking } from "../calibrate/working";
import { keptKeys } from "../data/kept-here";
import { Room } from "../frame/room";
import { standingWords } from "../frame/strip";
import { Button, Heading, SubHeading } from "../parts/controls";
import { FirstThing } from "../parts/notices";
import { Stamp } from "../parts/stamp";
import { BringIn } from "./bring-in";

interface Pair {
  readonly rig: RigEntry;
  readonly person: PersonEntry | undefined;
  readonly calibrated: Calibrated | undefined;
}

/** Each rig with each person who has calibrated it; a rig that nobody has, once by itself. */
function pairsOf(book: Book): Pair[] {
  const now = today();
  return book.rigs
    .filter((r) => !r.retired)
    .flatMap((rig): Pair[] => {
      if (!belongsToPerson(rig.rig.kind))
        return [{ rig, person: undefined, calibrated: calibratedFor(book, rig, undefined, now) }];
      const people = book.people.filter(
        (p) => !p.retired && book.calibrations.some((c) => c.rigId === rig.id && c.personId === p.id),
      );
      if (people.length === 0) return [{ rig, person: undefined, calibrated: undefined }];
      return people.map((person) => ({ rig, person, calibrated: calibratedFor(book, rig, person.id, now) }));
    });
}

type State = "good" | "act" | "stop";

function stateOf(calibrated: Calibrated | undefined): State {
  if (!calibrated) return "act";
  if (calibrated.unsure) return "stop";
  return calibrated.standing.state === "stands" ? "good" : "act";
}

export function BenchRoom() {
  const { book, read: known } = useBook();
  const { calibrated, system } = useInHand();
  if (!known) return <Room working={[]}>{null}</Room>;
  return (
    <Room working={calibrated ? calibrationWorking(calibrated.made, system) : []}>
      <ClientOnly>{book.rigs.length === 0 ? <Empty /> : <Bench book={book} />}</ClientOnly>
    </Room>
  );
}

function Empty() {
  return (
    <Box display="grid" gap="24px">
      <Heading>An empty bench</Heading>
      <FirstThing>
        <Box as="ol" listStyleType="decimal" paddingLeft="22px" display="grid" gap="6px">
          <li>
            <Link href="/rigs">Add a rig and who sprays with it.</Link>
          </li>
          <li>
            <Link href="/calibrate">Calibrate it</Link>: a watch, a bucket, clean water.
          </li>
          <li>
            <Link href="/labels">Add a label</Link> with its rate, and <Link href="/sites">a site</Link> with its area.
          </li>
          <li>
            <Link href="/mix">Mix</Link>: what goes into each tank, and how it came about.
          </li>
        </Box>
      </FirstThing>
      <BringIn />
    </Box>
  );
}

function Bench({ book }: { book: Book }) {
  const { system } = useInHand();
  const pairs = pairsOf(book);
  const due = pairs.filter((p) => stateOf(p.calibrated) !== "good");
  const ready = pairs.filter((p) => stateOf(p.calibrated) === "good");
  const open = book.sheets.filter((s) => s.done < s.steps).slice(0, 6);
  return (
    <Box display="grid" gap="28px">
      <Heading>{format(new Date(), "EEEE, d MMMM")}</Heading>
      <RunSheets book={book} />
      {due.length > 0 && <Rows title="To calibrate" pairs={due} system={system} />}
      {ready.length > 0 && <Rows title="Ready to mix from" pairs={ready} system={system} />}
      {open.length > 0 && (
        <Box>
          <SubHeading>Sheets to pour</SubHeading>
          {open.map((sheet) => (
            <Box
              key={sheet.id}
              display="flex"
              flexWrap="wrap"
              gap="4px 20px"
              alignItems="center"
              minHeight="52px"
              borderBottom="1px solid"
              borderColor="line"
            >
              <Box flex="1 1 220px">
                <Link href={`/mix/sheet?id=${sheet.id}`} style={{ fontWeight: 700, fontSize: 17 }}>
                  {book.sites.find((s) => s.id === sheet.siteId)?.site.name}
                </Link>
              </Box>
              <Box color="soft">{format(new Date(sheet.madeAt), "d MMM, HH:mm")}</Box>
              <Box fontFamily="reading">
                {sheet.done} of {sheet.steps} ticked
              </Box>
            </Box>
          ))}
        </Box>
      )}
      <BringIn />
    </Box>
  );
}

/** Run sheets that were begun on this device and not saved. */
function RunSheets({ book }: { book: Book }) {
  const { choose } = useInHand();
  const router = useRouter();
  const begun = keptKeys("session:").flatMap((key) => {
    const [, rigId, personId] = key.split(":");
    const rig = book.rigs.find((r) => r.id === rigId && !r.retired);
    const person = book.people.find((p) => p.id === personId);
    return rig ? [{ key, rig, person }] : [];
  });
  if (begun.length === 0) return null;
  return (
    <Box>
      <SubHeading>Begun on this device</SubHeading>
      {begun.map(({ key, rig, person }) => (
        <Box key={key} display="flex" gap="16px" alignItems="center" minHeight="52px" borderBottom="1px solid" borderColor="line">
          <Box flex="1">
            Calibration of <chakra.strong>{rig.rig.name}</chakra.strong>
            {person && ` with ${person.name}`}
          </Box>
          <Button
            onClick={() => {
              choose({ rigId: rig.id, ...(person && { personId: person.id }) });
              router.push("/calibrate");
            }}
          >
            Go on
          </Button>
        </Box>
      ))}
    </Box>
  );
}

function Standing({ calibrated: { made }, system }: { calibrated: Calibrated; system: System }) {
  const { number, unit } = readParts(made.sprayVolume.value, "sprayVolume", system);
  return (
    <>
      <chakra.strong fontSize="22px" lineHeight="1.1">
        {number}
      </chakra.strong>
      {made.uncertainty && ` ± ${writeNumber(made.uncertainty.relative * 100, { figures: 2 })} %`}
      <Box color="soft" fontSize="14px">
        {unit}
      </Box>
    </>
  );
}

function Rows({ title, pairs, system }: { title: string; pairs: readonly Pair[]; system: System }) {
  const { choose } = useInHand();
  const router = useRouter();
  const take = (pair: Pair, path: string) => {
    choose({ rigId: pair.rig.id, ...(pair.person && { personId: pair.person.id }) });
    router.push(path);
  };
  return (
    <Box>
      <SubHeading>{title}</SubHeading>
      <Box as="ul" listStyleType="none">
        {pairs.map((pair) => {
          const { rig, person, calibrated } = pair;
          const state = stateOf(calibrated);
          const name = `${rig.rig.name}${person ? `, ${person.name}` : ""}`;
          return (
            <Box
              as="li"
              key={`${rig.id}${person?.id}`}
              display="grid"
              gridTemplateColumns={{ base: "minmax(0,1fr) auto", lg: "minmax(0,1fr) 210px 150px auto" }}
              gap="4px 18px"
              alignItems="center"
              borderBottom="1px solid"
              borderColor="line"
              padding="8px 0"
            >
              <Box>
                <Box fontWeight="700" fontSize="17px">
                  {rig.rig.name}
                  {person && <chakra.span fontWeight="400">, {person.name}</chakra.span>}
                </Box>
                <Box fontSize="14px" color="soft">
                  {calibrated ? standingWords(calibrated) : "never calibrated"}
                </Box>
              </Box>
              <Box fontFamily="reading" fontSize="15px" gridColumn={{ base: "1", lg: "auto" }}>
                {calibrated && <Standing calibrated={calibrated} system={system} />}
              </Box>
              <Box gridColumn={{ base: "1", lg: "auto" }}>
                <Stamp state={state}>
                  {state === "good"
                    ? "stands"
                    : state === "stop"
                      ? "not yet"
                      : calibrated
                        ? calibrated.standing.state === "stale"
                          ? "stale"
                          : "due"
                        : "to do"}
                </Stamp>
              </Box>
              <Box gridColumn={{ base: "2", lg: "auto" }} gridRow={{ base: "1 / span 3", lg: "auto" }}>
                <Button
                  look={state === "good" ? "plain" : "act"}
                  aria-label={`${state === "good" ? "Mix with" : "Calibrate"} ${name}`}
                  onClick={() => take(pair, state === "good" ? "/mix" : "/calibrate")}
                  minW="112px"
                >
                  {state === "good" ? "Mix" : "Calibrate"}
                </Button>
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
