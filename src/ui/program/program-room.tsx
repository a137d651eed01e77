"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useState } from "react";
import { parseField } from "@/core/quantity/ranges";
import { capital } from "@/core/words/capital";
import { rateField } from "@/core/quantity/ranges";
import { DEGREES } from "@/core/quantity/typed";
import { turfsOf } from "@/formats/card/says";
import type { ProgramText } from "@/formats/season/program";
import { useKept } from "../data/kept-here";
import { sentences, useLabels, useSend, useSlice, useReadAgain } from "../data/records";
import { Room } from "../frame/room";
import { Check, Choose, type Option } from "../parts/choose";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { ShelfPick } from "../parts/pickers";
import { DueRounds } from "./due-rounds";
import {
  NO_STATION,
  seriesDraft,
  SeriesFields,
  seriesText,
  seriesWords,
  StationFields,
  type SeriesDraft,
  type StationDraft,
} from "./series-fields";
import { Soil } from "./soil";

/** A round as it is typed. */
interface RoundDraft {
  /** What it is called on record; undefined of a new one. */
  readonly was?: string;
  readonly name: string;
  readonly label: string;
  readonly rate: string;
  readonly turf: string;
  readonly opens: EdgeDraft;
  readonly closes: EdgeDraft;
  readonly afterSeeding: string;
  readonly beforeSeeding: string;
  readonly after: string;
  readonly atLeast: string;
  readonly atMost: string;
}

interface EdgeDraft {
  readonly by: "" | "date" | "soilRisesTo" | "soilFallsTo" | "degreeDays";
  readonly at: string;
}

interface Draft extends SeriesDraft {
  readonly rounds: readonly RoundDraft[];
  readonly stations?: readonly StationDraft[];
  readonly perDay: string;
  /** Days of the week on which there is work, 0 (Sunday) to 6. */
  readonly days: readonly number[];
  /** Of the program that the draft was begun from. */
  readonly revision?: number | undefined;
}

const NEVER: EdgeDraft = { by: "", at: "" };
const BLANK: RoundDraft = {
  name: "",
  label: "",
  rate: "",
  turf: "",
  opens: NEVER,
  closes: NEVER,
  afterSeeding: "",
  beforeSeeding: "",
  after: "",
  atLeast: "",
  atMost: "",
};

/** The firm's program: which product in which window, how long after the last, how far from seed. */
export function ProgramRoom() {
  const program = useSlice("program", {}).value;
  return (
    <Room>
      <Heading>Program</Heading>
      <Note>
        The rounds of a year. A round is due on a site from the day that it opens until it closes, and no sooner after the one
        before it than it says. A product&apos;s own limits hold whatever stands here.
      </Note>
      <ClientOnly>
        <Column gap="24px" marginTop="14px">
          <Row>
            <PageLink href="/sites/program/year">The year and the week, laid out</PageLink>
          </Row>
          <DueRounds here />
          {program && <Soil program={program} />}
          {program && <Editor key={JSON.stringify(program)} program={program} />}
        </Column>
      </ClientOnly>
    </Room>
  );
}

function Editor({ program }: { program: ProgramText }) {
  const [kept, keep] = useKept<Draft>("draft:program");
  const draft = kept ?? draftOf(program);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const [saved, setSaved] = useState(false);
  const send = useSend();
  const readAgain = useReadAgain();
  const change = (next: Partial<Draft>) => {
    setSaved(false);
    keep({ ...draft, ...next });
  };
  const changeStations = (stations: readonly StationDraft[]) => change({ stations });
  const round = (i: number, next: Partial<RoundDraft>) => {
    const was = draft.rounds[i]!.name.trim();
    // What comes after a round still does when the round is called otherwise.
    const follows = (one: RoundDraft) =>
      next.name !== undefined && was !== "" && one.after === was ? { ...one, after: next.name.trim() } : one;
    change({ rounds: draft.rounds.map((one, j) => (j === i ? { ...one, ...next } : follows(one))) });
  };
  const save = async () => {
    const result = await send("/api/settings/program", programText(draft));
    setTrouble(
      result.ok ? [] : sentences(result.issues).map((words, i) => `${placeWords(result.issues[i]!.path, draft)}: ${words}`),
    );
    setSaved(result.ok);
    if (result.ok) keep(undefined);
    else if (result.issues.some((issue) => issue.code === "changed-meanwhile")) {
      // Once it was told, the newer one is saved over knowingly.
      await readAgain();
      keep({ ...draft, revision: undefined });
    }
  };
  return (
    <Box as="section" aria-label="Rounds">
      <SubHeading>Rounds</SubHeading>
      <Column gap="18px" marginTop="10px">
        {draft.rounds.map((one, i) => (
          <RoundFields
            key={i}
            of={i}
            round={one}
            names={draft.rounds.flatMap((other, j) => (j !== i && other.name.trim() !== "" ? [other.name.trim()] : []))}
            change={(next) => round(i, next)}
            onOut={() => change({ rounds: draft.rounds.filter((_, j) => j !== i) })}
          />
        ))}
        <Box>
          <Button look="quiet" onClick={() => change({ rounds: [...draft.rounds, BLANK] })}>
            Add a round
          </Button>
        </Box>
        <WorkFields perDay={draft.perDay} days={draft.days} change={change} />
        <SeriesFields of={draft} names="" change={change} />
        {(draft.stations ?? []).map((station, i) => (
          <StationFields
            key={i}
            of={i}
            station={station}
            change={(next) => changeStations((draft.stations ?? []).map((one, j) => (j === i ? { ...one, ...next } : one)))}
            onOut={() => changeStations((draft.stations ?? []).filter((_, j) => j !== i))}
          />
        ))}
        <Box>
          <Button look="quiet" onClick={() => changeStations([...(draft.stations ?? []), NO_STATION])}>
            Add a station
          </Button>
          <Note>Where soil warms sooner or later: sites go by the station that is nearest to their gate.</Note>
        </Box>
        {trouble.map((words) => (
          <Notice key={words} state="stop">
            {words}
          </Notice>
        ))}
        <Row flexWrap="wrap">
          <Button look="act" onClick={() => void save()}>
            Save the program
          </Button>
          {kept && (
            <Button look="quiet" onClick={() => keep(undefined)}>
              Leave it as it was
            </Button>
          )}
          <Box role="status" alignSelf="center" fontWeight="700">
            {saved && "✓ Saved"}
          </Box>
        </Row>
      </Column>
    </Box>
  );
}

const WORKING = [1, 2, 3, 4, 5];
const WEEKDAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];

/** What the firm does in a day, and on which days. */
function WorkFields({ perDay, days, change }: Pick<Draft, "perDay" | "days"> & { change: (next: Partial<Draft>) => void }) {
  return (
    <Box as="fieldset" border="none" borderTop="1px solid" borderColor="line" paddingTop="8px" aria-label="A day's work">
      <Box maxW="320px">
        <TextField
          label="A day's work, all lawns together"
          placeholder="60,000 sq ft"
          quantity="zoneArea"
          hint="empty: a day takes all that is due"
          value={perDay}
          onChange={(e) => change({ perDay: e.target.value })}
        />
      </Box>
      <Row flexWrap="wrap" gap="0 18px">
        {[1, 2, 3, 4, 5, 6, 0].map((day) => (
          <Check
            key={day}
            checked={days.includes(day)}
            onChange={(e) => change({ days: (e.target.checked ? [...days, day] : days.filter((one) => one !== day)).sort() })}
          >
            {WEEKDAYS[day]}
          </Check>
        ))}
      </Row>
    </Box>
  );
}

interface FieldsProps {
  readonly of: number;
  readonly round: RoundDraft;
  /** The other rounds. */
  readonly names: readonly string[];
  readonly change: (next: Partial<RoundDraft>) => void;
  readonly onOut: () => void;
}

const EDGES: readonly Option<EdgeDraft["by"]>[] = [
  ["", "–"],
  ["date", "a day of the year"],
  ["soilRisesTo", "the soil rises to"],
  ["soilFallsTo", "the soil falls to"],
  ["degreeDays", "degree days reach"],
];

function RoundFields({ of, round, names, change, onOut }: FieldsProps) {
  const labels = useLabels();
  const card = labels.find((one) => one.id === round.label)?.card;
  const turfs = [...new Set(labels.flatMap((label) => turfsOf(label.card)))].sort();
  const n = of + 1;
  return (
    <Box as="fieldset" border="none" borderTop="1px solid" borderColor="line" paddingTop="8px" aria-label={`Round ${n}`}>
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr 1fr" }}>
        <TextField
          label={`Round ${n}`}
          placeholder="first half"
          value={round.name}
          onChange={(e) => change({ name: e.target.value })}
        />
        <ShelfPick label="Product" value={round.label} onPick={(label) => change({ label })} />
        <TextField
          label="Rate"
          quantity={card && rateField(card.form)}
          placeholder={card?.form === "liquid" ? "2 fl oz/1000 ft2" : "3 lb/1000 ft2"}
          hint={card?.rates[0] && `label: ${[card.rates[0].rate, card.rates[0].to].filter(Boolean).join(" to ")}`}
          value={round.rate}
          onChange={(e) => change({ rate: e.target.value })}
        />
        <TextField
          label="On which turf"
          placeholder="any"
          list={`turfs-${n}`}
          value={round.turf}
          onChange={(e) => change({ turf: e.target.value })}
        />
        <datalist id={`turfs-${n}`}>
          {turfs.map((turf) => (
            <option key={turf} value={turf} />
          ))}
        </datalist>
        <EdgeFields says="Opens" edge={round.opens} change={(opens) => change({ opens })} />
        <EdgeFields says="Closes" edge={round.closes} change={(closes) => change({ closes })} />
        <Choose
          label="After the round"
          value={round.after}
          options={[["", "none"], ...names.map((name): Option => [name, name])]}
          onPick={(after) => change({ after })}
        />
        {round.after !== "" && (
          <>
            <Days label="at least" value={round.atLeast} set={(atLeast) => change({ atLeast })} />
            <Days label="at most" value={round.atMost} set={(atMost) => change({ atMost })} />
          </>
        )}
        <Days label="Not until after seeding" value={round.afterSeeding} set={(afterSeeding) => change({ afterSeeding })} />
        <Days label="Not before planned seed" value={round.beforeSeeding} set={(beforeSeeding) => change({ beforeSeeding })} />
      </Box>
      <Button look="quiet" onClick={onOut}>
        Take round {n} out
      </Button>
    </Box>
  );
}

const EXAMPLES = { date: "03-01", soilRisesTo: "50 F", soilFallsTo: "70 F", degreeDays: "150 over 50 F from 02-15" };

function EdgeFields({ says, edge, change }: { says: string; edge: EdgeDraft; change: (edge: EdgeDraft) => void }) {
  return (
    <Row gap="8px" alignItems="flex-end">
      <Choose label={says} value={edge.by} options={EDGES} onPick={(by) => change({ by, at: "" })} />
      {edge.by !== "" && (
        <TextField
          label={edge.by === "date" ? "on" : "at"}
          quantity={edge.by === "soilRisesTo" || edge.by === "soilFallsTo" ? DEGREES : undefined}
          placeholder={EXAMPLES[edge.by]}
          value={edge.at}
          onChange={(e) => change({ ...edge, at: e.target.value })}
        />
      )}
    </Row>
  );
}

const Days = ({ label, value, set }: { label: string; value: string; set: (value: string) => void }) => (
  <TextField label={label} placeholder="60 days" value={value} onChange={(e) => set(e.target.value)} />
);

const edgeDraft = (edge: ProgramText["rounds"][number]["opens"]): EdgeDraft => {
  const by = (["date", "soilRisesTo", "soilFallsTo", "degreeDays"] as const).find((key) => edge?.[key] !== undefined);
  return by ? { by, at: edge![by]! } : NEVER;
};

const draftOf = ({ rounds, stations = [], work, "x-revision": revision, ...own }: ProgramText): Draft => ({
  ...seriesDraft(own),
  revision,
  stations: stations.map((station) => ({ name: station.name, ...seriesDraft(station) })),
  perDay: work?.perDay ?? "",
  days: work?.days ?? WORKING,
  rounds: rounds.map((round) => ({
    was: round.name,
    name: round.name,
    label: round.label,
    rate: round.rate ?? "",
    turf: round.turf ?? "",
    opens: edgeDraft(round.opens),
    closes: edgeDraft(round.closes),
    afterSeeding: round.afterSeeding ?? "",
    beforeSeeding: round.beforeSeeding ?? "",
    after: round.after?.round ?? "",
    atLeast: round.after?.atLeast ?? "",
    atMost: round.after?.atMost ?? "",
  })),
});

/** An area as a file writes it; what can't be read goes as it was typed, and the server says what is wrong with it. */
const groundText = (typed: string): string => {
  const read = parseField("zoneArea", typed);
  return read.ok ? read.value.text : typed;
};

/** What was typed as it is sent: a bare number of days is days. */
function programText({ rounds, stations = [], perDay, days: weekdays, revision, ...own }: Draft): unknown {
  const given = (key: string, text: string) => (text.trim() === "" ? {} : { [key]: text.trim() });
  const days = (key: string, text: string) => given(key, /^\d+$/.test(text.trim()) ? `${text.trim()} days` : text);
  const edge = (key: string, { by, at }: EdgeDraft) => (by === "" ? {} : { [key]: { [by]: at.trim() } });
  return {
    rounds: rounds.map((round) => ({
      ...given("name", round.name),
      ...(round.was !== undefined && round.was !== round.name.trim() && { "x-was": round.was }),
      ...given("label", round.label),
      ...given("rate", round.rate),
      ...given("turf", round.turf),
      ...edge("opens", round.opens),
      ...edge("closes", round.closes),
      ...days("afterSeeding", round.afterSeeding),
      ...days("beforeSeeding", round.beforeSeeding),
      ...(round.after !== "" && {
        after: { round: round.after, ...days("atLeast", round.atLeast), ...days("atMost", round.atMost) },
      }),
    })),
    ...seriesText(own),
    ...(revision !== undefined && { "x-revision": revision }),
    ...(stations.length > 0 && { stations: stations.map((station) => ({ name: station.name.trim(), ...seriesText(station) })) }),
    ...((perDay.trim() !== "" || weekdays.join() !== WORKING.join()) && {
      work: { ...given("perDay", groundText(perDay)), days: weekdays },
    }),
  };
}

/** Where a fault is, as the screen calls it. */
function placeWords(path: string, { rounds, stations = [] }: Draft): string {
  const round = /^rounds\[(\d+)\]\.?(.*)$/.exec(path);
  if (round)
    return `${rounds[Number(round[1])]?.name.trim() || `round ${Number(round[1]) + 1}`}${round[2] ? `, ${FIELD_WORDS[round[2]] ?? round[2]}` : ""}`;
  const station = /^stations\[(\d+)\]\.?(.*)$/.exec(path);
  if (station) {
    const name = stations[Number(station[1])]?.name.trim() || `station ${Number(station[1]) + 1}`;
    return `${name}${station[2] ? `, ${seriesWords(station[2])}` : ""}`;
  }
  if (path.startsWith("work")) return "A day's work";
  return capital(seriesWords(path));
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  name: "its name",
  label: "its product",
  rate: "its rate",
  "opens.date": "opens",
  "opens.soilRisesTo": "opens",
  "opens.soilFallsTo": "opens",
  "opens.degreeDays": "opens",
  "closes.degreeDays": "closes",
  "closes.date": "closes",
  "closes.soilRisesTo": "closes",
  "closes.soilFallsTo": "closes",
  afterSeeding: "after seeding",
  beforeSeeding: "before seed",
  "after.round": "after the round",
  "after.atLeast": "at least",
  "after.atMost": "at most",
};
