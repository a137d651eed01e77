import type { ConditionReason, ReasonCode } from "@/core/conditions/judge";
import { ageOf, isOfNoTime } from "./air-age";
import { judgeAir, readAir, type AirSeen, type AirText } from "./air-seen";
import type { ProductText } from "./job-file/types";
import type { LocalRule } from "./local-rules";

/** Something that was seen of the weather of a place. */
export interface AirLook {
  /** When it was seen, as whoever saw it says. */
  readonly at: string;
  /** When it was kept, by the server's clock. */
  readonly keptAt: string;
  readonly seen: AirText;
  /** Nobody said at which of several sites it was seen: it may hold each of them, and answers for none. A report has its own station. */
  readonly somewhere?: boolean;
}

/** What can hold, and what a newer look has to know so as to answer it. */
const KNOWN = {
  wind: ({ wind }: AirSeen) => wind !== null,
  temperature: ({ temperature }: AirSeen) => temperature !== null,
  wet: ({ wetKnown }: AirSeen) => wetKnown,
  soil: ({ soil }: AirSeen) => soil !== null,
} as const;
type Quantity = keyof typeof KNOWN;
const QUANTITIES = Object.keys(KNOWN) as Quantity[];

const ASKS: Partial<Record<ReasonCode, Quantity>> = {
  "wind-over-limit": "wind",
  "air-over-limit": "temperature",
  "air-under-limit": "temperature",
  "rain-now": "wet",
  "soil-under-limit": "soil",
  "soil-over-limit": "soil",
};

/**
 * Why no container is opened at a place. A "no" holds until a newer look of that place, by the server's clock, knows what held and
 * says otherwise: no time that goes by, no other sheet, no older report and no other station releases it. What was seen on the
 * ground answers a report; a report answers only its own station. What nobody looked at says nothing.
 * @param looks all of the place; of those that were kept in one moment the later one first
 */
export function airHolds(
  looks: readonly AirLook[],
  products: readonly ProductText[],
  rules: readonly LocalRule[],
): readonly ConditionReason[] {
  /** Who knew each quantity in newer looks: "" is the ground itself. */
  const answered = new Map<Quantity, Set<string>>(QUANTITIES.map((quantity) => [quantity, new Set()]));
  const held: ConditionReason[] = [];
  const newestFirst = [...looks].sort((a, b) => (a.keptAt < b.keptAt ? 1 : a.keptAt > b.keptAt ? -1 : 0));
  for (const look of newestFirst) {
    const read = readAir(look.seen);
    // It said nothing of the moment at which it was kept, and says nothing of a later one.
    if (!read.ok || ageOf({ at: look.at, seen: read.value }, look.keptAt) !== "now") continue;
    const place = read.value.station ?? "";
    for (const reason of judgeAir(read.value, products, { rules }).reasons) {
      const quantity = ASKS[reason.code];
      if (reason.verdict !== "no" || quantity === undefined) continue;
      const by = answered.get(quantity)!;
      if (!by.has("") && !by.has(place)) held.push(reason);
    }
    if (isOfNoTime(look.seen) || (look.somewhere && place === "")) continue;
    for (const quantity of QUANTITIES) if (KNOWN[quantity](read.value)) answered.get(quantity)!.add(place);
  }
  return held;
}
