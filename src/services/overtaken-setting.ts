import type { Issue } from "@/core/issue";
import type { Access } from "@/records/database";
import { readSetting, settingRevision, type Setting } from "@/records/settings";
import { issue } from "./input";

/** What a setting that is kept whole is called. */
const NAMES: Partial<Record<Setting, string>> = { program: "the program", "local-rules": "the local rules" };

/**
 * Why a setting can't be kept: it is another one by now than the screen was opened with. Whoever says no revision saves over what
 * stands, as with a card.
 * @param kept as it would be kept: what stands just so was kept already, and an answer got lost
 */
export function overtakenSetting(
  tx: Access,
  key: Setting,
  { revision, kept }: { readonly revision: number | undefined; readonly kept: string },
): Issue | undefined {
  if (revision === undefined || revision === settingRevision(tx, key) || readSetting(tx, key) === kept) return undefined;
  return issue("", "changed-meanwhile", NAMES[key] ?? key, "look at what stands now, then save over it or leave it");
}
