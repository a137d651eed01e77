"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { lineFor, type Issue } from "@/core/contents";
import { useSend } from "../data/book";
import { Button, Note, SubHeading } from "../parts/controls";
import { Notice } from "../parts/notices";

interface Imported {
  readonly rigs: readonly string[];
  readonly people: readonly string[];
  readonly labels: readonly string[];
  readonly sites: readonly string[];
  readonly calibrations: number;
}

/** Takes a colleague's job file in: rig, calibration, labels and sites. */
export function BringIn() {
  const send = useSend();
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ file: string; imported?: Imported; issues?: readonly Issue[] }>();
  const take = async (file: File) => {
    const result = await send<Imported>("/api/jobs", { text: await file.text() });
    setSaid(result.ok ? { file: file.name, imported: result.value } : { file: file.name, issues: result.issues });
    if (input.current) input.current.value = "";
  };
  return (
    <Box>
      <SubHeading>Bring in a job file</SubHeading>
      <Note marginY="10px">
        A colleague&apos;s job, or one from your own scripts: its rig, calibration, labels and sites are added; what is here
        already stays as it is.
      </Note>
      <chakra.input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        display="none"
        onChange={(e) => e.target.files?.[0] && void take(e.target.files[0])}
      />
      <Button onClick={() => input.current?.click()}>Choose a file</Button>
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
  const all = [...names, ...calibrations];
  return all.length === 0 ? "everything in it was here already." : `${all.join(", ")} added.`;
}
