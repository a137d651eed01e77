"use client";

import { Box } from "@chakra-ui/react";
import { vesselFor } from "@/core/calibration/kit";
import { read } from "@/core/working/units";
import { groundText, pacePer1000 } from "@/core/working/thousand";
import { minuteFor } from "@/core/calibration/expected-catch";
import { compare } from "@/core/quantity/arithmetic";
import type { RigEntry } from "@/formats/entries";
import { kitOf } from "@/formats/rig-setup";
import { catchTime, type Session } from "@/formats/session";
import { readTyped } from "@/formats/typed";
import { useSystem } from "../data/units";
import { useKept } from "../data/kept-here";
import { Note, Reading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { CatchWatch } from "./catch-watch";
import { Tape } from "./tape";
import { Typed } from "./typed";
import { likelyCatch } from "./worked-out";
import { Column } from "../parts/layout";

interface StepProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  /** What the catch should hold for the wanted spray volume, in words. */
  readonly expected: string | undefined;
  readonly rig: RigEntry;
}

/** Catch the whole output for as long as the walk took. */
export function CatchStep({ session, change, expected, rig }: StepProps) {
  const counted = session.catches.filter((c) => !c.struck).length;
  return (
    <Box>
      <CatchWatch
        id={session.id}
        time={catchTime(session)}
        says={counted === 0 ? "Hold the wand in the vessel and press" : `${counted} caught. Press for another`}
        onCaught={(one) => change({ catches: [...session.catches, one] })}
      >
        <FittingVessel session={session} rig={rig} />
        {session.walks.length === 0 && session.pace !== "asked" && <BucketFirst session={session} />}
        {expected && (
          <Box fontSize="1.0625rem" marginTop="10px">
            Expect about <Reading>{expected}</Reading> for the wanted spray volume: take a vessel that holds more.
          </Box>
        )}
      </CatchWatch>
      <Tape name="Catch" trials={session.catches} onChange={(catches) => change({ catches })} />
      <Note marginTop="10px">
        Same pressure as in the walk, agitation as in work. Read the vessel level, at the bottom of the curve.
      </Note>
    </Box>
  );
}

/** The bucket before the walk: a pace that somebody means to keep tells what a minute must give; the regulator is turned to it. */
function BucketFirst({ session }: { session: Session }) {
  const system = useSystem();
  const [typed = "", setTyped] = useKept<string>(`pace:${session.rigId}`);
  const wanted = readTyped("sprayVolume", session.target);
  const pace = readTyped("walkTime", typed);
  if (!wanted.ok)
    return <Note>The bucket first? Write the wanted spray volume on the first step: then it says what a minute must give.</Note>;
  const minute = pace.ok && minuteFor(wanted.value.value, pacePer1000(pace.value.value, system));
  return (
    <Column gap="8px" maxW="420px" marginTop="12px">
      <Typed
        label="The bucket first: pace that you mean to keep"
        field="walkTime"
        value={typed}
        onChange={(text) => setTyped(text === "" ? undefined : text)}
        placeholder="35"
        hint={`s for ${groundText(system)}`}
      />
      {minute && (
        <Box fontSize="1.0625rem">
          Turn the regulator until 60 s give <Reading>{read(minute, "volume", system)}</Reading>. Then walk, and time what you
          really walk.
        </Box>
      )}
    </Column>
  );
}

/** Before the catch: which vessel of the kit holds what is coming; one that is too small is refused. */
function FittingVessel({ session, rig }: { session: Session; rig: RigEntry }) {
  const system = useSystem();
  const expected = likelyCatch(rig, session);
  const kit = kitOf(rig.rig);
  if (!expected || kit.vessels.length === 0) return null;
  const vessel = vesselFor(kit, expected);
  const chosen = kit.vessels.find((v) => v.graduation.text === session.graduation);
  const small = chosen && compare(chosen.capacity.value, expected) < 0;
  const words = read(expected, "volume", system);
  if (small)
    return (
      <Notice state="stop">
        About {words} will come, and the {chosen.name} holds {chosen.capacity.text}.{" "}
        {vessel ? `Take the ${vessel.name}.` : "Catch for less long."}
      </Notice>
    );
  return (
    <Note>
      About {words} will come:{" "}
      {vessel ? `the ${vessel.name} holds it and reads finest.` : "no vessel of this kit holds it, catch for less long."}
    </Note>
  );
}
