"use client";

import { Box } from "@chakra-ui/react";
import type { LogAsked } from "@/formats/slices";
import { Button, Note } from "../parts/controls";
import { downloadFrom } from "../parts/download";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { useAction } from "../parts/use-action";
import { logPath } from "./log-path";

interface FilesProps {
  readonly any: boolean;
  /** What is looked at: what goes out is that. */
  readonly asked: LogAsked;
}

/** What is looked at of the log out, as the server writes it, and lines of a table in. */
export function LogFiles({ any, asked }: FilesProps) {
  const { busy, trouble, run } = useAction("The log could not be fetched: is the server there? Try again.");
  const pages = useAction("The pages could not be made here: narrow the days down, or save it as a table.");
  const part = Object.keys(asked).length > 0 ? "log-part" : "log";
  const savePages = async () => {
    // The PDF library is fetched when it is used.
    const { saveInspectorPdf } = await import("./inspector-pdf");
    await saveInspectorPdf(asked);
  };
  const { site } = asked;
  const saveClient = async () => {
    const { saveClientPdf } = await import("./client-pdf");
    if (site !== undefined) await saveClientPdf({ ...asked, site });
  };
  const off = !any || busy || pages.busy;
  return (
    <Column gap="8px" marginTop="18px" className="no-print">
      <Row flexWrap="wrap" gap="0 10px">
        <Button onClick={() => void pages.run(savePages)} disabled={off}>
          Pages for an inspector
        </Button>
        {site !== undefined && (
          <Button onClick={() => void pages.run(saveClient)} disabled={off}>
            A page for the client
          </Button>
        )}
        <Button look="quiet" onClick={() => void run(() => downloadFrom(logPath("csv", asked), `${part}.csv`))} disabled={off}>
          Save as CSV
        </Button>
        <Button
          look="quiet"
          onClick={() => void run(() => downloadFrom(logPath("details", asked), `${part}-in-full.csv`))}
          disabled={off}
        >
          In full as CSV
        </Button>
        <Button look="quiet" onClick={() => void run(() => downloadFrom(logPath("json", asked), `${part}.json`))} disabled={off}>
          As JSON
        </Button>
      </Row>
      <Box>
        {[trouble, pages.trouble].filter(Boolean).map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
      </Box>
      <TakeFile kind="log" label="Log as CSV" accept=".csv,text/csv">
        Bring a CSV in
      </TakeFile>
      <Note>
        What is looked at goes out; of one site also a page for its client: what was promised, what went down, when to water and
        to stay off. A table that comes in has the columns date, site, zone, product, amount, person, note; the amount is the
        zone&apos;s total, or a rate.
      </Note>
    </Column>
  );
}
