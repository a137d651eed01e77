import { good, bad, type Issue, type Result } from "@/core/issue";
import { dueOf, type DueItem, type DueState } from "@/core/season/due";
import type { DueEntry } from "@/formats/entries";
import { readProgram, seasonOf, stationAt, type ProgramText } from "@/formats/season/program";
import { countingOf } from "@/formats/season/rates";
import type { SetAside } from "@/records/aside";
import { type Access, type Records, whole } from "@/records/database";
import { findLabel } from "@/records/labels";
import { changeSetting, readSettingAs, settingRevision } from "@/records/settings";
import { seedOfSites, type SiteSeed } from "@/records/sites";
import { carryRenamed } from "./carry-renamed";
import { todayOf } from "./clock";
import { doneBySite, doneOn, isForZone, stillToDo } from "./done";
import { issue, nowText } from "./input";
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
    const kept = JSON.stringify({ ...program, rounds: program.rounds.map(({ "x-was": _, ...round }) => round) });
    const over = overtakenSetting(tx, "program", { revision, kept });
    if (over) return bad(over);
    carryRenamed(
      tx,
      programOf(tx).rounds.map(({ name }) => name),
      new Map(program.rounds.flatMap(({ name, "x-was": was }) => (typeof was === "string" ? [[was, name]] : []))),
      now,
    );
    changeSetting(tx, "program", kept, now);
    return good({ rounds: program.rounds.length });
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
  if (program.rounds.length === 0) return { date, rounds: [], items: [], more: 0 };
  const { rounds, soil, air, stations } = seasonOf(program);
  const station = stationAt(program);
  const year = date.slice(0, 4);
  const counts = rounds.map((): Partial<Record<DueState, number>> => ({}));
  const open: DueEntry["items"][number][] = [];
  const sites = seedOfSites(db);
  const down = doneBySite(db, program, `${year}-01-01`, sites);
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
    open.push({ ...item, siteId: site.id, labelId: round.label, left: stillToDo(site, round, doneOn(down, site.id).some) });
  });
  const urgent = open.sort(byUrgency);
  return {
    date,
    rounds: rounds.map(({ name }, i) => ({ name, label: program.rounds[i]!.label, counts: counts[i]! })),
    items: urgent.slice(0, MOST_SHOWN),
    more: Math.max(0, urgent.length - MOST_SHOWN),
  };
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
