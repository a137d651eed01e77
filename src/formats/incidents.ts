import { isClockTime } from "@/core/calendar";

/** What went wrong, as it stands on record: what, where, how much, the weather as it was, who was told. */
export const INCIDENT_KINDS = ["spill", "skin", "eyes", "swallowed", "breathed", "animal", "drift", "wrong", "burst"] as const;
export type IncidentKind = (typeof INCIDENT_KINDS)[number];

export const INCIDENT_NAMES: Readonly<Record<IncidentKind, string>> = {
  spill: "Spill",
  skin: "On skin or clothes",
  eyes: "In the eyes",
  swallowed: "Swallowed",
  breathed: "Breathed in",
  animal: "An animal got it",
  drift: "Drift, or a complaint",
  wrong: "Wrong product or wrong lawn",
  burst: "Hose burst, tank ran over",
};

export interface IncidentText {
  /** What happened. */
  readonly what: string;
  /** The clock at the firm's place, "14:05". */
  readonly time?: string;
  /** Where on the site. */
  readonly where?: string;
  readonly amount?: string;
  readonly weather?: string;
  readonly done?: string;
  /** Who was told, and when. */
  readonly told?: string;
}

/** By part, how many characters it may have (ours: a page of what happened, some lines of the rest). */
export const INCIDENT_PARTS: Readonly<Record<keyof IncidentText, number>> = {
  what: 4000,
  time: 5,
  where: 300,
  amount: 100,
  weather: 300,
  done: 2000,
  told: 600,
};
const isPart = (key: string): key is keyof IncidentText => Object.hasOwn(INCIDENT_PARTS, key);

/** What is wrong with a part of an incident: what it should be; undefined where it can stand. */
export function incidentPartExpected(key: string, value: unknown): string | undefined {
  if (!isPart(key)) return Object.keys(INCIDENT_PARTS).join(", ");
  if (typeof value !== "string" || value.trim() === "" || value.length > INCIDENT_PARTS[key])
    return `words, ${INCIDENT_PARTS[key].toLocaleString("en-US")} characters at most`;
  return key === "time" && !isClockTime(value) ? `a time of the day, like "14:05"` : undefined;
}

export const isIncident = (value: unknown): value is IncidentText =>
  typeof value === "object" &&
  value !== null &&
  "what" in value &&
  Object.entries(value).every(([key, part]) => incidentPartExpected(key, part) === undefined);
