"use client";

import { Box } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { readAreaRate } from "@/core/labels/active";
import type { SiteOutcome } from "@/core/outcome/reconcile";
import { isZero } from "@/core/quantity/arithmetic";
import { ROUNDING, writeNumber } from "@/core/quantity/format";
import { OutcomePicture } from "./outcome-picture";
import { causeText, outcomeText } from "@/core/words/outcome";
import { read, type System } from "@/core/working/units";
import type { Outcome } from "@/formats/job-file/outcome";
import type { SitesTold } from "@/formats/job-file/outcome-of-sheet";
import { Note, SubHeading } from "../parts/controls";
import { Fold } from "../parts/fold";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";

const percent = (share: number) => `${writeNumber(share * 100, ROUNDING.percent)} %`;

/** Beyond what a changed pace or a worn tip explains (ours): a slip of the keyboard is likelier. */
const isFar = (ratio: number): boolean => ratio > 2 || ratio < 0.5;

interface OutcomeProps {
  readonly outcome: SitesTold;
  readonly system: System;
  /** Of a day: what the tank held after a stop went on to the next one, and is no leftover. */
  readonly day?: boolean;
}

/** What the loads really did: on each site the spray volume, the products, what it probably was, and what comes next. */
export function OutcomePanel({ outcome, system, day = false }: OutcomeProps) {
  return (
    <Column as="section" aria-label="Meant and applied" gap="16px">
      <SubHeading>Meant and applied</SubHeading>
      {outcome.sites.map((site) => (
        <OneSite key={site.name} site={site} several={outcome.sites.length > 1} system={system} day={day} />
      ))}
    </Column>
  );
}

interface SiteProps {
  readonly site: Outcome["sites"][number];
  readonly several: boolean;
  readonly system: System;
  readonly day: boolean;
}

function OneSite({ site, several, system, day }: SiteProps) {
  return (
    <Column gap="10px">
      {several && <Box textStyle="strong">{site.name}</Box>}
      <OutcomePicture site={site} system={system} />
      <Note>Sure to ± {percent(site.uncertainty.relative)}.</Note>
      {isFar(site.ratio) && (
        <Notice state="stop">
          That is far from anything that a walk does: is the ground right, and what was left? Both are counted as they stand here.
        </Notice>
      )}
      {site.zones && <Zones zones={site.zones} system={system} />}
      {site.warnings
        .filter((warning) => !day || warning.code !== "left-over")
        .map((warning) => (
          <Notice key={outcomeText(warning, system)} state={warning.code === "put-down-over-label" ? "stop" : "act"}>
            {outcomeText(warning, system)}
          </Notice>
        ))}
      {!day && !isZero(site.leftover.value) && (
        <Note>
          The leftover does {read(site.leftoverCovers.value, "area", system)} at the planned rate: a site of the same turf that
          its label and the year&apos;s limits still allow, today. It is mixed, and doesn&apos;t keep.
        </Note>
      )}
      {site.causes.length > 0 && (
        <Fold strong title={`${site.causes.length} likely ${site.causes.length === 1 ? "cause" : "causes"}`}>
          <Box as="ol" listStyleType="decimal" paddingLeft="22px" textStyle="note">
            {site.causes.map((cause) => (
              <li key={cause.of}>{causeText(cause, system)}</li>
            ))}
          </Box>
          <Note marginTop="8px">
            Mixed by {read(site.next.value, "sprayVolume", system)} the next time, it would come out. But one day is no
            calibration: <PageLink href="/calibrate">calibrate again</PageLink>, or do a quick check first.
          </Note>
        </Fold>
      )}
    </Column>
  );
}

/** Each zone with what lies on it, where somebody said which got what. */
function Zones({ zones, system }: { zones: NonNullable<SiteOutcome["zones"]>; system: System }) {
  return (
    <Box as="ul" listStyleType="none" aria-label="Zone by zone" textStyle="note">
      {zones.map(({ zone, covered, products }) => (
        <li key={zone}>
          {zone}, {read(covered.value, "area", system)}:{" "}
          {products.map(({ product, putDown }) => `${readAreaRate(putDown, system)} of ${product.name}`).join(", ")}
        </li>
      ))}
    </Box>
  );
}
