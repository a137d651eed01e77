"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import { lineFor, type Issue } from "@/core/contents";
import { useBook, useSend } from "../data/book";
import { Button } from "../parts/controls";
import { download } from "../parts/download";
import { Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";

interface Brought {
  readonly added: readonly string[];
  readonly replaced: readonly string[];
  readonly left: readonly string[];
}

/** Cards out and in, as CSV for a spreadsheet or as JSON. */
export function CardFiles() {
  const { book } = useBook();
  const send = useSend();
  const [replace, setReplace] = useState(false);
  const [said, setSaid] = useState<{ file: string; brought?: Brought; issues?: readonly Issue[] }>();
  const cards = book.labels.filter((l) => !l.retired).map((l) => l.card);
  const out = async (kind: "csv" | "json") => {
    const { cardsToCsv, cardsToJson } = await import("@/formats/card/csv");
    if (kind === "csv") download("labels.csv", cardsToCsv(cards), "text/csv");
    else download("labels.json", cardsToJson(cards), "application/json");
  };
  const take = async (text: string, file: string) => {
    const result = await send<Brought>("/api/cards", { text, replace });
    setSaid(result.ok ? { file, brought: result.value } : { file, issues: result.issues });
  };
  return (
    <Box display="grid" gap="8px" marginTop="18px">
      <Box display="flex" flexWrap="wrap" gap="8px">
        <PickFile label="Cards" accept=".csv,.json,text/csv,application/json" onText={take}>
          Bring cards in
        </PickFile>
        <Button look="quiet" onClick={() => void out("csv")} disabled={cards.length === 0}>
          Save as CSV
        </Button>
        <Button look="quiet" onClick={() => void out("json")} disabled={cards.length === 0}>
          Save as JSON
        </Button>
      </Box>
      <chakra.label display="flex" gap="10px" alignItems="center" minHeight="40px" fontSize="15px">
        <chakra.input
          type="checkbox"
          checked={replace}
          onChange={(e) => setReplace(e.target.checked)}
          width="22px"
          height="22px"
          accentColor="var(--cg-colors-ink)"
        />
        A card of the same name in the file replaces the one here
      </chakra.label>
      {said?.brought && (
        <Notice state={said.brought.left.length > 0 ? "act" : "plain"}>{`${said.file}: ${words(said.brought)}`}</Notice>
      )}
      {said?.issues?.map((issue) => (
        <Notice key={issue.path + issue.code + issue.received} state="stop">
          {lineFor(issue)}
        </Notice>
      ))}
    </Box>
  );
}

function words({ added, replaced, left }: Brought): string {
  const said = [
    added.length > 0 && `${added.join(", ")} added.`,
    replaced.length > 0 && `${replaced.join(", ")} replaced.`,
    left.length > 0 && `${left.join(", ")} left as here: the file says otherwise.`,
  ].filter(Boolean);
  return said.join(" ") || "everything in it was here already.";
}
