import { isDate } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import {
  isLookPart,
  LOOK_KINDS,
  lookExpected,
  MOST_PHOTO_BYTES,
  MOST_PHOTOS,
  type LookKind,
  type LookText,
} from "@/formats/looks";
import { findApplication } from "@/records/applications";
import { type Records, whole } from "@/records/database";
import { addLook, addPhoto, findLook, findPhoto, photosOf, type NewLook } from "@/records/looks";
import { findPerson } from "@/records/people";
import { findSite } from "@/records/sites";
import { todayOf } from "./clock";
import { isId, isRecordId, issue, nowText, shown } from "./input";
import { once } from "./once";
import { plainPhoto } from "./plain-photo";
import { noZone, zoneNamed } from "./zone-named";

/**
 * Keeps what somebody saw: `{ id, kind: "scout", siteId, zoneId, date, personId, says }`, or of what went down
 * `{ id, kind: "inspection", recordId, date, personId, says }`.
 */
export function saveLook(db: Records, input: unknown): Result<{ id: string }> {
  const { id, kind, date, personId, says } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !LOOK_KINDS.includes(kind as LookKind) || !(personId === null || isId(personId)))
    return bad(issue("", "wrong-type", "something else", "a look: at which zone or record, when, by whom, what was seen"));
  const today = todayOf(db);
  if (typeof date !== "string" || !isDate(date) || date < "1990-01-01" || date > today)
    return bad(issue("date", "bad-date", shown(date), `"${today}", today or before`));
  if (personId !== null && !findPerson(db, personId))
    return bad(issue("personId", "unknown-name", personId, "the people on record"));
  const seen = readSays(kind as LookKind, says);
  if (!seen.ok) return seen;
  const at = kind === "scout" ? zoneOf(db, input) : recordOf(db, input, date);
  if (!at.ok) return at;
  const look: NewLook = { id, kind: kind as LookKind, date, personId, says: seen.value, ...at.value };
  return whole(db, (tx) =>
    once(
      tx,
      "look",
      id,
      look,
      findLook(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        addLook(tx, look, nowText());
        return good({ id });
      },
    ),
  );
}

type At = Pick<NewLook, "siteId" | "zoneId" | "zone" | "labelId" | "recordId">;

function zoneOf(db: Records, input: unknown): Result<At> {
  const { siteId, zoneId } = input as Record<string, unknown>;
  const zone = isId(siteId) ? zoneNamed(findSite(db, siteId)?.site.zones, zoneId) : undefined;
  return zone && isId(siteId)
    ? good({ siteId, zoneId: zone.id, zone: zone.name, labelId: null, recordId: null })
    : bad(noZone(zoneId));
}

function recordOf(db: Records, input: unknown, date: string): Result<At> {
  const { recordId } = input as Record<string, unknown>;
  const record = isRecordId(recordId) ? findApplication(db, recordId) : undefined;
  if (!record || record.isVoid)
    return bad(issue("recordId", "unknown-name", shown(recordId), "the records of the log that stand"));
  if (date < record.date) return bad(issue("date", "bad-date", date, `"${record.date}", when it went down, or later`));
  const { siteId, zoneId, zone, labelId } = record;
  return good({ siteId, zoneId, zone, labelId, recordId: record.id });
}

/** What has to be said of each kind: one of these at least. */
const NEEDS: { readonly [K in LookKind]: readonly (keyof LookText)[] } = {
  scout: ["target", "wrong", "note"],
  inspection: ["control", "injury", "note"],
};
const FITS: { readonly [K in LookKind]: readonly string[] } = {
  scout: ["target", "stage", "cover", "height", "soil", "wrong", "note"],
  inspection: ["control", "injury", "causes", "followUp", "note"],
};

function readSays(kind: LookKind, input: unknown): Result<LookText> {
  if (typeof input !== "object" || input === null || Array.isArray(input))
    return bad(issue("says", "wrong-type", shown(input), "what was seen"));
  const said = Object.entries(input).filter(([, part]) => part !== "" && part !== undefined);
  const faults = said.flatMap(([key, part]) =>
    !FITS[kind].includes(key)
      ? [issue(`says.${key}`, "unknown-key", key, FITS[kind].join(", "))]
      : isLookPart(key, part)
        ? []
        : [issue(`says.${key}`, "not-a-choice", shown(part), lookExpected(key))],
  );
  if (faults.length > 0) return bad(...faults);
  if (!NEEDS[kind].some((key) => said.some(([is]) => is === key)))
    return bad(issue(`says.${NEEDS[kind][0]}`, "missing", "", `one of ${NEEDS[kind].join(", ")}`));
  return good(Object.fromEntries(said.map(([key, part]) => [key, typeof part === "string" ? part.trim() : part])));
}

/** Keeps a photo of a look: `{ id, lookId, image }`, a JPEG in base 64, as small as the device made it; the picture alone is kept. */
export async function savePhoto(db: Records, input: unknown): Promise<Result<{ id: string }>> {
  const { id, lookId, image } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !isId(lookId) || typeof image !== "string")
    return bad(issue("", "wrong-type", "something else", "a photo of a look"));
  const sent = Buffer.from(image, "base64");
  if (sent.length > MOST_PHOTO_BYTES)
    return bad(issue("image", "too-big", `${Math.ceil(sent.length / 1000)} kB`, `${MOST_PHOTO_BYTES / 1000} kB`));
  const made = await plainPhoto(sent);
  if (!made.ok) return made;
  const bytes = made.value;
  return whole(db, (tx): Result<{ id: string }> => {
    if (!findLook(tx, lookId)) return bad(issue("lookId", "unknown-name", lookId, "the looks on record"));
    const before = findPhoto(tx, id);
    if (before)
      return before.bytes.equals(bytes)
        ? good({ id })
        : bad(issue("id", "kept-otherwise", "another photo", "a new id for a new photo"));
    if ((photosOf(tx, [lookId]).get(lookId)?.length ?? 0) >= MOST_PHOTOS)
      return bad(issue("", "too-many", `${MOST_PHOTOS + 1} photos`, String(MOST_PHOTOS)));
    addPhoto(tx, { id, lookId, bytes }, nowText());
    return good({ id });
  });
}
