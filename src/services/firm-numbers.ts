import { good, type Result } from "@/core/issue";
import { readNumbers, type FirmNumbers } from "@/formats/firm-numbers";
import type { SetAside } from "@/records/aside";
import { whole, type Access, type Records } from "@/records/database";
import { changeSetting, readSettingAs } from "@/records/settings";
import { nowText } from "./input";

/** Whom the firm calls when something goes wrong. */
export const firmNumbers = (db: Access, aside?: SetAside[]): FirmNumbers =>
  readSettingAs(db, "numbers", readNumbers, aside) ?? {};

/** Settles them, all at once: `{ emergency, poison, vet, office }`; what stood before stays on record. */
export function saveNumbers(db: Records, input: unknown): Result<{ numbers: number }> {
  const read = readNumbers(input);
  if (!read.ok) return read;
  return whole(db, (tx) => {
    changeSetting(tx, "numbers", JSON.stringify(read.value), nowText());
    return good({ numbers: Object.keys(read.value).length });
  });
}
