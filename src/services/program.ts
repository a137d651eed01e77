import { randomUUID } from "node:crypto";
import { good, bad, type Issue, type Result } from "@/core/issue";
import { dueOf, type DueItem, type DueState } from "@/core/season/due";
import type { DueEntry } from "@/formats/entries";
import { idOfRound, readProgram, seasonOf, stationAt, type ProgramRound, type ProgramText } from "@/formats/season/program";
import { countingOf } from "@/formats/season/rates";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { findApplication } from "@/records/applications";
import { findLabel } from "@/records/labels";
import { findGiven, giveRound } from "@/records/rounds-given";
import { changeSetting, readSettingAs, settingRevision } from "@/records/settings";
import { seedOfSites, type SiteSeed } from "@/records/sites";
import { carryRenamed } from "./carry-renamed";
import { todayOf } from "./clock";
import { doneBySite, doneOn, isForZone, stillToDo, type Done } from "./done";
import { isId, issue, nowText, shown } from "./input";
import { overtakenSetting } from "./overtaken-setting";

/** The firm's program: its rounds, and what of them is due where. */

const NONE: ProgramText = { rounds: [], soil: [] };

/** The program as it stands. */
export const programOf = (db: Access, aside?: SetAside[]): ProgramText =>
  readSettingAs(db, "program", readProgram, aside) ?? NONE;

/**
 * Keeps the program: `{ rounds, soil }`. What stood before stays on record. A round that names what it was called before
 * (`x-was`) takes with it what was fixed for it.
 */
export function saveProgram(db: Records, input: unknown): Result<{ rounds: number }> {
  const checked = readProgram(input);
  if (!checked.ok) return checked;
  const { "x-revision": revision, ...program } = checked.value;
  const ahead = aheadFaults(program, todayOf(db));
  if (ahead.length > 0) return bad(...ahead);
  return whole(db, (tx): Result<{ rounds: number }> => {
    const strange = program.rounds.flatMap(({ label, rate }, i): readonly Issue[] => {
      const card = findLabel(tx, label)?.card;
      if (!card) return [issue(`rounds[${i}].label`, "unknown-name", label, "the labels on record")];
      const counting = rate === undefined ? undefined : countingOf(card, rate, `rounds[${i}].rate`);
      return counting && !counting.ok ? counting.issues : [];
    });
    if (strange.length > 0) return bad(...strange);
    const now = nowText();
    const known = programOf(tx).rounds;
    const kept = JSON.stringify({ ...program, rounds: withIds(program.rounds, known) });
    const over = overtakenSetting(tx, "program", { revision, kept });
    if (over) return bad(over);
    carryRenamed(
      tx,
      known.map(({ name }) => name),
      new Map(program.rounds.flatMap(({ name, "x-was": was }) => (typeof was === "string" ? [[was, name]] : []))),
      now,
    );
    keepInferred(tx, now);
    changeSetting(tx, "program", kept, now);
    return good({ rounds: program.rounds.length });
  });
}

/**
 * What was taken for a round by the program as it stands is kept so, before that changes: another window, rate or product doesn't undo what
 * was done by it. A row beside the record, marked as inferred; a person's word after it counts.
 */
function keepInferred(tx: Access, at: string): void {
  const { inferred } = doneBySite(tx, programOf(tx), seedOfSites(tx), todayOf(tx));
  for (const [recordId, round] of inferred) giveRound(tx, { id: randomUUID(), recordId, round, at, inferred: true });
}

/**
 * A round keeps the id of what it was before, whatever it is called; a new one gets its own, also under a name that another one had
 * until now.
 */
function withIds(rounds: readonly ProgramRound[], known: readonly ProgramRound[]): ProgramRound[] {
  const renamed = new Set(rounds.flatMap(({ "x-was": was }) => was ?? []));
  return rounds.map(({ "x-was": was, id: _, ...round }) => {
    const before = known.find(({ name }) => name === (was ?? (renamed.has(round.name) ? undefined : round.name)));
    return { ...round, id: before ? idOfRound(before) : `round.${randomUUID()}` };
  });
}

/** What was read of the soil and the air has been: a reading of tomorrow is a slip. */
function aheadFaults({ soil, air = [], stations = [] }: ProgramText, today: string): Issue[] {
  const of = (path: string, days: readonly { readonly date: string }[]) =>
    days.flatMap(({ date }, i) =>
      date > today ? [issue(`${path}[${i}].date`, "bad-date", date, `a day that has been: "${today}" or earlier`)] : [],
    );
  return [
    ...of("soil", soil),
    ...of("air", air),
    ...stations.flatMap((station, i) => [
      ...of(`stations[${i}].soil`, station.soil),
      ...of(`stations[${i}].air`, station.air ?? []),
    ]),
  ];
}

/** The program as a screen is given it: with how often it was changed. */
export const programNow = (db: Access, aside?: SetAside[]): ProgramText => ({
  ...programOf(db, aside),
  "x-revision": settingRevision(db, "program"),
});

/** As many as a screen shows of what is due. */
const MOST_SHOWN = 60;

/** What of the program is due today, over all sites. */
export function dueToday(db: Access, aside?: SetAside[]): DueEntry {
  const date = todayOf(db);
  const program = programOf(db, aside);
  if (program.rounds.length === 0) return { date, rounds: [], items: [], more: 0, unclear: [] };
  const { rounds, soil, air, stations } = seasonOf(program);
  const station = stationAt(program);
  const counts = rounds.map((): Partial<Record<DueState, number>> => ({}));
  const open: DueEntry["items"][number][] = [];
  const sites = seedOfSites(db);
  const down = doneBySite(db, program, sites, date);
  const seasons = sites.map(({ id, name, seeds, gate }) => ({
    name,
    done: doneOn(down, id).done,
    ...seedOf(seeds, date),
    station: station(gate),
  }));
  const items = dueOf({ date, soil, air, stations, rounds, sites: seasons });
  items.forEach((item, n) => {
    const i = n % rounds.length;
    const site = sites[Math.floor(n / rounds.length)]!;
    const round = program.rounds[i]!;
    if (!site.seeds.some((zone) => isForZone(round, zone))) return;
    counts[i]![item.state] = (counts[i]![item.state] ?? 0) + 1;
    if (item.state !== "due" && item.state !== "overdue") return;
    open.push({ ...item, siteId: site.id, labelId: round.label, left: stillToDo(site, round, doneOn(down, site.id)) });
  });
  const urgent = open.sort(byUrgency);
  return {
    date,
    rounds: program.rounds.map((round, i) => ({
      name: round.name,
      id: idOfRound(round),
      label: round.label,
      counts: counts[i]!,
    })),
    items: urgent.slice(0, MOST_SHOWN),
    more: Math.max(0, urgent.length - MOST_SHOWN),
    unclear: unclearOf(down.unclear, sites),
  };
}

/** As many as are asked about at once. */
const MOST_ASKED = 6;

/** What went down outside of every window, the newest first: whoever knows says whether it was the round. */
function unclearOf(unclear: Done["unclear"], sites: readonly SiteSeed[]): DueEntry["unclear"] {
  const names = new Map(sites.map(({ id, name }) => [id, name]));
  return [...unclear]
    .sort((a, b) => b.date.localeCompare(a.date))
    .slice(0, MOST_ASKED)
    .map(({ siteId, ...one }) => ({ ...one, site: names.get(siteId) ?? "" }));
}

/**
 * Gives a record to a round of the program, or to none: `{ id, recordId, round }`, the round's id or null. It stands beside the record,
 * which stays as it is; the newest word on it counts.
 */
export function giveToRound(db: Records, input: unknown): Result<{ id: string }> {
  const { id, recordId, round } = (input ?? {}) as { id?: unknown; recordId?: unknown; round?: string | null };
  if (!isId(id)) return bad(issue("id", "wrong-type", shown(id), "an id"));
  return whole(db, (tx): Result<{ id: string }> => {
    if (!isId(recordId) || !findApplication(tx, recordId))
      return bad(issue("recordId", "unknown-name", shown(recordId), "the records of the log"));
    const known = programOf(tx).rounds;
    if (round !== null && !known.some((one) => idOfRound(one) === round))
      return bad(issue("round", "unknown-name", shown(round), known.map(({ name }) => name).join(", ") || "none"));
    const before = findGiven(tx, id);
    if (!before) giveRound(tx, { id, recordId, round, at: nowText() });
    else if (before.recordId !== recordId || before.round !== round)
      return bad(issue("id", "kept-otherwise", "another answer is kept under this id", "send it under an id of its own"));
    return good({ id });
  });
}

/** What is too late first, then what ends soonest. */
function byUrgency(a: DueItem, b: DueItem): number {
  if (a.state !== b.state) return a.state === "overdue" ? -1 : 1;
  const [x, y] = [a.latest ?? "9999", b.latest ?? "9999"];
  return x < y ? -1 : x > y ? 1 : a.site < b.site ? -1 : 1;
}

/** Of all zones of a site the last seed that is down, and the next that is planned: the stricter days hold for all of it. */
export function seedOf(seeds: SiteSeed["seeds"], today: string): { readonly seeded?: string; readonly seeding?: string } {
  const days = (of: (zone: SiteSeed["seeds"][number]) => readonly (string | null)[]) =>
    seeds.flatMap((zone) => of(zone).filter((day) => day !== null)).sort();
  const seeded = days((zone) => [zone.seeded, zone.sodded]).at(-1);
  const seeding = days((zone) => [zone.seeding, zone.sodding]).find((day) => day > today);
  return { ...(seeded !== undefined && { seeded }), ...(seeding !== undefined && { seeding }) };
}
