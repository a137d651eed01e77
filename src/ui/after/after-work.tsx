"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import type { Duty } from "@/core/season/after-work";
import { entered } from "@/core/quantity/parse";
import { dutiesOfEntry } from "@/formats/after-duties";
import { momentOf } from "@/formats/day";
import type { AfterEntry } from "@/formats/entries";
import { dayNow, nowMoment, todayDate, wallClock } from "../data/clock";
import { dayWords, format } from "../data/dates";
import { sentences, useSlice } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { useSystem } from "../data/units";
import { Choose } from "../parts/choose";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { depthText, dutyLine } from "./duty-words";

/** Days for which what was missed is told. */
const TOLD = 3 * 86_400_000;

/** What the ground is owed after the work of the last days: dry, watered, left alone. */
export function AfterWork() {
  const owed = useSlice("afterWork", {}).value ?? [];
  const now = Date.parse(nowMoment());
  const open = owed.flatMap((entry) => {
    const duties = dutiesOfEntry(entry, now).filter(
      ({ state, until }) => state !== "done" && (until === null || now < until + TOLD),
    );
    return duties.length > 0 ? [{ entry, duties }] : [];
  });
  if (open.length === 0) return null;
  return (
    <Box as="section" aria-label="After the work">
      <SubHeading>After the work</SubHeading>
      {open.map(({ entry, duties }) => (
        <Owed key={`${entry.siteId} ${entry.date} ${entry.latest}`} entry={entry} duties={duties} />
      ))}
      <Measured sites={[...new Map(open.map(({ entry }) => [entry.siteId, entry])).values()]} />
    </Box>
  );
}

const COLOUR = { good: "line", act: "act", stop: "stop" } as const;

function Owed({ entry, duties }: { entry: AfterEntry; duties: readonly Duty[] }) {
  const system = useSystem();
  const lines = duties.map((duty) => dutyLine(duty, entry.zones, system));
  const worst = (["stop", "act", "good"] as const).find((state) => lines.some((line) => line.state === state))!;
  return (
    <Box borderLeft="6px solid" borderColor={COLOUR[worst]} paddingLeft="12px" marginTop="10px">
      <chakra.strong>{entry.site}</chakra.strong>
      {` · ${entry.cards.map(({ name }) => name).join(", ")}, ${dayWords(entry.date)}`}
      {lines.map(({ state, says }) => (
        <Box key={says} color={state === "good" ? "ink" : state}>
          {state === "stop" ? "✕ " : state === "act" ? "! " : ""}
          {says}
        </Box>
      ))}
      {!entry.hourKnown && <Note>Its hour isn&apos;t noted: the stricter end of the day counts.</Note>}
      {entry.waterer === "client" && duties.some(({ what }) => what !== "stay-off") && (
        <Note>The client waters there: agree on it.</Note>
      )}
      {entry.waters.length > 0 && <Waters entry={entry} />}
    </Box>
  );
}

/** What was measured, each to be struck where it was none. */
function Waters({ entry }: { entry: AfterEntry }) {
  const system = useSystem();
  const save = useSaveOnce();
  return (
    <Row flexWrap="wrap" gap="0 12px" textStyle="small">
      {entry.waters.map(({ id, kind, at, depth }) => (
        <Box key={id}>
          {kind} {depthText(entered(depth, "length").value, system)}, {format(wallClock(at), "EEE HH:mm")}{" "}
          <Button look="inline" onClick={() => void save("/api/waterings/strike", `strike ${id}`, { strikes: id })}>
            it was none
          </Button>
        </Box>
      ))}
    </Row>
  );
}

const EVERYWHERE = "all";

/** Water that somebody read off a gauge or a timer. */
function Measured({ sites }: { sites: readonly AfterEntry[] }) {
  const save = useSaveOnce();
  const [draft, setDraft] = useState({ kind: "rain", where: EVERYWHERE, depth: "", time: "" });
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const change = (next: Partial<typeof draft>) => setDraft({ ...draft, ...next });
  const keep = async () => {
    const siteIds = draft.where === EVERYWHERE ? sites.map(({ siteId }) => siteId) : [draft.where];
    const typed = draft.time.trim();
    const hour = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(typed);
    if (typed !== "" && !hour) return setTrouble(["Its end is a time of today, e.g. 14:30."]);
    const at = hour
      ? new Date(momentOf(todayDate(), `${hour[1]!.padStart(2, "0")}:${hour[2]}`, dayNow().zone)).toISOString()
      : nowMoment();
    const content = { siteIds, kind: draft.kind, depth: draft.depth, ...(hour && { at }) };
    const result = await save("/api/waterings", "watering", content, hour ? {} : { at });
    setTrouble(result.ok ? [] : sentences(result.issues));
    if (result.ok) change({ depth: "", time: "" });
  };
  return (
    <Fold title="Rain or watering that was measured">
      <Column gap="8px" marginTop="6px">
        <Note>What a gauge caught or a timer ran. What is forecast doesn&apos;t count until it was measured.</Note>
        <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1.4fr 1fr 1fr" }}>
          <Choose
            label="What"
            value={draft.kind}
            options={[
              ["rain", "rain"],
              ["irrigation", "irrigation"],
            ]}
            onPick={(kind) => change({ kind })}
          />
          <Choose
            label="Where"
            value={draft.where}
            options={[[EVERYWHERE, "all of these sites"], ...sites.map(({ siteId, site }): [string, string] => [siteId, site])]}
            onPick={(where) => change({ where })}
          />
          <TextField
            label="How much"
            placeholder="0.3 in"
            quantity="waterDepth"
            value={draft.depth}
            onChange={(e) => change({ depth: e.target.value })}
          />
          <TextField
            label="Ended today at"
            placeholder="14:30"
            hint="empty: now"
            value={draft.time}
            onChange={(e) => change({ time: e.target.value })}
          />
        </Box>
        {trouble.map((words) => (
          <Notice key={words} state="stop">
            {words}
          </Notice>
        ))}
        <Box>
          <Button onClick={() => void keep()}>Keep it</Button>
        </Box>
      </Column>
    </Fold>
  );
}
