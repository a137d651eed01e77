"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Issue } from "@/core/issue";
import type { Sheet } from "@/formats/entries";
import type { OutcomeText } from "@/formats/job-file/types";
import type { SheetPlan } from "@/formats/sheet-plan";
import { todayDate } from "../data/clock";
import { useKept } from "../data/kept-here";
import { sentences, usePeople, useSend } from "../data/records";
import { useLots } from "./lots";
import { closedToday } from "../after/wash-first";
import { FactFields, factsOf, type Told } from "../log/fact-fields";
import { AskRest, type Where } from "./ask-rest";
import { AskWhy } from "../parts/ask-why";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { HowItEnded, type Ended } from "./how-it-ended";
import { LawMissing } from "./law-missing";
import type { LoadsTold } from "./told-loads";

// What was different needs the reader of a whole job and the reconciliation: fetched when somebody says so.
const Different = dynamic(() => import("./different").then((m) => m.Different), { ssr: false });

interface CloseProps {
  readonly sheet: Sheet;
  readonly worked: SheetPlan;
  readonly held: boolean;
  /** All of it is done: this is what comes next. */
  readonly ready?: boolean;
  readonly onClosed: () => void;
}

/** What has to be said before a sheet is closed so. */
type How = "record" | "withdraw";

interface Closing {
  readonly why?: string;
  /** Where what was poured and didn't go down is. */
  readonly rest?: { readonly what: Where; readonly says: string };
  /** The sites on which nothing went down. */
  readonly nothing?: readonly string[];
  /** All of it went down, though not every step is ticked. */
  readonly all?: boolean;
  readonly outcome?: readonly OutcomeText[];
}

/** Puts a sheet on record or withdraws it, and what has to be asked first. */
function useClosing(id: string, date: string, told: Told, lots: readonly (string | null)[], onClosed: () => void) {
  const send = useSend();
  const [trouble, setTrouble] = useState<readonly Issue[]>([]);
  const [asked, setAsked] = useState<{ readonly how: How; readonly more: Closing; readonly wants: string | undefined }>();
  const close = async (how: How, more: Closing = {}) => {
    const facts = factsOf(told);
    const record = {
      date,
      ...more,
      ...(Object.keys(facts).length > 0 && { facts }),
      ...(lots.some((lot) => lot !== null) && { lots }),
    };
    const said = how === "record" ? record : more.rest ? { what: more.rest.what, became: more.rest.says } : {};
    const result = await send(`/api/sheets/${encodeURIComponent(id)}/${how}`, said);
    const issues = result.ok ? [] : result.issues;
    const wants = issues.find((issue) => issue.code === "reason-needed" && issue.path !== "all");
    setAsked(wants || issues.some((issue) => issue.path === "all") ? { how, more, wants: wants?.path } : undefined);
    setTrouble(issues);
    if (!result.ok) return;
    if (how === "record") closedToday();
    onClosed();
  };
  return { close, trouble, asked, calm: () => setTrouble([]), forget: () => setAsked(undefined) };
}

/** What becomes of a sheet: on record as sprayed, or withdrawn. Until then it counts as planned. */
export function CloseSheet({ sheet, worked, held, ready = false, onClosed }: CloseProps) {
  const { id } = sheet;
  const day = sheet.run !== null;
  const people = usePeople();
  const [date, setDate] = useState(todayDate());
  const [told = {}, setTold] = useKept<Told>(`facts:${id}`);
  const [different, setDifferent] = useKept<LoadsTold>(`outcome:${id}`);
  /** The one number of another end: kept beside what is entered per tank, so that neither counts with the other. */
  const [single, setSingle] = useKept<LoadsTold>(`outcome:${id}:one`);
  const [ended = different && "each", setEnded] = useKept<Ended>(`ended:${id}`);
  const lots = useLots(id, sheet.job.products ?? []);
  const closing = useClosing(id, date, told, lots.told, () => {
    setTold(undefined);
    lots.forget();
    setDifferent(undefined);
    setSingle(undefined);
    setEnded(undefined);
    onClosed();
  });
  const { close, forget } = closing;
  return (
    <Column className="no-print" as="section" aria-label="Closing the sheet" gap="10px">
      {day ? (
        <SubHeading>{ready ? "All done: put it on record" : "When it is sprayed"}</SubHeading>
      ) : (
        <Heading as="h2">{ready ? "How did it end?" : "When it is sprayed: how did it end?"}</Heading>
      )}
      {(day || held) && <Note>{intro(held)}</Note>}
      {!day && <HowItEnded ended={ended} onEven={() => void close("record")} onPick={setEnded} />}
      {ended && (
        <Different
          worked={worked}
          ended={ended}
          told={(ended === "each" ? different : single) ?? {}}
          set={ended === "each" ? setDifferent : setSingle}
          onRecord={(outcome) => void close("record", { outcome })}
        />
      )}
      <Row alignItems="flex-end" flexWrap="wrap">
        <Box width="190px">
          <TextField
            label="Sprayed on"
            type="date"
            max={todayDate()}
            value={date}
            onChange={(e) => {
              setDate(e.target.value);
              forget();
            }}
          />
        </Box>
        {day && (
          <Button look={ready ? "act" : "plain"} onClick={() => void close("record")}>
            Put on record
          </Button>
        )}
        {!day && (
          <Button
            aria-pressed={ended === "each"}
            onClick={() => {
              setEnded(ended === "each" ? undefined : "each");
              setDifferent(ended === "each" ? undefined : (different ?? {}));
            }}
          >
            Entered per tank
          </Button>
        )}
        <Button look="stop" onClick={() => void close("withdraw")}>
          Nothing was sprayed: void the sheet
        </Button>
      </Row>
      <LawMissing job={sheet.job} person={people.find((p) => p.id === sheet.personId)} date={date} />
      <Fold title="For the record: times, weather, what it was against" begun={Object.keys(told).length > 0}>
        <FactFields told={told} set={setTold} without="lot" />
      </Fold>
      <Asks sheet={sheet} closing={closing} />
    </Column>
  );
}

interface AsksProps {
  readonly sheet: Sheet;
  readonly closing: ReturnType<typeof useClosing>;
}

/** What has to be said before a sheet is closed so: whether all of it was applied, why, what became of the rest. */
function Asks({ sheet, closing: { close, trouble, asked, calm } }: AsksProps) {
  const unticked = trouble.find((issue) => issue.path === "all");
  return (
    <>
      {unticked && (
        <Unticked
          said={unticked.received}
          nothingOn={untoldIn(sheet, asked?.more.outcome)}
          onAll={() => void close("record", { ...asked?.more, all: true })}
          onNothing={(nothing) => void close("record", { ...asked?.more, nothing })}
          onLeave={calm}
          day={sheet.run !== null}
        />
      )}
      {sentences(trouble.filter((issue) => issue !== unticked)).map((text) => (
        <Notice key={text} state={asked?.wants ? "act" : "stop"}>
          {text}
        </Notice>
      ))}
      {asked?.wants === "why" && (
        <AskWhy
          label="Why?"
          placeholder="sprayed that day, written up later"
          press="Put on record"
          onSay={(why) => void close("record", { ...asked.more, why })}
        />
      )}
      {asked?.wants === "rest" && (
        <AskRest
          label="Where is what wasn't applied?"
          of={["left", "disposed", "unaccounted"]}
          press="Put on record"
          onSay={(what, says) => void close("record", { ...asked.more, rest: { what, says } })}
        />
      )}
      {asked?.wants === "became" && (
        <AskRest
          label="A product was ticked as poured. What became of it?"
          of={["never-opened", "left", "disposed", "unaccounted"]}
          press="None of it was sprayed: void the sheet"
          onSay={(what, says) => void close("withdraw", { rest: { what, says } })}
        />
      )}
    </>
  );
}

const intro = (held: boolean): string =>
  held
    ? "If it was applied all the same, put it on record: what follows is held by it. Else void the sheet."
    : "When every stop is done or skipped, put the day on record. Until then it counts as planned.";

/** The sites of a sheet of which nothing was told, where others were. */
const untoldIn = ({ job }: Sheet, outcome: readonly OutcomeText[] | undefined): readonly string[] =>
  outcome === undefined
    ? []
    : (job.sites ?? []).map((site) => site.name).filter((name) => !outcome.some((entry) => entry.site === name));

interface UntickedProps {
  readonly said: string;
  /** The sites of which it may be said that nothing went down there. */
  readonly nothingOn: readonly string[];
  readonly onNothing: (sites: readonly string[]) => void;
  readonly day: boolean;
  readonly onAll: () => void;
  readonly onLeave: () => void;
}

function Unticked({ said, nothingOn, day, onAll, onNothing, onLeave }: UntickedProps) {
  return (
    <Notice state="act">
      {said.charAt(0).toUpperCase() + said.slice(1)}: was it all poured and sprayed?
      <Row alignItems="stretch" gap="8px 12px" flexWrap="wrap" marginTop="8px">
        <Button onClick={onAll}>Yes, all of it was applied</Button>
        {nothingOn.length > 0 && (
          <Button onClick={() => onNothing(nothingOn)}>Nothing was applied on {nothingOn.join(", ")}</Button>
        )}
        <Button look="quiet" onClick={onLeave}>
          No: leave it open
        </Button>
      </Row>
      <Note>Nothing was sprayed: void the sheet.{!day && " A part was: press “Entered per tank” and say which loads."}</Note>
    </Notice>
  );
}
