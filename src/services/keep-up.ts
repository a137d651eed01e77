import { bad, good, type Result } from "@/core/contents";
import { readForm } from "@/formats/forms/field";
import { readCard } from "@/formats/card/read-card";
import { personForm } from "@/formats/forms/person";
import { readRigForm, rigText } from "@/formats/forms/rig";
import { readSiteForm, siteText } from "@/formats/forms/site";
import { readTipForm, tipText } from "@/formats/forms/tip";
import { addDismissals } from "@/records/applications";
import type { Access, Records } from "@/records/database";
import { labelNamed, putLabel, retireLabel } from "@/records/labels";
import { personNamed, putPerson, retirePerson } from "@/records/people";
import { putRig, retireRig, rigNamed } from "@/records/rigs";
import { putSite, retireSite, siteNamed } from "@/records/sites";
import { putTip, retireTip, tipNamed } from "@/records/tips";
import { readDismissed } from "./dismissed";
import { issue, nowText, readId } from "./input";

/** Keeping people, rigs, labels and sites up to date: add, change, retire, bring back. */

interface Kind<Form> {
  readonly what: string;
  readonly read: (input: unknown) => Result<Form>;
  readonly name: (form: Form) => string;
  readonly named: (db: Access, name: string) => { id: string } | undefined;
  readonly put: (db: Access, id: string, form: Form, now: string) => void;
  readonly retire: (db: Access, id: string, at: string | null) => boolean;
}

const kind = <Form>(of: Kind<Form>) => of;

export const KEPT = {
  people: kind({
    what: "person",
    read: (input) => readForm(personForm, input),
    name: (form) => form.name.trim(),
    named: personNamed,
    put: (db, id, form, now) => putPerson(db, id, form.name.trim(), now),
    retire: retirePerson,
  }),
  rigs: kind({
    what: "rig",
    read: readRigForm,
    name: (form) => form.name.trim(),
    named: rigNamed,
    put: (db, id, form, now) => putRig(db, id, rigText(form), now),
    retire: retireRig,
  }),
  tips: kind({
    what: "tip",
    read: readTipForm,
    name: (form) => form.name.trim(),
    named: tipNamed,
    put: (db, id, form, now) => putTip(db, id, tipText(form), now),
    retire: retireTip,
  }),
  labels: kind({
    what: "label",
    read: readCard,
    name: (card) => card.name,
    named: labelNamed,
    put: putLabel,
    retire: retireLabel,
  }),
  sites: kind({
    what: "site",
    read: readSiteForm,
    name: (form) => form.name.trim(),
    named: siteNamed,
    put: (db, id, form, now) => putSite(db, id, siteText(form), now),
    retire: retireSite,
  }),
} as const;

export type KeptKind = keyof typeof KEPT;
export const isKept = (value: string): value is KeptKind => Object.hasOwn(KEPT, value);

/** Adds or changes one: `{ id, form, dismissed? }`. A name is given once within its kind. */
export function put(db: Records, of: KeptKind, input: unknown): Result<{ id: string }> {
  const kept = KEPT[of] as unknown as Kind<unknown>;
  const id = readId(input);
  if (!id.ok) return id;
  const form = kept.read((input as { form?: unknown }).form);
  if (!form.ok) return form;
  const dismissed = readDismissed(input);
  if (!dismissed.ok) return dismissed;
  return db.transaction((tx): Result<{ id: string }> => {
    const name = kept.name(form.value);
    const other = kept.named(tx, name);
    if (other && other.id !== id.value) return bad(issue("name", "duplicate-name", name, `${kept.what} its name`));
    const now = nowText();
    kept.put(tx, id.value, form.value, now);
    addDismissals(tx, id.value, dismissed.value, now);
    return good({ id: id.value });
  });
}

/** Retires one, or brings it back: `{ id, retired }`. */
export function retire(db: Records, of: KeptKind, input: unknown): Result<{ id: string }> {
  const id = readId(input);
  if (!id.ok) return id;
  const retired = (input as { retired?: unknown }).retired === true;
  const found = KEPT[of].retire(db, id.value, retired ? nowText() : null);
  return found ? good({ id: id.value }) : bad(issue("id", "unknown-name", id.value, `the ${of} on record`));
}
