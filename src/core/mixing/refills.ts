import { SLACK, atLeast, atMost } from "../quantity/slack";

/**
 * Where a truck refills. The lawns of a day stand in their order; a load serves those that follow one another. A lawn that
 * one tank can do is never left half done; the fewest trips to the shop come before the fewest fills, then fills that the
 * pump can't agitate, then the fuller load first, so that the short one is the last.
 */

/** A stretch of a lawn, in m² from its start. */
export interface Stretch {
  readonly lawn: number;
  readonly from: number;
  readonly to: number;
}

export interface Ground {
  /** m², above zero. */
  readonly area: number;
  /** Whether its site has water to fill from. */
  readonly water: boolean;
}

interface Cost {
  readonly trips: number;
  readonly fills: number;
  readonly low: number;
}

interface Choice extends Cost {
  readonly stretches: readonly Stretch[];
  readonly next: readonly [lawn: number, done: number] | null;
}

/** Where a day stands: the lawn, and how much of it is done, m². */
export type Standing = readonly [lawn: number, done: number];

/** What filling a tank again and again comes to, from anywhere on a day. */
export interface Refills {
  /** The loads from there on, each as the stretches that it serves. */
  readonly from: (at: Standing) => Stretch[][];
  /** Whether a first refill at a place is cheaper than at another one: fewer drives, then fewer fills. */
  readonly cheaper: (at: Standing, than: Standing) => boolean;
}

/**
 * @param tank what a full tank covers, m² · @param least what the least load that can be agitated covers, m²
 * @param waterBefore whether there is water where the truck stands before the first lawn
 */
export function refills(grounds: readonly Ground[], tank: number, least: number, waterBefore = false): Refills {
  const areas = grounds.map((g) => g.area);
  const known = new Map<string, Choice>();
  /** Whether a refill before this point means a drive: neither the site that was left nor the next has water. */
  const trip = (lawn: number, done: number): number => {
    const before = lawn > 0 ? grounds[lawn - 1]!.water : waterBefore;
    const wet = grounds[lawn]!.water || (done === 0 && before);
    return wet ? 0 : 1;
  };
  const costOf = (stretches: readonly Stretch[], next: Choice["next"]): Choice => {
    const covers = stretches.reduce((sum, s) => sum + s.to - s.from, 0);
    const low = !atLeast(covers, least) ? 1 : 0;
    if (!next) return { stretches, next, trips: 0, fills: 1, low };
    const rest = best(next[0], next[1]);
    return { stretches, next, trips: rest.trips + trip(...next), fills: rest.fills + 1, low: rest.low + low };
  };
  const best = (lawn: number, done: number): Choice => {
    const key = `${lawn}:${done.toPrecision(9)}`;
    const seen = known.get(key);
    if (seen) return seen;
    const choice = [...choicesFrom(areas, tank, lawn, done)]
      .map(([stretches, next]) => costOf(stretches, next))
      .reduce((a, b) => (cheaper(b, a) ? b : a));
    known.set(key, choice);
    return choice;
  };
  // From the last lawn backwards first, so that a long day needs no deep recursion.
  const backwards = (to: number) => {
    for (let lawn = areas.length - 1; lawn > to; lawn--) best(lawn, 0);
  };
  const withDrive = (at: Standing): Cost => {
    backwards(at[0]);
    const { trips, fills, low } = best(...at);
    return { trips: trips + trip(...at), fills, low };
  };
  return {
    from: (start) => {
      backwards(start[0]);
      const loads: Stretch[][] = [];
      for (let at: Choice["next"] = start; at && at[0] < areas.length;) {
        const choice: Choice = best(at[0], at[1]);
        loads.push([...choice.stretches]);
        at = choice.next;
      }
      return loads;
    },
    cheaper: (at, than) => cheaper(withDrive(at), withDrive(than)),
  };
}

/** What one full tank could serve from here, the most first: that wins among equals. */
function choicesFrom(
  areas: readonly number[],
  tank: number,
  lawn: number,
  done: number,
): [Stretch[], readonly [number, number] | null][] {
  const rest = areas[lawn]! - done;
  if (!atMost(rest, tank)) return [[[{ lawn, from: done, to: done + tank }], [lawn, done + tank]]];
  const choices: [Stretch[], readonly [number, number] | null][] = [];
  const stretches: Stretch[] = [];
  let covered = 0;
  for (let at = lawn; at < areas.length; at++) {
    const from = at === lawn ? done : 0;
    const piece = areas[at]! - from;
    const room = tank - covered;
    if (piece > room * (1 + SLACK) + tank * SLACK) {
      // A lawn that no tank can do at once is begun with what is left; any other waits for a full one.
      if (!atMost(areas[at]!, tank) && room > tank * SLACK)
        choices.unshift([
          [...stretches, { lawn: at, from: 0, to: room }],
          [at, room],
        ]);
      break;
    }
    stretches.push({ lawn: at, from, to: areas[at]! });
    covered += piece;
    choices.unshift([[...stretches], at + 1 < areas.length ? [at + 1, 0] : null]);
  }
  return choices;
}

const cheaper = (a: Cost, b: Cost): boolean =>
  a.trips !== b.trips ? a.trips < b.trips : a.fills !== b.fills ? a.fills < b.fills : a.low < b.low;
