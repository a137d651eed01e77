"use client";

import { Box } from "@chakra-ui/react";
import { format } from "date-fns";
import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import { useBook } from "../data/book";
import { calibratedFor, today, useInHand, workOut } from "../data/in-hand";
import { Room } from "../frame/room";
import { standingWords } from "../frame/strip";
import { Heading, Note } from "../parts/controls";
import { FirstThing } from "../parts/notices";
import { Result } from "./result";
import { calibrationWorking } from "./working";

/** A calibration on record, worked out again from what was entered. */
export function CalibrationRecord() {
  const id = useSearchParams().get("id");
  const { book, read } = useBook();
  const { system } = useInHand();
  const entry = book.calibrations.find((c) => c.id === id);
  const rig = book.rigs.find((r) => r.id === entry?.rigId);
  if (!entry || !rig)
    return (
      <Room>
        {read && (
          <FirstThing>
            There is no such calibration among the newest. <Link href="/calibrate">Calibrate</Link>
          </FirstThing>
        )}
      </Room>
    );
  const made = workOut(entry);
  const job = soundJob(calibrationJob(entry.rig, entry.calibration));
  const person = book.people.find((p) => p.id === entry.personId);
  const newest = calibratedFor(book, rig, entry.personId ?? undefined, today());
  const lines = calibrationWorking(made, system);
  return (
    <Room working={lines}>
      <Heading>
        {rig.rig.name}
        {person && `, ${person.name}`}
      </Heading>
      <Note marginBottom="18px">
        {format(new Date(entry.madeAt), "d MMMM yyyy, HH:mm")}
        {entry.ground && ` · timed on ${entry.ground}`} ·{" "}
        {newest?.entry.id === entry.id ? standingWords(newest) : "a newer one has taken its place"}
      </Note>
      <Result made={made} input={job.calibration} tank={job.tank} system={system} />
      {entry.struck.length > 0 && (
        <Box marginTop="16px">
          <Note>
            Struck: {entry.struck.map((t) => `${t.of} ${t.volume ? `${t.volume} in ` : ""}${t.time} (${t.why})`).join("; ")}
          </Note>
        </Box>
      )}
      <Box marginTop="20px">
        <Link href="/mix" style={{ fontWeight: 700 }}>
          Mix with it →
        </Link>
      </Box>
    </Room>
  );
}
