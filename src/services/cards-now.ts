import { foldedName } from "@/core/names";
import type { ActiveText, CardText } from "@/formats/card/card";
import type { Down } from "@/formats/counted";
import type { Access } from "@/records/database";
import { listLabels } from "@/records/labels";
import { recordsNamed } from "@/records/names";
import { fileId } from "./file-id";

/**
 * What is known today of what went down then. A record points to its card, so an active that was noted later, or whose
 * spelling was put right, counts from the first day; what was known then stands beside it, so that nothing stops counting
 * because a card was changed.
 */
export interface CardsNow {
  /** The cards that a record is of: that of its id; or, where it has none, those that are or were called so. */
  readonly cardsOf: (record: { readonly labelId: string | null; readonly product: string }) => readonly CardText[];
  readonly downOf: (record: Recorded) => Down;
  /** All cards, those that are retired too. */
  readonly cards: readonly CardText[];
}

export interface Recorded {
  readonly labelId: string | null;
  readonly product: string;
  readonly actives: readonly ActiveText[];
  readonly gravity: string | null;
}

export function cardsNow(db: Access): CardsNow {
  const cards = new Map(listLabels(db).map((label) => [label.id, label.card]));
  const named = new Map<string, readonly CardText[]>();
  const byName = (name: string) => {
    const key = foldedName(name);
    // Ids were once made from names: a card that came from a file and was renamed before names were kept is found by that.
    const ids = new Set([...recordsNamed(db, "labels", name).map(({ id }) => id), fileId("label", name)]);
    const known = named.get(key) ?? [...ids].flatMap((id) => cards.get(id) ?? []);
    named.set(key, known);
    return known;
  };
  const cardsOf: CardsNow["cardsOf"] = ({ labelId, product }) => {
    const own = labelId === null ? undefined : cards.get(labelId);
    return own ? [own] : byName(product);
  };
  return {
    cards: [...cards.values()],
    cardsOf,
    downOf: (record) => {
      const of = cardsOf(record);
      const gravity = of[0]?.gravity ?? record.gravity ?? undefined;
      return {
        // Under the name that it is planned by today.
        name: of[0]?.name ?? record.product,
        actives: united([...of.flatMap((card) => card.actives), ...record.actives]),
        ...(gravity !== undefined && { gravity }),
      };
    },
  };
}

/** Each active once; the first that is named counts. */
const united = (actives: readonly ActiveText[]): ActiveText[] => [
  ...new Map([...actives].reverse().map((active) => [foldedName(active.name), active])).values(),
];
