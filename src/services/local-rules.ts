import { good, type Result } from "@/core/issue";
import { readLocalRules, rulesFor, type LocalRule, type LocalRules } from "@/formats/local-rules";
import type { SiteText } from "@/formats/job-file/types";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { changeSetting, readSettingAs } from "@/records/settings";
import { nowText } from "./input";

/** What places, and the firm itself, ask of the weather beside the labels. */

const NONE: LocalRules = { rules: [] };

export const localRules = (db: Access, aside?: SetAside[]): LocalRules =>
  readSettingAs(db, "local-rules", readLocalRules, aside) ?? NONE;

/** Keeps the rules: `{ rules }`. What stood before stays on record. */
export function saveLocalRules(db: Records, input: unknown): Result<{ rules: number }> {
  const read = readLocalRules(input);
  if (!read.ok) return read;
  return whole(db, (tx) => {
    changeSetting(tx, "local-rules", JSON.stringify(read.value), nowText());
    return good({ rules: read.value.rules.length });
  });
}

/** The rules of the places of some sites. */
export const rulesOn = (db: Access, sites: readonly SiteText[]): readonly LocalRule[] => rulesFor(localRules(db), sites);
