"use client";

import { Box } from "@chakra-ui/react";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useState } from "react";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { isUnsure, type Calibration } from "@/core/calibration/calibrate";
import type { Remedy } from "@/core/calibration/levers";
import { read as readIn, type System } from "@/core/working/units";
import { judge, workOut } from "@/formats/standing";
import { sentences, usePeople, useRigs, useSend, useSlice } from "../data/records";
import { dayNow, wallClock } from "../data/clock";
import { useSystem } from "../data/units";
import { Room } from "../frame/room";
import { standingWords } from "../frame/standing-words";
import { AskWhy } from "../parts/ask-why";
import { Button, Heading, Note } from "../parts/controls";
import { FirstThing, Notice } from "../parts/notices";
import { LEVER_WORDS } from "./levers-panel";
import { useProve } from "./prove";
import { Result } from "./result";
import { calibrationWorking } from "./working";

const volumeOf = (made: Calibration, system: System) => readIn(made.sprayVolume.value, "sprayVolume", system);

/** Takes a calibration out of use, with its reason: what stood before stands again. */
function Withdraw({ id }: { id: string }) {
  const send = useSend();
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const withdraw = async (why: string) => {
    const result = await send("/api/calibrations/withdraw", { id, why });
    setTrouble(result.ok ? [] : sentences(result.issues));
    if (result.ok) setAsking(false);
  };
  return (
    <Box marginTop="16px" display="grid" gap="8px" justifyItems="start">
      {asking ? (
        <AskWhy
          label="What was wrong with it?"
          placeholder="a worn tip was still on"
          press="Withdraw it: what stood before stands again"
          onSay={(why) => void withdraw(why)}
        />
      ) : (
        <Button look="quiet" onClick={() => setAsking(true)}>
          Withdraw this calibration
        </Button>
      )}
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}

/** A calibration on record, worked out again from what was entered. */
export function CalibrationRecord() {
  const id = useSearchParams().get("id");
  const rigs = useRigs();
  const people = usePeople();
  const system = useSystem();
  const prove = useProve();
  const looked = useSlice("calibration", id === null ? null : { id }).value;
  const entry = looked?.entry;
  const rig = rigs.find((r) => r.id === entry?.rigId);
  if (!looked || !entry || !rig)
    return (
      <Room>
        {(looked === null || id === null) && (
          <FirstThing>
            There is no such calibration. <PageLink href="/calibrate">Calibrate</PageLink>
          </FirstThing>
        )}
      </Room>
    );
  const made = workOut(entry);
  const job = soundJob(calibrationJob(entry.rig, entry.calibration));
  const person = people.find((p) => p.id === entry.personId);
  const { before, tap, inForce } = looked;
  const newest = inForce ? judge(rig.rig, inForce.entry, inForce.check ?? undefined, dayNow()) : undefined;
  const pull = (remedy: Remedy) => {
    const { personId, siteId, id: follows } = entry;
    const { pace, target } = entry.calibration;
    const session = {
      ...(entry.method && { method: entry.method }),
      ...(target && { target }),
      ...(pace?.kind === "timed-area" && { area: pace.area }),
      ...(pace?.kind === "timed-run" && { distance: pace.distance, swath: pace.swath ?? "" }),
    };
    prove(remedy, { rig, personId, siteId, follows, session });
  };
  const lines = calibrationWorking(made, system);
  return (
    <Room working={lines}>
      <Heading>
        {rig.rig.name}
        {person && `, ${person.name}`}
        {tap && `, tap of ${tap}`}
      </Heading>
      <Note marginBottom="18px">
        {format(wallClock(entry.madeAt), "d MMMM yyyy, HH:mm")}
        {entry.ground && ` · timed on ${entry.ground}`} ·{" "}
        {entry.withdrawn !== undefined
          ? "withdrawn"
          : newest?.entry.id === entry.id
            ? standingWords(newest)
            : isUnsure(made)
              ? "not a calibration yet: another one stands"
              : "another one stands in its place"}
        {entry.lever && ` · after ${LEVER_WORDS[entry.lever].toLowerCase()} to ${entry.leverSetTo}`}
        {before && (
          <>
            {" "}
            · before it <PageLink href={`/calibrate/record?id=${before.id}`}>{volumeOf(workOut(before), system)}</PageLink>
          </>
        )}
      </Note>
      <Result
        made={made}
        input={job.calibration}
        tank={job.tank}
        system={system}
        onProve={newest?.entry.id === entry.id ? (remedy) => void pull(remedy) : undefined}
      />
      {entry.struck.length > 0 && (
        <Box marginTop="16px">
          <Note>
            Struck: {entry.struck.map((t) => `${t.of} ${t.volume ? `${t.volume} in ` : ""}${t.time} (${t.why})`).join("; ")}
          </Note>
        </Box>
      )}
      {entry.meant && entry.meant.length > 0 && (
        <Note marginTop="10px">Meant, though it looked like a slip: {entry.meant.join("; ")}</Note>
      )}
      {entry.withdrawn !== undefined ? (
        <Box marginTop="16px">
          <Notice state="act">Withdrawn: {entry.withdrawn}. Nothing is mixed from it; what stood before it stands again.</Notice>
        </Box>
      ) : (
        <Withdraw id={entry.id} />
      )}
      <Box marginTop="20px">
        <PageLink href="/mix" style={{ fontWeight: 700, marginRight: 28 }}>
          Mix with it →
        </PageLink>
        <PageLink href={`/calibrate/tag?id=${entry.id}`} style={{ fontWeight: 700 }}>
          The tag to hang on it →
        </PageLink>
      </Box>
    </Room>
  );
}
