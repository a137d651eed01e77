import { bad, good, type Result } from "@/core/issue";
import { readLocalRules, rulesFor, type LocalRule, type LocalRules } from "@/formats/local-rules";
import type { SiteText } from "@/formats/job-file/types";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { changeSetting, readSettingAs } from "@/records/settings";
import { nowText } from "./input";
import { overtakenSetting } from "./overtaken-setting";

/** What places, and the firm itself, ask of the weather beside the labels. */

const NONE: LocalRules = { rules: [] };

export const localRules = (db: Access, aside?: SetAside[]): LocalRules =>
  readSettingAs(db, "local-rules", readLocalRules, aside) ?? NONE;

/** Keeps the rules: `{ rules }`. What stood before stays on record. */
export function saveLocalRules(db: Records, input: unknown): Result<{ rules: number }> {
  const read = readLocalRules(input);
  if (!read.ok) return read;
  const { "x-revision": revision, ...rules } = read.value;
  return whole(db, (tx): Result<{ rules: number }> => {
    const kept = JSON.stringify(rules);
    const over = overtakenSetting(tx, "local-rules", { revision, kept });
    if (over) return bad(over);
    changeSetting(tx, "local-rules", kept, nowText());
    return good({ rules: rules.rules.length });
  });
}

/** The rules of the places of some sites. */
export const rulesOn = (db: Access, sites: readonly SiteText[]): readonly LocalRule[] => rulesFor(localRules(db), sites);
