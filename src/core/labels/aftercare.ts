import { raw } from "../quantity/kinds";
import { showEntered } from "../quantity/format";
import type { Entered } from "../quantity/parse";

/** What a label wants done after the application. Absent where it says nothing. */
export interface Aftercare {
  /** Watered in: a depth from, to, and by when. */
  readonly waterLeast?: Entered<"length"> | undefined;
  readonly waterMost?: Entered<"length"> | undefined;
  readonly waterWithin?: Entered<"time"> | undefined;
  /** Or kept dry for so long. */
  readonly keepDry?: Entered<"time"> | undefined;
}

interface Wants {
  readonly name: string;
  readonly aftercare?: Aftercare | undefined;
}

/** Two products of one tank that can't both have what their labels want. */
export interface Clash {
  readonly between: readonly [string, string];
  readonly text: string;
}

const wateredIn = (care: Aftercare) => care.waterLeast ?? care.waterWithin;

/**
 * Aftercare across a tank: what must be watered in and what must stay dry don't belong together, nor do two depths that
 * have nothing in common. Every pair that clashes.
 */
export function aftercareClashes(products: readonly Wants[]): Clash[] {
  return products.flatMap((a, i) =>
    products.slice(i + 1).flatMap((b): Clash[] => {
      const text = a.aftercare && b.aftercare && (dryAgainstWet(a, b) ?? dryAgainstWet(b, a) ?? depths(a, b) ?? depths(b, a));
      return text ? [{ between: [a.name, b.name], text }] : [];
    }),
  );
}

function dryAgainstWet(wet: Wants, dry: Wants): string | undefined {
  const [water, keep] = [wateredIn(wet.aftercare!), dry.aftercare!.keepDry];
  if (!water || !keep) return undefined;
  const within = wet.aftercare!.waterWithin;
  // Watering may wait until the other is dry, where its deadline leaves the time.
  if (within && raw(within.value) >= raw(keep.value) * (1 - 1e-9)) return undefined;
  const by = within ? ` within ${showEntered(within)}` : "";
  return `${wet.name} must be watered in${by}, ${dry.name} must stay dry for ${showEntered(keep)}`;
}

function depths(a: Wants, b: Wants): string | undefined {
  const [least, most] = [a.aftercare!.waterLeast, b.aftercare!.waterMost];
  if (!least || !most || raw(least.value) <= raw(most.value) * (1 + 1e-9)) return undefined;
  return `${a.name} wants at least ${showEntered(least)} of water, ${b.name} at most ${showEntered(most)}`;
}
