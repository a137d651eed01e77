"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useState } from "react";
import { swingOf, wetSwath, widthAt } from "@/core/practice/swing";
import { show, writeNumber } from "@/core/quantity/format";
import { valueIn } from "@/core/quantity/quantity";
import { explainAll } from "@/core/working/explain";
import { read, type System } from "@/core/working/units";
import type { AnySource, Source } from "@/core/working/rule";
import type { PracticeText } from "@/formats/practice";
import { useHere } from "../data/here";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { sentences } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { givenTyped } from "@/formats/typed";
import { Typed } from "../calibrate/typed";
import { useWatch, watchText } from "../calibrate/watch";
import { WatchFace } from "../calibrate/watch-face";
import { Button, Lines, Note, SubHeading } from "../parts/controls";
import { Field as Labelled } from "../parts/field";
import { Fact, Facts } from "../parts/fact";
import { Column } from "../parts/layout";
import { FirstThing, Notice } from "../parts/notices";
import { TakeSwath } from "../pattern/take-swath";
import { Drill } from "./drills";
import { PracticeRecord } from "./practice-record";

interface Draft {
  readonly speed: string;
  readonly depth: string;
  readonly width: string;
  readonly height: string;
  readonly height2: string;
  readonly edge: string;
  readonly widths: string;
  /** Swings that were counted, and in how many seconds. */
  readonly swings: number;
  readonly time: string;
}
const blank = (system: System): Draft => ({
  speed: system === "us" ? "3 mph" : "5 km/h",
  depth: system === "us" ? "1 ft" : "30 cm",
  width: "",
  height: "",
  height2: "",
  edge: "",
  widths: "",
  swings: 0,
  time: "",
});

/** The widths of a wet strip, one after another; what is none is named. */
export function widthsOf(text: string): { readonly widths: readonly Source<"length">[]; readonly strange: string | undefined } {
  const parts = text
    .split(/[\n;,]+/)
    .map((part) => part.trim())
    .filter(Boolean);
  const made = parts.map((part, i) => givenTyped("swath", part, `width ${i + 1}`));
  return { widths: made.filter((one) => one !== undefined), strange: parts.find((_, i) => made[i] === undefined) };
}

function workedOut(draft: Draft) {
  const [speed, depth, width, height, height2] = [
    givenTyped("speed", draft.speed, "travel speed"),
    givenTyped("side", draft.depth, "depth of the fan"),
    givenTyped("swath", draft.width, "width"),
    givenTyped("side", draft.height, "height"),
    givenTyped("side", draft.height2, "another height"),
  ];
  const time = givenTyped("walkTime", draft.time, "counted for");
  const swing = draft.swings > 0 && time && speed && depth ? swingOf(time, draft.swings, speed, depth) : undefined;
  const other = width && height && height2 ? widthAt(width, height, height2) : undefined;
  const { widths, strange } = widthsOf(draft.widths);
  const edge = givenTyped("side", draft.edge, "soft edge");
  const wet = widths.length > 0 && edge ? wetSwath(widths, edge) : undefined;
  return { swing, other, wet, strange, width, height, time };
}

/** Arm swing, height and width, and the swath from a wet strip. */
export function SwingRoom() {
  const { system } = useInHand();
  const [kept, keep] = useKept<Draft>("swing");
  const draft = { ...blank(system), ...kept };
  const made = useHere() ? workedOut(draft) : undefined;
  const sources: AnySource[] = [made?.swing?.every, made?.swing?.advance, made?.other, made?.wet].filter(
    (one) => one !== undefined,
  );
  return (
    <Drill
      at="/calibrate/practice/swing"
      title="Swing and swath"
      about="Count your swings, see what the wand's height does to the width, and measure what a strip on pavement really wets."
      working={explainAll(sources, system)}
    >
      <ClientOnly>
        <Column gap="26px" marginTop="14px">
          <Swings draft={draft} change={(next) => keep({ ...draft, ...next })} />
          <Heights draft={draft} change={(next) => keep({ ...draft, ...next })} />
          <WetStrip draft={draft} change={(next) => keep({ ...draft, ...next })} />
          <Kept />
        </Column>
      </ClientOnly>
    </Drill>
  );
}

interface PartProps {
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
}

const GRID = {
  display: "grid",
  gap: "12px",
  gridTemplateColumns: "repeat(auto-fill, minmax(170px, 1fr))",
  marginY: "10px",
} as const;

function Swings({ draft, change }: PartProps) {
  const { system } = useInHand();
  const watch = useWatch("watch:swing");
  const [count, setCount] = useKept<number>("swings");
  const counted = count ?? 0;
  const { swing } = workedOut(draft);
  const end = (timeStamp: number) => {
    const seconds = watch.press(timeStamp);
    setCount(undefined);
    if (seconds !== undefined && counted > 0 && seconds >= 1) change({ swings: counted, time: `${seconds.toFixed(1)} s` });
  };
  return (
    <Box as="section" aria-label="Swings">
      <SubHeading>Swings a minute</SubHeading>
      <Box {...GRID}>
        <Typed label="You walk at" field="speed" value={draft.speed} onChange={(speed) => change({ speed })} />
        <Typed label="The fan wets, along the way" field="side" value={draft.depth} onChange={(depth) => change({ depth })} />
      </Box>
      <WatchFace
        running={watch.running}
        onPress={(timeStamp) => {
          if (!watch.running) return void watch.press(timeStamp);
          setCount(counted + 1);
        }}
        label={watch.running ? "One swing more" : "Begin to count swings"}
        digits={<span>{watch.running ? counted : draft.swings || "0"}</span>}
        says={watch.running ? "Press at the end of each swing, there or back" : "Press, then swing as you walk"}
      />
      {watch.running && (
        <Button look="act" marginTop="8px" onClick={(event) => end(event.timeStamp)}>
          That was the last
        </Button>
      )}
      {swing && (
        <Facts>
          <Fact large name="Swings a minute" value={writeNumber(60 / valueIn(swing.every.value, "s"), { figures: 3 })} />
          <Fact large name="Forward with each" value={read(swing.advance.value, "length", system)} />
          <Fact large name="Each place is swept" value={`${writeNumber(swing.sweeps, { figures: 2 })} times`} />
        </Facts>
      )}
      {swing && swing.sweeps < 1 && (
        <Notice state="act">
          Strips stay dry between swings: swing more often, or walk slower. About three swings to a step is usual.
        </Notice>
      )}
      {draft.swings > 0 && <Note>{`${draft.swings} swings in ${watchText(Number(draft.time.replace(/ s$/, "")))} s`}</Note>}
    </Box>
  );
}

function Heights({ draft, change }: PartProps) {
  const { system } = useInHand();
  const { other, width } = workedOut(draft);
  const off = other && width ? valueIn(other.value, "ft") / valueIn(width.value, "ft") - 1 : undefined;
  return (
    <Box as="section" aria-label="Height">
      <SubHeading>The wand at another height</SubHeading>
      <Box {...GRID}>
        <Typed label="Width" field="swath" placeholder="6 ft" value={draft.width} onChange={(width) => change({ width })} />
        <Typed
          label="at a height of"
          field="side"
          placeholder="20 in"
          value={draft.height}
          onChange={(height) => change({ height })}
        />
        <Typed
          label="and at"
          field="side"
          placeholder="15 in"
          value={draft.height2}
          onChange={(height2) => change({ height2 })}
        />
      </Box>
      {other && off !== undefined && (
        <Box>
          <strong>{read(other.value, "length", system)} wide</strong>: {writeNumber(Math.abs(off) * 100, { figures: 2 })} %{" "}
          {off < 0
            ? `narrower. At the same pace, passes as far apart as before leave dry strips; beside one another they put ${writeNumber((1 / (1 + off) - 1) * 100, { figures: 2 })} % more down.`
            : `wider. Passes as far apart as before overlap; what goes down on the strip is ${writeNumber((1 - 1 / (1 + off)) * 100, { figures: 2 })} % thinner.`}
        </Box>
      )}
      <Note>A Z on the ground means that the arm drops.</Note>
    </Box>
  );
}

function WetStrip({ draft, change }: PartProps) {
  const { system } = useInHand();
  const { wet, strange } = workedOut(draft);
  return (
    <Box as="section" aria-label="A wet strip">
      <SubHeading>The swath from a wet strip on pavement</SubHeading>
      <Box {...GRID}>
        <Labelled
          label="Its width, at several places"
          hint={system === "us" ? "a line each: 6.2 ft" : "a line each: 1.9 m"}
          error={
            strange === undefined ? undefined : `"${strange}" is no width: write e.g. ${system === "us" ? "6.2 ft" : "1.9 m"}`
          }
        >
          {(props) => <Lines {...props} rows={4} value={draft.widths} onChange={(e) => change({ widths: e.target.value })} />}
        </Labelled>
        <Typed
          label="Of one soft edge not counted"
          field="side"
          placeholder="3 in"
          hint="half of its breadth"
          value={draft.edge}
          onChange={(edge) => change({ edge })}
        />
      </Box>
      {wet && (
        <>
          <Box fontSize="1.375rem" marginBottom="8px">
            The effective swath is <strong>{read(wet.value, "length", system)}</strong>
          </Box>
          <TakeSwath
            wide={show(wet.value, "length", system === "us" ? "ft" : "m", { figures: 4 })}
            uneven={valueIn(wet.value, "ft") <= 0}
          />
        </>
      )}
    </Box>
  );
}

function Kept() {
  const { person, rig, system } = useInHand();
  const [kept] = useKept<Draft>("swing");
  const save = useSaveOnce();
  const [said, setSaid] = useState<readonly string[]>([]);
  const { width, height, time } = workedOut({ ...blank(system), ...kept });
  if (!person) return <FirstThing>Pick who practises in the strip above to keep it on record.</FirstThing>;
  const ready = kept && kept.swings > 0 && width && height && time;
  const send = async () => {
    const what: PracticeText = {
      kind: "swing",
      swings: kept!.swings,
      time: kept!.time,
      width: kept!.width,
      height: kept!.height,
    };
    const result = await save("/api/practice", `swing:${person.id}`, {
      personId: person.id,
      rigId: rig?.id ?? null,
      ground: null,
      what,
    });
    setSaid(result.ok ? ["✓ Kept."] : sentences(result.issues));
  };
  return (
    <Box>
      <Button look="act" whiteSpace="normal" disabled={!ready} onClick={() => void send()}>
        Keep swings, width and height for {person.name}
      </Button>
      {!ready && <Note>Count swings, and type width and height.</Note>}
      <Box role="status">{said.join(" ")}</Box>
      <PracticeRecord person={person} />
    </Box>
  );
}
