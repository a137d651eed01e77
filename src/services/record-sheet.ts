import { bad, entered, good, parseRate, plainNumber, type Form, type LabelRate, type Result } from "@/core/contents";
import { totalText } from "@/formats/card/choice";
import { cardOfProduct } from "@/formats/gear";
import type { ProductText } from "@/formats/job-file/types";
import { addApplication, recordsOfSheet, type NewApplication } from "@/records/applications";
import type { Records } from "@/records/database";
import { findSheet, siteIdOf } from "@/records/sheets";
import { countedOf } from "./counted";
import { isId, issue, nowText } from "./input";
import { isDay } from "./save-application";
import { runOf, sheetState } from "./sheet-today";

/**
 * Puts a poured sheet on record: one application for each of its products on each of its zones. Of a day, the stops that
 * were done; where the tank was read after one, with what really went down.
 */
export function recordSheet(db: Records, sheetId: string, input: unknown): Result<{ id: string }> {
  const date = (input as { date?: unknown } | null)?.date;
  if (typeof date !== "string" || !isDay(date))
    return bad(issue("date", "bad-date", String(date), `"2026-04-14", today or before`));
  return db.transaction((tx): Result<{ id: string }> => {
    const sheet = isId(sheetId) ? findSheet(tx, sheetId) : undefined;
    if (!sheet) return bad(issue("", "unknown-name", String(sheetId), "the mix sheets on record"));
    if (recordsOfSheet(tx, sheetId).length > 0) return good({ id: sheetId });
    if (sheetState(tx, sheetId) === "withdrawn")
      return bad(issue("", "conflict", "this sheet was withdrawn", "enter what went down by hand in the log"));
    const run = runOf(tx, sheet);
    const open = run?.stops.filter((s) => s.state === "todo") ?? [];
    if (open.length > 0)
      return bad(
        issue(
          "",
          "conflict",
          `${open.map((s) => s.site).join(", ")}: neither done nor skipped`,
          "say of each stop what became of it",
        ),
      );
    const stops = sheet.job.sites!.filter((site) => !run || run.stops.find((s) => s.site === site.name)?.state === "done");
    if (stops.length === 0) return bad(issue("", "conflict", "every stop was skipped", "withdraw the sheet: nothing went down"));
    const now = nowText();
    // What an open sheet plans is worked out in one place: it is what is recorded, or so much more as the tank told. With
    // its first record a sheet is open no more, so all of it is looked up before.
    const counted = stops.map((site) => countedOf(tx, siteIdOf(sheet, site)).filter((c) => c.sheetId === sheetId));
    stops.forEach((site, k) => {
      const siteId = siteIdOf(sheet, site);
      const planned = counted[k]!;
      const ratio = run?.stops.find((s) => s.site === site.name)?.ratio ?? null;
      site.zones.forEach((zone, i) =>
        sheet.job.products!.forEach((product, j) => {
          const meant = planned.find((c) => c.zone === (zone.name ?? "") && c.applied.of === product.name)!.applied.amount;
          const rate = ratio === null ? meant : timesRate(meant, ratio);
          const area = entered(zone.area, "area");
          const notes = [
            zone["x-spot"] !== undefined && `a spot of ${zone["x-spot"]}`,
            ratio !== null && `${Math.round(ratio * 100)} % of what was planned, read off the tank`,
          ].filter(Boolean);
          addApplication(
            tx,
            {
              id: k === 0 ? `${sheetId}.${i}.${j}` : `${sheetId}.${k}.${i}.${j}`,
              date,
              siteId,
              zoneId: zone["x-id"] ?? "",
              zone: zone.name ?? "",
              area,
              ...productWhat(product),
              labelId: null,
              rate,
              total: totalText(soundRate(rate, product.form), area.value),
              personId: sheet.personId,
              source: "sheet",
              sheetId,
              note: notes.length > 0 ? notes.join("; ") : null,
              corrects: null,
              isVoid: false,
            } satisfies NewApplication,
            now,
          );
        }),
      );
    });
    return good({ id: sheetId });
  });
}

/** A rate so many times over, as a job file writes it. */
function timesRate(text: string, ratio: number): string {
  const [number, ...unit] = text.split(" ");
  return `${plainNumber(Number(number!.replaceAll(",", "")) * ratio)} ${unit.join(" ")}`;
}

function soundRate(text: string, form: Form): LabelRate {
  const rate = parseRate(text, form);
  if (!rate.ok) throw new Error(`a checked rate can't be read: ${rate.issues[0]!.code}`);
  return rate.value;
}

/** A product of a job as a record keeps it. */
function productWhat(product: ProductText): Pick<NewApplication, "product" | "actives" | "gravity"> {
  return {
    product: product.name,
    actives: (product.actives ?? []).map((a) => ({ name: a.name, content: (a.fraction ?? a.strength)! })),
    gravity: cardOfProduct(product).gravity ?? null,
  };
}
