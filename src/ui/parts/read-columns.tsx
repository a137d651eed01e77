"use client";

import { Box } from "@chakra-ui/react";
import { unitText } from "@/core/quantity/format";
import { columnsOpen, type Choices, type ColumnsRead } from "@/formats/import";
import { Choose, type Option } from "./choose";
import { Button } from "./controls";
import { Fold } from "./fold";
import { Column } from "./layout";
import { Notice } from "./notices";

interface ColumnsProps {
  readonly columns: ColumnsRead;
  readonly choices: Choices;
  readonly onChoose: (key: string, choice: string) => void;
  /** Reads the file again, by what was said. */
  readonly onLook: () => void;
}

/** Whether a table has to be read again before anything of it is kept: something is open, or was said otherwise. */
export const isUnread = (columns: ColumnsRead, choices: Choices): boolean =>
  columnsOpen(columns) ||
  columns.headings.some(({ key, as }) => choices[key] !== undefined && choices[key] !== as) ||
  (choices.unit !== undefined && columns.unit !== undefined && choices.unit !== columns.unit);

const PASSED: Option = ["", "passed over"];
const OPEN: Option = ["?", "say which"];

/** How the columns of a table are read: what isn't known by its heading is asked, all of it can be said otherwise. */
export function ReadColumns({ columns, choices, onChoose, onLook }: ColumnsProps) {
  const { headings, ours, unit, units } = columns;
  const open = columnsOpen(columns);
  const asked = headings.filter(({ as }) => as === null);
  const said = asked.every(({ key }) => choices[key] !== undefined) && (unit !== null || choices.unit !== undefined);
  const columnOf = ({ heading, key, as }: ColumnsRead["headings"][number]) => (
    <Choose
      key={key}
      label={heading}
      value={choices[key] ?? as ?? OPEN[0]}
      options={[...(as === null ? [OPEN] : []), PASSED, ...ours.map((name): Option => [name, name])]}
      onPick={(name) => name !== OPEN[0] && onChoose(key, name)}
    />
  );
  const unitOf = unit !== undefined && (
    <Choose
      label="Areas that have no unit are in"
      value={choices.unit ?? unit ?? OPEN[0]}
      options={[...(unit === null ? [OPEN] : []), ...units.map((name): Option => [name, unitText(name)])]}
      onPick={(name) => name !== OPEN[0] && onChoose("unit", name)}
    />
  );
  const known = headings.filter(({ heading, as }) => as !== null && heading !== "");
  return (
    <Column gap="10px">
      {open && (
        <Notice state="act">Not all of the table can be told by its headings. Say what they are; it is remembered.</Notice>
      )}
      <Box {...GRID}>
        {asked.map(columnOf)}
        {unit === null && unitOf}
      </Box>
      <Fold title={`How ${known.length === 1 ? "a column is" : `${known.length} columns are`} read`}>
        <Box {...GRID}>
          {known.map(columnOf)}
          {unit !== null && unitOf}
        </Box>
      </Fold>
      {isUnread(columns, choices) && (
        <Box>
          <Button look={open ? "act" : "quiet"} disabled={!said} onClick={onLook}>
            {open ? "Go on" : "Read it so"}
          </Button>
        </Box>
      )}
    </Column>
  );
}

const GRID = { display: "grid", gap: "10px", gridTemplateColumns: { base: "1fr", md: "1fr 1fr" } } as const;
