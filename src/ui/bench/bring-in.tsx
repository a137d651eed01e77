"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { lineFor, type Issue } from "@/core/contents";
import { useSend } from "../data/book";
import { Note, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";

interface Imported {
  readonly rigs: readonly string[];
  readonly people: readonly string[];
  readonly labels: readonly string[];
  readonly sites: readonly string[];
  readonly calibrations: number;
  readonly applications: number;
  readonly differing: readonly string[];
}

/** Takes a colleague's job file in: rig, calibration, labels and sites. */
export function BringIn() {
  const send = useSend();
  const [said, setSaid] = useState<{ file: string; imported?: Imported; issues?: readonly Issue[] }>();
  const take = async (text: string, file: string) => {
    const result = await send<Imported>("/api/jobs", { text });
    setSaid(result.ok ? { file, imported: result.value } : { file, issues: result.issues });
  };
  return (
    <Box>
      <SubHeading>Bring in a job file</SubHeading>
      <Note marginY="10px">
        A colleague&apos;s job, or one from your own scripts: its rig, calibration, labels and sites are added; what is here
        already stays as it is.
      </Note>
      <PickFile label="Job file" accept=".json,application/json" onText={take}>
        Choose a file
      </PickFile>
      <Box marginTop="12px" display="grid" gap="6px">
        {said?.imported && <Notice state="plain">{`${said.file}: ${broughtIn(said.imported)}`}</Notice>}
        {said?.issues?.map((issue) => (
          <Notice key={issue.path + issue.code} state="stop">
            {lineFor(issue)}
          </Notice>
        ))}
      </Box>
    </Box>
  );
}

function broughtIn(imported: Imported): string {
  const names = [...imported.rigs, ...imported.people, ...imported.labels, ...imported.sites];
  const calibrations = imported.calibrations === 1 ? ["one calibration"] : [];
  const went = imported.applications > 0 ? [`${imported.applications} of what went down`] : [];
  const all = [...names, ...calibrations, ...went];
  const said = all.length === 0 ? "everything in it was here already." : `${all.join(", ")} added.`;
  const differing = imported.differing.join(", ");
  return differing === ""
    ? said
    : `${said} The file binds ${differing} otherwise than the card here, which was left: look at it.`;
}
