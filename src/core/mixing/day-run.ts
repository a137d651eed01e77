import { derive, num, nums, rule, type Derived, type Source } from "../working/rule";
import type { Amount, AmountFor } from "./amounts";
import { areaOf, coversRule, siteAreaRule, siteSprayRule } from "./areas";
import { splitLoads, type LoadMode } from "./loads";
import { refills, type Refills, type Standing, type Stretch } from "./refills";
import { SLACK, atLeast, atMost } from "../quantity/slack";

export const restOfLoadRule = rule({
  id: "rest-of-load",
  version: 1,
  title: "What the load still covers",
  formula: "max(covers - sum(before), 0)",
  inputs: { covers: "area", before: ["area"] },
  output: "area",
  source: "the load's area less what it served before",
  compute: ({ covers, before }) => Math.max(num(covers) - total(before), 0),
});

export const restOfLawnRule = rule({
  id: "rest-of-lawn",
  version: 1,
  title: "Left of the lawn",
  formula: "max(area - sum(done), 0)",
  inputs: { area: "area", done: ["area"] },
  output: "area",
  source: "the lawn's area less what earlier loads did",
  compute: ({ area, done }) => Math.max(num(area) - total(done), 0),
});

export const addsRule = rule({
  id: "run-adds",
  version: 1,
  title: "Mixed fresh into the tank",
  formula: "max(fillTo - left, 0)",
  inputs: { fillTo: "volume", left: "volume" },
  output: "volume",
  source: "what is in the tank already is mixed: only the rest takes product",
  compute: ({ fillTo, left }) => Math.max(num(fillTo) - num(left), 0),
});

export const leftInTankRule = rule({
  id: "run-left",
  version: 1,
  title: "Left in the tank",
  formula: "max(inTank - sum(sprayed), 0)",
  inputs: { inTank: "volume", sprayed: ["volume"] },
  output: "volume",
  source: "what was in it less what went out",
  compute: ({ inTank, sprayed }) => Math.max(num(inTank) - total(sprayed), 0),
});

const total = (list: readonly Source<"area">[] | readonly Source<"volume">[]) =>
  nums(list as readonly Source<"area">[]).reduce((sum, n) => sum + n, 0);

/** A lawn of the day: a zone of one of its sites. */
export interface Lawn {
  readonly site: string;
  readonly name: string;
  readonly area: Source<"area">;
  /** Whether its site has water to fill from. */
  readonly water: boolean;
}

export interface RunInput {
  readonly sprayVolume: Source<"sprayVolume">;
  readonly usable: Source<"volume">;
  readonly least?: Source<"volume"> | undefined;
  /** In the order of the day. */
  readonly lawns: readonly Lawn[];
  readonly loads: LoadMode;
  /** Whether it is known where water is. If not, or with equal loads, a refill falls where the tank runs dry. */
  readonly places: boolean;
  /** What is mixed in the tank already, in the middle of a day. */
  readonly inTank?: Source<"volume"> | undefined;
  /** The site that was done last, in the middle of a day. */
  readonly standsAt?: { readonly site: string; readonly water: boolean } | undefined;
  readonly amounts: readonly AmountFor[];
}

/** What a load does of a lawn. */
export interface Piece {
  readonly lawn: Lawn;
  readonly covers: Source<"area">;
  /** Goes on where an earlier load stopped; stops before the lawn is done. */
  readonly resumed: boolean;
  readonly broken: boolean;
}

export interface RunLoad {
  readonly number: number;
  /** Where it is filled; null where nothing is known of places. */
  readonly at: { readonly kind: "shop" } | { readonly kind: "hydrant"; readonly site: string } | null;
  /** In the tank before: nothing, but in the middle of a changed day. */
  readonly startsWith: Source<"volume"> | null;
  readonly fillTo: Source<"volume">;
  /** What is mixed fresh: all of it, or what brings it up to the mark. */
  readonly adds: Source<"volume">;
  readonly covers: Source<"area">;
  /** One amount a product, for what is added. */
  readonly amounts: readonly Amount[];
  readonly pieces: readonly Piece[];
}

export interface DayRun {
  /** What is done with what is in the tank already, before the first fill. */
  readonly begun: readonly Piece[];
  readonly loads: readonly RunLoad[];
  /** What is left at the end; null where the day ends empty. */
  readonly left: Derived<"volume"> | null;
}

/**
 * The fills of a day: one serves the lawns that follow one another. The loads hold what the lawns take and no more, so the
 * last is short and the day ends empty. See {@link refills} for where the tank is filled again.
 */
export function dayRun(input: RunInput): DayRun {
  const { lawns, usable, sprayVolume, inTank } = input;
  if (lawns.length === 0) return { begun: [], loads: [], left: null };
  const done = new Map<Lawn, Source<"area">[]>();
  const covers = (fill: Source<"volume">) => derive(coversRule, { fill, sprayVolume });
  /** The stretches of one load as areas with their working. */
  const piecesOf = (stretches: readonly Stretch[], covered: Source<"area"> | null): Piece[] => {
    const pieces: Piece[] = [];
    for (const { lawn: i, from, to } of stretches) {
      const lawn = lawns[i]!;
      const before = done.get(lawn) ?? [];
      const broken = !atLeast(to, num(lawn.area));
      const earlier = pieces.map((p) => p.covers);
      const area: Source<"area"> = broken
        ? earlier.length > 0
          ? derive(restOfLoadRule, { covers: covered!, before: earlier })
          : covered!
        : leftOf(lawn, before);
      done.set(lawn, [...before, area]);
      pieces.push({ lawn, covers: area, resumed: from > 0, broken });
    }
    return pieces;
  };
  const sprayOf = (pieces: readonly Piece[]): Derived<"volume"> => {
    const area = areaOf(pieces.map((p) => p.covers));
    return derive(siteSprayRule, { sprayVolume, area });
  };

  const plan = planOf(input);
  const first = inTank ? serve(input, num(inTank) / num(sprayVolume), num(usable) / num(sprayVolume), plan) : null;
  const begun = first ? piecesOf(first.stretches, covers(inTank!)) : [];
  let left: Source<"volume"> | null =
    !inTank || first!.empty ? null : begun.length > 0 ? derive(leftInTankRule, { inTank, sprayed: [sprayOf(begun)] }) : inTank;
  const loads: RunLoad[] = [];
  const from = first ? first.next : ([0, 0] as const);
  const todo = from ? lawns.slice(from[0]).map((lawn) => leftOf(lawn, done.get(lawn))) : [];
  for (const { stretches, fill } of from ? fillsFrom(input, from, todo, plan) : []) {
    const pieces = piecesOf(stretches, fill ? covers(fill) : null);
    const fillTo = fill ?? sprayOf(pieces);
    const startsWith = left;
    const adds = startsWith ? derive(addsRule, { fillTo, left: startsWith }) : fillTo;
    left = null;
    loads.push({
      number: loads.length + 1,
      at: input.places ? placeOf(input, stretches[0]!, loads.length === 0 && begun.length === 0) : null,
      startsWith,
      fillTo,
      adds,
      covers: covers(fillTo),
      amounts: input.amounts.map((amount) => amount(covers(adds), adds)),
      pieces,
    });
  }
  return { begun, loads, left: left as Derived<"volume"> | null };
}

/** The sites that are finished with what is in the tank: as long as there are any, the next fill isn't due. */
export function servedByTank({ begun, loads }: DayRun): string[] {
  const later = new Set(loads.flatMap((load) => load.pieces.map((p) => p.lawn.site)));
  return [...new Set(begun.map((p) => p.lawn.site))].filter((site) => !later.has(site));
}

const leftOf = (lawn: Lawn, done: readonly Source<"area">[] = []): Source<"area"> =>
  done.length > 0 ? derive(restOfLawnRule, { area: lawn.area, done }) : lawn.area;

/** Where the tank is filled again; undefined where nothing is known of places, or its loads are to be equal. */
const planOf = ({ lawns, usable, least, sprayVolume, places, loads, standsAt }: RunInput): Refills | undefined => {
  if (!places || loads !== "full-then-part") return undefined;
  const grounds = lawns.map((l) => ({ area: num(l.area), water: l.water }));
  const q = num(sprayVolume);
  return refills(grounds, num(usable) / q, least ? num(least) / q : 0, standsAt?.water === true);
};

interface Served {
  readonly stretches: readonly Stretch[];
  /** Where the tank is filled next; null where it does the rest of the day. */
  readonly next: Standing | null;
  readonly empty: boolean;
}

/**
 * What the tank still does before it is filled: every lawn that it holds enough for; a lawn over a tank is begun. Where it is known
 * where water is, it is filled before that at a stop that has some, if that saves a drive or a fill.
 */
function serve(input: RunInput, holds: number, tank: number, plan: Refills | undefined): Served {
  const far = serveAll(input, holds, tank);
  if (!plan || !far.next) return far;
  const whole = far.stretches.filter(({ lawn, to }) => to === num(input.lawns[lawn]!.area));
  let best: Served & { readonly next: Standing } = { ...far, next: far.next };
  // As many lawns as the tank does, then one less at a time: of equals the latest stop wins.
  for (let lawn = whole.length; lawn >= 0; lawn--)
    if (lawn < input.lawns.length && plan.cheaper([lawn, 0], best.next))
      best = { stretches: whole.slice(0, lawn), next: [lawn, 0], empty: false };
  return best;
}

function serveAll({ lawns, places, loads }: RunInput, holds: number, tank: number): Served {
  const stretches: Stretch[] = [];
  let room = holds;
  for (const [i, lawn] of lawns.entries()) {
    const area = num(lawn.area);
    if (area > room * (1 + SLACK) + holds * SLACK) {
      const breaks = !places || loads === "equal" || !atMost(area, tank);
      if (!breaks || room <= holds * SLACK) return { stretches, next: [i, 0], empty: room <= holds * SLACK };
      return { stretches: [...stretches, { lawn: i, from: 0, to: room }], next: [i, room], empty: true };
    }
    stretches.push({ lawn: i, from: 0, to: area });
    room -= area;
  }
  return { stretches, next: null, empty: room <= holds * SLACK };
}

interface NextFill {
  readonly stretches: readonly Stretch[];
  /** What it is filled to; absent where that follows from what it serves. */
  readonly fill?: Source<"volume">;
}

/** @param zones what is still to do of each lawn from there on */
function fillsFrom(input: RunInput, from: Standing, zones: readonly Source<"area">[], plan: Refills | undefined): NextFill[] {
  if (!plan) return inOrder(input, from, zones);
  const { lawns, usable } = input;
  return plan.from(from).map((stretches) => {
    const last = stretches.at(-1)!;
    const broken = !atLeast(last.to, num(lawns[last.lawn]!.area));
    return broken ? { stretches, fill: usable } : { stretches };
  });
}

/** Loads that are filled as one site's would be, and run dry where they do. */
function inOrder(
  { lawns, usable, least, sprayVolume, loads }: RunInput,
  from: readonly [number, number],
  zones: readonly Source<"area">[],
): NextFill[] {
  const areas = lawns.map((l) => num(l.area));
  const spray = derive(siteSprayRule, { sprayVolume, area: derive(siteAreaRule, { zones }) });
  let [lawn, done] = from;
  return splitLoads(spray, usable, least, loads).flatMap(({ fill, times }) =>
    Array.from({ length: times }, (): NextFill => {
      const stretches: Stretch[] = [];
      const holds = num(fill) / num(sprayVolume);
      let room = holds;
      while (lawn < areas.length && room > holds * SLACK) {
        const rest = areas[lawn]! - done;
        const to = rest <= room * (1 + SLACK) + holds * SLACK ? areas[lawn]! : done + room;
        stretches.push({ lawn, from: done, to });
        room -= to - done;
        [lawn, done] = to === areas[lawn]! ? [lawn + 1, 0] : [lawn, to];
      }
      return { stretches, fill };
    }),
  );
}

function placeOf({ lawns, standsAt }: RunInput, { lawn, from }: Stretch, dayBegins: boolean): NonNullable<RunLoad["at"]> {
  if (dayBegins && !standsAt) return { kind: "shop" };
  const before = from > 0 ? undefined : lawn > 0 ? lawns[lawn - 1] : standsAt;
  const wet = [before, lawns[lawn]!].find((l) => l?.water);
  return wet ? { kind: "hydrant", site: wet.site } : { kind: "shop" };
}
