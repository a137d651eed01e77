import { isDate } from "@/core/calendar";

/** What somebody saw of a zone: before anything goes down, or when what went down is judged. */
export const LOOK_KINDS = ["scout", "inspection"] as const;
export type LookKind = (typeof LOOK_KINDS)[number];

/** What else may have done it, so that the product isn't blamed, or praised, for it. */
export const OTHER_CAUSES = [
  "dry spot",
  "sprinkler",
  "shade",
  "thin seed",
  "dog",
  "missed strip",
  "rain too soon",
  "mowed too soon",
] as const;
export type OtherCause = (typeof OTHER_CAUSES)[number];

export const SOIL_MOISTURE = ["dry", "moist", "wet"] as const;

export interface LookText {
  /** Of a scouting: what stands there, how far it is, how much of the ground it covers, "30 %". */
  readonly target?: string;
  readonly stage?: string;
  readonly cover?: string;
  /** The height that it is mowed at, "2.5 in". */
  readonly height?: string;
  readonly soil?: (typeof SOIL_MOISTURE)[number];
  /** What else is wrong. */
  readonly wrong?: string;

  /** Of an inspection: how much of the target is gone, how much of the turf is hurt. */
  readonly control?: string;
  readonly injury?: string;
  readonly causes?: readonly OtherCause[];
  /** ISO day of the next treatment that is planned; where the label promises suppression, it belongs to the plan. */
  readonly followUp?: string;

  readonly note?: string;
}

const WORDS = ["target", "stage", "height", "wrong", "note"] as const;
const SHARES = ["cover", "control", "injury"] as const;
const KEYS: readonly string[] = [...WORDS, ...SHARES, "soil", "causes", "followUp"];

/** More words than anybody types on a lawn. */
export const MOST_WORDS = 300;

const isWords = (value: unknown): boolean => typeof value === "string" && value.trim() !== "" && value.length <= MOST_WORDS;

/** A part of a whole, in per cent: a number, 0 to 100; undefined where it is none. @param text "30 %" or "30" */
export function shareOf(text: unknown): number | undefined {
  const read = typeof text === "string" ? /^\s*(\d{1,3}(?:[.,]\d)?)\s*%?\s*$/.exec(text) : null;
  const share = read ? Number(read[1]!.replace(",", ".")) : NaN;
  return share >= 0 && share <= 100 ? share : undefined;
}

/** Whether a part of a look can stand. */
export function isLookPart(key: string, value: unknown): boolean {
  if ((WORDS as readonly string[]).includes(key)) return isWords(value);
  if ((SHARES as readonly string[]).includes(key)) return shareOf(value) !== undefined;
  if (key === "soil") return (SOIL_MOISTURE as readonly unknown[]).includes(value);
  if (key === "followUp") return typeof value === "string" && isDate(value);
  return (
    key === "causes" &&
    Array.isArray(value) &&
    value.length <= OTHER_CAUSES.length &&
    value.every((one) => (OTHER_CAUSES as readonly unknown[]).includes(one))
  );
}

export function isLook(value: unknown): value is LookText {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return false;
  return Object.entries(value).every(([key, part]) => KEYS.includes(key) && isLookPart(key, part));
}

/** What would be right in a part of a look, for a message. */
export const lookExpected = (key: string): string =>
  (SHARES as readonly string[]).includes(key)
    ? `0 to 100 %, "30 %"`
    : key === "soil"
      ? SOIL_MOISTURE.join(", ")
      : key === "causes"
        ? OTHER_CAUSES.join(", ")
        : key === "followUp"
          ? `a day, "2026-10-21"`
          : `some words, ${MOST_WORDS} letters at most`;

/** As many photos as a look may have, and bytes as each of them: a device makes them small before it sends them. */
export const MOST_PHOTOS = 4;
export const MOST_PHOTO_BYTES = 400_000;
