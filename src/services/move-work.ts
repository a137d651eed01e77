import { daysLater, isDate } from "@/core/calendar";
import { bad, good, type Issue, type Result } from "@/core/issue";
import { isFor, reasonsOn, windowsOf, type YearAsked, type YearReason } from "@/core/season/year";
import { MOST_LATER } from "@/formats/season/program";
import { type Access, type Records, whole } from "@/records/database";
import { addPlanned, lastBatch, CARRIED, plannedIn, rowsOfBatch, UNDO, type PlannedRow } from "@/records/plan";
import { todayOf } from "./clock";
import { heldIssues } from "./held";
import { isId, issue, nowText, shown } from "./input";
import { once } from "./once";
import { yearAsked, yearNow, type YearNow } from "./year";

/** Moving work about in a year's plan. What a label holds is refused; what only the program or the day speaks against is said. */

export interface Moved {
  /** How many days were fixed or set free, and how many rounds moved. */
  readonly moved: number;
  /** What fitted before and fits no more, and the other way round. */
  readonly worse: readonly Misfit[];
  readonly better: readonly Misfit[];
  /** What a label didn't let go: it stands where it stood. */
  readonly stayed: readonly { readonly site: string; readonly round: string; readonly why: string; readonly metric: string }[];
}

export interface Misfit {
  readonly site: string;
  readonly round: string;
  readonly reasons: readonly YearReason[];
}

/** As many as are named. */
const NAMED = 200;
/** As many as go in one go (ours). */
const MOST_MOVES = 5000;

/** Whether a year is this one or the next: `next` as the layout asks for it; undefined for any other. */
export function nextOf(db: Access, year: unknown): boolean | undefined {
  const now = Number(todayOf(db).slice(0, 4));
  return year === now ? false : year === now + 1 ? true : undefined;
}

interface Move {
  readonly siteId: string;
  readonly round: string;
  readonly day: string | null;
}

/** Moves rounds to days, or sets them free: `{ id, year, moves: [{ siteId, round, day }] }`; a day is an ISO date of that year, or null. */
export function moveWork(db: Records, input: unknown): Result<Moved> {
  const { id, year, moves } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !Array.isArray(moves) || moves.length === 0)
    return bad(issue("", "wrong-type", "something else", "which rounds on which sites go to which day"));
  if (moves.length > MOST_MOVES) return bad(issue("moves", "too-many", `${moves.length} moves`, String(MOST_MOVES)));
  const next = nextOf(db, year);
  if (next === undefined) return bad(issue("year", "out-of-range", shown(year), "this year or the next"));
  const faults = moves.flatMap((move, i) =>
    isMove(move, year as number)
      ? []
      : [
          issue(
            `moves[${i}]`,
            "bad-date",
            shown((move as Partial<Move> | null)?.day),
            `a day of ${year as number}: "${year as number}-04-14"`,
          ),
        ],
  );
  if (faults.length > 0) return { ok: false, issues: faults };
  return changing(db, next, id, { year, moves }, (tx) => {
    const only = new Set((moves as Move[]).map(({ siteId }) => siteId));
    const { asked, sites } = yearAsked(tx, next, next ? yearNow(db) : undefined, { only });
    const numbers = {
      site: new Map(sites.map((site, i) => [site.id, i])),
      round: new Map(asked.rounds.map(({ name }, i) => [name, i])),
    };
    const places = (moves as Move[]).map(({ siteId, round }) => [numbers.site.get(siteId), numbers.round.get(round)] as const);
    const strange = (moves as Move[]).flatMap((move, i) => strangeness(move, i, places[i]!, asked));
    if (strange.length > 0) return { ok: false, issues: strange };
    const fixed = new Map<number, (string | null)[]>();
    for (const [i, [site, round]] of places.entries()) {
      const own = fixed.get(site!) ?? [...asked.sites[site!]!.fixed];
      own[round!] = (moves as Move[])[i]!.day;
      fixed.set(site!, own);
    }
    const held = [...fixed].flatMap(([site, days]) => heldOn(asked, site, days));
    if (held.length > 0) return { ok: false, issues: held };
    const before = new Map(plannedIn(tx, year as number).map((row) => [`${row.siteId}\n${row.round}`, row.day]));
    const at = nowText();
    return good({
      stayed: [],
      rows: (moves as Move[]).map(({ siteId, round, day }) => ({
        batch: id,
        siteId,
        round,
        year: year as number,
        day,
        was: before.get(`${siteId}\n${round}`) ?? null,
        later: null,
        wasLater: null,
        at,
      })),
    });
  });
}

const isMove = (move: unknown, year: number): move is Move => {
  const { siteId, round, day } = (move ?? {}) as Partial<Record<keyof Move, unknown>>;
  return (
    isId(siteId) &&
    typeof round === "string" &&
    (day === null || (typeof day === "string" && isDate(day) && day.startsWith(`${year}-`)))
  );
};

/** What can't be moved at all. */
function strangeness(
  { siteId, round, day }: Move,
  i: number,
  [site, number]: readonly [number | undefined, number | undefined],
  asked: YearAsked,
): Issue[] {
  if (site === undefined) return [issue(`moves[${i}].siteId`, "unknown-name", siteId, "the sites on record")];
  if (number === undefined)
    return [issue(`moves[${i}].round`, "unknown-name", round, asked.rounds.map(({ name }) => name).join(", "))];
  const { name, done } = asked.sites[site]!;
  if (!isFor(asked.sites[site]!, asked.rounds[number]!))
    return [issue(`moves[${i}].round`, "not-possible", `"${round}" is not for ${name}`, "its turf is another")];
  if (done[number] != null)
    return [issue(`moves[${i}].round`, "already-done", `"${round}" is done at ${name}`, `it went down on ${done[number]}`)];
  if (day !== null && day < asked.date) return [issue(`moves[${i}].day`, "out-of-range", day, `today or later: ${asked.date}`)];
  return [];
}

/** What labels hold of the days that are fixed for a site, all of them looked at together. */
function heldOn(asked: YearAsked, site: number, fixed: readonly (string | null)[]): Issue[] {
  const { done } = asked.sites[site]!;
  const alone: YearAsked = { ...asked, sites: [{ ...asked.sites[site]!, fixed }] };
  const windows = windowsOf(asked);
  const held = fixed.flatMap((day, round) =>
    day !== null && isFor(asked.sites[site]!, asked.rounds[round]!) && done[round] == null
      ? reasonsOn(alone, windows, 0, round, day).held
      : [],
  );
  // Each zone says it, and each of two that are too near: once is enough.
  const said = heldIssues({ reasons: held }).map((one) => ({ ...one, path: asked.sites[site]!.name }));
  return [...new Map(said.map((one) => [`${one.reason.product} ${one.reason.code}`, one])).values()];
}

/**
 * The days that somebody fixed for a site go over to the one that it has become part of, where that one has none of its own. What
 * its labels hold there finds its day anew.
 */
export function carryFixed(tx: Access, from: string, to: string): void {
  const now = Number(todayOf(tx).slice(0, 4));
  for (const year of [now, now + 1]) {
    const coming = plannedIn(tx, year).filter(({ siteId, day }) => siteId === from && day !== null);
    if (coming.length === 0) continue;
    const { asked } = yearAsked(tx, year > now, undefined, { only: new Set([to]) });
    const fixed = [...asked.sites[0]!.fixed];
    const rows = coming.flatMap(({ round, day }): PlannedRow[] => {
      const number = asked.rounds.findIndex(({ name }) => name === round);
      const move = { siteId: to, round, day };
      const strange = strangeness(move, 0, [0, number < 0 ? undefined : number], asked).length > 0;
      if (strange || fixed[number] != null || heldOn(asked, 0, fixed.with(number, day)).length > 0) return [];
      fixed[number] = day;
      return [{ ...move, batch: `${CARRIED}${from}`, year, was: null, later: null, wasLater: null, at: nowText() }];
    });
    addPlanned(tx, rows);
  }
}

/**
 * A season that is later or earlier than usual: `{ id, year, days, rounds }` moves what opens some rounds, and the days that were
 * fixed for them, by so many days from the usual; 0 days is as usual again.
 */
export function shiftSeason(db: Records, input: unknown): Result<Moved> {
  const { id, year, days, rounds } = (input ?? {}) as Record<string, unknown>;
  if (!isId(id) || !Array.isArray(rounds) || rounds.length === 0 || !rounds.every((one) => typeof one === "string"))
    return bad(issue("", "wrong-type", "something else", "which rounds, and by how many days"));
  if (!Number.isInteger(days) || Math.abs(days as number) > MOST_LATER)
    return bad(issue("days", "out-of-range", shown(days), `a whole number of days, ${MOST_LATER} at most`));
  const next = nextOf(db, year);
  if (next === undefined) return bad(issue("year", "out-of-range", shown(year), "this year or the next"));
  return changing(db, next, id, { year, days, rounds }, (tx) => {
    const only = new Set(
      plannedIn(tx, year as number).flatMap(({ siteId, day }) => (siteId !== null && day !== null ? [siteId] : [])),
    );
    const { asked, sites } = yearAsked(tx, next, next ? yearNow(db) : undefined, { only });
    const names = asked.rounds.map(({ name }) => name);
    const strange = (rounds as string[]).filter((name) => !names.includes(name));
    if (strange.length > 0) return bad(issue("rounds", "unknown-name", strange[0]!, names.join(", ")));
    const at = nowText();
    const row = { batch: id, year: year as number, at };
    const shifted = (rounds as string[]).map((round): PlannedRow => ({
      ...row,
      siteId: null,
      round,
      day: null,
      was: null,
      later: days as number,
      wasLater: asked.rounds[names.indexOf(round)]!.later ?? 0,
    }));
    const stayed: Moved["stayed"][number][] = [];
    const moved = asked.sites.flatMap(({ name, fixed }, site): PlannedRow[] => {
      const wanted = fixed.map((day, i) => {
        const { later = 0, name: round } = asked.rounds[i]!;
        if (day === null || !rounds.includes(round)) return day;
        const to = daysLater(day, (days as number) - later);
        return to < asked.date ? asked.date : to.slice(0, 4) === String(year) ? to : `${year as number}-12-31`;
      });
      if (wanted.every((day, i) => day === fixed[i])) return [];
      const held = heldOn(asked, site, wanted);
      if (held.length > 0) {
        const [{ received, expected, metric }] = held as [Issue];
        stayed.push({
          site: name,
          round: wanted.flatMap((day, i) => (day === fixed[i] ? [] : [names[i]!])).join(", "),
          why: `${received} ${expected}`,
          metric: metric ?? `${received} ${expected}`,
        });
        return [];
      }
      return wanted.flatMap((day, i) =>
        day === fixed[i]
          ? []
          : [{ ...row, siteId: sites[site]!.id, round: names[i]!, day, was: fixed[i] ?? null, later: null, wasLater: null }],
      );
    });
    return good({ stayed, rows: [...shifted, ...moved] });
  });
}

/** Undoes what was moved last in a year: `{ id, year }`. @param input `id` names what is to be undone, so that once is once */
export function undoMoves(db: Records, input: unknown): Result<Moved> {
  const { id, year } = (input ?? {}) as Record<string, unknown>;
  const next = nextOf(db, year);
  if (!isId(id) || next === undefined) return bad(issue("year", "out-of-range", shown(year), "this year or the next"));
  const batch = `${UNDO}${id}`;
  return changing(db, next, batch, { year }, (tx) => {
    if (lastBatch(tx, year as number) !== id)
      return bad(
        issue("", "changed-meanwhile", "the plan", "somebody moved something after it: look at it, and undo that first"),
      );
    const batchRows = rowsOfBatch(tx, id);
    const only = new Set(batchRows.flatMap(({ siteId }) => siteId ?? []));
    const { asked, sites } = yearAsked(tx, next, next ? yearNow(db) : undefined, { only });
    const at = nowText();
    const rows = batchRows.map(({ siteId, round, year: of, was, wasLater, day, later }): PlannedRow => ({
      batch,
      siteId,
      round,
      year: of,
      day: was,
      was: day,
      later: siteId === null ? (wasLater ?? 0) : null,
      wasLater: later,
      at,
    }));
    // What stood may be held by now: going back to it is a move like any other.
    const back = new Map<number, (string | null)[]>();
    for (const { siteId, round, day } of rows) {
      const site = sites.findIndex((one) => one.id === siteId);
      const number = asked.rounds.findIndex((one) => one.name === round);
      if (site < 0 || number < 0) continue;
      const own = back.get(site) ?? [...asked.sites[site]!.fixed];
      own[number] = day;
      back.set(site, own);
    }
    const held = [...back].flatMap(([site, days]) => heldOn(asked, site, days));
    return held.length > 0 ? { ok: false, issues: held } : good({ stayed: [], rows });
  });
}

/** Does it in one go, once, and says what of the year fits no more, or fits again. */
function changing(
  db: Records,
  next: boolean,
  id: string,
  content: object,
  work: (tx: Access) => Result<{ readonly rows: readonly PlannedRow[]; readonly stayed: Moved["stayed"] }>,
): Result<Moved> {
  const before = yearNow(db, next);
  const kept = whole(db, (tx) =>
    once(
      tx,
      "planned-days",
      id,
      content,
      rowsOfBatch(tx, id).length > 0,
      () => ({ moved: rowsOfBatch(tx, id).length, stayed: [] as Moved["stayed"] }),
      (): Result<{ moved: number; stayed: Moved["stayed"] }> => {
        const made = work(tx);
        if (!made.ok) return made;
        addPlanned(tx, made.value.rows);
        return good({ moved: made.value.rows.length, stayed: made.value.stayed.slice(0, NAMED) });
      },
    ),
  );
  if (!kept.ok) return kept;
  const after = yearNow(db, next);
  return good({ ...kept.value, worse: misfits(before, after), better: misfits(after, before) });
}

/** What fits in one layout and not in the other. */
function misfits(before: YearNow, after: YearNow): Misfit[] {
  const unfit = (item: YearNow["year"]["items"][number]) => item.state === "unfit" || item.reasons.length > 0;
  const keyOf = ({ sites, asked }: YearNow, item: YearNow["year"]["items"][number]) =>
    `${sites[item.site]!.id}\n${asked.rounds[item.round]!.name}`;
  const was = new Set(before.year.items.filter(unfit).map((item) => keyOf(before, item)));
  return after.year.items
    .filter((item) => unfit(item) && !was.has(keyOf(after, item)))
    .slice(0, NAMED)
    .map(({ site, round, reasons }) => ({ site: after.sites[site]!.name, round: after.asked.rounds[round]!.name, reasons }));
}
