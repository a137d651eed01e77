/** Days as whole numbers, so that core can count them without a clock. */

const DAY = 86_400_000;

/** The day of a moment (ISO 8601), counted from 1970-01-01 in UTC. */
export const dayNumber = (moment: string): number => Math.floor(Date.parse(moment) / DAY);
