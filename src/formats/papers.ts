import { daysFrom, isDate } from "@/core/calendar";

/** What a person has on paper, and until when: certificates and training, covers, fits. */
export const PAPER_KINDS = [
  "certificate",
  "training",
  "general liability",
  "pesticide liability",
  "vehicle decals",
  "respirator fit",
  "respirator filters",
  "gear",
] as const;
export type PaperKind = (typeof PAPER_KINDS)[number];

export interface PaperText {
  readonly kind: PaperKind;
  /** The number of a certificate or a policy. */
  readonly number?: string;
  /** Who gave it: a state, a county, an insurer. */
  readonly where?: string;
  /** Of a certificate: core, and the categories that it is for. */
  readonly categories?: string;
  /** Of training: hours that count. */
  readonly hours?: string;
  /** ISO day; the last one on which it holds. */
  readonly ends?: string;
}

const TEXTS = ["number", "where", "categories", "hours", "ends"] as const;

/** A paper of the right shape, as it is kept. */
export function isPaper(value: unknown): value is PaperText {
  if (typeof value !== "object" || value === null) return false;
  const paper = value as Record<string, unknown>;
  return (
    PAPER_KINDS.includes(paper.kind as PaperKind) &&
    TEXTS.every((key) => paper[key] === undefined || (typeof paper[key] === "string" && paper[key].length <= 120)) &&
    (paper.ends === undefined || isDate(paper.ends as string))
  );
}

export const isPapers = (value: unknown): value is readonly PaperText[] =>
  Array.isArray(value) && value.length <= MOST_PAPERS && value.every(isPaper);

/** More papers than anybody carries (ours). */
export const MOST_PAPERS = 40;

/** Whether a paper holds on a day, ISO: one without an end always does. */
export const holdsOn = ({ ends }: PaperText, day: string): boolean => ends === undefined || ends >= day;

/** So many days ahead an end is told of. */
export const WARN_AHEAD = 60;

/** How a paper stands on a day. */
export type PaperState = "good" | "ends-soon" | "ended";

export function paperState(paper: PaperText, day: string): PaperState {
  if (!holdsOn(paper, day)) return "ended";
  return paper.ends !== undefined && daysFrom(day, paper.ends) <= WARN_AHEAD ? "ends-soon" : "good";
}

/** A person's certificate on a day: the one that holds; where none does, the one there is, which says so by its end. */
export function certificateOn(papers: readonly PaperText[], day: string): PaperText | undefined {
  const certificates = papers.filter((paper) => paper.kind === "certificate");
  return certificates.find((paper) => holdsOn(paper, day)) ?? certificates[0];
}
