"use client";

import { hasOwnCatchTime } from "@/core/calibration/methods";
import { paceOf } from "@/core/calibration/pace";
import {
  slipsOfArea,
  slipsOfCatch,
  slipsOfCatchTime,
  slipsOfFlow,
  slipsOfMarks,
  slipsOfOutlet,
  slipsOfRounded,
  slipsOfSprayVolume,
  slipsOfSwath,
  slipsOfWalk,
  type CatchContext,
} from "@/core/slips/of-reading";
import type { Slip } from "@/core/slips/slip";
import type { RigEntry } from "@/formats/entries";
import { readParts } from "@/formats/job-file/read-calibration";
import { readRig } from "@/formats/job-file/read-rig";
import { catchTime, readSession, type Session } from "@/formats/session";
import { readTyped } from "@/formats/typed";
import { useInHand, type Calibrated } from "../data/in-hand";
import { SlipAsk, SlipKeeper } from "../parts/slip-ask";
import type { StepName } from "./steps";
import { Column } from "../parts/layout";

interface SlipsProps {
  readonly session: Session;
  readonly change: (next: Partial<Session>) => void;
  readonly rig: RigEntry;
  readonly step: StepName;
}

/** What was typed on the run sheet and is probably a slip; each once, on the step where it was typed. */
export function SessionSlips({ session, change, rig, step }: SlipsProps) {
  const { calibrated } = useInHand();
  const asks = asksOf(session, rig, calibrated).filter((ask) => ask.step === step);
  const dismissed = session.dismissed ?? [];
  return (
    <SlipKeeper dismissed={dismissed} dismiss={(more) => change({ dismissed: [...dismissed, ...more] })}>
      <Column gap="8px" marginBottom="16px" _empty={{ display: "none" }}>
        {asks.map((ask) => (
          <SlipAsk
            key={ask.field}
            field={ask.field}
            about={nameOf(ask.field)}
            typed={ask.typed}
            slips={ask.slips}
            onTake={(text) => change(ask.take(text))}
          />
        ))}
      </Column>
    </SlipKeeper>
  );
}

/** What a field of the run sheet is called on it: "Walk 2" for `walks[1]`. */
function nameOf(field: string): string {
  const [, list, i] = /^(\w+)\[(\d+)\]/.exec(field) ?? [];
  const of: Record<string, string> = {
    area: "Test area",
    swath: "Effective swath",
    target: "Wanted spray volume",
    walks: "Walk",
    catches: "Catch",
    outlets: "Outlet",
  };
  return list === undefined ? (of[field] ?? field) : `${of[list]} ${Number(i) + 1}`;
}

interface Ask {
  readonly step: StepName;
  readonly field: string;
  readonly typed: string;
  readonly slips: readonly Slip[];
  readonly take: (text: string) => Partial<Session>;
}

const changed = <T,>(list: readonly T[], i: number, next: Partial<T>): T[] =>
  list.map((one, j) => (j === i ? { ...one, ...next } : one));

function asksOf(session: Session, rig: RigEntry, before: Calibrated | undefined): Ask[] {
  if (session.direct) return [];
  const { kind, outlets } = readRig(rig.rig);
  const asks: Ask[] = [];
  const ask = (step: StepName, field: string, typed: string, slips: readonly Slip[], take: Ask["take"]) =>
    slips.length > 0 && asks.push({ step, field, typed, slips, take });

  const area = session.pace === "timed-area" ? readTyped("testArea", session.area) : undefined;
  if (area?.ok) ask("mark", "area", session.area, slipsOfArea(area.value, "test"), (text) => ({ area: text }));
  const swath = readTyped("swath", session.swath);
  if (swath.ok)
    ask("mark", "swath", session.swath, slipsOfSwath(swath.value, kind, lastSwath(before)), (text) => ({ swath: text }));
  const target = readTyped("sprayVolume", session.target);
  if (target.ok) ask("mark", "target", session.target, slipsOfSprayVolume(target.value), (text) => ({ target: text }));

  if (area?.ok)
    session.walks.forEach((walk, i) => {
      const time = readTyped("walkTime", walk.time);
      if (!time.ok || walk.struck !== undefined) return;
      const slips = slipsOfWalk(time.value, { area: area.value.value, rig: kind });
      ask("walk", `walks[${i}]`, walk.time, slips, (text) => ({ walks: changed(session.walks, i, { time: text }) }));
    });

  // What this rig gave the last time says most of what it can give.
  const expected = before?.standing.state === "stands" ? before.made.flow?.value : undefined;
  const context: CatchContext = { rig: kind, outlets: outlets.count, ...(expected && { expected }) };
  if (session.flow === "timed-catch") asksOfCatches(session, context, ask);
  const each = readTyped("catchTime", session.outletTime.trim() === "" ? catchTime(session).text : session.outletTime);
  session.outlets.forEach((typed, i) => {
    const take = (text: string) => ({ outlets: session.outlets.map((o, j) => (j === i ? text : o)) });
    if (session.flow === "outlet-catches" && each.ok && typed !== "") {
      const volume = readTyped("catchVolume", typed);
      if (volume.ok) ask("catch", `outlets[${i}]`, typed, slipsOfOutlet(volume.value, each.value.value, context), take);
    }
    if (session.flow === "metered-flow" && typed !== "") {
      const flow = readTyped("meterFlow", typed);
      const pace = paceIn(session, rig);
      const one: CatchContext = { rig: kind, outlets: 1 };
      if (flow.ok) ask("catch", `outlets[${i}]`, typed, slipsOfFlow(flow.value, { ...one, ...(pace && { pace }) }), take);
    }
  });
  return asks;
}

type AskFor = (step: StepName, field: string, typed: string, slips: readonly Slip[], take: Ask["take"]) => unknown;

function asksOfCatches(session: Session, context: CatchContext, ask: AskFor): void {
  const read = session.catches.map((one) => ({
    one,
    volume: readTyped("catchVolume", one.volume ?? ""),
    time: readTyped("catchTime", one.time),
  }));
  read.forEach(({ one, volume, time }, i) => {
    if (!volume.ok || !time.ok || one.struck !== undefined) return;
    const slips = slipsOfCatch(volume.value, time.value.value, context);
    ask("catch", `catches[${i}]`, one.volume!, slips, (text) => ({ catches: changed(session.catches, i, { volume: text }) }));
    if (slips.length > 0) return;
    const walked = session.walks.length > 0 && !hasOwnCatchTime(session.method, session.flow) ? catchTime(session) : undefined;
    const wrong = slipsOfCatchTime(time.value, volume.value.value, context);
    ask(
      "catch",
      `catches[${i}].time`,
      one.time,
      wrong.length > 0 || !walked ? wrong : slipsOfRounded(time.value, walked),
      (text) => ({
        catches: changed(session.catches, i, { time: text }),
      }),
    );
  });
  const graduation = readTyped("graduation", session.graduation);
  const counted = read.flatMap(({ one, volume, time }) =>
    volume.ok && time.ok && one.struck === undefined ? [{ volume: volume.value.value, time: time.value.value }] : [],
  );
  if (graduation.ok)
    ask(
      "catch",
      "catches",
      session.catches.map((c) => c.volume).join(", "),
      slipsOfMarks(counted, graduation.value.value),
      () => ({}),
    );
}

/** The time for 1,000 sq ft, as far as the walk is known. */
function paceIn(session: Session, rig: RigEntry) {
  const reading = readSession(session, readTyped);
  const basics = readRig(rig.rig);
  const { pace } = readParts(basics, reading.state === "lacking" ? reading : {});
  return pace ? paceOf(pace, basics).timePer1000.value : undefined;
}

/** The swath of this rig's last calibration, where it was noted. */
function lastSwath(before: Calibrated | undefined) {
  const { pace, swath: ours } = before?.entry.calibration ?? {};
  const text = (pace && "swath" in pace ? pace.swath : undefined) ?? (typeof ours === "string" ? ours : undefined);
  const read = text === undefined ? undefined : readTyped("swath", text);
  return read?.ok ? read.value.value : undefined;
}
