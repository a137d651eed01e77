"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useMemo } from "react";
import {
  belongsToPerson,
  dateOf,
  given,
  kindOf,
  mayMix,
  ownerOf,
  planLines,
  valueIn,
  writeNumber,
  type AreaRate,
  type Calibration,
  type Issue,
  type MixPlan,
  type Quantity,
} from "@/core/contents";
import type { CountedEntry, RigEntry, SiteEntry } from "@/formats/book";
import { productOf } from "@/formats/card/product-of";
import { withCounted } from "@/formats/counted";
import { mixJob, planOf } from "@/formats/job-file/assemble";
import { readChecked, type Job } from "@/formats/job-file/read-checked";
import { setupOf } from "@/formats/rig-setup";
import { sentences, useBook } from "../data/book";
import { today, useInHand, type Calibrated, type InHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { Room } from "../frame/room";
import { Heading } from "../parts/controls";
import { Notice } from "../parts/notices";
import { BudgetBars } from "./budget-bars";
import { CheckLoad } from "./check-load";
import { Choices } from "./choices";
import { EMPTY_DRAFT, type Chosen, type Draft } from "./draft";
import { Held } from "./held";
import { LabelCautions } from "./label-cautions";
import { SaveSheet } from "./save-sheet";
import { sheetLine, TankColumns } from "./tank-column";
import { Totals } from "./totals";

export function MixRoom() {
  const { read } = useBook();
  if (!read) return <Room working={[]}>{null}</Room>;
  return (
    <ClientOnly>
      <Mixing />
    </ClientOnly>
  );
}

interface Worked {
  readonly plan: MixPlan;
  readonly calibration: Calibration;
  readonly job: Job;
}

function Mixing() {
  const { book } = useBook();
  const hand = useInHand();
  const [draft = EMPTY_DRAFT, setDraft] = useKept<Draft>("mix");
  const change = (next: Partial<Draft>) => setDraft({ ...draft, ...next });
  const chosen = useMemo(
    () =>
      draft.products.flatMap((p): Chosen[] => {
        const label = book.labels.find((l) => l.id === p.labelId && !l.retired);
        // A draft may have been begun before a choice was kept with it.
        const choice = p.choice ?? { row: 0, point: "typed" };
        return label ? [{ ...p, choice, label, read: productOf(label.card, p.rate, choice) }] : [];
      }),
    [draft, book.labels],
  );
  const { rig, site, calibrated } = hand;
  const locked = lockOf(hand);
  const worked = useMemo(
    () => (rig && site && calibrated && !locked ? workMix(rig, site, calibrated, chosen, draft, book.counted) : undefined),
    [rig, site, calibrated, locked, chosen, draft, book.counted],
  );
  /** Lowers a rate to the most that is allowed, rounded down: a limit is never rounded up past. */
  const lower = (product: string, most: AreaRate) =>
    change({
      products: draft.products.map((p) => {
        const name = book.labels.find((l) => l.id === p.labelId)?.card.name;
        return name === product ? { ...p, rate: roundedDown(most), choice: { ...p.choice, point: "typed" as const } } : p;
      }),
    });
  const tank = worked && "plan" in worked ? worked.job.tank : undefined;
  return (
    <Room working={worked && "plan" in worked ? planLines(worked.plan, hand.system) : []}>
      <Heading>Mix{site && ` for ${site.site.name}`}</Heading>
      <Choices draft={draft} change={change} chosen={chosen} hand={hand} />
      <Box marginTop="22px" display="grid" gap="18px">
        {locked && <Notice state="act">{locked}</Notice>}
        {rig && setupOf(rig.rig).dedication && (
          <Notice state="act">
            {rig.rig.name} is kept for: {setupOf(rig.rig).dedication}. Anything else stays out of it.
          </Notice>
        )}
        {!locked && !site && <Notice state="act">Pick the site.</Notice>}
        {site?.site.zones.every((z) => draft.without?.includes(z["x-id"])) && (
          <Notice state="act">Tick the zones that this mix is for.</Notice>
        )}
        {!locked && site && chosen.length === 0 && <Notice state="act">Add a product from the shelf.</Notice>}
        {worked &&
          "issues" in worked &&
          worked.issues.map((issue) => (
            <Notice key={issue.path + issue.code} state="stop">
              {sentences([issue])[0]}
            </Notice>
          ))}
        {worked && "plan" in worked && tank && (
          <>
            {worked.plan.sites.length > 0 && (
              <Box fontSize="19px" fontWeight="700">
                {sheetLine(worked.plan, 0, hand.system, worked.job.rig.head !== undefined)}
              </Box>
            )}
            {worked.plan.reasons.length > 0 && <Held plan={worked.plan} system={hand.system} onLower={lower} />}
            {worked.plan.warnings
              .filter((w) => !ASKED.includes(w.code))
              .map((w) => (
                <Notice key={w.text} state="act">
                  {w.text}
                </Notice>
              ))}
            {calibrated!.standing.state === "expired" && (
              <Notice state="act">
                This calibration was {calibrated!.standing.reasons[0]}. Mix from it only if nothing has changed.
              </Notice>
            )}
            {worked.plan.sites.length > 0 && (
              <>
                <SaveSheet draft={draft} hand={hand} onSaved={() => setDraft(undefined)} />
                <Totals plan={worked.plan} site={0} system={hand.system} />
                <TankColumns plan={worked.plan} site={0} usable={given(tank.usable, "usable volume")} system={hand.system} />
              </>
            )}
            {worked.plan.sites.length > 0 && <CheckLoad plan={worked.plan} system={hand.system} />}
            <BudgetBars budgets={worked.plan.budgets} system={hand.system} />
          </>
        )}
        <LabelCautions products={chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []))} />
      </Box>
    </Room>
  );
}

/** Slips are asked about beside the field that they were typed into. */
const ASKED: readonly string[] = ["per-acre-slip", "unit-slip"];

/** A rate as it is typed, to four figures, never up. */
function roundedDown(rate: AreaRate): string {
  const dry = kindOf(rate) === "rateByWeight";
  const number = dry
    ? valueIn(rate.value as Quantity<"rateByWeight">, "oz/1000 ft2")
    : valueIn(rate.value as Quantity<"rateByVolume">, "fl oz/1000 ft2");
  return `${writeNumber(number, { figures: 4, down: true })} ${dry ? "oz" : "fl oz"}/1000 ft2`;
}

/** Why no amounts are shown, in words; undefined where nothing locks them. */
function lockOf({ rig, person, site, calibrated }: InHand): string | undefined {
  if (!rig) return "Pick the rig in the strip above.";
  if (belongsToPerson(rig.rig.kind) && !person)
    return "Who holds the wand today? Pick the person in the strip above: amounts stay locked until then.";
  if (ownerOf(rig.rig.kind) === "tap" && !site) return "Whose tap feeds the head? Pick the site: amounts stay locked until then.";
  if (!calibrated)
    return `No calibration of ${rig.rig.name}${person && belongsToPerson(rig.rig.kind) ? ` with ${person.name}` : ""} yet. Calibrate first: another person's pace won't do.`;
  if (calibrated.unsure) return "The trials of this calibration differ by over 10 %: it is not a calibration yet. Take more.";
  if (calibrated.estimate)
    return "The flow is only estimated from the tip's rated one. Catch it once, and the amounts are worked out.";
  if (!mayMix(calibrated.standing))
    return `The calibration is ${calibrated.standing.state}: ${calibrated.standing.reasons.join("; ")}. Calibrate again.`;
  return undefined;
}

function workMix(
  rig: RigEntry,
  site: SiteEntry,
  calibrated: Calibrated,
  chosen: readonly Chosen[],
  draft: Draft,
  counted: readonly CountedEntry[],
): Worked | { issues: readonly Issue[] } | undefined {
  const products = chosen.flatMap((c) => (c.read.ok ? [c.read.value] : []));
  if (products.length === 0 || products.length < chosen.length) return undefined;
  const zones = site.site.zones.filter((z) => !draft.without?.includes(z["x-id"]));
  if (zones.length === 0) return undefined;
  const tank = (rig.rig.tanks ?? []).some((t) => t.name === draft.tank) ? { tank: draft.tank } : {};
  const job = readChecked(
    mixJob({
      rig: rig.rig,
      calibration: calibrated.entry.calibration,
      products,
      sites: [withCounted({ ...site.site, zones }, site.id, counted)],
      date: dateOf(today()),
      "x-any-order": true,
      loads: draft.loads,
      ...tank,
    }),
  );
  if (!job.ok) return { issues: job.issues };
  const planned = planOf(job.value);
  return planned.ok ? { ...planned.value, job: job.value } : { issues: planned.issues };
}
