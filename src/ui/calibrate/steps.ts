/** The steps of a run sheet. */
export type StepName = "mark" | "walk" | "catch" | "result";
