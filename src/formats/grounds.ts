/** The answer that a zone of a site that is merged into another comes there as a zone of its own. */
export const COMES = "comes";

/** Two measurements of one ground differ by so much. */
const ALIKE = 0.02;

/** Whether two areas may be one ground measured twice. @param a, b m² */
export const alikeAreas = (a: number, b: number): boolean => Math.abs(a / b - 1) <= ALIKE;
