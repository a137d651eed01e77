import { bad, good, type Issue, type Result } from "@/core/issue";
import { foldedName, sameName } from "@/core/names";
import type { CardText } from "@/formats/card/card";
import { readCard } from "@/formats/card/read-card";
import { readForm } from "@/formats/forms/field";
import { personForm, personText, type PersonText } from "@/formats/forms/person";
import { rigText } from "@/formats/forms/rig";
import { readRigForm } from "@/formats/forms/read-rig-form";
import { readSiteForm, siteText } from "@/formats/forms/site";
import { readTipForm, tipText } from "@/formats/forms/tip";
import type { SiteText } from "@/formats/job-file/types";
import { isDate } from "@/core/calendar";
import type { RigText } from "@/formats/job-file/types";
import { setupOf, type TipText } from "@/formats/rig-setup";
import { addDismissals } from "@/records/applications";
import { RecordUnreadable } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel, putLabel, retireLabel } from "@/records/labels";
import { keepName, keepRevision, twinOf } from "@/records/names";
import { findPerson, putPerson, retirePerson } from "@/records/people";
import { findRig, putRig, retireRig, type NamedRig } from "@/records/rigs";
import { findSite, putSite, retireSite } from "@/records/sites";
import { findTip, putTip, retireTip } from "@/records/tips";
import { readDismissed } from "./dismissed";
import { isId, issue, nowText, readId } from "./input";
import { canonical } from "./once";
import { settleGround } from "./same-ground";

/** Keeping people, rigs, labels and sites up to date: add, change, retire, bring back. The old is always kept. */

export interface KeptText {
  people: PersonText;
  rigs: NamedRig;
  tips: TipText;
  labels: CardText;
  sites: SiteText;
}
export type KeptKind = keyof KeptText;

interface Kind<Text> {
  readonly what: string;
  /** Reads a form. */
  readonly read: (input: unknown) => Result<Text>;
  readonly find: (
    db: Access,
    id: string,
  ) => { readonly retired: boolean; readonly revision: number; readonly text: Text } | undefined;
  /** Keeps it; answers with what is still to be said. */
  readonly put: (db: Access, id: string, text: Text, now: string) => Issue[];
  readonly retire: (db: Access, id: string, at: string | null) => boolean;
}

const map = <A, B>(result: Result<A>, make: (value: A) => B): Result<B> => (result.ok ? good(make(result.value)) : result);
const saying =
  <A extends unknown[]>(work: (...args: A) => void) =>
  (...args: A): Issue[] => {
    work(...args);
    return [];
  };

/** What is kept of a person. */
export const personOf = ({ name, papers, stride }: PersonText): PersonText => ({
  name,
  ...(papers && { papers }),
  ...(stride !== undefined && { stride }),
});

export const KEPT: { readonly [K in KeptKind]: Kind<KeptText[K]> } = {
  people: {
    what: "person",
    read: (input) => map(readForm(personForm, input), personText),
    find: (db, id) => {
      const found = findPerson(db, id);
      return found && { retired: found.retired, revision: found.revision, text: personOf(found) };
    },
    put: saying(putPerson),
    retire: retirePerson,
  },
  rigs: {
    what: "rig",
    read: (input) => map(readRigForm(input), rigText),
    find: (db, id) => {
      const found = findRig(db, id);
      return found && { retired: found.retired, revision: found.revision, text: found.rig };
    },
    put: (db, id, text, now) => {
      const faults = servicedFaults(text);
      if (faults.length === 0) putRig(db, id, text, now);
      return faults;
    },
    retire: retireRig,
  },
  tips: {
    what: "tip",
    read: (input) => map(readTipForm(input), tipText),
    find: (db, id) => {
      const found = findTip(db, id);
      return found && { retired: found.retired, revision: found.revision, text: found.tip };
    },
    put: saying(putTip),
    retire: retireTip,
  },
  labels: {
    what: "label",
    read: readCard,
    find: (db, id) => {
      const found = findLabel(db, id);
      return found && { retired: found.retired, revision: found.revision, text: found.card };
    },
    put: saying(putLabel),
    retire: retireLabel,
  },
  sites: {
    what: "site",
    read: (input) => map(readSiteForm(input), siteText),
    find: (db, id) => {
      const found = findSite(db, id);
      return found && { retired: found.retired, revision: found.revision, text: found.site };
    },
    put: (db, id, text, now) => {
      const faults = twinZones(text);
      if (faults.length > 0) return faults;
      const before = readable(() => KEPT.sites.find(db, id));
      const was = before && "zones" in before ? before : undefined;
      return settleGround(db, id, text, () => putSite(db, id, text, now), { now, before: was });
    },
    retire: retireSite,
  },
};

export const isKept = (value: string): value is KeptKind => Object.hasOwn(KEPT, value);

/** A day on which a pump was serviced is a day. */
function servicedFaults(rig: RigText): Issue[] {
  const { pumpServiced } = setupOf(rig);
  const real = pumpServiced === undefined || pumpServiced === "" || isDate(pumpServiced);
  return real ? [] : [issue("pumpServiced", "bad-date", pumpServiced, `"2026-04-14"`)];
}

/** Zones of one site whose names differ only in capitals, accents or what can't be seen. */
const twinZones = ({ zones }: SiteText): Issue[] =>
  zones.flatMap((zone, i) => {
    const twin = zones.slice(0, i).find((other) => other.name && zone.name && sameName(other.name, zone.name));
    return twin ? [issue(`zones[${i}].name`, "duplicate-name", twin.name!, "zone its name")] : [];
  });

/** Why a record can't be called so: nothing of the name can be seen, or another one is called so. */
function nameFault(tx: Access, of: KeptKind, id: string, name: string): Issue | undefined {
  if (foldedName(name) === "") return issue("name", "missing", "", "a name that can be seen");
  const twin = twinOf(tx, of, name);
  if (!twin || twin.id === id) return undefined;
  return twin.retired
    ? issue("name", "retired", `"${twin.name}"`, `bring it back, or give this ${KEPT[of].what} another name`)
    : issue("name", "duplicate-name", twin.name, `${KEPT[of].what} its name`);
}

/**
 * Keeps one, new or changed: the one way for a form and for a file. How it was before stays on record, and what was kept
 * is read back by the reader of every room, so that nothing is taken that can't be shown.
 */
export function keepUp<K extends KeptKind>(
  tx: Access,
  of: K,
  id: string,
  text: KeptText[K],
  now: string,
): Result<{ id: string }> {
  const kept: Kind<KeptText[K]> = KEPT[of];
  const fault = nameFault(tx, of, id, text.name);
  if (fault) return bad(fault);
  const before = readable(() => kept.find(tx, id));
  if (before && canonical(before) === canonical(text)) return good({ id });
  if (before) keepRevision(tx, of, id, before, now);
  const open = kept.put(tx, id, text, now);
  if (open.length > 0) return bad(...open);
  keepName(tx, of, id, text.name, now);
  try {
    if (kept.find(tx, id)) return good({ id });
  } catch (error) {
    if (!(error instanceof RecordUnreadable)) throw error;
    return bad(issue("", "unreadable", text.name, error.aside.reason));
  }
  return bad(issue("", "unreadable", text.name, "it would not come back as it was written"));
}

/** What is on record, or, where it can't be read, its raw text: saving it anew mends it. */
function readable<T>(find: () => { readonly text: T } | undefined): T | { readonly raw: string } | undefined {
  try {
    return find()?.text;
  } catch (error) {
    if (error instanceof RecordUnreadable) return { raw: error.aside.raw };
    throw error;
  }
}

/** Takes a transaction back with its faults. */
export class Refused extends Error {
  constructor(readonly issues: readonly Issue[]) {
    super("refused");
  }
}

/** All or nothing: what is refused in the middle leaves nothing behind. */
export function wholly<T>(db: Access, work: (tx: Access) => Result<T>): Result<T> {
  try {
    return whole(db, (tx): Result<T> => {
      const result = work(tx);
      if (!result.ok) throw new Refused(result.issues);
      return result;
    });
  } catch (error) {
    if (error instanceof Refused) return { ok: false, issues: error.issues };
    throw error;
  }
}

/** Why a change can't be kept: the record is another one by now than the form was opened with. */
function overtaken(tx: Access, of: KeptKind, id: string, text: KeptText[KeptKind], revision: unknown): Issue | undefined {
  if (typeof revision !== "number") return undefined;
  try {
    const now = KEPT[of].find(tx, id);
    // What stands is what was asked for already: an answer got lost.
    if (!now || now.revision === revision || canonical(now.text) === canonical(text)) return undefined;
    return issue("", "changed-meanwhile", now.text.name, "look at what stands now, then save over it or leave it");
  } catch (error) {
    // What can't be read is mended by saving it anew.
    if (error instanceof RecordUnreadable) return undefined;
    throw error;
  }
}

/**
 * Adds or changes one: `{ id, form, revision?, dismissed? }`. A name is given once within its kind. With the revision that
 * the form was opened with, what somebody else has changed since is not written over.
 */
export function put(db: Records, of: KeptKind, input: unknown): Result<{ id: string }> {
  const id = readId(input);
  if (!id.ok) return id;
  const text: Result<KeptText[KeptKind]> = KEPT[of].read((input as { form?: unknown }).form);
  if (!text.ok) return text;
  const dismissed = readDismissed(input);
  if (!dismissed.ok) return dismissed;
  return wholly(db, (tx) => {
    const late = overtaken(tx, of, id.value, text.value, (input as { revision?: unknown }).revision);
    if (late) return bad(late);
    const now = nowText();
    const kept = keepUp(tx, of, id.value, text.value as never, now);
    if (kept.ok) addDismissals(tx, id.value, dismissed.value, now);
    return kept;
  });
}

/** Retires one, or brings it back: `{ id, retired }`. */
export function retire(db: Records, of: KeptKind, input: unknown): Result<{ id: string }> {
  const { id, retired } = (input ?? {}) as { id?: unknown; retired?: unknown };
  if (!isId(id)) return bad(issue("id", "unknown-name", "no id", `the ${of} on record`));
  const found = KEPT[of].retire(db, id, retired === true ? nowText() : null);
  return found ? good({ id }) : bad(issue("id", "unknown-name", id, `the ${of} on record`));
}
