import { bad, good, type Issue, type Result } from "@/core/issue";
import { canonical, ratio } from "@/core/quantity/arithmetic";
import { showEntered } from "@/core/quantity/format";
import { parseField } from "@/core/quantity/ranges";
import { ounceOf, isRateText, type Form } from "@/core/labels/label-rate";
import type { Quantity } from "@/core/quantity/kinds";
import { entered, parseAs, type Entered } from "@/core/quantity/parse";
import { rateOfTotal } from "@/core/labels/total";
import type { CardText } from "@/formats/card/card";
import { totalText } from "@/formats/card/choice";
import { readRate } from "@/formats/forms/rate";
import type { PaperText } from "@/formats/papers";
import {
  addApplication,
  addDismissals,
  coveredOf,
  correctionOf,
  findApplication,
  findToCorrect,
  type ApplicationRow,
  type NewApplication,
} from "@/records/applications";
import type { BrokenRecord } from "@/records/aside";
import { type Access, whole } from "@/records/database";
import { findLabel, type Label } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findSheet } from "@/records/sheets";
import { findSite, type KnownSite } from "@/records/sites";
import { findSpreading } from "@/records/spreadings";
import { readDismissed } from "./dismissed";
import { isId, isReason, isRecordId, issue, nowText } from "./input";
import { wasPoured } from "./counted";
import { once } from "./once";
import { factsKept, factsNow, readTold } from "./facts";
import { brief, dayOfRecord } from "./record-sheet";
import { noZone, zoneNamed } from "./zone-named";

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
  /** The ground that it went down on, where that isn't the whole zone, or what it was before a correction. */
  readonly covered?: string;
  readonly note: string;
  /** Why it is put on a day before its sheet's, on more ground than there is, or corrected so that less counts. */
  readonly why?: string;
  /** What else is known of it. */
  readonly facts?: unknown;
  /** The record that this one corrects. */
  readonly corrects: string | null;
}

function isRequest(input: unknown): input is Request {
  const r = (input ?? {}) as Record<string, unknown>;
  return (
    [r.id, r.siteId, r.labelId].every(isId) &&
    (r.covered === undefined || typeof r.covered === "string") &&
    (r.why === undefined || (typeof r.why === "string" && r.why.length <= 300)) &&
    typeof r.zoneId === "string" &&
    typeof r.date === "string" &&
    typeof r.amount === "string" &&
    (r.personId === null || isId(r.personId)) &&
    typeof r.note === "string" &&
    r.note.length <= 400 &&
    (r.corrects === null || isRecordId(r.corrects))
  );
}

/** Records one application, entered by hand, or a correction of one. */
export function saveApplication(db: Access, input: unknown): Result<{ id: string }> {
  if (!isRequest(input)) return bad(issue("", "wrong-type", "something else", "a date, a zone, a product and an amount"));
  const dismissed = readDismissed(input);
  if (!dismissed.ok) return dismissed;
  const { old, broken } = input.corrects === null ? {} : findToCorrect(db, input.corrects);
  const entry = readEntry(db, input, old, {
    broken,
    site: findSite(db, input.siteId),
    label: findLabel(db, input.labelId),
    person: input.personId === null ? null : findPerson(db, input.personId),
  });
  if (!entry.ok) return entry;
  return whole(db, (tx) =>
    once(
      tx,
      "application",
      input.id,
      input,
      findApplication(tx, input.id) !== undefined,
      () => ({ id: input.id }),
      (): Result<{ id: string }> => {
        if (input.corrects !== null && correctionOf(tx, input.corrects)) return bad(corrected);
        const now = nowText();
        // What came from its sheet still does.
        addApplication(tx, { ...entry.value, id: input.id, source: old?.source ?? "hand" }, now);
        addDismissals(tx, input.id, dismissed.value, now);
        return good({ id: input.id });
      },
    ),
  );
}

/** What an entry is of, as it stands on record. */
export interface EntryOf {
  readonly site: KnownSite | undefined;
  readonly label: Label | undefined;
  /** Null where nobody is named. */
  readonly person: { readonly papers?: readonly PaperText[] } | null | undefined;
  /** Today's date, where it is known already. */
  readonly today?: string;
  /** The record that it corrects, where that one can't be read: it is written anew. */
  readonly broken?: BrokenRecord | undefined;
}

/** An entry as it would be kept, or every fault of it. @param old the record that it corrects */
export function readEntry(
  db: Access,
  input: Omit<Request, "id">,
  old: ApplicationRow | undefined,
  { site, label, person, today, broken }: EntryOf,
): Result<Omit<NewApplication, "id" | "source">> {
  const zone = zoneOf(site, input.zoneId);
  // What came from a sheet stays bound to the sheet's day, through every correction.
  const before = old ?? (broken && { ...broken, id: input.corrects! });
  const from = before && madeFrom(db, before);
  const day = dayOfRecord(db, from, { date: input.date, why: input.why }, today);
  const issues = [
    ...(day.ok ? [] : day.issues),
    ...(zone ? [] : [noZone(input.zoneId)]),
    ...(label ? [] : [issue("labelId", "unknown-name", input.labelId, "the labels on record")]),
    ...(person === undefined ? [issue("personId", "unknown-name", input.personId ?? "", "the people on record")] : []),
    ...(input.corrects !== null && !before ? [issue("corrects", "unknown-name", input.corrects, "the records of the log")] : []),
  ];
  if (issues.length > 0 || !zone || !label || !day.ok) return { ok: false, issues };
  const same = {
    label: old?.labelId === input.labelId,
    zone: old?.siteId === input.siteId && old.zoneId === zone.id,
    person: old?.personId === input.personId,
    date: day.value.date,
  };
  // What is corrected went down on the ground as it was then, of the product as it was then.
  const area = old && same.zone ? old.area : entered(zone.area, "area");
  const told = readTold(input.facts);
  if (!told.ok) return told;
  const papers = person?.papers;
  const now = factsNow({
    card: label.card,
    site: site?.site,
    papers,
    zoneId: zone.id,
    date: day.value.date,
    rig: old?.facts?.rig,
  });
  const ground = readCovered(input, old && same.zone ? coveredOf(old) : area);
  if (!ground.ok) return ground;
  const covered = ground.value;
  // What was only shown is as it was: a correction of the note is none of the amount.
  const shown = old && same.label && same.zone && isAmountOf(old, input.amount) ? old : undefined;
  const put =
    shown && covered.text === coveredOf(shown).text
      ? good({ rate: shown.rate, total: shown.total })
      : // On other ground it is the same amount: that is what left the tank.
        readAmount(shown ? shown.total : input.amount, label.card.form, covered.value);
  if (!put.ok) return put;
  const reasons = [
    ...overZone(covered, area, input.why),
    ...(old ? freed(old, { date: day.value.date, same, put: put.value, label, zone }, input.why) : []),
    ...(broken && !isReason(input.why) ? [unread] : []),
  ];
  if (reasons.length > 0) return { ok: false, issues: reasons };
  return good({
    ...(old && same.label ? { product: old.product, actives: old.actives, gravity: old.gravity } : whatOf(label.card)),
    ...day.value,
    siteId: input.siteId,
    zoneId: zone.id,
    zone: old && same.zone ? old.zone : zone.name,
    area,
    covered,
    labelId: input.labelId,
    spreadingId: from?.of === "spreading" ? from.id : null,
    ...put.value,
    personId: input.personId,
    sheetId: before?.sheetId ?? null,
    note: input.note.trim() === "" ? null : input.note.trim(),
    corrects: input.corrects,
    isVoid: false,
    // A correction of one thing leaves the rest as it was told.
    facts: { ...(old?.facts ? factsKept(old.facts, now, same) : now), ...told.value },
  });
}

/** The sheet, or the granules, that a record comes from: they bind its day through every correction. */
function madeFrom(
  db: Access,
  old: Pick<ApplicationRow, "id" | "sheetId" | "spreadingId">,
): { of: "sheet" | "spreading"; id: string; madeAt: string } | undefined {
  const sheet = old.sheetId === null ? undefined : findSheet(db, old.sheetId);
  if (sheet) return { of: "sheet", id: sheet.id, madeAt: sheet.madeAt };
  // Records of granules were once known by their ids alone.
  const spreading = findSpreading(db, old.spreadingId ?? old.id.split(".")[0]!);
  return spreading && { of: "spreading", id: spreading.id, madeAt: spreading.madeAt };
}

/** The ground that was covered, as typed; what it was, or the whole zone, where nothing is said. */
function readCovered({ covered }: Pick<Request, "covered">, known: Entered<"area">): Result<Entered<"area">> {
  if (covered === undefined || covered.trim() === "" || covered.trim() === known.text) return good(known);
  return parseField("zoneArea", covered, { path: "covered" });
}

/** Whether an amount is typed as a record has it: its rate, or its total. */
const isAmountOf = ({ rate, total }: Pick<ApplicationRow, "rate" | "total">, typed: string) =>
  typed.trim() === rate || typed.trim() === total;

/** Two measurements of one ground differ by so much. */
const OVER_ZONE = 1.02;

/** More ground than the zone has is asked about: nothing goes down beside it unseen. */
function overZone(covered: Entered<"area">, area: Entered<"area">, why: unknown): Issue[] {
  if (isReason(why) || ratio(covered.value, area.value) <= OVER_ZONE) return [];
  const said = `${showEntered(covered)} were covered, the zone has ${showEntered(area)}`;
  return [issue("why", "reason-needed", said, "say how more ground was covered than there is, or how much it was")];
}

interface Now {
  readonly date: string;
  readonly same: { readonly label: boolean; readonly zone: boolean };
  readonly put: { readonly rate: string; readonly total: string };
  readonly label: Label;
  readonly zone: { readonly name: string };
}

/** Less than this part less is no less: texts round. */
const LESS = 1 - 1e-9;

/** What of a correction would let something count less than before, or elsewhere: it needs a reason, as striking does. */
function freed(old: ApplicationRow, { date, same, put, label, zone }: Now, why: unknown): Issue[] {
  if (isReason(why)) return [];
  const size = (text: string) => {
    const read = parseAs<"mass" | "volume" | "rateByWeight" | "rateByVolume">(text, [
      "mass",
      "volume",
      "rateByWeight",
      "rateByVolume",
    ]);
    return read.ok ? canonical(read.value.value) : 0;
  };
  const less = (was: string, is: string) => size(is) < size(was) * LESS;
  const changes = [
    !same.label && `${old.product} becomes ${label.card.name}`,
    !same.zone && `${old.zone} becomes ${zone.name}`,
    date !== old.date && `${old.date} becomes ${date}`,
    same.label && less(old.rate, put.rate) && `${brief(old.rate, 4)} becomes ${brief(put.rate, 4)}`,
    same.label &&
      !less(old.rate, put.rate) &&
      less(old.total, put.total) &&
      `${brief(old.total, 4)} becomes ${brief(put.total, 4)}`,
  ].filter((change) => change !== false);
  if (changes.length === 0) return [];
  return [issue("why", "reason-needed", changes.join(", "), "say why less counts than before, or elsewhere")];
}

const unread = issue("why", "reason-needed", "the record that this replaces can't be read", "say by what it is known");

const corrected = issue("corrects", "already-done", "this record was corrected already", "correct the newest one");

/** A zone of a site, one that was taken out too: what went down on it did. */
function zoneOf(site: KnownSite | undefined, id: string): { id: string; name: string; area: string } | undefined {
  const live = zoneNamed(site?.site.zones, id);
  return live ? { id: live.id, name: live.name, area: live.area } : site?.former.find((z) => z.id === id);
}

/**
 * Records that something never went down: `{ id, corrects, why }`. The old record stays, struck; what was poured went
 * somewhere, and what is struck counts no more, so it needs the reason. With `back` the striking is taken back.
 */
export function voidApplication(db: Access, input: unknown): Result<{ id: string }> {
  const { id, corrects, why, back } = (input ?? {}) as { id?: unknown; corrects?: unknown; why?: unknown; back?: unknown };
  if (back === true) return takeBackVoid(db, id, corrects);
  if (!isId(id) || !isRecordId(corrects)) return bad(issue("", "wrong-type", "something else", "the record that never was"));
  return whole(db, (tx) =>
    once(
      tx,
      "application",
      id,
      { corrects, why, void: true },
      findApplication(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        const old = findApplication(tx, corrects);
        if (!old) return bad(issue("corrects", "unknown-name", corrects, "the records of the log"));
        if (correctionOf(tx, corrects)) return bad(corrected);
        const poured = old.sheetId !== null && wasPoured(tx, old.sheetId);
        if (!isReason(why))
          return bad(
            issue(
              "why",
              "reason-needed",
              poured ? "it was ticked as poured on its sheet" : "nothing of it would count any more",
              poured ? "say what became of it, if it never went down" : "say why it never went down",
            ),
          );
        const { createdAt: _, ...row } = old;
        addApplication(
          tx,
          { ...row, id, covered: coveredOf(old), note: null, why: why.trim(), corrects, isVoid: true },
          nowText(),
        );
        return good({ id });
      },
    ),
  );
}

/** It went down after all: the record that was struck stands again, as a new row that names the striking one. */
function takeBackVoid(db: Access, id: unknown, corrects: unknown): Result<{ id: string }> {
  if (!isId(id) || !isRecordId(corrects)) return bad(issue("", "wrong-type", "something else", "the record that was struck"));
  return whole(db, (tx) =>
    once(
      tx,
      "application",
      id,
      { corrects, back: true },
      findApplication(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        const struck = findApplication(tx, corrects);
        const before = struck?.isVoid && struck.corrects !== null ? findApplication(tx, struck.corrects) : undefined;
        if (!struck || !before)
          return bad(issue("corrects", "unknown-name", corrects, "a record that was struck as never gone down"));
        if (correctionOf(tx, corrects)) return bad(corrected);
        const { createdAt: _, ...row } = before;
        addApplication(
          tx,
          { ...row, id, covered: coveredOf(before), why: "struck by mistake: it did go down", corrects, isVoid: false },
          nowText(),
        );
        return good({ id });
      },
    ),
  );
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
  if (isRateText(typed)) {
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
    bare: ounceOf(form),
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
  const { text } = rateOfTotal(read.value as Entered<"mass"> | Entered<"volume">, area);
  const rate = readRate(text, form, "amount");
  return rate.ok ? good({ rate: text, total: read.value.text }) : rate;
}
