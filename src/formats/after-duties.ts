import { dutiesOf, type Duty } from "@/core/season/after-work";
import { entered } from "@/core/quantity/parse";
import { careOf, mowDaysOf, offHoursOf } from "./card/care";
import type { AfterEntry } from "./entries";

/** What is owed of something that went down, at a moment (milliseconds since 1970). */
export const dutiesOfEntry = ({ earliest, latest, cards, waters }: AfterEntry, now: number): Duty[] =>
  dutiesOf(
    {
      earliest: Date.parse(earliest),
      latest: Date.parse(latest),
      products: cards.map((card) => ({
        name: card.name,
        aftercare: careOf(card),
        offHours: offHoursOf(card),
        mowDays: mowDaysOf(card),
      })),
    },
    waters.map(({ at, depth }) => ({ at: Date.parse(at), depth: entered(depth, "length").value })),
    now,
  );
