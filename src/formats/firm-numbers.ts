import { bad, good, type Issue, type Result } from "@/core/issue";

/** The numbers that are called when something goes wrong: the firm notes those of its place. */
export const NUMBERS = [
  ["emergency", "Emergency"],
  ["poison", "Poison centre"],
  ["vet", "Vet"],
  ["office", "State office"],
] as const;
export type NumberOf = (typeof NUMBERS)[number][0];
export type FirmNumbers = Readonly<Partial<Record<NumberOf, string>>>;

const MOST = 60;

/** A number that can be dialled, with whatever words stand beside it: "000 555 0142, night desk". */
export const dialled = (text: string): string | undefined => {
  const found = /\+?\d[\d ()./-]*\d/.exec(text)?.[0].replace(/[^\d+]/g, "");
  return found !== undefined && found.length >= 3 ? found : undefined;
};

/** Numbers as they are told, or every fault at its own; one that is left empty is none. */
export function readNumbers(told: unknown): Result<FirmNumbers> {
  if (typeof told !== "object" || told === null || Array.isArray(told))
    return bad({ path: "", code: "wrong-type", received: "something else", expected: "the numbers by name" });
  const given = told as Record<string, unknown>;
  const names = NUMBERS.map(([name]): string => name);
  const issues: Issue[] = [];
  const found = Object.entries(given).flatMap(([name, value]): [string, string][] => {
    if (!names.includes(name)) issues.push({ path: name, code: "unknown-key", received: name, expected: names.join(", ") });
    else if (typeof value !== "string" || value.length > MOST || (value.trim() !== "" && dialled(value) === undefined))
      issues.push({ path: name, code: "not-a-number", received: String(value).slice(0, MOST), expected: "000 555 0142" });
    else if (value.trim() !== "") return [[name, value.trim()]];
    return [];
  });
  return issues.length > 0 ? { ok: false, issues } : good(Object.fromEntries(found));
}
