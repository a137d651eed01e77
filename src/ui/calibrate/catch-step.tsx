"use client";

import { Box } from "@chakra-ui/react";
import { raw, read, vesselFor } from "@/core/contents";
import type { RigEntry } from "@/formats/book";
import { kitOf } from "@/formats/rig-setup";
import { catchTime, type Session } from "@/formats/session";
import { Note, Reading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { CatchWatch } from "./catch-watch";
import { Tape } from "./tape";
import { likelyCatch } from "./worked-out";

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
        {expected && (
          <Box fontSize="17px" marginTop="10px">
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

/** Before the catch: which vessel of the kit holds what is coming; one that is too small is refused. */
function FittingVessel({ session, rig }: { session: Session; rig: RigEntry }) {
  const expected = likelyCatch(rig, session);
  const kit = kitOf(rig.rig);
  if (!expected || kit.vessels.length === 0) return null;
  const vessel = vesselFor(kit, expected);
  const chosen = kit.vessels.find((v) => v.graduation.text === session.graduation);
  const small = chosen && raw(chosen.capacity.value) < raw(expected);
  const words = read(expected, "volume", "us");
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
