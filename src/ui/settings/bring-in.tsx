"use client";

import { Box } from "@chakra-ui/react";
import { Note, SubHeading } from "../parts/controls";
import { TakeFile } from "../parts/take-file";

/** Takes a colleague's job file in: rig, calibration, labels and sites. */
export function BringIn() {
  return (
    <Box>
      <SubHeading>Bring in a job file</SubHeading>
      <Note marginY="10px">
        A colleague&apos;s job, or one from your own scripts: its rig, calibration, labels and sites are added; what is here
        already stays as it is, unless you take it.
      </Note>
      <TakeFile kind="job" label="Job file" accept=".json,application/json">
        Choose a file
      </TakeFile>
    </Box>
  );
}
