import { bad, good, type Issue, type Result } from "@/core/issue";
import { daysLater } from "@/core/calendar";
import { idOfRound } from "@/formats/season/program";
import { dutiesOfEntry } from "@/formats/after-duties";
import { toCalendar, type CalendarEvent, type Said } from "@/formats/calendar/ics";
import { installationOf, tellEvent, toldEvents, toldSites, type ToldEvent } from "@/records/calendar";
import { type Records, whole } from "@/records/database";
import { listPeople } from "@/records/people";
import { afterWork } from "./after-work";
import { firmZone, now, nowText, todayOf } from "./clock";
import { issue } from "./input";
import { toLookAt } from "./slices/looks";
import { yearNow } from "./year";

/**
 * The season for other calendars: days of work, what the ground is owed, what is to be looked at, papers that end. Each event keeps
 * its name; a change raises its number, and what falls away is called off once.
 */

/** What was called off stays in the file for so many days, so that calendars that look seldom hear of it. */
const CALLED_OFF = 60;
/** As many sites of a day as are named. */
const NAMED = 60;

/** Reminders, minutes before: at three in the afternoon before a day's work; an hour before a deadline; two weeks before a paper ends. */
const THE_DAY_BEFORE = 9 * 60;
const AN_HOUR = 60;
const TWO_WEEKS = 14 * 24 * 60;

interface Wanted {
  readonly uid: string;
  readonly said: Said;
}

interface Calendar {
  readonly name: string;
  readonly events: readonly ToldEvent[];
  /** Those that nobody was told of so. */
  readonly changed: readonly ToldEvent[];
}

/** How the events stand, against what was told last. */
function calendarNow(db: Records, siteId: string | undefined): Calendar | undefined {
  const { sites } = yearNow(db);
  const site = siteId === undefined ? undefined : sites.find((one) => one.id === siteId);
  if (siteId !== undefined && !site) return undefined;
  const scope = site ? `${SITE_SCOPE}${site.id}.` : FIRM_SCOPE;
  const house = installationOf(db);
  const wanted = [
    ...(site ? roundsOf(db, site.id) : daysOfWork(db)),
    ...duties(db, siteId),
    ...(site ? [] : [...looksDue(db), ...papersEnding(db)]),
  ].map((one) => ({ ...one, uid: `${scope}${one.uid}@${house}.careful-gauge` }));
  const told = new Map(toldEvents(db, scope).map((one) => [one.uid, one]));
  const changed: ToldEvent[] = [];
  const put = (event: ToldEvent) => {
    told.set(event.uid, event);
    changed.push(event);
  };
  const at = nowText();
  const today = todayOf(db);
  for (const { uid, said } of wanted) {
    const before = told.get(uid);
    const text = JSON.stringify(said);
    if (before && before.said === text && !before.cancelled) continue;
    put({ uid, sequence: before ? before.sequence + 1 : 0, said: text, cancelled: false, at });
  }
  const still = new Set(wanted.map(({ uid }) => uid));
  for (const one of [...told.values()])
    if (!still.has(one.uid) && !one.cancelled && lastDay(one.said) >= today)
      put({ ...one, sequence: one.sequence + 1, cancelled: true, at });
  const from = daysLater(today, -CALLED_OFF);
  const events = [...told.values()]
    .filter((one) => still.has(one.uid) || (one.cancelled && one.at >= from))
    .sort((a, b) => (a.uid < b.uid ? -1 : 1));
  return { name: site ? site.name : "Spray work", events, changed };
}

/** No id has a point in it: the events of one site never begin as another's. */
const SITE_SCOPE = "site.";
const FIRM_SCOPE = "firm-";

/**
 * The calendar as it stands; nothing is kept by it.
 * @param siteId the calendar of one site: each round by itself; left out, the firm's, by days of work
 */
export function calendarOf(db: Records, siteId?: string): { readonly name: string; readonly text: string } | undefined {
  const now = calendarNow(db, siteId);
  if (!now) return undefined;
  const events = now.events.map(({ uid, sequence, said, cancelled, at }): CalendarEvent => ({
    uid,
    sequence,
    at,
    cancelled,
    said: JSON.parse(said) as Said,
  }));
  return { name: now.name, text: toCalendar(now.name, events, firmZone(db).zone) };
}

/** Keeps what a calendar says by now as told, so that the next change is known as one. @returns how many events were told */
export function tellCalendar(db: Records, siteId?: string): Result<number> {
  return whole(db, () => {
    const now = calendarNow(db, siteId);
    if (!now) return bad(noSuchSite(siteId));
    for (const event of now.changed) tellEvent(db, event);
    return good(now.changed.length);
  });
}

export const noSuchSite = (site = ""): Issue => issue("site", "unknown-name", site, "the sites on record");

/** As {@link tellCalendar}, for every calendar that somebody asked for once. */
export function tellCalendars(db: Records): void {
  const sites = toldSites(db, SITE_SCOPE);
  if (toldEvents(db, FIRM_SCOPE).length > 0) tellCalendar(db);
  for (const site of sites) tellCalendar(db, site);
}

const lastDay = (said: string): string => {
  const { on, until } = JSON.parse(said) as Said;
  return on ?? until!.slice(0, 10);
};

/** What is laid out from today on, of this year and of the next. */
function laidOut(db: Records) {
  const today = todayOf(db);
  return [false, true].flatMap((next) => {
    const { year, asked, sites, program } = yearNow(db, next);
    return year.items.flatMap((item) =>
      item.state === "planned" && item.on !== null && item.on >= today
        ? [
            {
              on: item.on,
              site: sites[item.site]!,
              round: asked.rounds[item.round]!.name,
              roundId: idOfRound(program.rounds[item.round]!),
            },
          ]
        : [],
    );
  });
}

const lawns = (n: number): string => `${n} ${n === 1 ? "lawn" : "lawns"}`;

function daysOfWork(db: Records): Wanted[] {
  const days = new Map<string, ReturnType<typeof laidOut>>();
  for (const one of laidOut(db)) days.set(one.on, [...(days.get(one.on) ?? []), one]);
  return [...days].map(([on, work]) => {
    const rounds = [...new Set(work.map(({ round }) => round))];
    const lines = rounds.map((round) => {
      const names = work.filter((one) => one.round === round).map(({ site }) => site.name);
      return `${round}: ${names.slice(0, NAMED).join(", ")}${names.length > NAMED ? ` and ${names.length - NAMED} more` : ""}`;
    });
    const said = {
      on,
      summary: `Spray ${lawns(work.length)}: ${rounds.join(", ")}`,
      description: [...lines, WATCH].join("\n"),
      remind: THE_DAY_BEFORE,
      free: false,
    };
    return { uid: `work-${on}`, said };
  });
}

/** What no calendar may make anybody forget. */
const WATCH = "Look at the label and the weather first; a plan is no leave to spray.";

function roundsOf(db: Records, siteId: string): Wanted[] {
  return laidOut(db)
    .filter(({ site }) => site.id === siteId)
    .map(({ on, site, round, roundId }) => ({
      uid: `${slug(roundId)}-${on.slice(0, 4)}`,
      said: { on, summary: `${round} at ${site.name}`, description: WATCH, remind: THE_DAY_BEFORE, free: false },
    }));
}

/** A name as part of an event's: letters and digits, and no two names alike. */
const slug = (text: string): string =>
  `${text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .slice(0, 30)}-${[...text].reduce((sum, c) => (sum * 31 + c.codePointAt(0)!) >>> 0, 7).toString(36)}`;

const DUTY: Record<string, string> = {
  "keep-dry": "Keep dry",
  "water-in": "Water in",
  "stay-off": "People and pets stay off",
  "no-mowing": "No mowing",
};

function duties(db: Records, siteId: string | undefined): Wanted[] {
  return afterWork(db)
    .filter((one) => siteId === undefined || one.siteId === siteId)
    .flatMap((entry) =>
      dutiesOfEntry(entry, now().getTime()).flatMap((duty): Wanted[] => {
        if (duty.until === null || duty.state === "done") return [];
        const until = new Date(duty.until).toISOString();
        const depth = entry.cards.flatMap((card) => [card.waterLeast, card.waterMost]).filter(Boolean);
        const said = {
          from: new Date(Math.min(duty.from, duty.until)).toISOString(),
          until,
          summary: `${DUTY[duty.what]}: ${entry.site}`,
          description: [
            entry.cards.map(({ name }) => name).join(", "),
            duty.what === "water-in" &&
              depth.length > 0 &&
              `The labels ask for ${depth.join(" to ")}; what was measured counts, a forecast doesn't.`,
          ]
            .filter(Boolean)
            .join("\n"),
          remind: duty.what === "water-in" ? AN_HOUR : 0,
          free: true,
        };
        const of = entry.cards.map(({ name }) => name).join();
        return [{ uid: `${duty.what}-${entry.siteId}-${entry.date}-${slug(of)}`, said }];
      }),
    );
}

function looksDue(db: Records): Wanted[] {
  return toLookAt(db, {}, []).map(({ what, site, siteId, zone, product, since, date }) => ({
    uid: `look-${siteId}-${date}-${slug(`${zone} ${product}`)}`,
    said: {
      on: since,
      summary: `Look at ${site}, ${zone}`,
      description:
        what === "inspection"
          ? `${product} went down on ${date}: it can be judged by now.`
          : `A follow-up that was planned, of ${product || "a look"}.`,
      remind: THE_DAY_BEFORE,
      free: true,
    },
  }));
}

function papersEnding(db: Records): Wanted[] {
  return listPeople(db)
    .filter((person) => !person.retired)
    .flatMap(({ id, name, papers = [] }) =>
      papers.flatMap(({ kind, number, ends }): Wanted[] =>
        ends === undefined
          ? []
          : [
              {
                uid: `paper-${id}-${slug(`${kind} ${number ?? ""}`)}`,
                said: { on: ends, summary: `${kind} of ${name} ends`, description: number ?? "", remind: TWO_WEEKS, free: true },
              },
            ],
      ),
    );
}
