"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useState } from "react";
import { lineFor, readAmountOf, type Issue } from "@/core/contents";
import type { ApplicationEntry } from "@/formats/book";
import { sentences, useBook, useSend } from "../data/book";
import { useInHand } from "../data/in-hand";
import { rateWords } from "../labels/words";
import { Room } from "../frame/room";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { download } from "../parts/download";
import { TwoSides } from "../parts/keeper";
import { FirstThing, Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";
import { Stamp } from "../parts/stamp";
import { Enter } from "./enter";

/** What went down: by hand, from a poured sheet, or from a file. Nothing here is edited; a correction names what it corrects. */
export function LogRoom() {
  const { book, read } = useBook();
  const [correcting, setCorrecting] = useState<ApplicationEntry>();
  const [times, setTimes] = useState(0);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const send = useSend();
  const corrected = new Set(book.applications.map((a) => a.corrects));
  const undo = async (entry: ApplicationEntry) => {
    const result = await send("/api/applications/void", { id: nanoid(), corrects: entry.id });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  return (
    <Room>
      <Heading>Log</Heading>
      <Note>
        What went down, where and when. Every plan counts it against the label&apos;s limits, with what open mix sheets plan.
      </Note>
      <TwoSides wide>
        <Box>
          <SubHeading>Went down</SubHeading>
          {read && book.applications.length === 0 && (
            <Box marginTop="12px">
              <FirstThing>
                Nothing on record. Enter what went down this year, or put a poured mix sheet on record: a limit can only count
                what it knows.
              </FirstThing>
            </Box>
          )}
          {trouble.map((text) => (
            <Notice key={text} state="stop">
              {text}
            </Notice>
          ))}
          <Box as="ul" listStyleType="none" aria-label="What went down">
            {book.applications.map((entry) => (
              <Record
                key={entry.id}
                entry={entry}
                old={corrected.has(entry.id)}
                onCorrect={() => setCorrecting(entry)}
                onUndo={() => void undo(entry)}
              />
            ))}
          </Box>
          <LogFiles />
        </Box>
        <Box>
          <SubHeading>{correcting ? `Correct ${correcting.product}, ${correcting.date}` : "Enter what went down"}</SubHeading>
          <Box marginTop="12px">
            <ClientOnly>
              {read && (
                <Enter
                  key={`${correcting?.id ?? "new"}${times}`}
                  corrects={correcting}
                  onDone={() => {
                    setCorrecting(undefined);
                    setTimes(times + 1);
                  }}
                />
              )}
            </ClientOnly>
          </Box>
        </Box>
      </TwoSides>
    </Room>
  );
}

const FROM = { hand: "by hand", sheet: "from its sheet", file: "from a file" } as const;

interface RecordProps {
  readonly entry: ApplicationEntry;
  readonly old: boolean;
  readonly onCorrect: () => void;
  readonly onUndo: () => void;
}

function Record({ entry, old, onCorrect, onUndo }: RecordProps) {
  const { book } = useBook();
  const { system } = useInHand();
  const site = book.sites.find((s) => s.id === entry.siteId)?.site.name ?? "a site";
  const person = book.people.find((p) => p.id === entry.personId)?.name;
  const stands = !old && !entry.isVoid;
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" padding="8px 0">
      <Box display="flex" justifyContent="space-between" gap="10px" alignItems="flex-start" flexWrap="wrap">
        <Box flex="1 1 260px" minW={0} textDecoration={stands ? "none" : "line-through"}>
          <Box fontWeight="700" fontSize="17px">
            {entry.product}
          </Box>
          <Box fontFamily="reading">
            {readAmountOf(entry.total, system)} · {rateWords(shorter(entry.rate))}
          </Box>
          <Box fontSize="15px" color="soft">
            {[
              entry.date,
              `${site}, ${entry.zone}`,
              person,
              FROM[entry.source],
              entry.note,
              ...entry.meant.map((why) => `meant: ${why}`),
            ]
              .filter(Boolean)
              .join(" · ")}
          </Box>
        </Box>
        {stands ? (
          <Box display="flex">
            <Button look="quiet" aria-label={`Correct ${entry.product}, ${entry.date}`} onClick={onCorrect}>
              Correct
            </Button>
            <Button look="quiet" aria-label={`${entry.product}, ${entry.date}, never went down`} onClick={onUndo}>
              Never went down
            </Button>
          </Box>
        ) : (
          <Stamp state="act">{entry.isVoid ? "void" : "corrected"}</Stamp>
        )}
      </Box>
      {entry.corrects !== null && !entry.isVoid && (
        <chakra.span fontSize="14px" color="soft">
          corrects an earlier record
        </chakra.span>
      )}
    </Box>
  );
}

/** A worked-out rate has as many figures as a double; four are enough to read. */
const shorter = (rate: string) => rate.replace(/^\d+\.\d+/, (n) => String(Number(Number(n).toPrecision(4))));

function LogFiles() {
  const { book } = useBook();
  const send = useSend();
  const [said, setSaid] = useState<{ file: string; brought?: { added: number; known: number }; issues?: readonly Issue[] }>();
  const take = async (text: string, file: string) => {
    const result = await send<{ added: number; known: number }>("/api/applications/file", { text });
    setSaid(result.ok ? { file, brought: result.value } : { file, issues: result.issues });
  };
  const out = async () => {
    const { logToCsv } = await import("@/formats/log-csv");
    const site = (id: string) => book.sites.find((s) => s.id === id)?.site.name ?? "";
    const person = (id: string) => book.people.find((p) => p.id === id)?.name ?? "";
    download("log.csv", logToCsv(book.applications, { site, person }), "text/csv");
  };
  return (
    <Box display="grid" gap="8px" marginTop="18px">
      <Box display="flex" flexWrap="wrap" gap="8px">
        <PickFile label="Log as CSV" accept=".csv,text/csv" onText={take}>
          Bring a CSV in
        </PickFile>
        <Button look="quiet" onClick={() => void out()} disabled={book.applications.length === 0}>
          Save as CSV
        </Button>
      </Box>
      <Note>Columns: date, site, zone, product, amount, person, note. The amount is the zone&apos;s total, or a rate.</Note>
      {said?.brought && (
        <Notice state="plain">
          {`${said.file}: ${said.brought.added} put on record${said.brought.known > 0 ? `, ${said.brought.known} known already` : ""}.`}
        </Notice>
      )}
      {said?.issues?.map((issue) => (
        <Notice key={issue.path + issue.code} state="stop">
          {lineFor(issue)}
        </Notice>
      ))}
    </Box>
  );
}
