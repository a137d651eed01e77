import { bad, good, type Issue, type Result } from "@/core/issue";
import { sameName } from "@/core/names";
import { canonical } from "@/core/quantity/arithmetic";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import { COMES, farAreas, readGround, newGround } from "@/formats/grounds";
import type { SiteText, ZoneText } from "@/formats/job-file/types";
import type { Access, Records } from "@/records/database";
import { openSheets } from "@/records/applications";
import { groundGroups, noteGround } from "@/records/ground";
import { keepName, keepRevision } from "@/records/names";
import { findSite, retireSite, type KnownSite } from "@/records/sites";
import { openSpreadings } from "@/records/spreadings";
import { isId, isReason, issue, nowText, shown } from "./input";
import { keepUp, wholly } from "./keep-up";
import { carryFixed } from "./move-work";

/** Two sites that are one customer's: one of them stays, with the history of both. */

/**
 * Merges two sites: `{ keep, other, zones, why? }`, for each zone of the other the zones of the kept one that it is the same ground
 * as (with a comma between), or "comes". Where two areas can hardly be one ground it needs a reason, which stays on record. What went down on either counts for both from then on; the other is retired, and a file that knows it by its name
 * means the kept one. What the kept one doesn't say of itself it takes from the other; of seeding the stricter day holds.
 */
export function mergeSites(db: Records, input: unknown): Result<{ id: string }> {
  const { keep, other, zones, why } = (input ?? {}) as { keep?: unknown; other?: unknown; zones?: unknown; why?: unknown };
  if (!isId(keep) || !isId(other) || keep === other)
    return bad(issue("", "wrong-type", "something else", "two sites: the one that stays and the other"));
  const answers = (typeof zones === "object" && zones !== null ? zones : {}) as Readonly<Record<string, unknown>>;
  return wholly(db, (tx) => {
    const [one, two] = [findSite(tx, keep), findSite(tx, other)];
    if (!one || one.retired) return bad(issue("keep", "unknown-name", keep, "a site on record that isn't retired"));
    if (!two) return bad(issue("other", "unknown-name", other, "the site on record"));
    // An answer got lost: it is done already.
    if (two.retired && isMerged(tx, one, two)) return good({ id: keep });
    const faults = mergeFaults(tx, one, two, answers);
    if (faults.length > 0) return bad(...faults);
    const far = isReason(why) ? [] : farFaults(one, two, answers);
    if (far.length > 0) return bad(...far);
    const now = nowText();
    if (isReason(why)) keepRevision(tx, "sites", other, { mergedInto: keep, zones: answers, why: why.trim() }, now);
    const coming = two.site.zones.filter((zone) => answers[zone.id] === COMES);
    const kept = keepUp(tx, "sites", keep, mergedSite(one, two, coming, answers), now);
    if (!kept.ok) return kept;
    const came = findSite(tx, keep)!.site.zones.slice(one.site.zones.length);
    for (const zone of two.site.zones) {
      const at = coming.indexOf(zone);
      const here = at < 0 ? readGround(answers[zone.id] as string).named : [came[at]!.id];
      for (const id of here) noteGround(tx, id, [zone.id], now);
    }
    retireSite(tx, other, now);
    keepName(tx, "sites", keep, two.site.name, now);
    carryFixed(tx, other, keep);
    return good({ id: keep });
  });
}

/** Whether every zone of the other is one ground with a zone of the kept one. */
function isMerged(tx: Access, one: KnownSite, two: KnownSite): boolean {
  const groups = groundGroups(tx, [one.id]);
  const here = one.site.zones.map((zone) => zone.id);
  return two.site.zones.every((zone) => groups.get(zone.id)?.some((id) => here.includes(id)));
}

/** What has to be settled first: whose rules hold, what grows there, what is under way; and which ground each zone is. */
function mergeFaults(tx: Access, one: KnownSite, two: KnownSite, answers: Readonly<Record<string, unknown>>): Issue[] {
  const differs = (path: string, here: string | undefined, there: string | undefined): Issue[] =>
    here !== undefined && there !== undefined && !sameName(here, there)
      ? [issue(path, "not-possible", `${here} here and ${there} there`, "change one of them first: limits go by it")]
      : [];
  if (two.retired) return [issue("other", "retired", two.site.name, "bring it back first")];
  const underWay =
    openSheets(tx, [two.id]).length > 0 ||
    openSpreadings(tx).some(({ job }) => (job.sites ?? []).some((site) => site.id === two.id));
  return [
    ...(underWay ? [issue("other", "out-of-turn", `${two.site.name} has an open sheet`, "close it or withdraw it first")] : []),
    ...differs("jurisdiction", one.site.jurisdiction, two.site.jurisdiction),
    ...two.site.zones.flatMap((zone) => {
      const answer = answers[zone.id];
      if (answer === COMES) return [];
      const same = sameOf(one, answer);
      if (same.length > 0) return same.flatMap((here) => differs(`zones.${zone.name}`, here.turf, zone.turf));
      const choices = [...one.site.zones.map((here) => here.name), "or that it comes as a zone of its own"];
      return [issue(`zones.${zone.name}`, "not-a-choice", shown(answer), choices.join(", "))];
    }),
  ];
}

/** The zones of the kept site that an answer names; none where one of them isn't there. */
function sameOf({ site }: KnownSite, answer: unknown): KnownSite["site"]["zones"] {
  const named = typeof answer === "string" ? readGround(answer).named : [];
  const found = named.flatMap((id) => site.zones.find((zone) => zone.id === id) ?? []);
  return found.length === named.length ? found : [];
}

/** Zones that are said to be one ground, and are too far apart in size to be it. */
function farFaults(one: KnownSite, two: KnownSite, answers: Readonly<Record<string, unknown>>): Issue[] {
  const size = ({ area }: { readonly area: string }) => canonical(entered(area, "area").value);
  return two.site.zones.flatMap((zone) => {
    const same = sameOf(one, answers[zone.id]);
    if (
      same.length === 0 ||
      !farAreas(
        same.reduce((sum, here) => sum + size(here), 0),
        size(zone),
      )
    )
      return [];
    const areas = [zone, ...same].map(({ name, area }) => `${name} of ${showEntered(entered(area, "area"))}`);
    const said = `${areas[0]} there, ${areas.slice(1).join(" and ")} here`;
    return [issue("why", "reason-needed", said, "say why they are one ground, or that it comes as a zone of its own")];
  });
}

/** The site that stays, with what it doesn't say of itself from the other, and the zones that come to it. */
function mergedSite(
  { site: one }: KnownSite,
  { site: two }: KnownSite,
  coming: readonly ZoneText[],
  answers: Readonly<Record<string, unknown>>,
): SiteText {
  const minding = [one.precautions, two.precautions].filter((text) => text !== undefined);
  const { zones: there, name: _, ...facts } = two;
  return {
    ...facts,
    ...one,
    ...((one.waterSource ?? two.waterSource) && { waterSource: { ...two.waterSource, ...one.waterSource } }),
    // Nobody who was to be minded is forgotten.
    ...(minding.length > 0 && { precautions: [...new Set(minding)].join("; ") }),
    zones: [
      ...one.zones.map((zone) =>
        there
          .filter((other) => readGround(answers[other.id] as string).named.includes(zone.id))
          .reduce<ZoneText>(mergedZone, zone),
      ),
      ...coming.map(({ id: _id, ...zone }) => ({
        ...zone,
        continues: newGround(`it came with ${two.name}`),
        ...(one.zones.some((here) => sameName(here.name, zone.name ?? "")) && {
          name: `${zone.name} of ${two.name}`.slice(0, MOST_NAME),
        }),
      })),
    ],
  };
}

/** As long as a name may be. */
const MOST_NAME = 60;

/** A zone with what is known of the same ground elsewhere: its own area, the later day of seed that is down, the earlier one of seed that is planned. */
function mergedZone(zone: ZoneText, { measurement: _m, id: _id, ...other }: ZoneText): ZoneText {
  const edge = (key: "seededOn" | "soddedOn" | "seedingOn" | "soddingOn", last: boolean) => {
    const days = [zone[key], other[key]].filter((day) => day !== undefined).sort();
    const day = last ? days.at(-1) : days[0];
    return day === undefined ? {} : { [key]: day };
  };
  return {
    ...other,
    ...zone,
    ...edge("seededOn", true),
    ...edge("soddedOn", true),
    ...edge("seedingOn", false),
    ...edge("soddingOn", false),
  };
}
