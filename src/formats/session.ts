import {
  entered,
  given,
  GROUNDS,
  meanTime,
  parseField,
  raw,
  type Entered,
  type Field,
  type Ground,
  type Issue,
  type Result,
} from "@/core/contents";
import type { CalibrationText, FlowText, PaceText, UsedText } from "./job-file/types";

/**
 * A calibration in the making: everything on the run sheet, as typed or timed. It is kept where it is made until it is
 * saved, and the server works the calibration out of it again: never out of a number from the browser.
 */
export interface Session {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly pace: "timed-area" | "timed-run" | "speed";
  readonly flow: "timed-catch" | "outlet-catches";
  /** `used` takes the place of pace and flow. */
  readonly direct: boolean;
  readonly ground: Ground;
  readonly area: string;
  readonly distance: string;
  readonly swath: string;
  readonly speed: string;
  readonly walks: readonly Trial[];
  readonly catches: readonly Trial[];
  readonly outletTime: string;
  readonly outlets: readonly string[];
  readonly used: readonly { readonly area: string; readonly start: string; readonly remaining: string }[];
  readonly target: string;
}

export interface Trial {
  readonly time: string;
  /** Of a catch. */
  readonly volume?: string;
  /** Why it doesn't count; absent while it does. */
  readonly struck?: string;
}

export function emptySession(id: string, rigId: string, personId: string | null, boom: boolean, outlets: number): Session {
  return {
    id,
    rigId,
    personId,
    pace: boom ? "timed-run" : "timed-area",
    flow: boom && outlets > 1 ? "outlet-catches" : "timed-catch",
    direct: false,
    ground: "turf",
    area: "250 ft2",
    distance: "200 ft",
    swath: "",
    speed: "",
    walks: [],
    catches: [],
    outletTime: "30 s",
    outlets: Array.from({ length: outlets }, () => ""),
    used: [{ area: "100 ft2", start: "", remaining: "" }],
    target: "",
  };
}

/** What a session still lacks, in the order of the run sheet. */
export type Lack = "walk" | "catch" | "area" | "swath" | "speed" | "outlets" | "used" | "distance";

export type SessionReading =
  | { readonly state: "ready"; readonly calibration: CalibrationText }
  /** What is there already stands beside what is lacking: it can be worked with while the rest is gathered. */
  | { readonly state: "lacking"; readonly lacks: readonly Lack[]; readonly pace?: PaceText; readonly flow?: FlowText }
  | { readonly state: "wrong"; readonly issues: readonly Issue[] };

/**
 * Reads a session: a calibration as a job file writes it; or what is still lacking; or what is wrong, with the place in
 * the session. An empty field lacks, a field with something else in it is wrong.
 */
export function readSession(session: Session): SessionReading {
  const issues: Issue[] = [];
  const lacks = new Set<Lack>();
  const read = (field: Field, typed: string, path: string, lack: Lack | null, zero = false): string => {
    if (typed.trim() === "") {
      if (lack) lacks.add(lack);
      return "";
    }
    const result: Result<{ text: string }> = parseField(field, typed, { path, zero });
    if (result.ok) return result.value.text;
    issues.push(...result.issues);
    return "";
  };

  const target = read("sprayVolume", session.target, "target", null);
  const wanted = target === "" ? {} : { target };
  if (session.direct) {
    const used = readUsed(session, read);
    if (issues.length > 0) return { state: "wrong", issues };
    return lacks.size > 0 ? { state: "lacking", lacks: [...lacks] } : { state: "ready", calibration: { used, ...wanted } };
  }
  const pace = readPace(session, read, lacks);
  const lacking = lacks.size;
  const flow = readFlow(session, read, lacks);
  if (issues.length > 0) return { state: "wrong", issues };
  if (lacks.size === 0) return { state: "ready", calibration: { pace, flow, ...wanted } };
  return { state: "lacking", lacks: [...lacks], ...(lacking === 0 && { pace }), ...(lacks.size === lacking && { flow }) };
}

type Read = (field: Field, typed: string, path: string, lack: Lack | null, zero?: boolean) => string;

const counting = (trials: readonly Trial[]) =>
  trials.map((trial, i) => ({ trial, i })).filter(({ trial }) => trial.struck === undefined);

function readPace(session: Session, read: Read, lacks: Set<Lack>): PaceText {
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

function readFlow(session: Session, read: Read, lacks: Set<Lack>): FlowText {
  if (session.flow === "outlet-catches")
    return {
      kind: "outlet-catches",
      time: read("catchTime", session.outletTime, "outletTime", "outlets"),
      volumes: session.outlets.map((v, i) => read("catchVolume", v, `outlets[${i}]`, "outlets")),
    };
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

function readUsed(session: Session, read: Read): UsedText[] {
  return session.used.map((trial, i) => ({
    area: read("testArea", trial.area, `used[${i}].area`, "used"),
    start: read("catchVolume", trial.start, `used[${i}].start`, "used"),
    remaining: read("catchVolume", trial.remaining, `used[${i}].remaining`, "used", true),
  }));
}

/** Whether something that came from outside has the shape of a session; its texts are read by {@link readSession}. */
export function isSession(input: unknown): input is Session {
  if (typeof input !== "object" || input === null) return false;
  const s = input as Record<string, unknown>;
  const text = (v: unknown): v is string => typeof v === "string" && v.length <= 200;
  const texts = (...keys: string[]) => keys.every((k) => text(s[k]));
  const list = (v: unknown, test: (one: never) => boolean) =>
    Array.isArray(v) && v.length <= 500 && v.every(test as (one: unknown) => boolean);
  const trial = (t: Trial | null) =>
    typeof t === "object" &&
    t !== null &&
    text(t.time) &&
    (t.volume === undefined || text(t.volume)) &&
    (t.struck === undefined || text(t.struck));
  return (
    texts("id", "rigId", "area", "distance", "swath", "speed", "outletTime", "target") &&
    (s.personId === null || text(s.personId)) &&
    ["timed-area", "timed-run", "speed"].includes(s.pace as string) &&
    ["timed-catch", "outlet-catches"].includes(s.flow as string) &&
    typeof s.direct === "boolean" &&
    GROUNDS.includes(s.ground as Ground) &&
    list(s.walks, trial) &&
    list(s.catches, trial) &&
    list(s.outlets, text) &&
    list(
      s.used,
      (u: Record<string, unknown> | null) =>
        typeof u === "object" && u !== null && text(u.area) && text(u.start) && text(u.remaining),
    )
  );
}

/** The time to catch for: as long as the walk took, or half a minute where nothing was walked. */
export function catchTime(session: Session): Entered<"time"> {
  const walks = session.walks
    .filter((w) => w.struck === undefined)
    .flatMap((w) => {
      const read = parseField("walkTime", w.time);
      return read.ok ? [given(read.value, "walk")] : [];
    });
  if (session.pace === "speed" || walks.length === 0) return entered("30 s", "time");
  return entered(`${raw(meanTime(walks).value).toFixed(2)} s`, "time");
}
