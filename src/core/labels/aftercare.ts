import { raw } from "../quantity/kinds";
import { showEntered } from "../quantity/format";
import type { Entered } from "../quantity/parse";
import { atMost } from "../quantity/slack";

/** What a label wants done after the application. Absent where it says nothing. */
export interface Aftercare {
  /** Watered in: a depth from, to, and by when. */
  readonly waterLeast?: Entered<"length"> | undefined;
  readonly waterMost?: Entered<"length"> | undefined;
  readonly waterWithin?: Entered<"time"> | undefined;
  /** Kept dry for so long; where it must be watered in too, before that. */
  readonly keepDry?: Entered<"time"> | undefined;
}

interface Wants {
  readonly name: string;
  readonly aftercare?: Aftercare | undefined;
}

/** What one product asks, and which product that is. */
export interface Ask<K extends "time" | "length"> {
  readonly of: string;
  readonly value: Entered<K>;
}

/**
 * What the ground gets after a tank of several products: dry until, then watered from a least to a most depth by a
 * deadline. The hardest wish of all the labels together.
 */
export interface AfterTank {
  readonly dry: Ask<"time"> | null;
  readonly by: Ask<"time"> | null;
  readonly least: Ask<"length"> | null;
  readonly most: Ask<"length"> | null;
  /** A product that must be watered in, of which the card says no deadline: somebody has to ask the label. */
  readonly openOf: string | null;
}

/** What no hour and no depth can satisfy. */
export type Clash =
  | { readonly of: "hours"; readonly by: Ask<"time">; readonly dry: Ask<"time"> }
  | { readonly of: "depths"; readonly least: Ask<"length">; readonly most: Ask<"length"> };

/** The two products of a clash: the one that a mix holds is the second. */
export const between = (clash: Clash): readonly [string, string] =>
  clash.of === "hours" ? [clash.by.of, clash.dry.of] : [clash.least.of, clash.most.of];

/** What all products of a tank ask, each with its name. */
function asksOf(products: readonly Wants[]) {
  const asks = <K extends "time" | "length">(of: (care: Aftercare) => Entered<K> | undefined): Ask<K>[] =>
    products.flatMap(({ name, aftercare }) => {
      const value = aftercare && of(aftercare);
      return value ? [{ of: name, value }] : [];
    });
  return {
    dry: asks((care) => care.keepDry),
    by: asks((care) => care.waterWithin),
    least: asks((care) => care.waterLeast),
    most: asks((care) => care.waterMost),
  };
}

const size = ({ value }: Ask<"time" | "length">): number => raw(value.value);

/** The hardest wish of all products of a tank: the longest dry, the earliest deadline, the depths that suit all. */
export function afterTank(products: readonly Wants[]): AfterTank {
  const asks = asksOf(products);
  const most = <K extends "time" | "length">(all: readonly Ask<K>[]): Ask<K> | null =>
    [...all].sort((a, b) => size(b) - size(a))[0] ?? null;
  const least = <K extends "time" | "length">(all: readonly Ask<K>[]): Ask<K> | null =>
    [...all].sort((a, b) => size(a) - size(b))[0] ?? null;
  const dry = most(asks.dry);
  // Its own deadline is its own label's matter: only what another product keeps dry makes it a question.
  const open = products.find(
    ({ name, aftercare }) => aftercare?.waterLeast && !aftercare.waterWithin && dry !== null && dry.of !== name,
  );
  return {
    dry,
    by: least(asks.by),
    least: most(asks.least),
    most: least(asks.most),
    openOf: open?.name ?? null,
  };
}

/** Of what one product asks at least and another at most, the two that are farthest past each other; their own card is their matter. */
function worst<K extends "time" | "length">(
  least: readonly Ask<K>[],
  most: readonly Ask<K>[],
): readonly [Ask<K>, Ask<K>] | undefined {
  const pairs = least.flatMap((a) => most.filter((b) => a.of !== b.of && !atMost(size(a), size(b))).map((b) => [a, b] as const));
  return pairs.sort(([a, b], [c, d]) => size(c) - size(d) - (size(a) - size(b)))[0];
}

/**
 * What clashes in a tank: only where no hour satisfies all. Kept dry for 24 h and then watered in within three days is done
 * every week.
 */
export function aftercareClashes(products: readonly Wants[]): Clash[] {
  const asks = asksOf(products);
  const clashes: Clash[] = [];
  const hours = worst(asks.dry, asks.by);
  if (hours) {
    const [dry, by] = hours;
    clashes.push({ of: "hours", by, dry });
  }
  const depths = worst(asks.least, asks.most);
  if (depths) {
    const [least, most] = depths;
    clashes.push({ of: "depths", least, most });
  }
  return clashes;
}

/** What is asked of the ground afterwards, in words without an hour: "keep dry 24 h, then water in 0.25 to 0.5 in within 72 h". */
export function afterWords({ dry, by, least, most }: AfterTank): string {
  const depth = least
    ? most
      ? `${showEntered(least.value)} to ${showEntered(most.value)}`
      : `at least ${showEntered(least.value)}`
    : most
      ? `at most ${showEntered(most.value)}`
      : "";
  const water = depth !== "" || by ? ["water in", depth, by && `within ${showEntered(by.value)}`].filter(Boolean).join(" ") : "";
  return [dry && `keep dry for ${showEntered(dry.value)}`, water].filter(Boolean).join(", then ");
}
