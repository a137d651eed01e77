"use client";

import type { AreaRate } from "@/core/labels/active";
import type { SiteEntry } from "@/formats/entries";
import { dayWords } from "../data/dates";
import type { InHand } from "../data/in-hand";
import { Button } from "../parts/controls";
import { dateOf, isOfStops, type Draft } from "./draft";
import { Held } from "./held";
import type { MixWorked } from "./work-mix";

interface HeldProps {
  readonly worked: MixWorked;
  readonly hand: InHand;
  readonly draft: Draft;
  readonly change: (next: Partial<Draft>) => void;
  readonly onLower: (product: string, most: AreaRate) => void;
  /** Takes a product out of the mix, by its name. */
  readonly onWithout: (product: string) => void;
  readonly sites: readonly SiteEntry[];
}

/** Why a plan is held, and the ways out of it, each at a press. */
export function WhyHeld({ worked: { plan }, hand, draft, change, onLower, onWithout, sites }: HeldProps) {
  const siteName = (id: string) => sites.find((s) => s.id === id)?.site.name ?? "";
  const several = isOfStops(draft.purpose);
  const days = plan.reasons.flatMap((r) => r.earliest ?? []).sort();
  // It takes the last of them for all of it to be allowed; one without a day isn't helped by waiting.
  const from = plan.reasons.every((r) => r.earliest !== undefined) ? days.at(-1) : undefined;
  const held = [...new Set(plan.reasons.map((r) => r.product))];
  const others = plan.products.map((p) => p.name).filter((one) => !held.includes(one));
  return (
    <Held plan={plan} system={hand.system} onLower={onLower}>
      {from !== undefined && from > dateOf(draft) && (
        <Button onClick={() => change({ date: from })}>Put it on {dayWords(from)}</Button>
      )}
      {held.length === 1 && others.length > 0 && (
        <Button onClick={() => onWithout(held[0]!)}>Mix {others.join(" and ")} alone</Button>
      )}
      {several && plan.sites.length > 0 && plan.held.length > 0 && (
        <Button onClick={() => change({ stops: draft.stops.filter((id) => !plan.held.includes(siteName(id))) })}>
          Leave {plan.held.join(", ")} out
        </Button>
      )}
    </Held>
  );
}
