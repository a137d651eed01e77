"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/contents";
import type { AsideEntry } from "@/formats/book";
import { unreachable, useBook } from "../data/book";
import { todayDate } from "../data/clock";
import { Button, Note, SubHeading } from "../parts/controls";
import { downloadFile } from "../parts/download";
import { Fold } from "../parts/fold";
import { Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { FirmZone } from "./firm-zone";

/** The firm's records as a whole: its time zone, a copy to take away, all of it out and in. */
export function WholeRecords() {
  const { book } = useBook();
  const [busy, setBusy] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const take = async (what: "copy" | "export", name: string) => {
    setBusy(what);
    setTrouble(await fetchRecords(what, name));
    setBusy(undefined);
  };
  return (
    <Box>
      <SubHeading>The records as a whole</SubHeading>
      <Fold title="Time zone, a copy to take away, all records out and in">
        <Box display="grid" gap="18px" paddingTop="10px" maxW="760px">
          {book.firm.settled && <FirmZone />}
          <Box display="grid" gap="8px">
            <Note>
              A copy is the one file of the records, opened, checked and counted before you get it. The server keeps copies of its
              own, one a day.
            </Note>
            <Box display="flex" gap="10px" flexWrap="wrap">
              <Button onClick={() => void take("copy", `careful-gauge-${todayDate()}.db`)} disabled={busy !== undefined}>
                {busy === "copy" ? "Copying …" : "Download a copy"}
              </Button>
              <Button
                look="quiet"
                onClick={() => void take("export", `careful-gauge-${todayDate()}.json`)}
                disabled={busy !== undefined}
              >
                {busy === "export" ? "Writing …" : "Save all records as JSON"}
              </Button>
            </Box>
            {trouble && <Notice state="stop">{trouble}</Notice>}
          </Box>
          <Box display="grid" gap="8px">
            <Note>All records of a file: what isn&apos;t here is added, what is here stays.</Note>
            <TakeFile kind="records" label="All records" accept=".json,application/json">
              Bring all records in
            </TakeFile>
          </Box>
        </Box>
      </Fold>
    </Box>
  );
}

/** Hands the records over as a file; answers with what went wrong. */
async function fetchRecords(what: "copy" | "export", name: string): Promise<string | undefined> {
  try {
    const response = await fetch(`/api/records/${what}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    });
    if (response.ok) return void downloadFile(name, await response.blob());
    const { issues } = (await response.json()) as typeof unreachable;
    return wordsFor(issues[0]!);
  } catch {
    return wordsFor(unreachable.issues[0]!);
  }
}

/** Rows that can't be read: what they are, why, and their raw text, so that nothing of them is lost. */
export function SetAside({ rows }: { rows: readonly AsideEntry[] }) {
  if (rows.length === 0) return null;
  return (
    <Box as="section" aria-label="Records that can't be read" display="grid" gap="8px">
      <Notice state="stop">
        {rows.length === 1 ? "One record" : `${rows.length} records`} can&apos;t be read and {rows.length === 1 ? "is" : "are"}{" "}
        set aside; everything else works. Restore a backup that has {rows.length === 1 ? "it" : "them"}, or enter{" "}
        {rows.length === 1 ? "it" : "them"} anew.
      </Notice>
      {rows.map((row) => (
        <Box key={`${row.of}${row.id}`} borderBottom="1px solid" borderColor="line" paddingBottom="8px">
          <Box>
            <chakra.strong>{row.name}</chakra.strong> ({row.of}): {row.reason}
          </Box>
          <Fold title="Its raw text">
            <chakra.pre fontSize="13px" whiteSpace="pre-wrap" overflowWrap="anywhere" tabIndex={0}>
              {row.raw}
            </chakra.pre>
          </Fold>
        </Box>
      ))}
    </Box>
  );
}
