import { TOLERANCE } from "../calibration/calibrate";
import { measuredUse, type Uncertainty } from "../calibration/uncertainty";
import { sizeOf, type AreaRate } from "../labels/active";
import { perArea, volumeOnAreaRule, weightOnAreaRule } from "../labels/per-area";
import { sizeOfRate, type LabelRate } from "../labels/label-rate";
import { volumeForSprayRule, weightForSprayRule, type Amount } from "../mixing/amounts";
import { coversRule } from "../mixing/areas";
import type { MixPlan } from "../mixing/plan";
import type { MixProduct } from "../mixing/product";
import type { Entered } from "../quantity/parse";
import { atLeast, atMost, isWithin } from "../quantity/slack";
import { derive, given, kindOf, num, nums, rule, type Derived, type Source } from "../working/rule";
import { groundCoveredRule, volumeInAllRule, volumeOverGroundRule, weightInAllRule, weightOverGroundRule } from "./over-ground";
import type { OutcomeWarning } from "./warnings";
import { zonesOf, type ZoneOutcome } from "./zones";

/**
 * What a mix really did: from what was left in the tank and how much ground a load did, back to the spray volume and to each
 * product's rate on the ground. Facts, not plans: nothing is held here, and a site that its label holds is told like any
 * other.
 */

/** What became of a load, or of what was left of it. */
export interface Pass {
  readonly site: string;
  /** The number of the load on its site; of a day, in the day. */
  readonly load: number;
  /** What was left in the tank afterwards; zero where it ran dry. */
  readonly left: Entered<"volume">;
  /** The ground that it did. */
  readonly covered: Entered<"area">;
  /** Over ground that was covered already: it adds volume, and no ground. */
  readonly again: boolean;
  /** What was really mixed, where that wasn't what the plan fills to. */
  readonly mixed?: Entered<"volume"> | undefined;
  /** How long the spraying took, where somebody timed it. */
  readonly time?: Entered<"time"> | undefined;
  /** How much of each zone it did, where somebody said; together its ground. */
  readonly on?: readonly { readonly zone: string; readonly covered: Entered<"area"> }[] | undefined;
}

/** A pass with what it began and ended with. */
export interface Sprayed extends Pass {
  readonly began: Source<"volume">;
  /** What the plan fills its load to, and the ground that what it began with does at the planned rate. */
  readonly fillTo: Source<"volume">;
  readonly could: Derived<"area">;
  readonly out: Derived<"volume">;
  /** Nothing more was sprayed of this load after it: what it left is left over. */
  readonly last: boolean;
}

export interface ProductOutcome {
  readonly product: MixProduct;
  readonly planned: AreaRate;
  /** What went down, over the ground that was covered. */
  readonly putDown: AreaRate;
  /** What went down over what was planned. */
  readonly ratio: number;
  /** What left the tank of it in all, and what is still in it. */
  readonly total: Amount;
  readonly left: Amount;
  /** What each pass put down of it. */
  readonly passes: readonly Amount[];
}

export interface SiteOutcome {
  readonly name: string;
  readonly passes: readonly Sprayed[];
  /** The ground that was covered: what first passes did. */
  readonly covered: Source<"area">;
  /** What the plan was for. */
  readonly area: Source<"area">;
  /** What really went down, all passes together, over the ground that was covered. */
  readonly sprayVolume: Source<"sprayVolume">;
  /** That over the calibrated one. */
  readonly ratio: number;
  /** How sure that is: reading the tank, and the tape. */
  readonly uncertainty: Uncertainty;
  readonly products: readonly ProductOutcome[];
  /** Zone by zone, where somebody said which got what. */
  readonly zones?: readonly ZoneOutcome[] | undefined;
  readonly leftover: Source<"volume">;
  /** What to mix by next time: what the first passes alone came to. */
  readonly next: Source<"sprayVolume">;
  /** The ground that the leftover does at the planned rate. */
  readonly leftoverCovers: Derived<"area">;
  readonly warnings: readonly OutcomeWarning[];
}

export const leftTheTankRule = rule({
  id: "left-the-tank",
  version: 1,
  title: "Sprayed",
  formula: "began - left",
  inputs: { began: "volume", left: "volume" },
  output: "volume",
  source: "what was in the tank less what was left",
  compute: ({ began, left }) => num(began) - num(left),
});

export const sprayedInAllRule = rule({
  id: "sprayed-in-all",
  version: 1,
  title: "Sprayed in all",
  formula: "sum(passes)",
  inputs: { passes: ["volume"] },
  output: "volume",
  source: "the passes, added up",
  compute: ({ passes }) => nums(passes).reduce((sum, v) => sum + v, 0),
});

export const leftInAllRule = rule({
  id: "left-in-all",
  version: 1,
  title: "Left over",
  formula: "sum(loads)",
  inputs: { loads: ["volume"] },
  output: "volume",
  source: "what the last pass of each load left, added up",
  compute: ({ loads }) => nums(loads).reduce((sum, v) => sum + v, 0),
});

export const reallySprayedRule = rule({
  id: "really-sprayed",
  version: 1,
  title: "Spray volume, as it went down",
  formula: "sprayed / ground",
  inputs: { sprayed: "volume", ground: "area" },
  output: "sprayVolume",
  source: "q = V/A, of the work itself",
  compute: ({ sprayed, ground }) => num(sprayed) / num(ground),
});

export const reallyFromJarRule = rule({
  id: "really-sprayed-from-jar",
  version: 1,
  title: "Spray volume, as it went down",
  formula: "calibrated * (emptied / ground) / planned",
  inputs: { calibrated: "sprayVolume", emptied: "volume", ground: "area", planned: "sprayVolume" },
  output: "sprayVolume",
  source: "the head draws the jar in proportion to the water: so much faster emptied, so much more sprayed",
  compute: ({ calibrated, emptied, ground, planned }) => (num(calibrated) * (num(emptied) / num(ground))) / num(planned),
});

export const weightInSprayRule = rule({
  id: "weight-in-spray",
  version: 1,
  title: "Strength of the mix",
  formula: "amount / fill",
  inputs: { amount: "mass", fill: "volume" },
  output: "strengthByWeight",
  source: "what goes into a load, over what the load is filled to",
  compute: ({ amount, fill }) => num(amount) / num(fill),
});

export const volumeInSprayRule = rule({
  id: "volume-in-spray",
  version: 1,
  title: "Strength of the mix",
  formula: "amount / fill",
  inputs: { amount: "volume", fill: "volume" },
  output: "strengthByVolume",
  source: "what goes into a load, over what the load is filled to",
  compute: ({ amount, fill }) => num(amount) / num(fill),
});

/** Under this part of the plan's area the site isn't done. */
export const WHOLE = 0.98;

/** A mix as it was planned, what went into its loads, and what is compared with. */
export interface Planning {
  /** The plan with nothing held: what was poured was poured, whatever a label says of it (`withoutLabels`). */
  readonly plan: MixPlan;
  readonly calibrated: Source<"sprayVolume">;
  /** The loads are a head's jars: what leaves the sprayer is more than what leaves the jar. */
  readonly jars: boolean;
  /** The amounts of the plan were ticked into each load: what was mixed to another volume is so much stronger, or thinner. */
  readonly ticked?: boolean;
}

/** What a load is filled to, by its number; undefined where the plan has no such load. */
export function fillOf({ plan }: Pick<Planning, "plan">, site: string, load: number): Source<"volume"> | undefined {
  if (plan.run)
    return plan.run.loads.find((l) => l.number === load && l.pieces.some((piece) => piece.lawn.site === site))?.fillTo;
  return plan.sites.find((s) => s.name === site)?.loads.find((l) => l.number === load)?.contents.fillTo;
}

/**
 * The passes with what each began with: a load's is what was mixed, a later pass of it begins with what the one before left.
 * Of a day a load serves several sites, one after another.
 * @param passes in the order in which they were done
 * @throws RangeError for a load that the plan doesn't have, or a pass that leaves as much as it began with: who reads the
 * entries says so first
 */
export function sprayedOf(planning: Planning, passes: readonly Pass[]): Sprayed[] {
  const inTank = new Map<string, Source<"volume">>();
  return passes.map((pass, i) => {
    const began = beganWith(planning, pass, inTank);
    if (!began) throw new RangeError(`${pass.site} has no load ${pass.load}`);
    const left = given(pass.left, `left of load ${pass.load}`);
    if (num(left) >= num(began)) throw new RangeError(`nothing of load ${pass.load} was sprayed`);
    inTank.set(tankOf(planning, pass), left);
    const last = !passes.slice(i + 1).some((later) => tankOf(planning, later) === tankOf(planning, pass));
    const fillTo = fillOf(planning, pass.site, pass.load)!;
    const could = derive(coversRule, { fill: began, sprayVolume: planning.plan.sprayVolume });
    return { ...pass, began, fillTo, could, out: derive(leftTheTankRule, { began, left }), last };
  });
}

/** Which load a pass is of, among all of a plan: of a day its loads are the day's, else each site has its own. */
export const tankOf = ({ plan }: Pick<Planning, "plan">, { site, load }: Pick<Pass, "site" | "load">): string =>
  plan.run ? String(load) : `${site}.${load}`;

/** What a pass begins with; undefined where the plan has no such load. @param inTank what each load holds by now */
export function beganWith(
  planning: Planning,
  pass: Pass,
  inTank: ReadonlyMap<string, Source<"volume">>,
): Source<"volume"> | undefined {
  const planned = fillOf(planning, pass.site, pass.load);
  if (!planned) return undefined;
  return inTank.get(tankOf(planning, pass)) ?? (pass.mixed ? given(pass.mixed, `load ${pass.load}, as mixed`) : planned);
}

/** What every site of a mix came to, in the order of the plan. @param passes at least one of each site a first pass */
export function reconcile(planning: Planning, passes: readonly Pass[]): SiteOutcome[] {
  const sprayed = sprayedOf(planning, passes);
  return planning.plan.sites.flatMap(({ name }) => {
    const own = sprayed.filter((pass) => pass.site === name);
    return own.length > 0 ? [siteOutcome(planning, name, own)] : [];
  });
}

function siteOutcome(planning: Planning, name: string, passes: readonly Sprayed[]): SiteOutcome {
  const { plan, calibrated } = planning;
  const first = passes.filter((pass) => !pass.again);
  const covered = derive(groundCoveredRule, { passes: first.map((p) => given(p.covered, `covered by load ${p.load}`)) });
  const all = sum(passes.map((p) => p.out));
  const sprayVolume = volumeOf(planning, all, covered);
  const next = passes.length === first.length ? sprayVolume : volumeOf(planning, sum(first.map((p) => p.out)), covered);
  const lasts = passes.filter((pass) => pass.last);
  const leftover = derive(leftInAllRule, { loads: lasts.map((p) => given(p.left, `left of load ${p.load}`)) });
  const area = plan.sites.find((s) => s.name === name)!.area;
  const products = plan.products.map((product, i) =>
    productOutcome(planning, name, product, i, { all, covered, leftover, passes }),
  );
  const outcome = {
    name,
    passes,
    covered,
    area,
    sprayVolume,
    ratio: num(sprayVolume) / num(calibrated),
    uncertainty: measuredUse(first.map((p) => ({ area: p.covered, began: p.began, left: p.left }))),
    products,
    zones: zonesOf(passes, products),
    leftover,
    next,
    leftoverCovers: derive(coversRule, { fill: leftover, sprayVolume: plan.sprayVolume }),
  };
  return { ...outcome, warnings: warningsOf(outcome, num(calibrated)) };
}

const sum = (volumes: readonly Source<"volume">[]): Derived<"volume"> => derive(sprayedInAllRule, { passes: volumes });

/** What left the tank over the ground, as the spray volume that it makes. */
function volumeOf(
  { plan, calibrated, jars }: Planning,
  sprayed: Source<"volume">,
  ground: Source<"area">,
): Derived<"sprayVolume"> {
  return jars
    ? derive(reallyFromJarRule, { calibrated, emptied: sprayed, ground, planned: plan.sprayVolume })
    : derive(reallySprayedRule, { sprayed, ground });
}

interface InAll {
  readonly passes: readonly Sprayed[];
  readonly all: Source<"volume">;
  readonly covered: Source<"area">;
  readonly leftover: Source<"volume">;
}

function productOutcome(
  { plan, ticked = false }: Planning,
  site: string,
  product: MixProduct,
  i: number,
  { all, covered, leftover, passes }: InAll,
): ProductOutcome {
  const load = plan.run
    ? plan.run.loads.find((l) => l.pieces.some((piece) => piece.lawn.site === site))!
    : plan.sites.find((s) => s.name === site)!.loads[0]!.contents;
  const amount = load.amounts[i]!;
  const planned = plannedOf(product, plan);
  if (ticked && passes.some((pass) => pass.mixed)) return ofMixed(product, planned, amount, load.fillTo, { covered, passes });
  const onGround = derive(reallySprayedRule, { sprayed: all, ground: covered });
  if (kindOf(amount) === "mass") {
    const strength = derive(weightInSprayRule, { amount: amount as Derived<"mass">, fill: load.fillTo });
    const putDown = derive(weightOnAreaRule, { strength, sprayVolume: onGround });
    return {
      product,
      planned,
      putDown,
      ratio: num(putDown) / sizeOf(planned),
      total: derive(weightForSprayRule, { strength, spray: all }),
      left: derive(weightForSprayRule, { strength, spray: leftover }),
      passes: passes.map((pass) => derive(weightForSprayRule, { strength, spray: pass.out })),
    };
  }
  const strength = derive(volumeInSprayRule, { amount: amount as Derived<"volume">, fill: load.fillTo });
  const putDown = derive(volumeOnAreaRule, { strength, sprayVolume: onGround });
  return {
    product,
    planned,
    putDown,
    ratio: num(putDown) / sizeOf(planned),
    total: derive(volumeForSprayRule, { strength, spray: all }),
    left: derive(volumeForSprayRule, { strength, spray: leftover }),
    passes: passes.map((pass) => derive(volumeForSprayRule, { strength, spray: pass.out })),
  };
}

/**
 * Loads that were mixed to another volume than their plan: what was measured went in whatever the volume, so the mix is so much
 * stronger, or thinner. @param amount, fillTo of a planned load: all of a plan's are of one strength
 */
function ofMixed(
  product: MixProduct,
  planned: AreaRate,
  amount: Amount,
  fillTo: Source<"volume">,
  { covered, passes }: Pick<InAll, "covered" | "passes">,
): ProductOutcome {
  const began = new Map<number, Source<"volume">>();
  for (const pass of passes) if (!began.has(pass.load)) began.set(pass.load, pass.began);
  if (kindOf(amount) === "mass") {
    const strong = (pass: Sprayed) => {
      // What the plan measures for its own fill of this load.
      const strength = derive(weightInSprayRule, { amount: amount as Derived<"mass">, fill: fillTo });
      const went = derive(weightForSprayRule, { strength, spray: pass.fillTo });
      return derive(weightInSprayRule, { amount: went, fill: began.get(pass.load)! });
    };
    const of = (pass: Sprayed, spray: Source<"volume">) => derive(weightForSprayRule, { strength: strong(pass), spray });
    const each = passes.map((pass) => of(pass, pass.out));
    const total = derive(weightInAllRule, { passes: each });
    const lasts = passes.filter((pass) => pass.last);
    const left = derive(weightInAllRule, {
      passes: lasts.map((pass) => of(pass, given(pass.left, `left of load ${pass.load}`))),
    });
    const putDown = derive(weightOverGroundRule, { amount: total, ground: covered });
    return { product, planned, putDown, ratio: num(putDown) / sizeOf(planned), total, left, passes: each };
  }
  const strong = (pass: Sprayed) => {
    const strength = derive(volumeInSprayRule, { amount: amount as Derived<"volume">, fill: fillTo });
    const went = derive(volumeForSprayRule, { strength, spray: pass.fillTo });
    return derive(volumeInSprayRule, { amount: went, fill: began.get(pass.load)! });
  };
  const of = (pass: Sprayed, spray: Source<"volume">) => derive(volumeForSprayRule, { strength: strong(pass), spray });
  const each = passes.map((pass) => of(pass, pass.out));
  const total = derive(volumeInAllRule, { passes: each });
  const lasts = passes.filter((pass) => pass.last);
  const left = derive(volumeInAllRule, { passes: lasts.map((pass) => of(pass, given(pass.left, `left of load ${pass.load}`))) });
  const putDown = derive(volumeOverGroundRule, { amount: total, ground: covered });
  return { product, planned, putDown, ratio: num(putDown) / sizeOf(planned), total, left, passes: each };
}

/** What the plan meant to put down: of a rate for an area that rate, whatever school it was mixed by. */
const plannedOf = (product: MixProduct, plan: MixPlan): AreaRate =>
  product.by ?? perArea(product.rate, `rate of ${product.name}`, plan.leaves);

type Judged = Omit<SiteOutcome, "warnings">;

function warningsOf(
  { name, passes, covered, area, next, products, zones, leftover }: Judged,
  calibrated: number,
): OutcomeWarning[] {
  const found: OutcomeWarning[] = [];
  const ratio = num(next) / calibrated;
  if (!isWithin(ratio, TOLERANCE))
    found.push({ code: ratio > 1 ? "too-heavy" : "too-light", values: { site: name, sprayVolume: next.value, ratio } });
  if (num(leftover) > 0) found.push({ code: "left-over", values: { site: name, left: leftover.value } });
  if (passes.some((p) => p.again)) found.push({ code: "second-pass", values: { site: name } });
  const put = zones
    ? zones.flatMap(({ zone, products: own }) => own.map((one) => ({ ...one, site: `${name}, ${zone}` })))
    : products.map((one) => ({ ...one, site: name }));
  for (const { site, product, putDown } of put) {
    const { least, most } = boundsOf(product);
    const rate = sizeOf(putDown);
    if (most !== undefined && !atMost(rate, most))
      found.push({ code: "put-down-over-label", values: { site, product: product.name, putDown, ratio: rate / most } });
    if (least !== undefined && !atLeast(rate, least))
      found.push({ code: "put-down-under-label", values: { site, product: product.name, putDown, ratio: rate / least } });
  }
  if (!atLeast(num(covered), num(area) * WHOLE))
    found.push({ code: "not-all-covered", values: { site: name, covered: covered.value, area: area.value } });
  return found;
}

/**
 * The most of a product that its label lets go down at once, on the scale of {@link sizeOf}; undefined where it says none by area.
 */
export const labelsMost = (product: MixProduct): number | undefined => boundsOf(product).most;

/** What a label lets go down at once, in the plain numbers of an area rate: where it speaks of one. */
function boundsOf(product: MixProduct): { readonly least?: number; readonly most?: number } {
  const { range, limits = [] } = product.says ?? {};
  const rated = (one: LabelRate | undefined) =>
    one && (one.kind === "rateByWeight" || one.kind === "rateByVolume") ? sizeOfRate(one) : undefined;
  const least = rated(range?.[0]);
  const mosts = [rated(range?.[1]), ...limits.map((row) => rated(row.perApplication))].filter((most) => most !== undefined);
  return { ...(least !== undefined && { least }), ...(mosts.length > 0 && { most: Math.min(...mosts) }) };
}
