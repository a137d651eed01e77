import { bad, good, type Result } from "@/core/issue";
import { parseOnShelf } from "@/core/labels/rate";
import { canonical } from "@/core/quantity/arithmetic";
import type { Quantity } from "@/core/quantity/kinds";
import { isCleanOut } from "@/formats/clean-out";
import type { StockEntry } from "@/formats/entries";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel, listLabels } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findRig } from "@/records/rigs";
import { addRinse, addStockCount, findRinse, findStockCount, lastCount } from "@/records/stock";
import { A_MOMENT, isId, isMoment, issue, nowText, shown } from "./input";
import { once } from "./once";
import { onHand } from "./shelf";
import { ounceOf } from "@/core/labels/label-rate";

/** A count, and how far it is from what was expected, g or mL; null where nothing was. */
export interface Counted {
  readonly id: string;
  readonly off: number | null;
}

/** Keeps a count of the shelf: `{ id, labelId, amount, countedAt }`. */
export function saveStockCount(db: Records, input: unknown): Result<Counted> {
  const { id, labelId, amount, countedAt } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !isId(labelId)) return bad(issue("", "wrong-type", "something else", "a count: what, how much, when"));
  if (!isMoment(countedAt)) return bad(issue("countedAt", "bad-date", shown(countedAt), A_MOMENT));
  const card = findLabel(db, labelId)?.card;
  if (!card) return bad(issue("labelId", "unknown-name", labelId, "the labels on record"));
  const read = parseOnShelf(amount, card.form, {
    path: "amount",
    dialect: "screen",
    bare: ounceOf(card.form),
    zero: true,
  });
  if (!read.ok) return read;
  return whole(db, (tx) =>
    once(
      tx,
      "stock-count",
      id,
      { labelId, amount },
      findStockCount(tx, id) !== undefined,
      (): Counted => ({ id, off: null }),
      (): Result<Counted> => {
        const expected = onHand(tx, labelId, card);
        addStockCount(tx, { id, labelId, amount: read.value.text, countedAt }, nowText());
        return good({ id, off: expected ? canonical(read.value.value as Quantity<"mass">) - expected.left : null });
      },
    ),
  );
}

/** What is on hand of each counted product, in g or mL: the last count and what came since, less what went down. */
export function stockNow(db: Access, aside?: SetAside[]): StockEntry[] {
  return listLabels(db, aside).flatMap(({ id: labelId, card }) => {
    const last = lastCount(db, labelId);
    const stock = last && onHand(db, labelId, card, aside);
    return stock ? [{ labelId, counted: last.amount, countedAt: last.countedAt, left: stock.left }] : [];
  });
}

/** Keeps that a tank was rinsed: `{ id, rigId, tank, personId, rinsedAt, facts? }`. */
export function saveRinse(db: Records, input: unknown): Result<{ id: string }> {
  const { id, rigId, tank, personId, rinsedAt, facts } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !isId(rigId) || typeof tank !== "string" || !(personId === null || isId(personId)))
    return bad(issue("", "wrong-type", "something else", "a rinse: which rig and tank, who, when"));
  if (!isMoment(rinsedAt)) return bad(issue("rinsedAt", "bad-date", shown(rinsedAt), A_MOMENT));
  if (facts !== undefined && !isCleanOut(facts))
    return bad(issue("facts", "wrong-type", shown(facts), `what was cleaned: { "water": "1 qt", "rinsate": "onto the lawn" }`));
  const rig = findRig(db, rigId)?.rig;
  if (!rig) return bad(issue("rigId", "unknown-name", rigId, "the rigs on record"));
  if (personId !== null && !findPerson(db, personId))
    return bad(issue("personId", "unknown-name", personId, "the people on record"));
  const tanks = (rig.tanks ?? []).map((t) => t.name ?? "");
  if (!tanks.includes(tank)) return bad(issue("tank", "unknown-name", tank, tanks.join(", ")));
  return whole(db, (tx) =>
    once(
      tx,
      "rinse",
      id,
      { rigId, tank, personId, ...(facts !== undefined && { facts }) },
      findRinse(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        addRinse(tx, { id, rigId, tank, personId, rinsedAt, facts: facts ?? null }, nowText());
        return good({ id });
      },
    ),
  );
}
