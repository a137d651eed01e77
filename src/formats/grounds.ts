/** The answer that a zone of a site that is merged into another comes there as a zone of its own. */
export const COMES = "comes";

/** The grounds that an answer names: a zone that joins several carries the history of each. "a,b" */
export const groundsIn = (answer: string | undefined): string[] =>
  (answer ?? "")
    .split(",")
    .map((id) => id.trim())
    .filter((id) => id !== "");

/** So far apart two sizes of one ground may be before it is asked about, as a part (ours). */
const FAR = 0.1;

/** Whether two areas can hardly be one ground. @param a, b m² */
export const farAreas = (a: number, b: number): boolean => Math.max(a / b, b / a) > 1 + FAR;

/** Two measurements of one ground differ by so much. */
const ALIKE = 0.02;

/** Whether two areas may be one ground measured twice. @param a, b m² */
export const alikeAreas = (a: number, b: number): boolean => Math.abs(a / b - 1) <= ALIKE;
