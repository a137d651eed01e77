import { raw } from "../quantity/kinds";
import { showEntered } from "../quantity/format";
import type { Entered } from "../quantity/parse";

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
interface Ask<K extends "time" | "length"> {
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
export interface Clash {
  readonly between: readonly [string, string];
  readonly text: string;
}

const SLACK = 1e-9;

/** The hardest wish of all products of a tank: the longest dry, the earliest deadline, the depths that suit all. */
export function afterTank(products: readonly Wants[]): AfterTank {
  const asks = <K extends "time" | "length">(of: (care: Aftercare) => Entered<K> | undefined): Ask<K>[] =>
    products.flatMap(({ name, aftercare }) => {
      const value = aftercare && of(aftercare);
      return value ? [{ of: name, value }] : [];
    });
  const hardest = <K extends "time" | "length">(all: readonly Ask<K>[], sign: 1 | -1): Ask<K> | null =>
    all.length === 0 ? null : all.reduce((a, b) => (sign * (raw(b.value.value) - raw(a.value.value)) > 0 ? b : a));
  const dry = hardest(
    asks((care) => care.keepDry),
    1,
  );
  // Its own deadline is its own label's matter: only what another product keeps dry makes it a question.
  const open = products.find(
    ({ name, aftercare }) => aftercare?.waterLeast && !aftercare.waterWithin && dry !== null && dry.of !== name,
  );
  return {
    dry,
    by: hardest(
      asks((care) => care.waterWithin),
      -1,
    ),
    least: hardest(
      asks((care) => care.waterLeast),
      1,
    ),
    most: hardest(
      asks((care) => care.waterMost),
      -1,
    ),
    openOf: open?.name ?? null,
  };
}

/**
 * What clashes in a tank: only where no hour satisfies all. Kept dry for 24 h and then watered in within three days is done
 * every week.
 */
export function aftercareClashes(products: readonly Wants[]): Clash[] {
  const { dry, by, least, most } = afterTank(products);
  const clashes: Clash[] = [];
  if (dry && by && dry.of !== by.of && raw(dry.value.value) > raw(by.value.value) * (1 + SLACK))
    clashes.push({
      between: [by.of, dry.of],
      text: `${by.of} must be watered in within ${showEntered(by.value)}, ${dry.of} must stay dry for ${showEntered(dry.value)}`,
    });
  if (least && most && least.of !== most.of && raw(least.value.value) > raw(most.value.value) * (1 + SLACK))
    clashes.push({
      between: [least.of, most.of],
      text: `${least.of} wants at least ${showEntered(least.value)} of water, ${most.of} at most ${showEntered(most.value)}`,
    });
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
