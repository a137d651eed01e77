import { format } from "./dates";

// By the calendar: 3 September 2026 is a Thursday.
test.each([
  ["EEE d MMM yyyy", "Thu 3 Sep 2026"],
  ["EEEE, d MMMM, HH:mm", "Thursday, 3 September, 07:05"],
  ["d MMM, HH:mm", "3 Sep, 07:05"],
  ["d MMMM yyyy", "3 September 2026"],
])("%s is %s", (pattern, words) => expect(format(new Date(2026, 8, 3, 7, 5), pattern)).toBe(words));
