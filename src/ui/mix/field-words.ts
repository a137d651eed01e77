import { afterTank, afterWords, type AfterTank } from "@/core/labels/aftercare";
import { showEntered } from "@/core/quantity/format";
import { entered, type Entered } from "@/core/quantity/parse";
import { MOST_WIND } from "@/core/conditions/judge";
import { valueIn } from "@/core/quantity/quantity";
import { compare } from "@/core/quantity/arithmetic";
import { System, read } from "@/core/working/units";
import type { ProductText } from "@/formats/job-file/types";
import { cardOfProduct } from "@/formats/gear";
import { Faults } from "@/formats/job-file/faults";
import { readProduct } from "@/formats/job-file/read-product";
import { wallClock } from "../data/clock";
import { format } from "../data/dates";

/** A thing that a label says of the field, and what it says. */
export type FieldLine = readonly [what: string, says: string];

/** What the labels of a mix want of the weather: the hardest wish, and whose it is where there are several. */
export function weatherLines(products: readonly ProductText[], system: System): FieldLine[] {
  const cards = products.map((p) => ({ name: p.name, ...cardOfProduct(p) }));
  const winds = cards.flatMap((c) => (c.wind === undefined ? [] : [entered(c.wind, "speed")]));
  const wind = winds.sort((a, b) => compare(a.value, b.value))[0];
  const each = (of: (card: (typeof cards)[number]) => string | undefined): string[] => [
    ...new Set(
      cards.flatMap((card) => {
        const says = of(card);
        return says === undefined ? [] : [cards.length > 1 ? `${says} (${card.name})` : says];
      }),
    ),
  ];
  return [
    ...(cards.length > 0
      ? [
          [
            "Wind",
            wind
              ? `${showEntered(wind)} at most`
              : `${read(MOST_WIND, "speed", system, { figures: 2 })} at most, where no label says`,
          ] as FieldLine,
        ]
      : []),
    ...each((c) => between(c.airLeast, c.airMost, c.airOver)).map((says): FieldLine => ["Air", says]),
    ...each((c) => between(c.soilLeast, c.soilMost)).map((says): FieldLine => ["Soil", says]),
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
