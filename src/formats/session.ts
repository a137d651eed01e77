import { GROUNDS, type Ground } from "@/core/calibration/evidence";
import { LEVERS, type LeverName } from "@/core/calibration/levers";
import { methodOf, prescribedArea, type FlowKind, type PaceKind } from "@/core/calibration/methods";
import { meanTime } from "@/core/calibration/pace";
import { issueAt, type Issue, type Result } from "@/core/issue";
import { entered, type Entered, writtenAs } from "@/core/quantity/parse";
import type { Kind } from "@/core/quantity/kinds";
import type { Field } from "@/core/quantity/ranges";
import type { SlipCode } from "@/core/slips/slip";
import { given } from "@/core/working/rule";
import { valueIn } from "@/core/quantity/quantity";
import { System } from "@/core/working/units";
import type { CalibrationOf, FlowOf, PaceOf, UsedOf, Written } from "./job-file/types";
import { readTyped } from "./typed";
import { METHOD_IDS, type MethodId } from "@/core/calibration/method-ids";

/**
 * A calibration in the making: everything on the run sheet, as typed or timed. It is kept where it is made until it is
 * saved, and the server works the calibration out of it again: never out of a number from the browser.
 */
export interface Session {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  /** Whose tap feeds a hose-end head. */
  readonly siteId: string | null;
  readonly method: MethodId;
  readonly pace: PaceKind;
  readonly flow: FlowKind;
  /** `used` takes the place of pace and flow. */
  readonly direct: boolean;
  readonly ground: Ground;
  readonly area: string;
  readonly distance: string;
  readonly swath: string;
  readonly speed: string;
  readonly walks: readonly Trial[];
  readonly catches: readonly Trial[];
  /** The marked volume that a fill-time test fills. */
  readonly fill: string;
  readonly outletTime: string;
  /** One catch an outlet, or one meter reading an outlet. */
  readonly outlets: readonly string[];
  readonly used: readonly UsedTyped[];
  readonly target: string;
  /** The finest mark of the vessel that is read; empty where it is assumed. */
  readonly graduation: string;
  readonly gravity: string;
  /** Of a head's flow alone: the label rate of what goes into the jar. */
  readonly rate?: string;
  /** The lever that this calibration proves, and the calibration after which it was pulled. */
  readonly lever: { readonly name: LeverName; readonly setTo: string; readonly follows: string } | null;
  /** What the rig is to be set to for this reading: noted on the rig once it is on, and read there. */
  readonly toSet?: ToSet;
  /** Slips that were asked about and meant. */
  readonly dismissed?: readonly {
    readonly field: string;
    readonly slip: SlipCode;
    readonly typed: string;
    readonly reason: string;
  }[];
}

export interface ToSet {
  readonly size?: string;
  readonly pressure?: string;
}

export interface Trial {
  readonly time: string;
  /** Of a catch. */
  readonly volume?: string;
  /** Why it doesn't count; absent while it does. */
  readonly struck?: string;
}

interface UsedTyped {
  readonly area: string;
  /** What was filled and what was left; or, where `topUp` has something in it, what it took to fill up again. */
  readonly start: string;
  readonly remaining: string;
  readonly topUp: string;
}

interface Begin {
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId?: string | null;
  readonly outlets: number;
  readonly method: MethodId;
  /** Of who marks it out. */
  readonly system?: System;
}

/** A fresh run sheet by a method. */
export function emptySession(id: string, { rigId, personId, siteId = null, outlets, method, system }: Begin): Session {
  return {
    id,
    rigId,
    personId,
    siteId,
    ...byMethod(method, outlets, system),
    ground: "turf",
    distance: "",
    swath: "",
    speed: "",
    walks: [],
    catches: [],
    fill: "",
    outletTime: "30 s",
    outlets: Array.from({ length: outlets }, () => ""),
    used: [{ area: "", start: "", remaining: "", topUp: "" }],
    target: "",
    graduation: "",
    gravity: "",
    rate: "",
    lever: null,
  };
}

/** What a method sets on a run sheet: what is measured, and the area that it prescribes. */
export function byMethod(
  id: MethodId,
  outlets: number,
  system: System = "us",
): Pick<Session, "method" | "pace" | "flow" | "direct" | "area"> {
  const method = methodOf(id)!;
  // One catch an outlet is the way of a boom; a single outlet is caught whole.
  const flows = method.flows.filter((flow) => flow !== "outlet-catches" || outlets > 1);
  return {
    method: id,
    pace: method.pace,
    flow: flows[0] ?? "timed-catch",
    direct: method.flows.length === 0,
    // What is pegged is asked for: a plot that stood there unasked would be timed as another.
    area: prescribedArea(method, system) ?? "",
  };
}

/** What a session still lacks, in the order of the run sheet. */
export type Lack = "walk" | "catch" | "area" | "swath" | "speed" | "outlets" | "used" | "distance" | "fill" | "rate";

export type SessionReading =
  | { readonly state: "ready"; readonly calibration: CalibrationOf<Written> }
  /** What is there already stands beside what is lacking: it can be worked with while the rest is gathered. */
  | {
      readonly state: "lacking";
      readonly lacks: readonly Lack[];
      readonly pace?: PaceOf<Written>;
      readonly flow?: FlowOf<Written>;
    }
  | { readonly state: "wrong"; readonly issues: readonly Issue[] };

/**
 * Reads a session: a calibration as a job file writes it; or what is still lacking; or what is wrong, with the place in
 * the session. An empty field lacks, a field with something else in it is wrong.
 * @param readField how one field is read: on a screen one may be half typed
 */
export function readSession(session: Session, readField: typeof readTyped = readTyped): SessionReading {
  const issues: Issue[] = [];
  const lacks = new Set<Lack>();
  const read: Read = (field, typed, path, lack, zero = false) => {
    if (typed.trim() === "") {
      if (lack) lacks.add(lack);
      return "";
    }
    const result: Result<Entered<Kind>> = readField(field, typed, { zero });
    if (result.ok) return result.value;
    issues.push(...result.issues.map((one) => issueAt(path, one)));
    return "";
  };

  const beside = (key: string, field: Field, typed: string, path: string) => {
    const text = read(field, typed, path, null);
    return text === "" ? {} : { [key]: text };
  };
  const extras = {
    ...beside("target", "sprayVolume", session.target, "target"),
    ...beside("graduation", "graduation", session.graduation, "graduation"),
    ...(!session.direct && session.pace === "timed-area" && beside("swath", "swath", session.swath, "swath")),
    // The time to fill a mark is a catch for a time of its own.
    ...(session.flow === "fill-time" && { ownTimes: true }),
    ...(session.flow === "tip-chart" && beside("specificGravity", "gravity", session.gravity, "gravity")),
  };
  if (session.direct) {
    const used = readUsed(session, read);
    if (issues.length > 0) return { state: "wrong", issues };
    return lacks.size > 0 ? { state: "lacking", lacks: [...lacks] } : { state: "ready", calibration: { used, ...extras } };
  }
  if (session.pace === "asked") {
    const rate = read("volumeRate", session.rate ?? "", "rate", "rate");
    const flow = readFlow(session, read, lacks);
    if (issues.length > 0) return { state: "wrong", issues };
    return lacks.size > 0
      ? { state: "lacking", lacks: [...lacks], ...(!lacks.has("catch") && { flow }) }
      : { state: "ready", calibration: { flow, ...extras, labelRate: rate } };
  }
  const pace = readPace(session, read, lacks);
  const lacking = lacks.size;
  const flow = readFlow(session, read, lacks);
  if (issues.length > 0) return { state: "wrong", issues };
  if (lacks.size === 0) return { state: "ready", calibration: { pace, flow, ...extras } };
  return { state: "lacking", lacks: [...lacks], ...(lacking === 0 && { pace }), ...(lacks.size === lacking && { flow }) };
}

/** Reads one field; nothing, as text, where it lacks or is wrong. */
type Read = (field: Field, typed: string, path: string, lack: Lack | null, zero?: boolean) => Written;

const counting = (trials: readonly Trial[]) =>
  trials.map((trial, i) => ({ trial, i })).filter(({ trial }) => trial.struck === undefined);

function readPace(session: Session, read: Read, lacks: Set<Lack>): PaceOf<Written> {
  // A boom's swath may be left out: it is count × spacing then.
  const swath = () => {
    const text = read("swath", session.swath, "swath", null);
    return text === "" ? {} : { swath: text };
  };
  if (session.pace === "speed") return { kind: "speed", speed: read("speed", session.speed, "speed", "speed"), ...swath() };
  const times = () => {
    const walks = counting(session.walks);
    if (walks.length === 0) lacks.add("walk");
    return walks.map(({ trial, i }) => read("walkTime", trial.time, `walks[${i}].time`, "walk"));
  };
  // Each in the order of the run sheet, which is the order in which faults are told.
  if (session.pace === "timed-run")
    return { kind: "timed-run", distance: read("course", session.distance, "distance", "distance"), ...swath(), times: times() };
  return { kind: "timed-area", area: read("testArea", session.area, "area", "area"), times: times() };
}

function readFlow(session: Session, read: Read, lacks: Set<Lack>): FlowOf<Written> {
  switch (session.flow) {
    case "tip-chart":
      return { kind: "tip-chart" };
    case "outlet-catches":
      return {
        kind: "outlet-catches",
        // Left empty, each is caught for as long as the course took.
        time:
          session.outletTime.trim() === "" ? catchTime(session) : read("catchTime", session.outletTime, "outletTime", "outlets"),
        volumes: session.outlets.map((v, i) => read("catchVolume", v, `outlets[${i}]`, "outlets")),
      };
    case "metered-flow":
      return { kind: "metered-flow", readings: session.outlets.map((v, i) => read("meterFlow", v, `outlets[${i}]`, "outlets")) };
  }
  const catches = counting(session.catches);
  if (catches.length === 0) lacks.add("catch");
  return {
    kind: "timed-catch",
    catches: catches.map(({ trial, i }) => ({
      volume: read("catchVolume", trial.volume ?? "", `catches[${i}].volume`, "catch"),
      time: read("catchTime", trial.time, `catches[${i}].time`, "catch"),
    })),
  };
}

function readUsed(session: Session, read: Read): UsedOf<Written>[] {
  return session.used.map((trial, i) => {
    const area = read("testArea", trial.area, `used[${i}].area`, "used");
    if (trial.topUp.trim() !== "") return { area, topUp: read("catchVolume", trial.topUp, `used[${i}].topUp`, "used") };
    return {
      area,
      start: read("catchVolume", trial.start, `used[${i}].start`, "used"),
      remaining: read("catchVolume", trial.remaining, `used[${i}].remaining`, "used", true),
    };
  });
}

const isToSet = (input: unknown): boolean => {
  if (input === undefined) return true;
  if (typeof input !== "object" || input === null) return false;
  const { size, pressure } = input as ToSet;
  return [size, pressure].every((text) => text === undefined || (typeof text === "string" && text.length <= 60));
};

/** Whether something that came from outside has the shape of a session; its texts are read by {@link readSession}. */
export function isSession(input: unknown): input is Session {
  if (typeof input !== "object" || input === null) return false;
  const s = input as Record<string, unknown>;
  const text = (v: unknown): v is string => typeof v === "string" && v.length <= 200;
  const texts = (of: Record<string, unknown>, ...keys: string[]) => keys.every((k) => text(of[k]));
  const list = (v: unknown, test: (one: Record<string, unknown>) => boolean) =>
    Array.isArray(v) &&
    v.length <= 500 &&
    v.every((one: unknown) => typeof one === "object" && one !== null && test(one as never));
  const trial = (t: Record<string, unknown>) =>
    text(t.time) && (t.volume === undefined || text(t.volume)) && (t.struck === undefined || text(t.struck));
  const lever = s.lever as Record<string, unknown> | null | undefined;
  return (
    texts(s, "id", "rigId", "area", "distance", "swath", "speed", "fill", "outletTime", "target", "graduation", "gravity") &&
    (s.rate === undefined || text(s.rate)) &&
    [s.personId, s.siteId].every((id) => id === null || text(id)) &&
    METHOD_IDS.includes(s.method as MethodId) &&
    ["timed-area", "timed-run", "speed", "asked"].includes(s.pace as string) &&
    ["timed-catch", "fill-time", "outlet-catches", "metered-flow", "tip-chart"].includes(s.flow as string) &&
    typeof s.direct === "boolean" &&
    GROUNDS.includes(s.ground as Ground) &&
    list(s.walks, trial) &&
    list(s.catches, trial) &&
    Array.isArray(s.outlets) &&
    s.outlets.length <= 500 &&
    s.outlets.every(text) &&
    list(s.used, (u) => texts(u, "area", "start", "remaining", "topUp")) &&
    isToSet(s.toSet) &&
    (lever === null ||
      (typeof lever === "object" && LEVERS.includes(lever.name as LeverName) && texts(lever, "setTo", "follows")))
  );
}

/** The time to catch for: as long as the walk took, or half a minute where nothing was walked. */
export function catchTime(session: Session): Entered<"time"> {
  const walks = session.walks
    .filter((w) => w.struck === undefined)
    .flatMap((w) => {
      const read = readTyped("walkTime", w.time);
      return read.ok ? [given(read.value, "walk")] : [];
    });
  if (session.pace === "speed" || session.pace === "asked" || walks.length === 0) return entered("30 s", "time");
  const seconds = valueIn(meanTime(walks).value, "s").toFixed(2);
  return writtenAs("time", Number(seconds), "s", seconds);
}
