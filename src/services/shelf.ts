import { daysLater, isDate } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import { sizeOf } from "@/core/labels/active";
import type { Form } from "@/core/labels/label-rate";
import { parseOnShelf, parsePackage } from "@/core/labels/rate";
import { foldedName } from "@/core/names";
import { canonical, fromCanonical } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { areaFor } from "@/core/season/year";
import { cheapestSet, type Size } from "@/core/stock/buy";
import type { CardText } from "@/formats/card/card";
import type { LotEntry, RecallEntry, ShelfEntry, ShelfProduct } from "@/formats/entries";
import { usedSince } from "@/records/applications";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { addDelivery, correctionOfDelivery, deliveriesOf, findDelivery, lotsDown, type DeliveryRow } from "@/records/deliveries";
import { findLabel, listLabels } from "@/records/labels";
import { namesOf } from "@/records/names";
import { siteNames } from "@/records/sites";
import { lastCount } from "@/records/stock";
import { todayOf } from "./clock";
import { isId, issue, nowText, shown } from "./input";
import { once } from "./once";
import { yearNow, type YearNow } from "./year";

/** The shelf: what is on hand and of which lot, what the season still takes, what is to be bought, where a lot went. */

/** Days ahead for which what is needed is told by itself. */
const SOON = 14;

/** What a package holds, g or mL. */
function sizeOfContent(content: string, form: Form): number | undefined {
  const read = parsePackage(content, form, { zero: true });
  return read.ok ? canonical(read.value.value as Quantity<"mass">) : undefined;
}

const held = ({ content, count }: DeliveryRow, form: Form): number => (sizeOfContent(content, form) ?? 0) * count;

/**
 * What is on hand of a product, g or mL: the last count and what came since, less what went down since. Without a count it is what
 * came, less what went down since the first of it. @returns undefined where neither was ever noted
 */
export function onHand(
  db: Access,
  labelId: string,
  card: CardText,
  aside?: SetAside[],
): { readonly left: number; readonly short: boolean } | undefined {
  const came = deliveriesOf(db, labelId, aside);
  const last = lastCount(db, labelId);
  const counted = last && sizeOfContent(last.amount, card.form);
  const from = counted !== undefined ? last!.createdAt : came.map((row) => row.noted).sort()[0];
  if (from === undefined) return undefined;
  const later = came.filter((row) => counted === undefined || row.noted > from);
  const measured = card.form === "dry" ? "mass" : "volume";
  const used = usedSince(db, labelId, namesOf(db, "labels", labelId), measured, from);
  const left = (counted ?? 0) + later.reduce((sum, row) => sum + held(row, card.form), 0) - used;
  // More went down than there was: something came that nobody noted, or was counted wrong.
  return { left: Math.max(0, left), short: left < -1e-6 };
}

/** What a product costs, for one g or mL; undefined where no price is known. */
export const priceOf = (db: Access, labelId: string, card: CardText): number | undefined =>
  unitPrice(card, deliveriesOf(db, labelId));

/** The last price of a product, for one g or mL: of the newest delivery that has one, else of its card's packages. */
function unitPrice(card: CardText, came: readonly DeliveryRow[]): number | undefined {
  const priced = [...came].reverse().find(({ price }) => price !== null);
  const of = priced ?? card.packages.find(({ price }) => price !== undefined);
  const size = of && sizeOfContent(of.content, card.form);
  return of && size ? Number(of.price) / size : undefined;
}

/** By round: what a year takes of it until a day, and in all, g or mL. */
function needsOf({ asked, year }: YearNow, soon: string): readonly { readonly soon: number; readonly all: number }[] {
  const needs = asked.rounds.map(() => ({ soon: 0, all: 0 }));
  for (const { site, round, state, on } of year.items) {
    const { counting } = asked.rounds[round]!;
    if (state !== "planned" || on === null || !counting) continue;
    const amount = sizeOf(counting.rate) * areaFor(asked.sites[site]!, asked.rounds[round]!);
    needs[round]!.all += amount;
    if (on <= soon) needs[round]!.soon += amount;
  }
  return needs;
}

/**
 * The shelf as it stands, with what is laid out for the rest of this year.
 * @param next with what is laid out for all of the next one, on what the rest of this one leaves
 */
export function shelf(db: Records, aside?: SetAside[], next = false): ShelfEntry {
  const now = yearNow(db, next, aside);
  const { asked, program } = now;
  const today = todayOf(db);
  const soon = daysLater(today, SOON);
  const needs = needsOf(now, soon);
  const before = next ? needsOf(yearNow(db, false, aside), soon) : undefined;
  const products = listLabels(db, aside)
    .filter((label) => !label.retired)
    .flatMap(({ id, card }): ShelfProduct[] => {
      const came = deliveriesOf(db, id, aside);
      const rounds = asked.rounds.flatMap((round, i) => (program.rounds[i]!.label === id ? [{ round, i }] : []));
      const stock = onHand(db, id, card, aside);
      if (!stock && rounds.length === 0) return [];
      const price = unitPrice(card, came);
      const need = (of: "soon" | "all", by = needs) => rounds.reduce((sum, { i }) => sum + by[i]![of], 0);
      const left = stock ? Math.max(0, stock.left - (before ? need("all", before) : 0)) : null;
      return [
        {
          labelId: id,
          name: card.name,
          form: card.form,
          left,
          short: stock?.short ?? false,
          soon: need("soon"),
          all: need("all"),
          rounds: rounds.map(({ round, i }) => ({
            round: round.name,
            need: round.counting ? needs[i]!.all : null,
            cost: price !== undefined && round.counting ? needs[i]!.all * price : null,
          })),
          buy: toBuy(need("all") - (left ?? 0), card, came),
          lots: came.map(({ id: delivery, lot, content, count, price: paid, came: on, opened, useBy }) => ({
            id: delivery,
            lot,
            content,
            count,
            price: paid,
            came: on,
            opened,
            useBy,
            old: useBy !== null && useBy < today,
          })),
        },
      ];
    });
  return { today, soonUntil: soon, products };
}

/** The cheapest packages for what is missing: of the sizes of its card, else of those that came before. */
function toBuy(missing: number, card: CardText, came: readonly DeliveryRow[]): ShelfProduct["buy"] {
  if (missing <= 1e-6) return null;
  const listed: readonly { content: string; price: string | undefined }[] =
    card.packages.length > 0
      ? card.packages.map(({ content, price }) => ({ content, price }))
      : came.map(({ content, price }) => ({ content, price: price ?? undefined }));
  const known = [...new Map(listed.map((one) => [one.content, one])).values()].flatMap(({ content, price }) => {
    const size = sizeOfContent(content, card.form);
    return size
      ? [
          {
            content,
            size: { content: fromCanonical<"mass">(size), price: price === undefined ? null : Number(price) } satisfies Size,
          },
        ]
      : [];
  });
  const found = cheapestSet(
    fromCanonical<"mass">(missing),
    known.map(({ size }) => size),
  );
  if (!found) return null;
  return {
    packages: found.counts.flatMap((count, i) => (count > 0 ? [{ content: known[i]!.content, count }] : [])),
    price: found.price,
    missing,
  };
}

/** Keeps packages that came: `{ id, labelId, lot, content, count, price, came, opened, useBy, corrects }`. */
export function saveDelivery(db: Records, input: unknown): Result<{ id: string }> {
  const given = (input ?? {}) as Record<string, unknown>;
  const { id, labelId, lot, content, count, price, came, opened, useBy, corrects = null } = given;
  if (!isId(id) || !isId(labelId) || !(corrects === null || isId(corrects)))
    return bad(issue("", "wrong-type", "something else", "packages that came: of what, how many, when"));
  const card = findLabel(db, labelId)?.card;
  if (!card) return bad(issue("labelId", "unknown-name", labelId, "the labels on record"));
  const read = parseOnShelf(content, card.form, { path: "content", dialect: "screen" });
  const today = todayOf(db);
  const date = (key: string, value: unknown, needed: boolean, most: string) =>
    value === null && !needed
      ? []
      : typeof value === "string" && isDate(value) && value >= "1990-01-01" && value <= most
        ? []
        : [issue(key, "bad-date", shown(value), most === today ? `"${today}", today or earlier` : `"${today}"`)];
  const issues = [
    ...(typeof lot === "string" && lot.trim() !== "" && lot.length <= 60
      ? []
      : [issue("lot", "missing", shown(lot), `"L-4471", as it stands on the package`)]),
    ...(read.ok ? [] : read.issues),
    ...(Number.isInteger(count) && (count as number) >= 0 && (count as number) <= 10_000
      ? []
      : [issue("count", "out-of-range", shown(count), "a whole number of packages")]),
    ...(price === null || (typeof price === "string" && /^\d{1,6}(\.\d{1,2})?$/.test(price))
      ? []
      : [issue("price", "not-a-number", shown(price), "62.50")]),
    ...date("came", came, true, today),
    ...date("opened", opened, false, today),
    ...date("useBy", useBy, false, "2200-12-31"),
  ];
  if (issues.length > 0 || !read.ok) return { ok: false, issues };
  return whole(db, (tx): Result<{ id: string }> => {
    if (corrects !== null) {
      const was = findDelivery(tx, corrects as string);
      if (was?.labelId !== labelId)
        return bad(issue("corrects", "unknown-name", shown(corrects), "the deliveries of this product"));
      if (correctionOfDelivery(tx, corrects as string) && !findDelivery(tx, id))
        return bad(issue("corrects", "changed-meanwhile", "this delivery", "somebody put it right already: look at it again"));
    }
    const row = {
      labelId,
      lot: (lot as string).trim(),
      content: read.value.text,
      count: count as number,
      price: price as string | null,
      came: came as string,
      opened: opened as string | null,
      useBy: useBy as string | null,
      corrects: corrects as string | null,
    };
    const add = (): Result<{ id: string }> => {
      addDelivery(tx, { id, ...row }, nowText());
      return good({ id });
    };
    return once(tx, "delivery", id, row, findDelivery(tx, id) !== undefined, () => ({ id }), add);
  });
}

/** The lots that came of some products and were not all counted away, the newest first. */
export function lotsOf(db: Access, labelIds: readonly string[], aside?: SetAside[]): LotEntry[] {
  const today = todayOf(db);
  return [...new Set(labelIds)].flatMap((labelId) => {
    const rows = deliveriesOf(db, labelId, aside).filter(({ count }) => count > 0);
    const byLot = new Map(rows.map((row) => [foldedName(row.lot), row]));
    return [...byLot.values()].reverse().map(({ lot, useBy }) => ({ labelId, lot, useBy, old: useBy !== null && useBy < today }));
  });
}

/**
 * Where a lot went: surely where it is noted of a record; perhaps where none is noted, and it stood on the shelf by then. That a lot
 * was used up before is nothing that anybody knows, and lets no lawn off.
 */
export function recall(db: Access, { label, lot }: { label: string; lot: string }, aside?: SetAside[]): RecallEntry | undefined {
  if (!findLabel(db, label)) return undefined;
  const key = foldedName(lot);
  const deliveries = deliveriesOf(db, label, aside);
  const exactly = deliveries.filter((row) => foldedName(row.lot) === key);
  // Of a lot that came under another spelling only, that is meant.
  const came = exactly.length > 0 ? exactly : deliveries.filter((row) => sameLot(row.lot, lot));
  const first = came.map((row) => row.came).sort()[0];
  const down = lotsDown(db, label, "1990-01-01");
  const names = siteNames(db, [...new Set(down.map(({ siteId }) => siteId))]);
  const told = (rows: typeof down) =>
    rows.map(({ id, date, siteId, zone }) => ({ id, date, siteId, site: names.get(siteId) ?? "a site", zone }));
  const noted = (one: string | null) => one !== null && one.trim() !== "";
  return {
    lot: came[0]?.lot ?? lot,
    known: came.length > 0,
    surely: told(down.filter((row) => noted(row.lot) && foldedName(row.lot!) === key)),
    perhaps: told(
      down.filter((row) =>
        noted(row.lot) ? foldedName(row.lot!) !== key && sameLot(row.lot!, lot) : first !== undefined && row.date >= first,
      ),
    ),
  };
}

/** What is written before a lot's own number, and says nothing of it. */
const BEFORE_LOT = /^(lot|batch|charge|no|nr|number)(?=[^a-z]|$)/;

/** Whether two spellings may be one lot: "L 4471", "L4471", "Lot L-4471". */
function sameLot(a: string, b: string): boolean {
  const bare = (lot: string): string => {
    const folded = foldedName(lot).replace(/^[^\p{L}\p{N}]+/u, "");
    const shorter = folded.replace(BEFORE_LOT, "");
    return shorter === folded ? folded.replace(/[^\p{L}\p{N}]/gu, "") : bare(shorter);
  };
  return bare(a) !== "" && bare(a) === bare(b);
}
