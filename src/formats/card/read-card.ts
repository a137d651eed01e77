import { good, type Issue, type IssueCode, type Result } from "@/core/issue";
import { FORMS, type Form, ounceOf, compareRates } from "@/core/labels/label-rate";
import { parsePackage } from "@/core/labels/rate";
import { parseAnalysis, parseStated, type Composition, type StatedRate } from "@/core/labels/stated";
import { foldedName } from "@/core/names";
import { parseQuantity } from "@/core/quantity/parse";
import { RATE_BARE, withinRate } from "../forms/rate";
import { shown } from "../job-file/shown";
import { asActive, compositionOf } from "./composition";
import { CARD_FIELDS, YEARS, type Check } from "./fields";
import { ROW_KEYS, type CardText } from "./card";

/** The most rows of each list (ours): beyond that it is no label. */
const MOST_ROWS = 40;

type Loose = Readonly<Record<string, unknown>>;

/**
 * Reads a card as typed, or as it comes out of a file: blank texts are what the label leaves out. Answers with the card in
 * the job file's way of writing, or with every fault, each with its place (`rates[0].to`).
 */
export function readCard(input: unknown): Result<CardText> {
  const faults: Issue[] = [];
  const fault = (path: string, code: IssueCode, received: string, expected: string) =>
    void faults.push({ path, code, received, expected });
  if (typeof input !== "object" || input === null || Array.isArray(input))
    return { ok: false, issues: [{ path: "", code: "wrong-type", received: "something else", expected: "a card" }] };
  const card = input as Loose;

  const textAt = (of: Loose, key: string, path: string, most: number): string | undefined => {
    const value = of[key];
    if (value === undefined || value === null) return undefined;
    if (typeof value !== "string") return void fault(path, "wrong-type", typeof value, "text");
    const trimmed = value.trim();
    if (trimmed.length > most) return void fault(path, "too-long", String(trimmed.length), String(most));
    return trimmed === "" ? undefined : trimmed;
  };
  const rows = <T>(key: string, read: (row: Loose, path: string) => T | undefined): T[] => {
    const list = card[key] ?? [];
    if (!Array.isArray(list)) return (fault(key, "wrong-type", typeof list, "a list"), []);
    if (list.length > MOST_ROWS) fault(key, "too-many", `${list.length} rows`, String(MOST_ROWS));
    return list.slice(0, MOST_ROWS).flatMap((row, i) => {
      const path = `${key}[${i}]`;
      if (typeof row !== "object" || row === null) return (fault(path, "wrong-type", typeof row, "an object"), []);
      // A row that nothing was typed into is no row.
      if (Object.values(row as Loose).every((v) => v === undefined || v === null || (typeof v === "string" && v.trim() === "")))
        return [];
      return read(row as Loose, path) ?? [];
    });
  };
  const take = <T>(result: Result<T>): T | undefined => (result.ok ? result.value : void faults.push(...result.issues));

  const name = textAt(card, "name", "name", 200);
  if (name !== undefined && foldedName(name) === "") fault("name", "missing", "", `"Demo granule"`);
  if (name === undefined && !faults.some((f) => f.path === "name")) fault("name", "missing", "", `"Demo granule"`);
  const form = card.form as Form;
  if (!FORMS.includes(form)) {
    fault("form", card.form === undefined ? "missing" : "not-a-choice", shown(card.form), FORMS.join(", "));
    // What else is right depends on whether it is a powder or a liquid.
    return { ok: false, issues: faults };
  }

  const scalars: Record<string, string> = {};
  for (const { key, check } of CARD_FIELDS) {
    const value = textAt(card, key, key, check.of === "text" ? check.most : 120);
    const written = value === undefined ? undefined : checked(value, check, key, faults);
    if (written !== undefined) scalars[key] = written;
  }
  if (scalars.formulation !== undefined) scalars.formulation = scalars.formulation.toUpperCase();

  const actives = rows("actives", (row, path) => {
    const called = textAt(row, "name", `${path}.name`, 60);
    if (called === undefined) fault(`${path}.name`, "missing", "", `"demo active"`);
    const content = textAt(row, "content", `${path}.content`, 60);
    if (content === undefined) return void fault(`${path}.content`, "missing", "", `"40 %" or, of a liquid, "4 lb/gal"`);
    const active = take(asActive(called ?? "", content, form, `${path}.content`));
    return active && called !== undefined ? { name: called, content: active.content.text } : undefined;
  });
  const composition: Composition = compositionOf({ name: name ?? "", form, ...scalars, actives });
  const rateAt = (row: Loose, key: string, path: string) => {
    const typed = textAt(row, key, `${path}.${key}`, 80);
    return typed === undefined ? undefined : take(readStated(typed, composition, `${path}.${key}`));
  };
  const extras = (row: Loose, keys: readonly string[], path: string) =>
    Object.fromEntries(
      keys.flatMap((key) => {
        const value = textAt(row, key, `${path}.${key}`, 120);
        return value === undefined ? [] : [[key, value]];
      }),
    );

  const rates = rows("rates", (row, path) => {
    const rate = rateAt(row, "rate", path);
    const before = faults.length;
    const to = rateAt(row, "to", path);
    if (!rate) {
      if (!textAt(row, "rate", `${path}.rate`, 80)) fault(`${path}.rate`, "missing", "", `"0.3 oz/1000 ft2"`);
      return undefined;
    }
    if (to && to.rate.kind !== rate.rate.kind)
      fault(`${path}.to`, "contradiction", `${rate.text} to ${to.text}`, "both ends of a range are rates of one kind");
    else if (to && compareRates(to.rate, rate.rate) < 0)
      fault(`${path}.to`, "contradiction", `${rate.text} to ${to.text}`, "write the lower rate first");
    if (faults.length > before) return undefined;
    return { ...extras(row, ROW_KEYS, path), rate: rate.text, ...(to && { to: to.text }) };
  });
  if (rates.length === 0 && !faults.some((f) => f.path.startsWith("rates")))
    fault("rates[0].rate", "missing", "", `"0.3 oz/1000 ft2"`);

  const limits = rows("limits", (row, path) => {
    const perApplication = rateAt(row, "perApplication", path);
    const perYear = rateAt(row, "perYear", path);
    const year = textAt(row, "yearKind", `${path}.yearKind`, 20);
    if (year !== undefined && !YEARS.includes(year)) fault(`${path}.yearKind`, "not-a-choice", year, YEARS.join(", "));
    const count = textAt(row, "applicationsPerYear", `${path}.applicationsPerYear`, 10);
    if (count !== undefined && !(/^\d{1,3}$/.test(count) && Number(count) >= 1 && Number(count) <= 366))
      fault(`${path}.applicationsPerYear`, "out-of-range", count, "a whole number from 1 to 366");
    const dayAt = (key: string) => {
      const value = textAt(row, key, `${path}.${key}`, 20);
      return value === undefined ? undefined : checked(value, { of: "days" }, `${path}.${key}`, faults);
    };
    const intervalAtLeast = dayAt("intervalAtLeast");
    const intervalAtMost = dayAt("intervalAtMost");
    return {
      ...extras(row, ["turf", "jurisdiction"], path),
      ...(perApplication && { perApplication: perApplication.text }),
      ...(perYear && { perYear: perYear.text }),
      ...(year !== undefined && { yearKind: year as "calendar" }),
      ...(count !== undefined && { applicationsPerYear: count }),
      ...(intervalAtLeast !== undefined && { intervalAtLeast }),
      ...(intervalAtMost !== undefined && { intervalAtMost }),
    };
  });

  const gear = rows("gear", (row, path) => {
    const item = textAt(row, "item", `${path}.item`, 60);
    if (item === undefined) return void fault(`${path}.item`, "missing", "", `"gloves"`);
    return { item, ...extras(row, ["type"], path) };
  });
  const packages = rows("packages", (row, path) => {
    const content = textAt(row, "content", `${path}.content`, 40);
    const price = textAt(row, "price", `${path}.price`, 12);
    if (price !== undefined && !(/^\d{1,7}(\.\d{1,2})?$/.test(price) && Number(price) > 0))
      fault(`${path}.price`, "out-of-range", price, "a price above zero such as 64.50");
    if (content === undefined) return void fault(`${path}.content`, "missing", "", form === "dry" ? `"80 oz"` : `"64 fl oz"`);
    const bare = ounceOf(form);
    const read = take(parsePackage(content, form, { path: `${path}.content`, dialect: "screen", bare }));
    return read && { content: read.text, ...(price !== undefined && { price }) };
  });

  if (faults.length > 0) return { ok: false, issues: faults };
  return good({ name: name!, form, ...scalars, actives, gear, packages, rates, limits });
}

/** Reads a rate as typed: product, nutrient or active; a bare number is in the form's own ounces for 1,000 sq ft. */
export function readStated(typed: string, product: Composition, path: string): Result<StatedRate> {
  const read = parseStated(typed, product, { path, dialect: "screen", bare: RATE_BARE[product.form] });
  if (!read.ok) return read;
  const possible = withinRate(read.value.rate, path);
  return possible.ok ? read : possible;
}

/** One text by its check, as it is kept; undefined with a fault added where it can't stand. */
function checked(value: string, check: Check, path: string, faults: Issue[]): string | undefined {
  const fault = (code: IssueCode, expected: string) => void faults.push({ path, code, received: value, expected });
  switch (check.of) {
    case "text":
      return value;
    case "choice":
      return check.choices.includes(value) ? value : fault("not-a-choice", check.choices.join(", "));
    case "quantity": {
      const read = parseQuantity(value, check.kind, { path, dialect: "screen", bare: check.units.us });
      return read.ok ? read.value.text : void faults.push(...read.issues);
    }
    case "days": {
      const parts = /^(\d{1,4}) ?(d|days?|w|weeks?|months?)?$/i.exec(value);
      const each = /^w/i.test(parts?.[2] ?? "") ? 7 : /^m/i.test(parts?.[2] ?? "") ? 30 : 1;
      const count = Number(parts?.[1]) * each;
      return parts && count > 0 && count <= 3660 ? `${count} days` : fault("not-a-number", `"60 days" or "8 weeks"`);
    }
    case "temperature": {
      const parts = /^(-?\d{1,3}(?:\.\d)?) ?°? ?([FC])?$/i.exec(value);
      return parts ? `${parts[1]} °${(parts[2] ?? "F").toUpperCase()}` : fault("not-a-number", `"85 °F" or "29 °C"`);
    }
    case "analysis": {
      const read = parseAnalysis(value, path);
      return read.ok ? value : void faults.push(...read.issues);
    }
  }
}
