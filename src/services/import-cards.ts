import { bad, good, type Result } from "@/core/contents";
import { cardsFromText } from "@/formats/card/csv";
import type { Records } from "@/records/database";
import { labelNamed, putLabel } from "@/records/labels";
import { fileId } from "./file-id";
import { readUpload } from "./import-job";
import { nowText } from "./input";

export interface ImportedCards {
  readonly added: readonly string[];
  readonly replaced: readonly string[];
  /** On record with another text, and left as they are. */
  readonly left: readonly string[];
}

/**
 * Takes cards in from a CSV or JSON file: `{ text, replace }`. A card that is on record with another text is left as it
 * is, unless replacing was asked for: a limit must not be changed by a file that was meant to add a product.
 */
export function importCards(db: Records, input: unknown): Result<ImportedCards> {
  const text = readUpload(input);
  if (!text.ok) return text;
  const cards = cardsFromText(text.value);
  if (!cards.ok) return bad(...cards.issues);
  const replace = (input as { replace?: unknown }).replace === true;
  return db.transaction((tx): Result<ImportedCards> => {
    const now = nowText();
    const [added, replaced, left]: [string[], string[], string[]] = [[], [], []];
    for (const card of cards.value) {
      const known = labelNamed(tx, card.name);
      if (!known) {
        putLabel(tx, fileId("label", card.name), card, now);
        added.push(card.name);
      } else if (JSON.stringify(known.card) !== JSON.stringify(card)) {
        if (replace) putLabel(tx, known.id, card, now);
        (replace ? replaced : left).push(card.name);
      }
    }
    return good({ added, replaced, left });
  });
}
