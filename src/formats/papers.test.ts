import { isToldFact } from "./facts";
import { personForm, personFormOf, personText } from "./forms/person";
import { readForm } from "./forms/field";
import { isPapers, paperState } from "./papers";

describe("papers", () => {
  const paper = { kind: "certificate", number: "FT-1042", ends: "2026-12-20" } as const;
  test.each([
    ["2026-10-20", "good"],
    ["2026-10-21", "ends-soon"],
    ["2026-12-20", "ends-soon"],
    ["2026-12-21", "ended"],
  ])("on %s one that ends on 20 December is %s: sixty days ahead, and on its last day it holds", (day, state) => {
    expect(paperState(paper, day)).toBe(state);
  });
  test("one without an end is always good", () => expect(paperState({ kind: "training" }, "2099-01-01")).toBe("good"));
  test("goes through the form and comes back the same", () => {
    const person = { name: "Bram Tolliver", papers: [paper, { kind: "training", hours: "4 h" } as const] };
    const form = readForm(personForm, personFormOf(person));
    expect(form.ok && personText(form.value)).toEqual(person);
    expect(personText(personFormOf({ name: "Ines Quaye" }))).toEqual({ name: "Ines Quaye" });
  });
  test.each([
    [{ kind: "licence" }, "papers[0].kind"],
    [{ kind: "certificate", ends: "2026-02-30" }, "papers[0].ends"],
    [{ kind: "certificate", number: "x".repeat(61) }, "papers[0].number"],
  ])("%j is refused with its place", (wrong, path) => {
    const form = readForm(personForm, {
      name: "Bram Tolliver",
      papers: [{ ...personFormOf({ papers: [paper] }).papers![0], ...wrong }],
    });
    expect(form.ok ? [] : form.issues.map((issue) => issue.path)).toEqual([path]);
  });
  test("what is kept is looked at when it is read", () => {
    expect(isPapers([paper])).toBe(true);
    for (const wrong of [null, {}, [{}], [{ kind: "certificate", ends: "soon" }], [{ kind: "certificate", number: 7 }]])
      expect(isPapers(wrong)).toBe(false);
  });
});

describe("what is told of a record", () => {
  test.each([
    ["started", "07:40", true],
    ["started", "7:40", false],
    ["ended", "24:00", false],
    ["wind", "4 mph", true],
    ["wind", "calm", true],
    ["wind", "6 km/h", true],
    ["wind", "4", false],
    ["wind", "4 oz", false],
    ["air", "68 °F", true],
    ["air", "-2 C", true],
    ["air", "68", false],
    ["target", "crabgrass", true],
    ["target", " ", false],
    ["target", "x".repeat(201), false],
  ] as const)("%s %j: %s", (key, value, fits) => expect(isToldFact(key, value)).toBe(fits));
});
