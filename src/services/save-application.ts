import { bad, entered, good, isDate, parseAs, raw, type Entered, type Form, type Quantity, type Result } from "@/core/contents";
import type { CardText } from "@/formats/card/card";
import { totalText } from "@/formats/card/choice";
import { readRate } from "@/formats/forms/rate";
import { addApplication, addDismissals, correctionOf, findApplication, type ApplicationRow } from "@/records/applications";
import type { Access } from "@/records/database";
import { findLabel } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findSite } from "@/records/sites";
import { readDismissed } from "./dismissed";
import { isId, issue, nowText } from "./input";

/** Recording what went down. Records are truth: what passed a limit is recorded too, and what follows is held by it. */

interface Request {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly zoneId: string;
  readonly labelId: string;
  /** As typed: a total for the zone, or a rate. */
  readonly amount: string;
  readonly personId: string | null;
  readonly note: string;
  /** The record that this one corrects. */
  readonly corrects: string | null;
}

function isRequest(input: unknown): input is Request {
  const r = (input ?? {}) as Record<string, unknown>;
  return (
    [r.id, r.siteId, r.labelId].every(isId) &&
    typeof r.zoneId === "string" &&
    typeof r.date === "string" &&
    typeof r.amount === "string" &&
    (r.personId === null || isId(r.personId)) &&
    typeof r.note === "string" &&
    r.note.length <= 400 &&
    (r.corrects === null || isId(r.corrects))
  );
}

/** A day that something can have gone down on: not before 1990, not after today by any clock on earth. */
export const isDay = (date: string): boolean =>
  isDate(date) && date >= "1990-01-01" && Date.parse(`${date}T00:00:00Z`) < Date.now() + 14 * 3_600_000;

/** Records one application, entered by hand or a line of a file, or a correction of one. */
export function saveApplication(db: Access, input: unknown, source: "hand" | "file" = "hand"): Result<{ id: string }> {
  if (!isRequest(input)) return bad(issue("", "wrong-type", "something else", "a date, a zone, a product and an amount"));
  const dismissed = readDismissed(input);
  if (!dismissed.ok) return dismissed;
  const site = findSite(db, input.siteId);
  const zone = site?.zones.find((z) => z["x-id"] === input.zoneId);
  const card = findLabel(db, input.labelId);
  const issues = [
    ...(isDay(input.date) ? [] : [issue("date", "bad-date", input.date, `"2026-04-14", today or before`)]),
    ...(zone ? [] : [issue("zoneId", "unknown-name", input.zoneId, "the zones of the site")]),
    ...(card ? [] : [issue("labelId", "unknown-name", input.labelId, "the labels on record")]),
    ...(input.personId === null || findPerson(db, input.personId)
      ? []
      : [issue("personId", "unknown-name", input.personId, "the people on record")]),
  ];
  if (issues.length > 0 || !site || !zone || !card) return { ok: false, issues };
  const area = entered(zone.area, "area");
  const put = readAmount(input.amount, card.form, area.value);
  if (!put.ok) return put;
  return db.transaction((tx): Result<{ id: string }> => {
    if (findApplication(tx, input.id)) return good({ id: input.id });
    if (input.corrects !== null) {
      const old = correctable(tx, input.corrects);
      if (!old.ok) return old;
    }
    const now = nowText();
    addApplication(
      tx,
      {
        ...whatOf(card),
        id: input.id,
        date: input.date,
        siteId: input.siteId,
        zoneId: zone["x-id"],
        zone: zone.name,
        area,
        labelId: input.labelId,
        ...put.value,
        personId: input.personId,
        source,
        sheetId: null,
        note: input.note.trim() === "" ? null : input.note.trim(),
        corrects: input.corrects,
        isVoid: false,
      },
      now,
    );
    addDismissals(tx, input.id, dismissed.value, now);
    return good({ id: input.id });
  });
}

/** A record that may be corrected: it is there, and nothing has corrected it yet. */
function correctable(tx: Access, id: string): Result<ApplicationRow> {
  const old = findApplication(tx, id);
  if (!old) return bad(issue("corrects", "unknown-name", id, "the records of the log"));
  return correctionOf(tx, id)
    ? bad(issue("corrects", "conflict", "this record was corrected already", "correct the newest one"))
    : good(old);
}

/** Records that something never went down: `{ id, corrects }`. The old record stays, struck. */
export function voidApplication(db: Access, input: unknown): Result<{ id: string }> {
  const { id, corrects } = (input ?? {}) as { id?: unknown; corrects?: unknown };
  if (!isId(id) || typeof corrects !== "string")
    return bad(issue("", "wrong-type", "something else", "the record that never was"));
  return db.transaction((tx): Result<{ id: string }> => {
    if (findApplication(tx, id)) return good({ id });
    const old = correctable(tx, corrects);
    if (!old.ok) return old;
    const { createdAt: _, ...row } = old.value;
    addApplication(tx, { ...row, id, source: "hand", sheetId: null, note: null, corrects, isVoid: true }, nowText());
    return good({ id });
  });
}

/** The product and its actives as they are now: they stand in the record, whatever becomes of the card. */
const whatOf = (card: CardText) => ({
  product: card.name,
  actives: card.actives,
  gravity: card.gravity ?? null,
});

/** An amount as typed: a rate for an area, or the total of the zone. @param area of the zone */
export function readAmount(
  typed: string,
  form: Form,
  area: Quantity<"area">,
): Result<{ readonly rate: string; readonly total: string }> {
  if (/\/|\bper\b/i.test(typed)) {
    const read = readRate(typed, form, "amount");
    if (!read.ok) return read;
    if (read.value.kind !== "rateByWeight" && read.value.kind !== "rateByVolume")
      return bad(issue("amount", "wrong-unit", typed, "a total, or a rate for an area"));
    return good({ rate: read.value.text, total: totalText(read.value, area) });
  }
  const kind = form === "dry" ? "mass" : "volume";
  const read = parseAs<"mass" | "volume">(typed, ["mass", "volume"], {
    path: "amount",
    dialect: "screen",
    bare: form === "dry" ? "oz" : "fl oz",
  });
  if (!read.ok) return read;
  if (read.value.kind !== kind)
    return bad(
      issue(
        "amount",
        form === "dry" ? "volume-on-dry" : "weight-on-liquid",
        typed,
        form === "dry" ? `write a weight, e.g. "4 oz"` : `write a volume, e.g. "6 fl oz"`,
      ),
    );
  const perArea = rateOfTotal(read.value as Entered<"mass"> | Entered<"volume">, area);
  const rate = readRate(perArea, form, "amount");
  return rate.ok ? good({ rate: perArea, total: read.value.text }) : rate;
}

/** A total over an area, as a rate that a job file can write. */
function rateOfTotal(total: Entered<"mass"> | Entered<"volume">, area: Quantity<"area">): string {
  const [unit, per] = total.kind === "mass" ? (["oz", "oz/1000 ft2"] as const) : (["fl oz", "fl oz/1000 ft2"] as const);
  const one = raw(entered(`1 ${unit}`, total.kind as "mass").value);
  const thousands = raw(area) / raw(entered("1000 ft2", "area").value);
  return `${Number((raw(total.value as Quantity<"mass">) / one / thousands).toPrecision(15))} ${per}`;
}
