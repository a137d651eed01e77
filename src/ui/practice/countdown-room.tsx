"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { callsBetween, fresh, left, opened, shutOff, sprayed, stripTime, type Countdown } from "@/core/practice/countdown";
import type { Entered } from "@/core/quantity/parse";
import { writeNumber } from "@/core/quantity/format";
import { valueIn } from "@/core/quantity/quantity";
import { explainAll } from "@/core/working/explain";
import { THOUSAND } from "@/core/working/thousand";
import { read, type System } from "@/core/working/units";
import { given } from "@/core/working/rule";
import { seconds, type PracticeText } from "@/formats/practice";
import { useInHand, type Calibrated } from "../data/in-hand";
import { keep, readKept, useKept } from "../data/kept-here";
import { sentences } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { readTyped } from "@/formats/typed";
import { allowSound, beep } from "../calibrate/beep";
import { Typed } from "../calibrate/typed";
import { useFrames, watchText } from "../calibrate/watch";
import { WatchFace } from "../calibrate/watch-face";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { FirstThing, Notice } from "../parts/notices";
import { useVoice } from "../pour/voice";
import { Drill } from "./drills";
import { VoiceToggle } from "./voice-toggle";
import { PracticeRecord } from "./practice-record";
import { ZoneStrips, type OfZone } from "./zone-strips";
import { SeasonOfCountdowns } from "./countdown-season";
import { belongsToPerson, rigRules } from "@/rig-kinds/rules";

type Strips = Extract<PracticeText, { kind: "countdown" }>["strips"];

interface Draft {
  readonly strip: string;
  readonly gun: string;
  readonly strips: Strips;
  /** The lawn that the strip is one of. */
  readonly zone?: OfZone | undefined;
}
const blank = (system: System): Draft => ({ strip: system === "us" ? "1000 ft2" : "100 m2", gun: "", strips: [] });

/** Strip by strip on the lawn, counted down by the calibrated pace. */
export function CountdownRoom() {
  const { calibrated, person, rig, system, read: known } = useInHand();
  const pace = calibrated?.made.timePer1000;
  return (
    <Drill
      at="/calibrate/practice/countdown"
      title="Countdown on the lawn"
      about="Mark a strip, and spray it within its seconds. The clock stops when you shut off, and speaks at 30, 10 and 0."
      working={pace ? explainAll([pace], system) : []}
    >
      <ClientOnly>
        {!rig || (belongsToPerson(rig.rig.kind) && !person) ? (
          <FirstThing>Pick the rig, and who holds the wand, in the strip above.</FirstThing>
        ) : !calibrated || !pace ? (
          <FirstThing>{known ? "This rig and person have no timed calibration yet: the seconds come from one." : "…"}</FirstThing>
        ) : (
          <Lawn calibrated={calibrated} />
        )}
      </ClientOnly>
    </Drill>
  );
}

function Lawn({ calibrated }: { calibrated: Calibrated }) {
  const { rig, person, system } = useInHand();
  const key = `countdown:${rig!.id}:${person?.id ?? ""}`;
  const [kept, keepDraft] = useKept<Draft>(key);
  const draft = kept ?? blank(system);
  const change = (next: Partial<Draft>) => keepDraft({ ...draft, ...next });
  const area = readTyped("testArea", draft.strip);
  const seconds = area.ok
    ? valueIn(stripTime(given(area.value, "strip"), calibrated.made.timePer1000!, THOUSAND).value, "s")
    : undefined;
  const truck = rigRules(rig!.rig.kind).gun;
  const done = (took: number, strip: Entered<"area">) =>
    change({ strips: [...draft.strips, { area: strip.text, wanted: `${seconds!.toFixed(1)} s`, took: `${took.toFixed(1)} s` }] });
  return (
    <Column gap="18px" marginTop="14px">
      <ZoneStrips of={draft.zone} onPick={(zone, strip) => change({ zone, ...(strip !== undefined && { strip }) })} />
      <Row flexWrap="wrap" alignItems="flex-start" gap="12px">
        <Box width="220px">
          <Typed
            label="A strip has"
            field="testArea"
            placeholder="10 x 100"
            value={draft.strip}
            onChange={(strip) => change({ strip, zone: undefined })}
          />
        </Box>
        {truck && (
          <Box width="220px">
            <TextField
              label="Gun"
              placeholder="front reel"
              hint="over the season each has its own line"
              value={draft.gun}
              maxLength={60}
              onChange={(e) => change({ gun: e.target.value })}
            />
          </Box>
        )}
      </Row>
      {calibrated.standing.state === "stale" && (
        <Notice state="stop">This calibration is out of date: its seconds are another rig&apos;s. Calibrate again.</Notice>
      )}
      {seconds !== undefined && area.ok && seconds >= 1 && calibrated.standing.state !== "stale" && (
        <Clock
          key={`${key}:${area.value.text}`}
          keptAs={`clock:${key}`}
          seconds={seconds}
          onDone={(took) => done(took, area.value)}
        />
      )}
      <Done draft={draft} onSaved={() => change({ strips: [] })} />
      {person && <SeasonOfCountdowns person={person} rigId={rig!.id} />}
      {person && <PracticeRecord person={person} />}
    </Column>
  );
}

const nowSeconds = () => Date.now() / 1000;

/** The clock itself: a press sprays, a press shuts off; it goes on counting through a reload. */
function Clock({ keptAs, seconds, onDone }: { keptAs: string; seconds: number; onDone: (took: number) => void }) {
  const [kept] = useKept<Countdown>(keptAs);
  const clock = kept?.wanted === seconds ? kept : fresh(seconds);
  const spraying = clock.since !== null;
  const digits = useRef<HTMLSpanElement>(null);
  const voice = useVoice();
  const { on, say } = voice;
  const begun = sprayed(clock, nowSeconds()) > 0;
  useFrames(spraying, () => {
    const rest = left(clock, nowSeconds());
    if (digits.current) digits.current.textContent = `${rest < 0 ? "−" : ""}${watchText(Math.abs(rest))}`;
  });
  useEffect(() => {
    if (!spraying) return;
    let before = nowSeconds();
    const timer = setInterval(() => {
      const one = readKept<Countdown>(keptAs);
      const now = nowSeconds();
      if (one)
        for (const call of callsBetween(one, before, now)) {
          beep(call === 0 ? "end" : "soon");
          if (on && call > 0) say(String(call));
        }
      before = now;
    }, 100);
    return () => clearInterval(timer);
  }, [spraying, keptAs, on, say]);
  const press = () => {
    allowSound();
    keep(keptAs, spraying ? shutOff(clock, nowSeconds()) : opened(clock, nowSeconds()));
  };
  return (
    <Box>
      <WatchFace
        running={spraying}
        onPress={press}
        label={spraying ? "Shut off" : "Spray"}
        digits={<span ref={digits}>{watchText(Math.max(0, left(clock, clock.since ?? nowSeconds())))}</span>}
        says={
          spraying
            ? "Spraying. Press when you shut off"
            : begun
              ? "Shut off. Press to go on"
              : `${watchText(seconds)} s for the strip. Press as you begin`
        }
      />
      <VoiceToggle voice={voice} says="30 and 10" />
      {begun && (
        <Row marginTop="8px" flexWrap="wrap">
          <Button
            look="act"
            onClick={() => {
              onDone(sprayed(clock, nowSeconds()));
              keep(keptAs, undefined);
            }}
          >
            The strip is done
          </Button>
          <Button look="stop" onClick={() => keep(keptAs, undefined)}>
            Begin the strip again
          </Button>
        </Row>
      )}
    </Box>
  );
}

/** Strips that were done, and off to the record. */
function Done({ draft: { strips, gun }, onSaved }: { draft: Draft; onSaved: () => void }) {
  const { person, rig, system } = useInHand();
  const save = useSaveOnce();
  const [said, setSaid] = useState<readonly string[]>([]);
  if (strips.length === 0) return null;
  const send = async () => {
    const what: PracticeText = { kind: "countdown", strips, ...(gun.trim() && { gun: gun.trim() }) };
    const result = await save("/api/practice", `countdown:${rig!.id}`, {
      personId: person?.id ?? null,
      rigId: rig!.id,
      ground: "turf",
      what,
    });
    setSaid(result.ok ? [] : sentences(result.issues));
    if (result.ok) onSaved();
  };
  return (
    <Box as="section" aria-label="Strips">
      <SubHeading>Strips done</SubHeading>
      <Box as="ol" paddingLeft="20px">
        {strips.map(({ area, wanted, took }, i) => {
          const off = seconds(took) / seconds(wanted) - 1;
          const lawn = readTyped("testArea", area);
          return (
            <li key={i}>
              {lawn.ok ? read(lawn.value.value, "area", system) : area}: {took},{" "}
              {writeNumber(Math.abs(off) * 100, { figures: 2 })} % too{" "}
              {off > 0 ? "slow: so much more went down" : "quick: so much less went down"}
            </li>
          );
        })}
      </Box>
      {person ? (
        <Button look="act" whiteSpace="normal" marginTop="8px" onClick={() => void send()}>
          Keep them for {person.name}
        </Button>
      ) : (
        <Note>Pick who sprays in the strip above to keep them.</Note>
      )}
      {said.map((words) => (
        <Notice key={words} state="stop">
          {words}
        </Notice>
      ))}
    </Box>
  );
}
