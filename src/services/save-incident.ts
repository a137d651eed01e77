import { isDate } from "@/core/calendar";
import { bad, good, type Result } from "@/core/issue";
import { INCIDENT_KINDS, INCIDENT_NAMES, incidentPartExpected, type IncidentKind, type IncidentText } from "@/formats/incidents";
import { type Records, whole } from "@/records/database";
import { addIncident, correctedBy, findIncident, type NewIncident } from "@/records/incidents";
import { findLabel } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findSite } from "@/records/sites";
import { todayOf } from "./clock";
import { isId, issue, nowText, shown } from "./input";
import { once } from "./once";

/** What an incident may name, and where that has to stand. */
const NAMED = [
  ["siteId", findSite, "the sites on record"],
  ["labelId", findLabel, "the labels on record"],
  ["personId", findPerson, "the people on record"],
  ["corrects", findIncident, "the incidents on record"],
] as const;

/**
 * Keeps what went wrong: `{ id, kind, date, siteId, labelId, personId, says, corrects }`, each id null where there is none. Nothing takes
 * it back; told anew it names what it corrects, once.
 */
export function saveIncident(db: Records, input: unknown): Result<{ id: string }> {
  const { id, kind, date, siteId, labelId, personId, says, corrects } = (input ?? {}) as Record<string, unknown>;
  const named = [siteId, labelId, personId, corrects];
  if (!isId(id) || !named.every((one) => one === null || isId(one)))
    return bad(issue("", "wrong-type", "something else", "an incident: what, when, where, with which product"));
  if (!INCIDENT_KINDS.includes(kind as IncidentKind))
    return bad(issue("kind", "not-a-choice", shown(kind), Object.values(INCIDENT_NAMES).join(", ")));
  const said = readSays(says);
  if (!said.ok) return said;
  const row = { id, kind, date, siteId, labelId, personId, says: said.value, corrects } as Omit<NewIncident, "createdAt">;
  return whole(db, (tx) => {
    const today = todayOf(tx);
    if (typeof date !== "string" || !isDate(date) || date < "1990-01-01" || date > today)
      return bad(issue("date", "bad-date", shown(date), `"${today}", today or before`));
    const strange = NAMED.flatMap(([path, find, known]) => {
      const named = row[path];
      return named == null || find(tx, named) ? [] : [issue(path, "unknown-name", named, known)];
    });
    if (strange.length > 0) return bad(...strange);
    return once(
      tx,
      "incident",
      id,
      row,
      findIncident(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        if (row.corrects != null && correctedBy(tx, row.corrects))
          return bad(issue("corrects", "already-done", "it was told anew already", "the newest telling of it"));
        addIncident(tx, { ...row, createdAt: nowText() });
        return good({ id });
      },
    );
  });
}

function readSays(input: unknown): Result<IncidentText> {
  if (typeof input !== "object" || input === null || Array.isArray(input))
    return bad(issue("says", "wrong-type", shown(input), "what happened"));
  const said = Object.entries(input).filter(([, part]) => part !== "" && part !== undefined);
  const faults = said.flatMap(([key, part]) => {
    const expected = incidentPartExpected(key, part);
    return expected === undefined ? [] : [issue(`says.${key}`, "wrong-type", shown(part), expected)];
  });
  if (faults.length > 0) return bad(...faults);
  if (!said.some(([key]) => key === "what")) return bad(issue("says.what", "missing", "", "what happened, in a few words"));
  return good(Object.fromEntries(said.map(([key, part]) => [key, (part as string).trim()])) as unknown as IncidentText);
}
