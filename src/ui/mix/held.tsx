"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { readAreaRate, sizeOf } from "@/core/labels/active";
import type { Reason } from "@/core/labels/reason";
import type { MixPlan } from "@/core/mixing/plan";
import { sameName } from "@/core/names";
import type { System } from "@/core/working/units";
import { reasonWords } from "@/core/words/reasons";
import { useLabels } from "../data/records";
import { Button } from "../parts/controls";
import { Column, Row } from "../parts/layout";

interface HeldProps {
  readonly plan: Pick<MixPlan, "reasons">;
  readonly system: System;
  /** Lowers the rate of a product to the most that is allowed; left out where a sheet is only looked at. */
  readonly onLower?: (product: string, most: NonNullable<Reason["most"]>) => void;
  /** Other ways out, as buttons. */
  readonly children?: ReactNode;
}

/** A held plan: an empty column, struck out, the reasons, the most still allowed, and what would make it fit. */
export function Held({ plan, system, onLower, children }: HeldProps) {
  const reasons = distinct(plan.reasons);
  return (
    <Box
      as="section"
      aria-label="Held"
      role="alert"
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "76px minmax(0,1fr)" }}
      gap="18px"
      border="3px solid"
      borderColor="stop"
      padding={{ base: "12px", md: "16px" }}
      background="sheet"
      css={{ "& button": { whiteSpace: "normal" } }}
    >
      <chakra.svg viewBox="0 0 64 232" width="72px" height="232px" aria-hidden display={{ base: "none", md: "block" }}>
        <path d="M8 6 V210 q0 9 9 9 h20 q9 0 9 -9 V6" fill="none" stroke="currentColor" strokeWidth="2.5" strokeDasharray="5 4" />
        <path d="M2 14 L54 212 M54 14 L2 212" stroke="var(--cg-colors-stop)" strokeWidth="4" />
      </chakra.svg>
      <Column gap="14px" alignContent="start">
        <chakra.h2 fontSize="1.375rem" fontWeight="700" color="stop">
          Held: no amounts
        </chakra.h2>
        {reasons.map(({ reason, zones }) => (
          <Box key={`${reason.code} ${reason.product}`}>
            <Box>{reasonWords(reason, system).text}</Box>
            {zones.length > 1 && (
              <Box textStyle="note" color="soft">
                So on {zones.join(", ")}.
              </Box>
            )}
            <Box fontWeight="700">{reasonWords(reason, system).fits}</Box>
            {reason.most && tightest(reasons, reason) && (
              <Row flexWrap="wrap" gap="6px 14px" marginTop="4px">
                <span>
                  Most allowed now:{" "}
                  <chakra.span fontFamily="reading" fontWeight="700">
                    {sizeOf(reason.most) > 0 ? readAreaRate(reason.most, system) : "nothing"}
                  </chakra.span>
                </span>
                {onLower && sizeOf(reason.most) > 0 && (
                  <Button onClick={() => onLower(reason.product, reason.most!)}>Lower the rate to it</Button>
                )}
              </Row>
            )}
          </Box>
        ))}
        <Row flexWrap="wrap" _empty={{ display: "none" }}>
          {children}
        </Row>
        <OtherActives plan={plan} />
      </Column>
    </Box>
  );
}

/** Whether no other reason allows less of the same product: that is what it has to be lowered to. */
function tightest(reasons: readonly { reason: Reason }[], own: Reason): boolean {
  const least = (r: Reason) => (r.most ? sizeOf(r.most) : Infinity);
  const same = reasons.map((r) => r.reason).filter((r) => r.product === own.product);
  return same.reduce((a, b) => (least(b) < least(a) ? b : a)) === own;
}

/** Reasons that say the same of several zones are said once, for the zone that allows least. */
function distinct(reasons: readonly Reason[]): { reason: Reason; zones: string[] }[] {
  const groups = new Map<string, { reason: Reason; zones: string[] }>();
  const least = (r: Reason) => (r.most ? sizeOf(r.most) : 0);
  for (const reason of reasons) {
    const key = `${reason.code} ${reason.product}`;
    const group = groups.get(key);
    if (!group) groups.set(key, { reason, zones: reason.zone === null ? [] : [reason.zone] });
    else {
      if (least(reason) < least(group.reason)) group.reason = reason;
      if (reason.zone !== null && !group.zones.includes(reason.zone)) group.zones.push(reason.zone);
    }
  }
  return [...groups.values()];
}

const SPENT: readonly Reason["code"][] = ["over-year-limit", "over-count-limit"];

/** Where a budget is spent: what stands on the shelf for the same use with another active. It recommends none. */
function OtherActives({ plan }: { plan: Pick<MixPlan, "reasons"> }) {
  const labels = useLabels();
  const spent = plan.reasons.filter((r) => SPENT.includes(r.code)).map((r) => r.product);
  const cards = labels.filter((l) => !l.retired).map((l) => l.card);
  const own = cards.filter((c) => spent.includes(c.name));
  const others = cards.filter(
    (card) =>
      !own.includes(card) &&
      card.actives.length > 0 &&
      own.some(
        (o) =>
          o.use !== undefined && o.use === card.use && !card.actives.some((a) => o.actives.some((b) => sameName(a.name, b.name))),
      ),
  );
  if (others.length === 0) return null;
  return (
    <Box borderTop="1px solid" borderColor="line" paddingTop="10px" textStyle="note">
      On the shelf for the same use, with another active:{" "}
      {others.map((c) => `${c.name} (${c.actives.map((a) => a.name).join(", ")})`).join("; ")}. Which one, if any, is yours and
      the label&apos;s to say.
    </Box>
  );
}
