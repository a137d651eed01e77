import { make, raw, type Quantity } from "../quantity/kinds";
import { constant } from "../working/rule";
import { TOLERANCE } from "./calibrate";
import { WALKABLE } from "./warnings";
import { COMFORTABLE, DROPLETS, dropletAt, rangeOf, ratedFlow, tipFlow, type Droplet, type TipChart } from "./tips";
import { sizeOfRate, type LabelRate } from "../labels/label-rate";
import { atLeast, atMost } from "../quantity/slack";

/** Working forwards from a wish: every tip × pressure × speed, ranked by what it costs on a site. */
export interface PlanWish {
  /** One an outlet. */
  readonly count: number;
  /** Of all outlets together. */
  readonly swath: Quantity<"length">;
  readonly onFoot: boolean;
  readonly area: Quantity<"area">;
  readonly usable: Quantity<"volume">;
  /** What a refill costs. */
  readonly refill: Quantity<"time">;
  /** Wanted spray volume with its band; every setting that lands in it is a candidate. */
  readonly wanted: { readonly least: Quantity<"sprayVolume">; readonly most: Quantity<"sprayVolume"> };
  readonly tips: readonly { readonly size: string; readonly chart?: TipChart }[];
  readonly pressures: readonly Quantity<"pressure">[];
  /** The fastest that this ground allows; a person never more than walkable. */
  readonly fastest: Quantity<"speed">;
  /** What the label asks for, where it does. */
  readonly droplet?: Droplet;
  readonly carrierAtLeast?: Quantity<"sprayVolume">;
}

/** What speaks against a setting. */
export type Against = "outside-pressures" | "drops-finer" | "drops-coarser" | "drops-unknown";

export interface Setup {
  readonly size: string;
  readonly pressure: Quantity<"pressure">;
  /** Of all outlets. */
  readonly flow: Quantity<"flow">;
  readonly speed: Quantity<"speed">;
  readonly sprayVolume: Quantity<"sprayVolume">;
  readonly minutes: number;
  readonly refills: number;
  readonly droplet: Droplet | null;
  /** What speaks against it, in words; the first of those that the label or the legs forbid. */
  readonly against: readonly Against[];
  readonly fits: boolean;
}

/** The slowest that is worth ranking: half a mile an hour. Slow is fine for a wand. */
const SLOWEST = 0.5 * 0.44704;

/**
 * All settings that give a spray volume in the wanted band, those that fit first, then by minutes (spraying and
 * refilling), then by how comfortable the pressure is. For each tip and pressure the speed is the fastest that keeps the
 * spray volume in the band: walking slower than one may only costs time.
 */
export function rankSetups(wish: PlanWish): Setup[] {
  const setups: Setup[] = [];
  const top = wish.onFoot ? Math.min(raw(wish.fastest), raw(WALKABLE)) : raw(wish.fastest);
  const least = Math.max(raw(wish.wanted.least), wish.carrierAtLeast === undefined ? 0 : raw(wish.carrierAtLeast));
  for (const { size, chart } of wish.tips) {
    if (ratedFlow(size) === undefined) continue;
    for (const pressure of wish.pressures) {
      const flow = raw(tipFlow(size, constant("pressure", pressure, "pressure"), wish.count, chart).value);
      // f = q·v·w: the fastest speed is that of the least spray volume, unless the legs are slower.
      const speed = Math.min(top, flow / (least * raw(wish.swath)));
      const sprayVolume = flow / (speed * raw(wish.swath));
      if (speed < SLOWEST || !atMost(sprayVolume, raw(wish.wanted.most)) || !atLeast(sprayVolume, least)) continue;
      setups.push(setupOf(wish, size, chart, pressure, { flow, speed, sprayVolume }));
    }
  }
  // The middle of what the tip's own chart holds; of one without a chart, of what booms are comfortable in.
  const comfort = (s: Setup) => {
    const chart = wish.tips.find(({ size }) => size === s.size)?.chart;
    const { least: low, most: high } = chart && chart.rows.length > 0 ? rangeOf(chart) : COMFORTABLE;
    return Math.abs(Math.log(raw(s.pressure) / Math.sqrt(raw(low) * raw(high))));
  };
  return setups.sort((a, b) => Number(b.fits) - Number(a.fits) || a.minutes - b.minutes || comfort(a) - comfort(b));
}

function setupOf(
  wish: PlanWish,
  size: string,
  chart: TipChart | undefined,
  pressure: Quantity<"pressure">,
  { flow, speed, sprayVolume }: { flow: number; speed: number; sprayVolume: number },
): Setup {
  const spray = sprayVolume * raw(wish.area);
  const refills = Math.max(0, Math.ceil((spray / raw(wish.usable)) * (1 - 1e-12)) - 1);
  const minutes = (spray / flow + refills * raw(wish.refill)) / 60;
  const droplet = dropletAt(chart, pressure) ?? null;
  const range = rangeOf(chart);
  const against: Against[] = [];
  if (!atLeast(raw(pressure), raw(range.least)) || !atMost(raw(pressure), raw(range.most))) against.push("outside-pressures");
  if (wish.droplet && droplet && droplet !== wish.droplet)
    against.push(DROPLETS.indexOf(droplet) < DROPLETS.indexOf(wish.droplet) ? "drops-finer" : "drops-coarser");
  if (wish.droplet && !droplet) against.push("drops-unknown");
  return {
    size,
    pressure,
    flow: make(flow),
    speed: make(speed),
    sprayVolume: make(sprayVolume),
    minutes,
    refills,
    droplet,
    against,
    fits: against.length === 0,
  };
}

export interface RoundMix {
  /** What goes into a full tank, in the rate's own coherent unit: g or mL. */
  readonly amount: number;
  readonly sprayVolume: Quantity<"sprayVolume">;
  /** What it costs to measure the round amount and leave the spray volume as it is: 0.03 puts 3 % more down. */
  readonly error: number;
}

/** A round amount, as the kind of product is measured. */
export const roundAmount = ({ amount }: RoundMix, dry: boolean): Quantity<"mass"> | Quantity<"volume"> =>
  dry ? make<"mass">(amount) : make<"volume">(amount);

/** The band that a wish is met in: as far off as a calibration may be. */
export const bandOf = (wanted: Quantity<"sprayVolume">) => ({
  least: make<"sprayVolume">(raw(wanted) * (1 - TOLERANCE)),
  most: make<"sprayVolume">(raw(wanted) * (1 + TOLERANCE)),
});

/** How many round amounts to look at on either side of the one at hand. */
const EACH = 3;

/**
 * Spray volumes that make the measuring number of a full tank round: amount = R·V/q, so q = R·V/amount, for the round
 * amounts on either side of the one at hand.
 * @param perArea a rate for an area · @param onTool what is round on the tool: a scale's ten grams, a cup
 * @param least the label's carrier minimum: no spray volume under it is offered
 */
export function roundMixes(
  perArea: LabelRate,
  usable: Quantity<"volume">,
  now: Quantity<"sprayVolume">,
  onTool: Quantity<"mass"> | Quantity<"volume">,
  least?: Quantity<"sprayVolume">,
): RoundMix[] {
  const rate = sizeOfRate(perArea);
  const step = raw(onTool as Quantity<"mass">);
  const exact = (rate * raw(usable)) / raw(now);
  const first = Math.max(1, Math.ceil(exact / step - EACH));
  const last = Math.floor(exact / step + EACH);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step)
    .map((amount) => ({ amount, sprayVolume: make<"sprayVolume">((rate * raw(usable)) / amount), error: amount / exact - 1 }))
    .filter((one) => least === undefined || atLeast(raw(one.sprayVolume), raw(least)))
    .sort((a, b) => Math.abs(a.error) - Math.abs(b.error));
}
