import { bad, good, type Result } from "@/core/issue";
import type { Active } from "@/core/labels/active";
import { isStrength, rateOfGallon } from "@/core/labels/gallon";
import type { LabelSays, LimitRow } from "@/core/labels/label";
import type { Form, LabelRate } from "@/core/labels/label-rate";
import { parsePackage, parseRate } from "@/core/labels/rate";
import { asEntered, type Composition } from "@/core/labels/stated";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct, Package, Price } from "@/core/mixing/product";
import type { Entered } from "@/core/quantity/parse";
import { BY_STRENGTH } from "../card/choice";
import { compositionOf } from "../card/composition";
import type { CardText } from "../card/card";
import { careOf } from "../card/care";
import { readCard, readStated } from "../card/read-card";
import { daysOf, longestDays, limitRowOf, turfsOf } from "../card/says";
import { Faults, maybe, value } from "./faults";
import type { LimitsText, ProductText } from "./types";
import { isSame } from "@/core/quantity/slack";
import { compareRates, sizeOfRate } from "@/core/labels/label-rate";
import { isOverWhole } from "@/core/quantity/arithmetic";
import { sizeOf } from "@/core/labels/active";

/** A product of a job file as what core mixes: its rate, its price, and what its label binds the plan to. */
export function readProduct(product: ProductText, i: number, faults: Faults): MixProduct | undefined {
  const path = `products[${i}]`;
  const typed = faults.take(parseRate(product.rate, product.form, { path: `${path}.rate` }));
  const covers = typed && coversOf(product, typed, path, faults);
  const onGround = typed && covers && isStrength(typed) ? rateOfGallon(typed, covers) : undefined;
  const rate = onGround ? asEntered(onGround) : typed;
  if (rate && isSpread(product) && isStrength(rate))
    faults.add(
      `${path}.rate`,
      "not-possible",
      `${rate.text} of a granule that is spread dry`,
      `a rate for an area, e.g. "3 lb/1000 ft2"`,
    );
  const price = product.price && faults.take(readPrice(product.price, product.form, path));
  const choice = choiceOf(product);
  const says = readSays(product, path, covers, choice?.soil === true, faults);
  if (!rate) return undefined;
  const by = onGround ?? rateBy(choice?.stated, rate, says.composition);
  return {
    name: product.name,
    form: product.form,
    rate,
    ...(by && { by }),
    ...(product.formulation && { formulation: product.formulation }),
    ...(says.order !== undefined && { order: says.order }),
    ...(price && { price }),
    packages: packagesOf(product, says.packages),
    ...(choice?.split && { split: true }),
    ...(choice?.byStrength && { byStrength: true }),
    says: says.says,
  };
}

/** The ground that a gallon of the mix is for, by the label; a rate for an area has none. */
function coversOf(product: ProductText, rate: LabelRate, path: string, faults: Faults): Entered<"area"> | undefined {
  const covers = maybe(product.gallonCovers, "area");
  if (!covers || isStrength(rate)) return covers;
  faults.add(`${path}.gallonCovers`, "contradiction", `${rate.text} is a rate for an area already`, "leave gallonCovers out");
  return undefined;
}

/** How a rate was chosen, as far as a mix needs to know it. */
function choiceOf(product: ProductText): { stated?: string; split?: boolean; byStrength?: boolean; soil?: boolean } | undefined {
  const choice = product.rateChoice as { stated?: unknown; split?: unknown; gallon?: unknown; soil?: unknown } | undefined;
  if (typeof choice !== "object" || choice === null) return undefined;
  return {
    ...(typeof choice.stated === "string" && { stated: choice.stated }),
    split: Boolean(choice.split),
    byStrength: choice.gallon === BY_STRENGTH,
    soil: choice.soil === true,
  };
}

/** How a stated rate was turned into this one; nothing where it comes to another figure: the file's own rate counts. */
function rateBy(stated: string | undefined, rate: LabelRate, composition: Composition): MixProduct["by"] {
  if (stated === undefined) return undefined;
  const read = readStated(stated, composition, "");
  if (!read.ok || !read.value.by) return undefined;
  return read.value.rate.kind === rate.kind && isSame(sizeOf(read.value.by), sizeOfRate(rate)) ? read.value.by : undefined;
}

function readPrice(price: NonNullable<ProductText["price"]>, form: Form, path: string): Result<Price> {
  const per = parsePackage(price.per, form, { path: `${path}.price.per` });
  return per.ok ? good({ amount: price.amount, currency: price.currency, per: per.value }) : per;
}

interface Said {
  readonly says: LabelSays;
  readonly composition: Composition;
  readonly packages: CardText["packages"];
  readonly order: string | undefined;
}

function readSays(product: ProductText, path: string, covers: Entered<"area"> | undefined, soil: boolean, faults: Faults): Said {
  const actives = (product.actives ?? []).flatMap((a, i) => readActive(a, product.form, `${path}.actives[${i}]`, faults) ?? []);
  const onGround = (rate: LabelRate | undefined) =>
    rate && covers && isStrength(rate) ? asEntered(rateOfGallon(rate, covers)) : rate;
  const rateAt = (text: string | undefined, at: string) =>
    text === undefined ? undefined : onGround(faults.take(parseRate(text, product.form, { path: `${path}.${at}` })));
  const [low, high] = [rateAt(product.labelRange?.[0], "labelRange[0]"), rateAt(product.labelRange?.[1], "labelRange[1]")];
  if (low && high && low.kind === high.kind && compareRates(low, high) > 0)
    faults.add(`${path}.labelRange`, "contradiction", `${low.text} to ${high.text}`, "write the lower rate first");
  const limits = product.limits && readLimits(product.limits, rateAt);
  const limitOnGround = (row: LimitRow): LimitRow => ({
    ...row,
    perApplication: onGround(row.perApplication),
    perYear: onGround(row.perYear),
  });
  const card = readRest(product, path, faults);
  const rest = card && compositionOf(card);
  const carrierAtLeast = maybe(product.carrierAtLeast, "sprayVolume");
  const dilutionAtLeast = maybe(product.dilutionAtLeast, "dilution");
  const gravity = rest?.gravity;
  const says: LabelSays = {
    actives,
    gravity,
    // What a soil test asks for counts above the coverage printed on a bag of plain fertilizer; limits hold all the same.
    ...(low && high && !(soil && actives.length === 0 && card?.use === "fertilizer") && { range: [low, high] as const }),
    limits: [
      ...(limits ? [limits] : []),
      ...(card?.limits ?? []).map((row) => limitOnGround(limitRowOf(row, { ...rest!, actives }))),
    ],
    carrierAtLeast,
    dilutionAtLeast,
    ...(card && waitsOf(card)),
    ...(card?.use && { use: card.use }),
  };
  return {
    says,
    packages: card?.packages ?? [],
    order: card?.order,
    composition: { name: product.name, form: product.form, actives, gravity, analysis: rest?.analysis },
  };
}

function waitsOf(card: CardText): Partial<LabelSays> {
  const days = (key: "afterSeeding" | "afterSodding" | "beforeSeeding" | "beforeSodding" | "residual") =>
    card[key] === undefined ? {} : { [key]: daysOf(card[key]) };
  const visibleAfter = longestDays(card.visible);
  return {
    ...days("afterSeeding"),
    ...days("afterSodding"),
    ...days("beforeSeeding"),
    ...days("beforeSodding"),
    ...days("residual"),
    ...(visibleAfter !== undefined && { visibleAfter }),
    turfs: turfsOf(card),
    ...(card.hoseEnd && { hoseEnd: card.hoseEnd === "allowed" }),
    aftercare: careOf(card),
  };
}

/** What it comes in: the card's packages, or the one that the price is for. */
function packagesOf({ form, price }: ProductText, packages: CardText["packages"]): Package[] {
  const listed = packages.length > 0 ? packages : price ? [{ content: price.per, price: String(price.amount) }] : [];
  return listed.flatMap((one) => {
    const content = parsePackage(one.content, form, {});
    return content.ok ? [{ content: content.value, ...(one.price !== undefined && { price: Number(one.price) }) }] : [];
  });
}

function readActive(
  active: NonNullable<ProductText["actives"]>[number],
  form: Form,
  path: string,
  faults: Faults,
): Active | undefined {
  const { name, fraction, strength } = active;
  if ((fraction === undefined) === (strength === undefined)) {
    const received = fraction === undefined ? "no content" : "fraction and strength together";
    faults.add(path, "contradiction", received, `give one: "fraction": "40 %", or of a liquid "strength": "4 lb/gal"`);
    return undefined;
  }
  if (strength !== undefined) {
    if (form === "dry") {
      faults.add(
        `${path}.strength`,
        "contradiction",
        `${strength} of a dry product`,
        `write its part by weight: "fraction": "40 %"`,
      );
      return undefined;
    }
    return { name, content: value(strength, "activeStrength") };
  }
  const content = value(fraction!, "share");
  if (isOverWhole(content.value)) faults.add(`${path}.fraction`, "out-of-range", fraction!, "at most 100 %");
  return { name, content };
}

function readLimits(limits: LimitsText, rateAt: (text: string | undefined, at: string) => LabelRate | undefined): LimitRow {
  const perApplication = rateAt(limits.perApplication, "limits.perApplication");
  const perYear = rateAt(limits.perYear, "limits.perYear");
  const { yearKind, applicationsPerYear } = limits;
  return { perApplication, perYear, yearKind, applicationsPerYear, intervalAtLeast: daysOf(limits.intervalAtLeast) };
}

/** The rest of a label, under `label`: what the format itself has no key for. */
function readRest(product: ProductText, path: string, faults: Faults): CardText | undefined {
  const rest = product.label;
  if (rest === undefined) return undefined;
  const { name, form, rate } = product;
  const actives = (product.actives ?? []).map((a) => ({ name: a.name, content: a.fraction ?? a.strength }));
  const isObject = typeof rest === "object" && rest !== null && !Array.isArray(rest);
  const read = isObject
    ? readCard({ rates: [{ rate }], ...rest, name, form, actives })
    : bad({ path: "", code: "wrong-type", received: "something else", expected: "the rest of a label's card" });
  if (read.ok) return read.value;
  for (const issue of read.issues) faults.issues.push({ ...issue, path: `${path}.label${issue.path && `.${issue.path}`}` });
  return undefined;
}
