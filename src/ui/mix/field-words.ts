import { afterTank, afterWords, type AfterTank } from "@/core/labels/aftercare";
import { showEntered } from "@/core/quantity/format";
import { entered, type Entered } from "@/core/quantity/parse";
import { valueIn } from "@/core/quantity/quantity";
import { System, read } from "@/core/working/units";
import type { ProductText } from "@/formats/job-file/types";
import { windLimits, type WindLimit } from "@/formats/air-seen";
import type { CardText } from "@/formats/card/card";
import { cardOfProduct } from "@/formats/gear";
import { ruleName, type LocalRule } from "@/formats/local-rules";
import { Faults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";

/** A thing that a label says of the field, and what it says. */
export type FieldLine = readonly [what: string, says: string];

/**
 * What is wanted of the weather for a mix, by its labels and by the rules of its places: what holds it, the strictest first, and
 * whose each is where there are several. @param rules those of the places of the mix, @param strictest of the wind the strictest limit alone: where there is no room
 */
export function weatherLines(
  products: readonly ProductText[],
  system: System,
  rules: readonly LocalRule[],
  strictest = false,
): FieldLine[] {
  const cards = products.map((p) => ({ ...cardOfProduct(p), name: p.name }));
  const winds = windLimits(cards, rules);
  const windOf = ({ value, text }: WindLimit) =>
    text === null ? read(value, "speed", system, { figures: 2 }) : showEntered(entered(text, "speed"));
  // Those that are the same are said once, with the names of all.
  const alike = [...new Map(winds.map((limit) => [windOf(limit), winds.filter((one) => windOf(one) === windOf(limit))]))];
  const windsSaid = alike.map(([says, of], i) => {
    const named = alike.length > 1 || of.some(({ by }) => by.of !== "label");
    return `${says}${i === 0 ? " at most" : ""}${named ? ` (${of.map(({ by }) => by.name).join(", ")})` : ""}`;
  });
  type Source = Partial<CardText> & { readonly name: string };
  const each = (sources: readonly Source[], of: (source: Source) => string | undefined): string[] => [
    ...new Set(
      sources.flatMap((source) => {
        const says = of(source);
        return says === undefined ? [] : [sources.length > 1 ? `${says} (${source.name})` : says];
      }),
    ),
  ];
  const airs = [...rules.map((rule) => ({ ...rule, name: ruleName(rule) })), ...cards];
  return [
    ...(cards.length > 0 ? [["Wind", (strictest ? windsSaid.slice(0, 1) : windsSaid).join("; ")] as FieldLine] : []),
    ...each(airs, (c) => between(c.airLeast, c.airMost, c.airOver)).map((says): FieldLine => ["Air", says]),
    ...each(cards, (c) => between(c.soilLeast, c.soilMost)).map((says): FieldLine => ["Soil", says]),
  ];
}

function between(least: string | undefined, most: string | undefined, over?: string): string | undefined {
  if (least === undefined && most === undefined) return undefined;
  const range = least === undefined ? `at most ${most}` : most === undefined ? `at least ${least}` : `${least} to ${most}`;
  return over === undefined ? range : `${range}, over ${over}`;
}

/** What the ground gets after a mix. */
export function afterOf(products: readonly ProductText[]): AfterTank {
  const wishes = products.flatMap((product, i) => {
    const read = readProduct(product, i, new Faults());
    return read ? [{ name: read.name, aftercare: read.says?.aftercare }] : [];
  });
  return afterTank(wishes);
}

/** What the ground gets, by the clock: "dry until Thu 09:40, then 0.25 in of water by Sat 09:40". @param from when it went down */
export function afterLine(products: readonly ProductText[], from: string): FieldLine | undefined {
  const after = afterOf(products);
  const plain = afterWords(after);
  if (plain === "") return undefined;
  const { dry, by, least, most } = after;
  const at = (time: Entered<"time">) =>
    format(wallClock(new Date(Date.parse(from) + valueIn(time.value, "s") * 1000).toISOString()), "EEE d MMM HH:mm");
  const depth = least
    ? most
      ? `${showEntered(least.value)} to ${showEntered(most.value)} of water`
      : `${showEntered(least.value)} of water`
    : most
      ? `${showEntered(most.value)} of water at most`
      : "water";
  const water = least || most || by ? [depth, by ? `by ${at(by.value)}` : "in"].join(" ") : "";
  const clock = [dry && `dry until ${at(dry.value)}`, water].filter(Boolean).join(", then ");
  return ["Afterwards", `${plain}. Sprayed now: ${clock}. A client's sprinklers and forecast rain don't count until measured.`];
}
