"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import { PageLink } from "../parts/page-link";
import { Fragment, Suspense, useState, type ReactNode } from "react";
import { areaAsRead, rateAsRead } from "@/core/working/as-read";
import { readAmountOf } from "@/core/mixing/display";
import type { ApplicationEntry, AsideEntry, BrokenEntry } from "@/formats/entries";
import type { Cursor, LogAsked, Page } from "@/formats/slices";
import { sentences, useRead, useSlice } from "../data/records";
import { useAddress, useOpen } from "../data/addressed";
import { useInHand } from "../data/in-hand";
import { useSystem } from "../data/units";
import { useSaveOnce } from "../data/save-id";
import { Room } from "../frame/room";
import { Button, Note } from "../parts/controls";
import { AskWhy } from "../parts/ask-why";
import { FirstThing, Notice } from "../parts/notices";
import { More } from "../parts/more";
import { SetAside } from "../parts/set-aside";
import { Stamp } from "../parts/stamp";
import { Booked } from "./booked";
import { beforeOf, Enter } from "./enter";
import { LogSearch } from "./log-search";
import { LogFiles } from "./log-files";
import { Totals } from "./totals";
import { factsLine } from "./facts-line";
import { lackingWords } from "../mix/law-missing";
import { lookPath } from "../looks/look-words";
import { missingOfEntry } from "@/formats/missing";
import { Row } from "../parts/layout";
import { RoomHead } from "../parts/room-head";

/** What went down: by hand, from a poured sheet, or from a file. Nothing here is edited; a correction names what it corrects. */
export function LogRoom() {
  return (
    <Suspense>
      <OfAddress />
    </Suspense>
  );
}

/** The log that the address asks for: of another site it begins anew. */
function OfAddress() {
  const [says] = useAddress();
  const site = says("site");
  return <Log key={site} site={site} />;
}

function Log({ site }: { site: string | undefined }) {
  const known = useRead("firm", "people", "labels");
  const read = useInHand().read && known;
  const { adding, add, close } = useOpen();
  const [query, setQuery] = useState<LogAsked>(site === undefined ? {} : { site });
  const { value: first, aside } = useSlice("log", query);
  const looking = Object.keys(query).length > 0;
  if (adding)
    return (
      <Room>
        <RoomHead title="Add a record" back={{ words: "Log", go: close }} />
        <Box maxW="760px">
          <ClientOnly>{read && <Enter corrects={undefined} onDone={close} />}</ClientOnly>
        </Box>
      </Room>
    );
  return (
    <Room>
      <RoomHead title="Log">
        <Button onClick={add}>+ Record</Button>
      </RoomHead>
      <Booked />
      {first && first.rows.length === 0 && !looking && (
        <FirstThing>
          Nothing on record. Add what was applied this year, or put a poured mix sheet on record: a limit counts only what it
          knows.
        </FirstThing>
      )}
      {(looking || (first && first.rows.length > 0)) && <LogSearch asked={query} set={setQuery} />}
      {looking && first?.rows.length === 0 && <Note>Nothing of this is on record.</Note>}
      <SetAside rows={aside} mend={(row) => row.record && <WriteAnew row={row} record={row.record} />} />
      {first && (
        <Box as="ul" listStyleType="none" aria-label="Applied">
          <Records key={JSON.stringify(query)} page={first} query={query} before="" />
        </Box>
      )}
      {first && (first.rows.length > 0 || looking) && <Totals key={JSON.stringify(query)} asked={query} />}
      <LogFiles any={(first?.rows.length ?? 0) > 0 || looking} asked={query} />
    </Room>
  );
}

/** A record that can't be read counts as the most that its label allows, until it is written anew. */
function WriteAnew({ row, record }: { row: AsideEntry; record: BrokenEntry }) {
  const system = useSystem();
  const [open, setOpen] = useState(false);
  return (
    <Box paddingTop="6px">
      <Note>
        {record.product} on {record.zone}: until it is written anew it counts{" "}
        {record.rate ? `as ${rateAsRead(record.rate, system)}` : "as the most of its label"} there.
      </Note>
      {open ? (
        <Enter corrects={beforeOf(row.id, record)} onDone={() => setOpen(false)} />
      ) : (
        <Button look="quiet" onClick={() => setOpen(true)}>
          Write it anew
        </Button>
      )}
    </Box>
  );
}

interface RecordsProps {
  readonly page: Page<ApplicationEntry>;
  readonly query: LogAsked;
  /** The day that the page before ended with. */
  readonly before: string;
}

/** A page of the log, and, once it is asked for, the next one under it. */
function Records({ page: { rows, next }, query, before }: RecordsProps) {
  const [correcting, setCorrecting] = useState<string>();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const saveOnce = useSaveOnce();
  /** The record that is to be struck, and of which it has to be said why. */
  const [asked, setAsked] = useState<string>();
  const undo = async (entry: ApplicationEntry, why: string) => {
    const result = await saveOnce("/api/applications/void", `void:${entry.id}`, { corrects: entry.id, why });
    setAsked(undefined);
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  const takeBack = async (entry: ApplicationEntry) => {
    const result = await saveOnce("/api/applications/void", `back:${entry.id}`, { corrects: entry.id, back: true });
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  const days = new Map<string, ApplicationEntry[]>();
  for (const one of rows) if (!one.isVoid && !one.corrected) days.set(one.date, [...(days.get(one.date) ?? []), one]);
  return (
    <>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      {rows.map((entry, i) => (
        <Fragment key={entry.id}>
          {entry.date !== (rows[i - 1]?.date ?? before) && <Day date={entry.date} stands={days.get(entry.date) ?? []} />}
          <Record
            entry={entry}
            onCorrect={() => setCorrecting(correcting === entry.id ? undefined : entry.id)}
            onUndo={() => setAsked(asked === entry.id ? undefined : entry.id)}
            onBack={() => void takeBack(entry)}
            onWhy={asked === entry.id ? (why) => void undo(entry, why) : undefined}
          >
            {correcting === entry.id && <Enter key={entry.id} corrects={entry} onDone={() => setCorrecting(undefined)} />}
          </Record>
        </Fragment>
      ))}
      <More
        next={next}
        says="Earlier records"
        around={(button) => (
          <Box as="li" paddingY="10px">
            {button}
          </Box>
        )}
      >
        {(after) => <MoreRecords query={query} after={after} before={rows.at(-1)?.date ?? before} />}
      </More>
    </>
  );
}

function MoreRecords({ query, after, before }: Pick<RecordsProps, "query" | "before"> & { after: Cursor }) {
  const { value: page, aside } = useSlice("log", { ...query, after });
  if (!page) return null;
  return (
    <>
      <SetAside rows={aside} mend={(row) => row.record && <WriteAnew row={row} record={row.record} />} />
      <Records page={page} query={query} before={before} />
    </>
  );
}

/** As many sites of a day as are named. */
const NAMED = 4;

/** A day of work: its date, and the sites of what stands. */
function Day({ date, stands }: { date: string; stands: readonly ApplicationEntry[] }) {
  const sites = [...new Set(stands.map((e) => e.site))];
  return (
    <Box
      as="li"
      display="flex"
      gap="4px 14px"
      alignItems="baseline"
      flexWrap="wrap"
      paddingTop="16px"
      borderBottom="3px double"
      borderColor="ink"
    >
      <chakra.strong fontSize="1.0625rem">{format(new Date(`${date}T12:00:00`), "EEE d MMM yyyy")}</chakra.strong>
      <Box textStyle="note" color="soft">
        {sites.slice(0, NAMED).join(", ")}
        {sites.length > NAMED && ` and ${sites.length - NAMED} more`}
      </Box>
    </Box>
  );
}

const FROM = { hand: "by hand", sheet: "from its sheet", file: "from a file" } as const;

interface RecordProps {
  readonly entry: ApplicationEntry;
  readonly onCorrect: () => void;
  readonly onUndo: () => void;
  /** It was struck by mistake. */
  readonly onBack: () => void;
  /** It is to be struck: why? */
  readonly onWhy: ((why: string) => void) | undefined;
  /** Its correction, where it is being made. */
  readonly children?: ReactNode;
}

function Record({ entry, onCorrect, onUndo, onBack, onWhy, children }: RecordProps) {
  const system = useSystem();
  const { site, person, corrected: old } = entry;
  const stands = !old && !entry.isVoid;
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" padding="8px 0">
      <Row justifyContent="space-between" alignItems="flex-start" flexWrap="wrap">
        <Box flex="1 1 260px" minW={0} textDecoration={stands ? "none" : "line-through"}>
          <Box textStyle="strong">{entry.product}</Box>
          <Box fontFamily="reading">
            {readAmountOf(entry.total, system)} · {rateAsRead(entry.rate, system)}
          </Box>
          <Box textStyle="note" color="soft">
            {[
              `${site}, ${entry.zone}`,
              entry.covered !== entry.area && `on ${areaAsRead(entry.covered, system)} of it`,
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
          {entry.was && (
            <Box textStyle="note" fontWeight="700" color="act">
              ! Corrected: before it was {entry.was}
            </Box>
          )}
          {entry.facts && (
            <Box textStyle="note" color="soft">
              {factsLine(entry.facts)}
            </Box>
          )}
          {stands &&
            missingOfEntry(entry).map((lacking) => (
              <Box key="law" textStyle="note" fontWeight="700" color="act">
                ! {lackingWords(lacking, person ?? "who sprayed")}
              </Box>
            ))}
        </Box>
        {stands ? (
          <Row gap="4px 12px" flexWrap="wrap">
            <PageLink href={lookPath({ recordId: entry.id })} aria-label={`Rate result of ${entry.product}, ${entry.date}`}>
              Rate result
            </PageLink>
            <Button look="quiet" aria-label={`Correct ${entry.product}, ${entry.date}`} onClick={onCorrect}>
              Correct
            </Button>
            <Button look="quiet" aria-label={`${entry.product}, ${entry.date}, void record`} onClick={onUndo}>
              Void record
            </Button>
          </Row>
        ) : (
          <Row gap="8px">
            <Stamp state="act">{entry.isVoid && !old ? "void" : "corrected"}</Stamp>
            {entry.isVoid && !old && (
              <Button look="quiet" aria-label={`${entry.product}, ${entry.date}, restore`} onClick={onBack}>
                Restore
              </Button>
            )}
          </Row>
        )}
      </Row>
      {children && <Box paddingY="10px">{children}</Box>}
      {onWhy && (
        <AskWhy
          label="Nothing of it counts any more. Why is it void?"
          placeholder="rained off; entered twice"
          press="Void the record"
          onSay={onWhy}
        />
      )}
      {entry.corrects !== null && !entry.isVoid && (
        <chakra.span textStyle="small" color="soft">
          corrects an earlier record
        </chakra.span>
      )}
    </Box>
  );
}
