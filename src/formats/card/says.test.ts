import { longestDays } from "./says";

test.each([
  ["after 14 days", 14],
  ["2 to 4 weeks", 28],
  ["7 to 14 days, 21 days in cold", 21],
  ["10-day wait", 10],
  ["one season", undefined],
  ["", undefined],
  [undefined, undefined],
])("%j: %s days", (text, days) => expect(longestDays(text)).toBe(days));
