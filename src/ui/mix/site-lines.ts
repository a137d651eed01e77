import { daysFrom } from "@/core/calendar";
import type { Ground } from "@/core/calibration/evidence";
import type { Watering } from "@/core/labels/watering";
import { showDuration, showEntered } from "@/core/quantity/format";
import type { Quantity } from "@/core/quantity/kinds";
import { valueIn } from "@/core/quantity/quantity";
import { SLACK } from "@/core/quantity/slack";
import { parseField } from "@/core/quantity/ranges";
import type { Source } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import type { JobFile, SiteText } from "@/formats/job-file/types";
import { fillsAt, walkedOtherwise, wateringsOf } from "@/formats/site-facts";
import { todayDate } from "../data/clock";
import type { Rank } from "../parts/to-know";
import { afterOf } from "./field-words";

interface SiteLine {
  readonly state: "act" | "plain";
  readonly rank: Rank;
  /** In a few words. */
  readonly brief: string;
  readonly says: string;
}

interface Known {
  /** What the pace of its calibration was timed on, where that was said. */
  readonly timedOn?: Ground | null | undefined;
  /** The largest fill of the mix. */
  readonly fill?: Source<"volume"> | undefined;
}

const LIES: Record<Ground, string> = { turf: "even turf", rough: "rough ground or among obstacles", pavement: "pavement" };

/** What the sites of a mix are known for, in words, the cautions first. */
export function siteLines(
  { sites = [], products = [], date = todayDate() }: JobFile,
  system: System,
  { timedOn, fill }: Known = {},
): SiteLine[] {
  const after = afterOf(products);
  const soaks = after.least !== null || after.most !== null;
  const line = (state: SiteLine["state"], rank: Rank, brief: string, says: string): SiteLine => ({ state, rank, brief, says });
  return [
    ...sites.flatMap((site) =>
      site.precautions === undefined
        ? []
        : [
            line(
              "act",
              "lawn",
              site.precautions,
              `${site.name}: ${site.precautions}. The label says how far to stay away, and for how long.`,
            ),
          ],
    ),
    ...(timedOn ? walkedOtherwise(sites, timedOn) : []).map(({ name, lies }) =>
      line(
        "act",
        "amounts",
        "the pace was timed on other ground",
        `${name} is ${LIES[lies]}, and the pace was timed on ${LIES[timedOn!]}: the rate is off by as much as the pace. Time it there.`,
      ),
    ),
    ...sites.flatMap((site) =>
      soaks && site.irrigatedBy === "client"
        ? [
            line(
              "act",
              "after",
              "the client waters",
              `${site.name}: the client waters. Their sprinklers aren't ours to count on: agree on the day and the minutes, in writing.`,
            ),
          ]
        : [],
    ),
    ...wateringsOf(sites, after).map(({ site, zone, least, most }) =>
      line("plain", "after", "water in", `${site}, ${zone}: water in ${between(least, most, system)}.`),
    ),
    ...(fill ? fillsAt(sites, fill) : []).map(({ site, time }) =>
      line(
        "plain",
        "lawn",
        "how fast its tap fills",
        `${site}: its tap fills ${read(fill!.value, "volume", system)} in ${showDuration(time.value)}.`,
      ),
    ),
    ...sites
      .flatMap((site) => site.zones.flatMap((zone, i) => mown(site.name, zone, i, date)))
      .map((says) => line("plain", "lawn", "mowed", says)),
    ...sites.flatMap((site) =>
      site.access === undefined ? [] : [line("plain", "lawn", "getting in", `${site.name}: ${site.access}`)],
    ),
  ];
}

/** The minutes of irrigation and the water that a least and a most depth are. */
function between(least: Watering | null, most: Watering | null, system: System): string {
  const both = [least, most].filter((one) => one !== null);
  const range = (texts: readonly string[]) =>
    texts.length === 2 ? texts.join(" to ") : `${least ? "at least" : "at most"} ${texts[0]}`;
  const volume = range(both.map((one) => read(one.volume.value, "volume", system)));
  const times = both.flatMap((one) => (one.time ? [one.time.value] : []));
  return times.length > 0 ? `${range(timer(times, least !== null))} of its irrigation, ${volume}` : volume;
}

/** Times as a sprinkler's timer takes them, in whole minutes: the least no shorter, the most no longer. */
function timer(times: readonly Quantity<"time">[], fromLeast: boolean): string[] {
  const minutes = times.map((time, i) => {
    const exact = valueIn(time, "min");
    return fromLeast && i === 0 ? Math.ceil(exact - SLACK) : Math.floor(exact + SLACK);
  });
  const [first, last] = [minutes[0]!, minutes.at(-1)!];
  // A window of less than a minute has no whole one in it.
  return first < 1 || last < first ? times.map(showDuration) : minutes.map((one) => `${one} min`);
}

/** How a zone stands, and since when. */
function mown(site: string, zone: SiteText["zones"][number], i: number, date: string): string[] {
  const height = parseField("mowing", zone.mowingHeight ?? "");
  const days = zone.mowedOn === undefined ? null : daysFrom(zone.mowedOn, date);
  const stands = [height.ok && `at ${showEntered(height.value)}`, days !== null && days >= 0 && `mowed ${ago(days)}`].filter(
    Boolean,
  );
  return stands.length === 0 ? [] : [`${site}, ${zone.name ?? `zone ${i + 1}`}: ${stands.join(", ")}.`];
}

const ago = (days: number) => (days === 0 ? "today" : days === 1 ? "yesterday" : `${days} days ago`);
