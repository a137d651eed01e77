import { isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { INCIDENT_KINDS, INCIDENT_NAMES, incidentPartExpected, type IncidentKind, type IncidentText } from "@/formats/incidents";
import { type Records, whole } from "@/records/database";
import { addIncident, correctedBy, findIncident } from "@/records/incidents";
import { findLabel } from "@/records/labels";
import { findPerson } from "@/records/people";
import { findSite } from "@/records/sites";
import { todayOf } from "./clock";
import { isId, issue, nowText, shown } from "./input";
import { once } from "./once";

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
  const row = { id, kind, date, siteId, labelId, personId, says: said.value, corrects } as Parameters<typeof addIncident>[1];
  return whole(db, (tx) => {
    const today = todayOf(tx);
    if (typeof date !== "string" || !isDate(date) || date < "1990-01-01" || date > today)
      return bad(issue("date", "bad-date", shown(date), `"${today}", today or before`));
    const strange: Issue[] = [];
    if (row.siteId != null && !findSite(tx, row.siteId))
      strange.push(issue("siteId", "unknown-name", row.siteId, "the sites on record"));
    if (row.labelId != null && !findLabel(tx, row.labelId))
      strange.push(issue("labelId", "unknown-name", row.labelId, "the labels on record"));
    if (row.personId != null && !findPerson(tx, row.personId))
      strange.push(issue("personId", "unknown-name", row.personId, "the people on record"));
    if (row.corrects != null && !findIncident(tx, row.corrects))
      strange.push(issue("corrects", "unknown-name", row.corrects, "the incidents on record"));
    if (strange.length > 0) return bad(...strange);
    return once(
      tx,
      "incident",
      id,
      { ...row, createdAt: undefined },
      findIncident(tx, id) !== undefined,
      () => ({ id }),
      (): Result<{ id: string }> => {
        if (row.corrects != null && correctedBy(tx, row.corrects))
          return bad(issue("corrects", "conflict", "it was told anew already", "the newest telling of it"));
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
