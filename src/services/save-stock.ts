import { bad, good, type Result } from "@/core/issue";
import { parsePackage } from "@/core/labels/rate";
import type { Quantity } from "@/core/quantity/kinds";
import { isCleanOut } from "@/formats/clean-out";
import type { StockEntry } from "@/formats/entries";
import { usedSince } from "@/records/applications";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel, listLabels } from "@/records/labels";
import { namesOf } from "@/records/names";
import { findPerson } from "@/records/people";
import { findRig } from "@/records/rigs";
import { addRinse, addStockCount, findRinse, findStockCount, lastCount } from "@/records/stock";
import { A_MOMENT, isId, isMoment, issue, nowText, shown } from "./input";
import { once } from "./once";
import { ounceOf } from "@/core/labels/label-rate";
import { canonical } from "@/core/quantity/arithmetic";

/** Keeps a count of the shelf: `{ id, labelId, amount, countedAt }`. */
export function saveStockCount(db: Records, input: unknown): Result<{ id: string }> {
  const { id, labelId, amount, countedAt } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !isId(labelId)) return bad(issue("", "wrong-type", "something else", "a count: what, how much, when"));
  if (!isMoment(countedAt)) return bad(issue("countedAt", "bad-date", shown(countedAt), A_MOMENT));
  const card = findLabel(db, labelId)?.card;
  if (!card) return bad(issue("labelId", "unknown-name", labelId, "the labels on record"));
  const read = parsePackage(amount, card.form, {
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
      () => ({ id }),
      (): Result<{ id: string }> => {
        addStockCount(tx, { id, labelId, amount: read.value.text, countedAt }, nowText());
        return good({ id });
      },
    ),
  );
}

/** What is on hand of each counted product, in g or mL: the last count, less what went down since. */
export function stockNow(db: Access, aside?: SetAside[]): StockEntry[] {
  return listLabels(db, aside).flatMap(({ id: labelId, card }) => {
    const last = lastCount(db, labelId);
    const counted = last && parsePackage(last.amount, card.form, { zero: true });
    if (!last || !counted?.ok) return [];
    const measured = card.form === "dry" ? "mass" : "volume";
    const used = usedSince(db, labelId, namesOf(db, "labels", labelId), measured, last.createdAt);
    const left = Math.max(0, canonical(counted.value.value as Quantity<"mass">) - used);
    return [{ labelId, counted: last.amount, countedAt: last.countedAt, left }];
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
