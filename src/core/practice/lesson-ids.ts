import type { System } from "../working/units";

/** The lessons that there are, in the order in which they are best taken. */
export const LESSONS = ["pattern", "pressure", "ounces", "slow-tenth", "other-legs", "acres"] as const;
export type LessonId = (typeof LESSONS)[number];
export const isLesson = (id: unknown): id is LessonId => LESSONS.includes(id as LessonId);

const TITLES: { readonly [L in LessonId]: string } = {
  pattern: "Read a pattern",
  pressure: "Why twice the flow asks for four times the pressure",
  ounces: "An ounce is not an ounce",
  "slow-tenth": "What a slow tenth does to a year's limit",
  "other-legs": "Mixed for one, sprayed by another",
  acres: "Acres for thousands",
};

const METRIC_TITLES: { readonly [L in LessonId]?: string } = {
  ounces: "A gram is not a millilitre",
  acres: "Hectares for hundreds of square metres",
};

/** What a lesson is called, by what its reader may take for one another. */
export const lessonTitle = (id: LessonId, system: System): string =>
  (system === "metric" ? METRIC_TITLES[id] : undefined) ?? TITLES[id];
