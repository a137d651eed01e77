"use client";

import { Button, Note } from "../parts/controls";
import { downloadFrom } from "../parts/download";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { useAction } from "../parts/use-action";

/** Sites out and in, as a table for a spreadsheet. */
export function SiteFiles({ any }: { any: boolean }) {
  const { busy, trouble, run } = useAction("The sites could not be fetched: is the server there? Try again.");
  return (
    <Column gap="8px" marginTop="18px">
      <Row>
        <Button look="quiet" disabled={!any || busy} onClick={() => void run(() => downloadFrom("/api/sites", "sites.csv"))}>
          Save as CSV
        </Button>
      </Row>
      {trouble && <Notice state="stop">{trouble}</Notice>}
      <TakeFile kind="sites" label="Sites as CSV" accept=".csv,text/csv">
        Bring a CSV in
      </TakeFile>
      <Note>
        One line a zone. Columns: site, zone, area, turf, seeded, sodded, seeding, sodding, water, jurisdiction, and what is known
        of them. Other names for them are understood or asked about, and so is the unit of an area that has none.
      </Note>
    </Column>
  );
}
