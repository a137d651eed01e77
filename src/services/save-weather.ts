import { bad, good, issueAt, type Issue, type Result } from "@/core/issue";
import { airHolds, readAir, type AirText } from "@/formats/air-seen";
import type { JobFile } from "@/formats/job-file/types";
import { type Access, type Records, whole } from "@/records/database";
import { findSheet } from "@/records/sheets";
import { addWeather, findWeather, lastWeather } from "@/records/weather";
import { A_MOMENT, isId, isMoment, issue, nowText, shown } from "./input";
import { rulesOn } from "./local-rules";
import { once } from "./once";
import { sheetState } from "./sheet-today";

/** Keeps what was seen of the weather for a sheet: `{ id, at, seen }`. */
export function saveWeather(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  const { id, at, seen } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id)) return bad(issue("", "wrong-type", "something else", "what was seen, when"));
  if (!isMoment(at)) return bad(issue("at", "bad-date", shown(at), A_MOMENT));
  const read = readAir(seen);
  if (!read.ok) return { ok: false, issues: read.issues.map((one) => issueAt("seen", one)) };
  return whole(db, (tx): Result<{ id: string }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", shown(sheetId), "the mix sheets on record"));
    if (sheetState(tx, sheetId) !== "open")
      return bad(issue("", "conflict", "this sheet is closed", "nothing goes down by it any more"));
    const content = { sheetId, at, seen };
    const add = (): Result<{ id: string }> => {
      addWeather(tx, { id, at, sheetId, seen: seen as AirText }, nowText());
      return good({ id });
    };
    return once(tx, "weather", id, content, findWeather(tx, id) !== undefined, () => ({ id }), add);
  });
}

/** Why nothing may be opened now: what was seen last, and still counts, says no. What nobody looked at says nothing. */
export const weatherFaults = (tx: Access, sheetId: string, { products = [], sites = [] }: JobFile): Issue[] =>
  airHolds(lastWeather(tx, sheetId), products, rulesOn(tx, sites), nowText()).map(({ text }) => {
    const [received, metric] = [text("us"), text("metric")];
    const expected = "wait, and look again: no label is sprayed against its weather";
    return { path: "step", code: "conflict", received, expected, ...(metric !== received && { metric }) };
  });
