import { bad, good, issueAt, type Result } from "@/core/issue";
import { readAir, type AirText } from "@/formats/air-seen";
import { type Access, type Records, whole } from "@/records/database";
import { findSheet, siteIdOf } from "@/records/sheets";
import { endOfSpreading, findSpreading } from "@/records/spreadings";
import { addWeather, findWeather, type WeatherFor } from "@/records/weather";
import { A_MOMENT, isId, isMoment, issue, nowText, shown } from "./input";
import { clockBehind } from "./judge";
import { once } from "./once";
import { sheetState } from "./sheet-state";

/** Keeps what was seen of the weather for a sheet: `{ id, at, seen }`. */
export const saveWeather = (db: Records, sheetId: string, input: unknown): Result<{ id: string }> =>
  keepLook(db, { sheetId }, input, (tx, site) => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return issue("", "unknown-name", shown(sheetId), "the mix sheets on record");
    if (sheetState(tx, sheetId) !== "open") return closed("this sheet is closed");
    return elsewhere(
      site,
      (sheet.job.sites ?? []).map((one) => siteIdOf(sheet, one)),
    );
  });

/** The same for granules that are booked. */
export const saveSpreadWeather = (db: Records, spreadingId: string, input: unknown): Result<{ id: string }> =>
  keepLook(db, { spreadingId }, input, (tx, site) => {
    const spreading = isId(spreadingId) ? findSpreading(tx, spreadingId) : undefined;
    if (!spreading) return issue("", "unknown-name", shown(spreadingId), "the spreadings on record");
    if (endOfSpreading(tx, spreadingId) !== undefined) return closed("these granules are closed");
    return elsewhere(
      site,
      (spreading.job.sites ?? []).map((one) => one.id ?? ""),
    );
  });

/** A look is at a site that it is for. */
const elsewhere = (site: string | undefined, of: readonly string[]) =>
  site === undefined || of.includes(site) ? undefined : issue("seen.site", "unknown-name", shown(site), "a site of this plan");

const closed = (what: string) => issue("", "already-done", what, "nothing goes down by it any more");

function keepLook(
  db: Records,
  of: WeatherFor,
  input: unknown,
  fault: (tx: Access, site: string | undefined) => ReturnType<typeof issue> | undefined,
): Result<{ id: string }> {
  const { id, at, seen } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id)) return bad(issue("", "wrong-type", "something else", "what was seen, when"));
  if (!isMoment(at)) return bad(issue("at", "bad-date", shown(at), A_MOMENT));
  const read = readAir(seen);
  if (!read.ok) return { ok: false, issues: read.issues.map((one) => issueAt("seen", one)) };
  const { clock, wind, windMeasured } = seen as AirText;
  if (clock !== undefined) return bad(issue("seen.clock", "unknown-key", "clock", "the server alone says how its clock stands"));
  if (wind === "calm" && windMeasured === undefined)
    return bad(
      issue("seen.windMeasured", "missing", "", "measured or guessed: a calm that nobody measured answers no limit of the wind"),
    );
  return whole(db, (tx): Result<{ id: string }> => {
    const wrong = fault(tx, (seen as AirText).site);
    if (wrong) return bad(wrong);
    const add = (): Result<{ id: string }> => {
      const told: AirText = { ...(seen as AirText), ...(clockBehind(tx) !== undefined && { clock: "behind" as const }) };
      addWeather(tx, of, { id, at, seen: told }, nowText());
      return good({ id });
    };
    return once(tx, "weather", id, { ...of, at, seen }, findWeather(tx, id) !== undefined, () => ({ id }), add);
  });
}
