"use client";

import { useLabels } from "../data/records";
import { Button } from "../parts/controls";
import { download } from "../parts/download";
import { Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { useAction } from "../parts/use-action";
import { Column, Row } from "../parts/layout";

/** Cards out and in, as CSV for a spreadsheet or as JSON. */
export function CardFiles() {
  const labels = useLabels();
  const cards = labels.filter((l) => !l.retired).map((l) => l.card);
  const action = useAction("The cards could not be written: is the server there? Try again.");
  const out = async (kind: "csv" | "json") => {
    const { cardsToCsv, cardsToJson } = await import("@/formats/card/csv");
    if (kind === "csv") download("labels.csv", cardsToCsv(cards), "text/csv");
    else download("labels.json", cardsToJson(cards), "application/json");
  };
  return (
    <Column gap="8px" marginTop="18px">
      <Row alignItems="stretch" flexWrap="wrap" gap="8px">
        <Button look="quiet" onClick={() => void action.run(() => out("csv"))} disabled={cards.length === 0}>
          Save as CSV
        </Button>
        <Button look="quiet" onClick={() => void action.run(() => out("json"))} disabled={cards.length === 0}>
          Save as JSON
        </Button>
      </Row>
      {action.trouble && <Notice state="stop">{action.trouble}</Notice>}
      <TakeFile kind="cards" label="Cards" accept=".csv,.json,text/csv,application/json">
        Bring cards in
      </TakeFile>
    </Column>
  );
}
