import { good, type Issue, type Result } from "@/core/issue";
import { cardsFromText } from "@/formats/card/csv";
import { NOTHING, type Choices, type Imported, type ImportItem } from "@/formats/import";
import type { Records } from "@/records/database";
import { bringIn } from "./import-items";
import { nowText } from "./input";
import { wholly } from "./keep-up";
import type { Progress } from "./progress";

/**
 * Takes cards in from a CSV or JSON file. A card that is on record with another text is left as it is, unless that card
 * was chosen: a limit must not be changed by a file that was meant to add a product.
 */
export function importCards(db: Records, text: string, chosen?: Choices, progress?: Progress): Result<Imported> {
  const cards = cardsFromText(text);
  if (!cards.ok) return cards;
  return wholly(db, (tx) => {
    const now = nowText();
    const items: ImportItem[] = [];
    const issues: Issue[] = [];
    cards.value.forEach((card, i) => {
      progress?.(i, cards.value.length);
      const brought = bringIn(tx, { of: "labels", text: card, path: card.name }, chosen ?? {}, now);
      if (brought.ok) items.push(brought.value.item);
      else issues.push(...brought.issues);
    });
    return issues.length > 0 ? { ok: false, issues } : good({ ...NOTHING, items });
  });
}
