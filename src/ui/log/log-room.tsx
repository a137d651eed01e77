"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { useState } from "react";
import { readAmountOf } from "@/core/contents";
import type { ApplicationEntry } from "@/formats/book";
import { sentences, useBook } from "../data/book";
import { useInHand } from "../data/in-hand";
import { useSaveOnce } from "../data/save-id";
import { rateWords } from "../labels/words";
import { Room } from "../frame/room";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { download } from "../parts/download";
import { TwoSides } from "../parts/keeper";
import { AskWhy } from "../parts/ask-why";
import { FirstThing, Notice } from "../parts/notices";
import { TakeFile } from "../parts/take-file";
import { Stamp } from "../parts/stamp";
import { Enter } from "./enter";

/** What went down: by hand, from a poured sheet, or from a file. Nothing here is edited; a correction names what it corrects. */
export function LogRoom() {
  const { book, read } = useBook();
  const [correcting, setCorrecting] = useState<ApplicationEntry>();
  const [times, setTimes] = useState(0);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const saveOnce = useSaveOnce();
  const corrected = new Set(book.applications.map((a) => a.corrects));
  /** The record that is to be struck, and of which it has to be said why. */
  const [asked, setAsked] = useState<string>();
  const undo = async (entry: ApplicationEntry, why?: string) => {
    const content = { corrects: entry.id, ...(why !== undefined && { why }) };
    const result = await saveOnce("/api/applications/void", `void:${entry.id}`, content);
    const needsWhy = !result.ok && result.issues.some((issue) => issue.code === "reason-needed");
    setAsked(needsWhy ? entry.id : undefined);
    setTrouble(result.ok || needsWhy ? [] : sentences(result.issues));
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
                onWhy={asked === entry.id ? (why) => void undo(entry, why) : undefined}
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
  /** It was poured by its sheet: striking it needs what became of it. */
  readonly onWhy: ((why: string) => void) | undefined;
}

function Record({ entry, old, onCorrect, onUndo, onWhy }: RecordProps) {
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
              entry.why,
              entry.alsoOn && `counts on ${entry.alsoOn} too`,
              entry.calledNow && `${entry.calledNow} now`,
              entry.activesNow && `counts as ${entry.activesNow.map((a) => `${a.name} ${a.content}`).join(", ")}`,
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
      {onWhy && <AskWhy label="It was ticked as poured. What became of it?" press="It never went down" onSay={onWhy} />}
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
  const out = async () => {
    const { logToCsv } = await import("@/formats/log-csv");
    const site = (id: string) => book.sites.find((s) => s.id === id)?.site.name ?? "";
    const person = (id: string) => book.people.find((p) => p.id === id)?.name ?? "";
    download("log.csv", logToCsv(book.applications, { site, person }), "text/csv");
  };
  return (
    <Box display="grid" gap="8px" marginTop="18px">
      <Box>
        <Button look="quiet" onClick={() => void out()} disabled={book.applications.length === 0}>
          Save as CSV
        </Button>
      </Box>
      <TakeFile kind="log" label="Log as CSV" accept=".csv,text/csv">
        Bring a CSV in
      </TakeFile>
      <Note>Columns: date, site, zone, product, amount, person, note. The amount is the zone&apos;s total, or a rate.</Note>
    </Box>
  );
}
