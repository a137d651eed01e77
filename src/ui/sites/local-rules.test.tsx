import { act, fireEvent, screen, within } from "@testing-library/react";
import { showWith } from "../testing/show";
import { LocalRules } from "./local-rules";

const answers: { ok: boolean; issues?: object[]; value?: object }[] = [];
const sent: unknown[] = [];
beforeEach(() => {
  localStorage.clear();
  sent.length = 0;
  answers.length = 0;
  global.fetch = jest.fn((_path: string, init?: { body?: string }) => {
    if (init?.body) sent.push(JSON.parse(init.body));
    const answer = (init?.body && answers.shift()) || { ok: true, value: { rules: 1 } };
    return Promise.resolve({ ok: answer.ok, headers: new Map(), json: () => Promise.resolve(answer) });
  }) as never;
});
const FIRM = { zone: "UTC", settled: true, today: "2026-09-02", currency: "USD", before: { soil: null, highs: [] } };
const rule = (name: string) => within(screen.getByRole("region", { name: `Rule ${name}`, hidden: true }));
const type = (of: ReturnType<typeof rule>, label: RegExp, value: string) =>
  fireEvent.change(of.getByLabelText(label), { target: { value } });
const save = () => act(async () => fireEvent.click(screen.getByRole("button", { name: "Save the rules", hidden: true })));

test("what stands is shown; a rule that is added goes out with its units, and what is wrong is told at its field", async () => {
  const rules = [{ jurisdiction: "Quay County", wind: "8 mph", source: "ordinance 12" }];
  showWith({ firm: { ...FIRM, rules } }, <LocalRules />);
  expect(rule("Quay County").getByLabelText(/^Wind at most/)).toHaveValue("8 mph");
  const added = rule("of everywhere");
  type(added, /^Wind at most/, "9");
  type(rule("of everywhere"), /^Air at most/, "88");
  const issues = [{ path: "rules[1].airMost", code: "out-of-range", received: "88 F", expected: "less" }];
  answers.push({ ok: false, issues });
  await save();
  expect(sent[0]).toEqual({ rules: [rules[0], { wind: "9 mph", airMost: "88 °F" }] });
  expect(rule("of everywhere").getByLabelText(/^Air at most/)).toHaveAccessibleDescription(/88 °?F/);
  // Nothing that was typed is lost.
  expect(rule("of everywhere").getByLabelText(/^Wind at most/)).toHaveValue("9");
  await save();
  expect(screen.getByText("Saved.")).toBeInTheDocument();
});

test("a metric reader's bare number is in metres' units; a rule is taken out", async () => {
  localStorage.setItem("in-hand", JSON.stringify({ system: "metric" }));
  showWith({ firm: { ...FIRM, rules: [{ jurisdiction: "Quay County", wind: "8 mph" }] } }, <LocalRules />);
  type(rule("of everywhere"), /^Air at least/, "8");
  type(rule("of everywhere"), /^Where it is written/, "the firm's book");
  fireEvent.click(screen.getByRole("button", { name: "Take the rule of Quay County out", hidden: true }));
  await save();
  expect(sent[0]).toEqual({ rules: [{ airLeast: "8 °C", source: "the firm's book" }] });
});
