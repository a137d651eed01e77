/** The answer that a zone of a site that is merged into another comes there as a zone of its own. */
export const COMES = "comes";

/** The answer that a zone is ground of which nothing was on record before. */
export const NEW_GROUND = "new";

/** An answer to which ground a zone is. */
export interface GroundAnswer {
  /** It is none of those that it may be. */
  readonly other: boolean;
  /** Why not, where it was taken for ground in use. */
  readonly why?: string;
  /** The grounds that it names: a zone that joins several carries the history of each. */
  readonly named: readonly string[];
}

/** "a,b", "new", or "new: a fence stands between them". */
export function readGround(answer: string | undefined): GroundAnswer {
  const [, why] = /^\s*new(?:: ?(.*))?$/s.exec(answer ?? "") ?? [null, null];
  // As it is typed, blanks at its end too: a screen shows it while it grows.
  if (why !== null) return { other: true, named: [], ...(why !== undefined && why.trim() !== "" && { why }) };
  const named = (answer ?? "").split(",").map((id) => id.trim());
  return { other: false, named: named.filter((id) => id !== "") };
}

/** That it is new ground, with the reason where there is one. */
export const newGround = (why: string): string => (why === "" ? NEW_GROUND : `${NEW_GROUND}: ${why}`);

/** So far apart two sizes of one ground may be before it is asked about, as a part (ours). */
const FAR = 0.1;

/** Whether two areas can hardly be one ground. @param a, b m² */
export const farAreas = (a: number, b: number): boolean => Math.max(a / b, b / a) > 1 + FAR;

/** Two measurements of one ground differ by so much. */
const ALIKE = 0.02;

/** Whether two areas may be one ground measured twice. @param a, b m² */
export const alikeAreas = (a: number, b: number): boolean => Math.abs(a / b - 1) <= ALIKE;
