"use client";

import { Box } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { overlapsIn, TOUCHING } from "@/core/area/overlap";
import { areaRelative, TAPE_WINS_UNDER } from "@/core/area/uncertainty";
import type { Issue, Result } from "@/core/issue";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { writeNumber } from "@/core/quantity/format";
import { valueIn } from "@/core/quantity/quantity";
import { read, type System } from "@/core/working/units";
import { MOST_BYTES, sizeFault } from "@/formats/area/decode";
import { cutOut, withCorner, type BrokenFound, type MapFound, type RingFound } from "@/formats/area/map-in";
import type { MeasuredText } from "@/formats/area/types";
import type { MapDoor } from "@/workers/map.worker";
import { sentences } from "../data/records";
import { useSystem } from "../data/units";
import { useWorker } from "../data/worker";
import { Check, Choose, type Option } from "../parts/choose";
import { Button, Note, Reading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";
import { areaText, plusMinus } from "./measured-words";
import { Plan } from "./plan";
import { WalkRing } from "./walk-ring";

/** A zone that is taken from a map. */
export interface TakenZone {
  readonly name: string;
  readonly area: string;
  readonly measured: MeasuredText;
}

interface Choice {
  readonly name: string;
  readonly take: boolean;
  /** The number of the ring that it is cut out of. */
  readonly cut: number | null;
}

type State =
  | { readonly is: "none" }
  | { readonly is: "looking"; readonly file: string }
  | { readonly is: "refused"; readonly file: string; readonly issues: readonly Issue[] }
  | { readonly is: "found"; readonly file: string; readonly found: MapFound; readonly choices: readonly Choice[] };

/** A map or a walk brought in: looked at in a worker, drawn, its rings picked and named before anything is taken. */
export function MapTake({ onTake }: { onTake: (zones: readonly TakenZone[]) => void }) {
  const [state, setState] = useState<State>({ is: "none" });
  const [text, setText] = useState("");
  const system = useSystem();
  const stop = useReader(setState);
  const look = (name: string, file: Blob) => {
    // What is too large is not even read into memory.
    const large = sizeFault(file.size);
    if (large) setState({ is: "refused", file: name, issues: [large] });
    else stop.start(name, () => file.arrayBuffer());
  };
  return (
    <Column
      as="section"
      aria-label="From a map"
      gap="10px"
      paddingTop="8px"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        const file = e.dataTransfer.files[0];
        if (file) look(file.name, file);
      }}
    >
      <Note>
        GeoJSON, KML or a walked GPX, {MOST_BYTES / 1e6} MB at most: pick it, drop it here, or paste its text. A phone&apos;s walk
        is worth a tape from some {tapeWins(system)} on; under that the tape wins.
      </Note>
      <Row flexWrap="wrap" gap="10px" alignItems="flex-end">
        <PickFile
          label="Map file"
          accept=".geojson,.json,.kml,.gpx,application/geo+json"
          onFile={(file) => look(file.name, file)}
        >
          Pick a file
        </PickFile>
        <Box flex="1 1 200px">
          <TextField label="or paste it" value={text} onChange={(e) => setText(e.target.value)} />
        </Box>
        {text.trim() !== "" && (
          <Button type="button" onClick={() => look("what was pasted", new Blob([text]))}>
            Look at it
          </Button>
        )}
      </Row>
      {state.is !== "found" && (
        <WalkRing onRing={(ring) => setState(foundIn("the walk", { rings: [ring], passedOver: [], broken: [], faults: [] }))} />
      )}
      {state.is === "looking" && (
        <Row gap="12px">
          <Note>Looking at {state.file} …</Note>
          <Button type="button" look="quiet" onClick={stop.stop}>
            Stop
          </Button>
        </Row>
      )}
      {state.is === "refused" &&
        sentences(state.issues.slice(0, 5)).map((words, i) => (
          <Notice key={words} state="stop">
            {state.issues[i]!.path && `${state.issues[i]!.path}: `}
            {words}
          </Notice>
        ))}
      {state.is === "found" && (
        <Found
          found={state.found}
          choices={state.choices}
          set={(choices) => setState({ ...state, choices })}
          onRing={(i, ring) =>
            setState({ ...state, found: { ...state.found, rings: state.found.rings.map((one, j) => (j === i ? ring : one)) } })
          }
          onMend={(broken, ring) => {
            const name = `zone ${state.found.rings.length + 1}`;
            const rest = state.found.broken.filter((one) => one !== broken);
            const found = { ...state.found, broken: rest, rings: [...state.found.rings, { ...ring, name }] };
            setState({ ...state, found, choices: [...state.choices, { name, take: true, cut: null }] });
          }}
          onTake={(zones) => {
            onTake(zones);
            setState({ is: "none" });
          }}
        />
      )}
    </Column>
  );
}

/** What was found, all of it to be taken until somebody says otherwise. */
const foundIn = (file: string, found: MapFound): State => ({
  is: "found",
  file,
  found,
  choices: found.rings.map(({ name }): Choice => ({ name, take: true, cut: null })),
});

/** From which size on a walk is worth a tape, in round figures. */
function tapeWins(system: System): string {
  const [unit, words] = system === "us" ? (["ft2", "sq ft"] as const) : (["m2", "m²"] as const);
  return `${writeNumber(valueIn(fromCanonical<"area">(TAPE_WINS_UNDER), unit), { figures: 2 })} ${words}`;
}

/** Has a file read in a worker of its own, which ends with the screen or when it is told to. */
function useReader(set: (state: State) => void) {
  const { begin, end } = useWorker<MapDoor>();
  const start = (file: string, bytes: () => Promise<ArrayBuffer>) => {
    const refused = () =>
      set({
        is: "refused",
        file,
        issues: [{ path: "", code: "unreadable", received: file, expected: "try again, or another file" }],
      });
    const worker = new Worker(new URL("../../workers/map.worker.ts", import.meta.url), { type: "module" });
    const own = begin(worker, refused);
    set({ is: "looking", file });
    const look = async () => {
      const result: Result<MapFound> = await own.door.read(new Uint8Array(await bytes()));
      if (own.isOver()) return;
      own.end();
      if (!result.ok) return set({ is: "refused", file, issues: result.issues });
      set(foundIn(file, result.value));
    };
    look().catch(() => {
      if (own.isOver()) return;
      own.end();
      refused();
    });
  };
  return {
    start,
    stop: () => {
      end();
      set({ is: "none" });
    },
  };
}

interface FoundProps {
  readonly found: MapFound;
  readonly choices: readonly Choice[];
  readonly set: (choices: readonly Choice[]) => void;
  readonly onRing: (i: number, ring: RingFound) => void;
  readonly onMend: (broken: BrokenFound, ring: RingFound) => void;
  readonly onTake: (zones: readonly TakenZone[]) => void;
}

function Found({ found: { rings, passedOver, broken, faults }, choices, set, onRing, onMend, onTake }: FoundProps) {
  const system = useSystem();
  const worked = useMemo(() => zonesOf(rings, choices), [rings, choices]);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const drawn = useMemo(
    () =>
      rings.map((ring, i) => ({
        key: String(i),
        name: choices[i]!.name,
        polygons: ring.polygons,
        faint: !choices[i]!.take || choices[i]!.cut !== null,
      })),
    [rings, choices],
  );
  const change = (i: number, next: Partial<Choice>) => set(choices.map((one, j) => (j === i ? { ...one, ...next } : one)));
  return (
    <Column gap="10px">
      {broken.map((one) => (
        <BrokenRing key={`${one.issue.path} ${one.issue.received}`} broken={one} system={system} onMend={onMend} />
      ))}
      {sentences(faults).map((words, i) => (
        <Notice key={words} state="stop">
          {faults[i]!.path && `${faults[i]!.path}: `}
          {words}
        </Notice>
      ))}
      <Plan
        label="What was found, north up"
        system={system}
        zones={drawn}
        onCorner={({ zone, ring, corner }, to) => {
          const moved = withCorner(rings[zone]!, ring, corner, to);
          if (moved.ok) onRing(zone, moved.value);
          setTrouble(moved.ok ? [] : sentences(moved.issues));
        }}
      />
      {rings.length > 0 && <Note>A corner that is wrong, of a bad fix for one, can be dragged to where it belongs.</Note>}
      {trouble.map((words) => (
        <Notice key={words} state="stop">
          {words}
        </Notice>
      ))}
      {rings.map((ring, i) => (
        <Ring key={i} {...{ rings, ring, i, choices, change, system }} />
      ))}
      {passedOver.length > 0 && <Note>No ground, and passed over: {passedOver.slice(0, 5).join("; ")}</Note>}
      {worked.issues.length > 0 &&
        sentences(worked.issues).map((words) => (
          <Notice key={words} state="stop">
            {words}
          </Notice>
        ))}
      <Twice zones={worked.zones} system={system} />
      <Box>
        <Button
          type="button"
          disabled={worked.issues.length > 0 || worked.zones.length === 0}
          onClick={() =>
            onTake(
              worked.zones.map((ring) => ({
                name: ring.name,
                area: areaText(fromCanonical<"area">(ring.area), system),
                measured: { by: ring.walked ? "walk" : "map", map: { polygons: ring.polygons } },
              })),
            )
          }
        >
          {worked.zones.length === 1 ? "Take it as a zone" : `Take ${worked.zones.length} zones`}
        </Button>
      </Box>
    </Column>
  );
}

/** As many pairs of zones that lie on one another are told. */
const TOLD = 3;

/** Zones that lie on one another: ground that would be sprayed, and counted, twice. */
function Twice({ zones, system }: { zones: readonly RingFound[]; system: System }) {
  const pairs = useMemo(() => {
    const found: string[] = [];
    for (const { one, other, area, share } of overlapsIn(zones.map(({ polygons }) => polygons))) {
      if (share < TOUCHING) continue;
      const ground = read(fromCanonical<"area">(area), "area", system);
      found.push(`${zones[one]!.name} and ${zones[other]!.name} by ${ground}`);
      if (found.length === TOLD) break;
    }
    return found;
  }, [zones, system]);
  if (pairs.length === 0) return null;
  return (
    <Notice state="act">
      Zones lie on one another: {pairs.join("; ")}. That ground would be counted twice. Cut one out of the other, leave one out,
      or drag the corner that is wrong.
    </Notice>
  );
}

const MENDS: Record<BrokenFound["what"], string> = {
  open: "Keep it, closed by a straight line",
  crossing: "Keep the larger loop of it",
  turned: "Keep it, latitude and longitude the other way round",
  hole: "",
};

/** A ring that is none: where, and what of it may be kept. */
function BrokenRing({ broken, system, onMend }: { broken: BrokenFound; system: System; onMend: FoundProps["onMend"] }) {
  const { what, issue, points, at, mend } = broken;
  return (
    <Box as="section" aria-label={`Fault at ${issue.path || "the ring"}`}>
      <Notice state="stop">
        {issue.path && `${issue.path}: `}
        {sentences([issue])[0]}
      </Notice>
      <Plan label="Where the fault is" system={system} zones={[{ key: "broken", name: "", polygons: [[points]], broken: at }]} />
      {mend ? (
        <Button type="button" look="quiet" onClick={() => onMend(broken, mend)}>
          {MENDS[what]}: {read(fromCanonical<"area">(mend.area), "area", system)}
        </Button>
      ) : (
        <Note>
          {what === "hole"
            ? "What it was meant to leave out nobody knows: put it right where it was drawn, or bring the rest and cut it out here."
            : "Nothing of it makes a piece of ground."}
        </Note>
      )}
    </Box>
  );
}

interface RingProps {
  readonly rings: readonly RingFound[];
  readonly ring: RingFound;
  readonly i: number;
  readonly choices: readonly Choice[];
  readonly change: (i: number, next: Partial<Choice>) => void;
  readonly system: ReturnType<typeof useSystem>;
}

function Ring({ rings, ring, i, choices, change, system }: RingProps) {
  const choice = choices[i]!;
  const area = fromCanonical<"area">(ring.area);
  const others = choices.flatMap((one, j): Option[] => (j !== i && one.take && one.cut === null ? [[String(j), one.name]] : []));
  return (
    <Box as="fieldset" border="none" borderTop="1px solid" borderColor="line" paddingTop="6px">
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr" }}>
        <TextField label={`Name of ${i + 1}`} value={choice.name} onChange={(e) => change(i, { name: e.target.value })} />
        {rings.length > 1 && (
          <Choose
            label="It is"
            of={choice.name}
            value={choice.cut === null ? "" : String(choice.cut)}
            options={[["", "a zone"], ...others.map(([key, name]): Option => [key, `cut out of ${name}`])]}
            onPick={(cut) => change(i, { cut: cut === "" ? null : Number(cut) })}
          />
        )}
      </Box>
      <Check checked={choice.take} onChange={(e) => change(i, { take: e.target.checked })}>
        <span>
          <Reading>{read(area, "area", system)}</Reading> {plusMinus(areaRelative(ring.walked ? "walk" : "map", area))}
          {ring.thinned > 0 && `, ${ring.thinned} points of jitter left out`}
        </span>
      </Check>
      {ring.open !== null && (
        <Notice state="act">
          The walk ends {writeNumber(ring.open * 100, { figures: 2 })} % of its length from where it began: it is closed by a
          straight line. Was a side missed?
        </Notice>
      )}
      {ring.far !== undefined && (
        <Notice state="act">
          It lies {read(fromCanonical<"length">(ring.far), "length", system, { figures: 2 })} from the first one. Is it of this
          site?
        </Notice>
      )}
      {ring.sliver && <Notice state="act">It is hardly wider than a line: is it a piece of ground?</Notice>}
      {ring.walked && ring.area < TAPE_WINS_UNDER && <Note>A lawn of this size is measured better with a tape.</Note>}
    </Box>
  );
}

/** What is taken: zones with what is cut out of them. */
function zonesOf(rings: readonly RingFound[], choices: readonly Choice[]) {
  const issues: Issue[] = [];
  const zones = rings.flatMap((ring, i): RingFound[] => {
    const { take, cut, name } = choices[i]!;
    if (!take || cut !== null) return [];
    return [
      choices.reduce(
        (zone, other, j) => {
          if (other.cut !== i || !other.take) return zone;
          const without = cutOut(zone, { ...rings[j]!, name: other.name });
          if (without.ok) return without.value;
          issues.push(...without.issues.map((issue) => ({ ...issue, path: "" })));
          return zone;
        },
        { ...ring, name },
      ),
    ];
  });
  return { zones, issues };
}
