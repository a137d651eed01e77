"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { wordsFor } from "@/core/issue";
import { unreachable, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { Button, Note, SubHeading } from "../parts/controls";
import { downloadFile } from "../parts/download";
import { Fold } from "../parts/fold";
import { Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { FirmNumbersForm } from "./firm-numbers";
import { FirmCurrency, FirmZone } from "./firm-settings";
import { Column, Row } from "../parts/layout";

/** The firm's records as a whole: its time zone and currency, a copy to take away, all of it out and in. */
export function WholeRecords() {
  const firm = useSlice("firm", {}).value;
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
      <Fold title="Time zone, currency, a copy to take away, all records out and in">
        <Column gap="18px" paddingTop="10px" maxW="760px">
          {firm?.settled && <FirmZone />}
          <FirmCurrency />
          <FirmNumbersForm />
          <Column gap="8px">
            <Note>
              A copy is the one file of the records, opened, checked and counted before you get it. The server keeps copies of its
              own, one a day.
            </Note>
            <Row alignItems="stretch" flexWrap="wrap">
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
            </Row>
            {trouble && <Notice state="stop">{trouble}</Notice>}
          </Column>
          <Column gap="8px">
            <Note>
              A firm from another computer, with its photos and the chain of its records: the copy that was downloaded there, into
              an installation in which nothing is recorded yet.
            </Note>
            <TakeFile kind="move" label="A firm's copy" accept=".db">
              Move a firm here
            </TakeFile>
          </Column>
          <Column gap="8px">
            <Note>All records of a file: what isn&apos;t here is added, what is here stays.</Note>
            <TakeFile kind="records" label="All records" accept=".json,application/json">
              Bring all records in
            </TakeFile>
          </Column>
        </Column>
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
