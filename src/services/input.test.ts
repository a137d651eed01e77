import { isId, isReason, isRecordId } from "./input";

test.each([
  ["why", true],
  ["  why  ", true],
  ["no", false],
  [" no ", false],
  ["   ", false],
  ["w".repeat(300), true],
  ["w".repeat(301), false],
  [7, false],
  [null, false],
  [undefined, false],
])("%j as a reason: %s", (value, is) => expect(isReason(value)).toBe(is));

test("an id has 10 to 64 letters, digits, - and _; that of a record points too, and up to 90", () => {
  expect(["a".repeat(10), "a".repeat(64), "site-00_01"].every(isId)).toBe(true);
  expect(["a".repeat(9), "a".repeat(65), "site.00001", "site 00001", "", 7, null].some(isId)).toBe(false);
  expect(["sheet-0001.0.1", "a".repeat(90)].every(isRecordId)).toBe(true);
  expect(["a".repeat(91), "a.b", "site 00001", 7].some(isRecordId)).toBe(false);
});
