/** The lessons that there are, in the order in which they are best taken. */
export const LESSONS = ["pattern", "pressure", "ounces", "slow-tenth", "other-legs", "acres"] as const;
export type LessonId = (typeof LESSONS)[number];
export const isLesson = (id: unknown): id is LessonId => LESSONS.includes(id as LessonId);

export const LESSON_TITLES: { readonly [L in LessonId]: string } = {
  pattern: "Read a pattern",
  pressure: "Why twice the flow asks for four times the pressure",
  ounces: "An ounce is not an ounce",
  "slow-tenth": "What a slow tenth does to a year's limit",
  "other-legs": "Mixed for one, sprayed by another",
  acres: "Acres for thousands",
};
