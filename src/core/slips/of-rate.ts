import type { Active } from "../labels/active";
import { raw, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";
import { unitText, writeNumber } from "../quantity/format";
import { unitNamed } from "../quantity/unit";
import type { LabelRate, RateKind } from "../labels/label-rate";
import { fitting, inside, respelled, scaled, takenFor, type Bounds, type Candidate, type Slip } from "./slip";
import { isSame, SLACK } from "../quantity/slack";

/** What a typed rate is compared with. */
export interface RateContext {
  /** The label's lowest and highest rate, of one kind; a limit for one application where it gives no range. */
  readonly least?: LabelRate | undefined;
  readonly most?: LabelRate | undefined;
  readonly actives?: readonly Active[] | undefined;
  /** The area of the site: a total may have been typed for a rate. */
  readonly area?: Quantity<"area"> | undefined;
}

/** Where a label gives only one end, the other is taken to be this many times away (ours). */
const SPREAD = 10;

/** The bounds of a rate in the coherent set; undefined where the label gives none of its kind. */
export function rateBounds(kind: RateKind, { least, most }: RateContext): Bounds | undefined {
  const of = (rate: LabelRate | undefined) => (rate?.kind === kind ? raw(rate.value as Quantity<"rateByWeight">) : undefined);
  const [low, high] = [of(least), of(most)];
  if (low === undefined && high === undefined) return undefined;
  return { least: low ?? high! / SPREAD, most: high ?? low! * SPREAD };
}

const AREAS = [
  ["1000 ft2", "ac", "acre-for-1000"],
  ["ac", "ha", "hectare-acre"],
  ["100 m2", "ha", "hectare-acre"],
  ["1000 ft2", "5000 ft2", "5000-for-1000"],
  ["5000 ft2", "ac", "acre-for-1000"],
] as const;

/** What a typed label rate may have been meant to be. Empty where it lies inside the label, or nothing brings it inside. */
export function slipsOfRate(rate: LabelRate, context: RateContext): Slip[] {
  const bounds = rateBounds(rate.kind, context);
  if (!bounds) return [];
  const typed = rate as Entered<RateKind>;
  if (inside(raw(typed.value), bounds)) return [];
  return fitting(typed, bounds, rateCandidates(rate, context));
}

/** What a typed rate may have been meant to be, likeliest first, whatever it is held against. */
export function rateCandidates(rate: LabelRate, context: RateContext): Candidate<RateKind>[] {
  const typed = rate as Entered<RateKind>;
  const [over = "", under = ""] = typed.unit.split("/");
  const written = (unit: string) => unitText(unit);
  return [
    ...roundedUp(typed, context),
    ...AREAS.flatMap(([a, b, code]) => {
      const other = under === a ? b : under === b ? a : undefined;
      if (other === undefined) return [];
      const value = respelled(typed, `${over}/${other}`);
      return [{ code, value, says: `${written(`${over}/${other}`)} was probably meant, not ${written(typed.unit)}` }];
    }),
    ...takenFor(over).map(([unit, code]) => ({
      code,
      value: respelled(typed, `${unit}/${under}`),
      says: `${written(unit)} was probably meant, not ${written(over)}`,
    })),
    ...decimals(typed),
    ...(over === "gal"
      ? [{ code: "imperial-gallon", value: scaled(typed, 4.54609 / 3.785411784), says: IMPERIAL } as const]
      : []),
    ...(context.actives ?? []).flatMap(({ name, content }) => {
      if (content.kind !== "share") return [];
      const part = raw(content.value as Quantity<"share">);
      return [
        {
          code: "active-for-product",
          value: scaled(typed, 1 / part),
          says: `the rate of ${name} was probably typed, not of the product that holds it`,
        } as const,
        {
          code: "active-for-product",
          value: scaled(typed, part),
          says: `a rate of product was probably turned into product once more, by its ${name}`,
        } as const,
      ];
    }),
    ...totals(typed, context.area, over, under),
  ];
}

const IMPERIAL = "an imperial gallon was probably read, which is 1.2 US gallons";

/** A decimal point one place off. */
export function decimals<K extends RateKind | "mass" | "volume">(typed: Entered<K>): Candidate<K>[] {
  return [0.1, 10].map((factor) => ({
    code: "decimal-point",
    value: scaled(typed, factor),
    says: "the decimal point is probably one place off",
  }));
}

/** 0.28 where the label says 0.275: rounded to fewer figures, past the label's own. */
function roundedUp(typed: Entered<RateKind>, { most }: RateContext): Candidate<RateKind>[] {
  if (most?.kind !== typed.kind) return [];
  const top = raw(most.value as Quantity<"rateByWeight">) / unitNamed(typed.unit).factor;
  const places = typed.text.split(" ")[0]!.split(".")[1]?.length ?? 0;
  const step = 10 ** -places;
  const up = Math.ceil(top / step - SLACK) * step;
  if (typed.number <= top || !isSame(typed.number, up)) return [];
  // The label's own figure where it is written in this unit, else as near below it as can be.
  const value =
    most.unit === typed.unit
      ? (most as Entered<RateKind>)
      : scaled(typed, Number(writeNumber(top, { figures: 4, down: true }).replaceAll(",", "")) / typed.number);
  return [{ code: "rounded-up", value, says: "the label's figure was rounded up: round a limit down" }];
}

function totals(
  typed: Entered<RateKind>,
  area: Quantity<"area"> | undefined,
  over: string,
  under: string,
): Candidate<RateKind>[] {
  if (!area || !["rateByWeight", "rateByVolume"].includes(typed.kind)) return [];
  const units = raw(area) / unitNamed(under.replace(/^\d+ /, "")).factor / Number(/^\d+/.exec(under)?.[0] ?? 1);
  return [
    {
      code: "total-for-rate",
      value: scaled(typed, 1 / units),
      says: `the ${unitText(over)} for the whole site were probably typed, not for ${unitText(under)}`,
    },
  ];
}
