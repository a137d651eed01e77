"use client";

import { lockOf } from "@/formats/standing";
import type { InHand } from "../data/in-hand";
import { Button } from "../parts/controls";
import { Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { PageLink } from "../parts/page-link";

/** Why no amount is shown with the rig in hand, and the way out of it. @param children why, in words */
export function Locked({ hand, children }: { hand: InHand; children: string }) {
  const estimate = hand.calibrated && lockOf(hand.calibrated)?.code === "estimate";
  return (
    <Notice state="act">
      <Row justifyContent="space-between" flexWrap="wrap" gap="8px 16px">
        <span>{children}</span>
        <Button look="act" asChild>
          <PageLink href="/calibrate">{estimate ? "Catch it" : "Calibrate"}</PageLink>
        </Button>
      </Row>
    </Notice>
  );
}
