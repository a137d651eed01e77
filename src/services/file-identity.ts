import { foldedName } from "@/core/names";
import type { Access } from "@/records/database";
import { recordsNamed } from "@/records/names";
import { fileId } from "./file-id";
import { isId } from "./input";
import { KEPT, type KeptKind, type KeptText } from "./keep-up";

/** A record that a file means. */
export interface Meant<K extends KeptKind> {
  readonly id: string;
  readonly retired: boolean;
  readonly text: KeptText[K];
}

/**
 * The record that an item of a file is: that of its id; else the one that is called so now; else the one that was called
 * so once, or came from a file under this name: brought in again, a file doesn't undo what was changed since. Undefined
 * where it is none.
 */
export function meantBy<K extends KeptKind>(db: Access, of: K, name: string, xId: unknown): Meant<K> | undefined {
  const find = (id: string): Meant<K> | undefined => {
    const found = KEPT[of].find(db, id);
    return found && { id, retired: found.retired, text: found.text as KeptText[K] };
  };
  const byId = isId(xId) ? find(xId) : undefined;
  if (byId) return byId;
  for (const { id } of recordsNamed(db, of, name)) {
    const found = find(id);
    if (found) return found;
  }
  // Ids were once made from names.
  return find(fileId(KEPT[of].what, name));
}

/** Whether a record is called otherwise than a file calls it. */
export const calledOtherwise = (here: string, file: string): boolean => foldedName(here) !== foldedName(file);
