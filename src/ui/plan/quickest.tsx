"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useMemo } from "react";
import { boomSwath } from "@/core/calibration/pace";
import { rankSetups, type Setup, bandOf } from "@/core/calibration/planner";
import { DROPLETS, TIP_SIZES, type Droplet } from "@/core/calibration/tips";
import { writeNumber } from "@/core/quantity/format";
import { quantity } from "@/core/quantity/quantity";
import { read } from "@/core/working/units";
import { ratio, total } from "@/core/quantity/arithmetic";
import { AGAINST } from "@/core/words/levers";
import type { RigEntry, TipEntry } from "@/formats/entries";
import { readRig } from "@/formats/job-file/read-rig";
import { chartOf } from "@/formats/rig-setup";
import { Typed } from "../calibrate/typed";
import { useSite, useTips } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Button, Note, Select, SubHeading } from "../parts/controls";
import { Field } from "../parts/field";
import { Notice } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { typed } from "./backwards-of";
import { targetText, useOpenProof } from "./open-proof";
import type { Wish } from "./wish";
import { onFoot } from "@/rig-kinds/rules";

interface QuickestProps {
  readonly wish: Wish;
  readonly change: (next: Partial<Wish>) => void;
  readonly rig: RigEntry;
}

/** The slowest speed that a setting may have. */
const SLOWEST = quantity("speed", 0.5, "mph");
const PRESSURES = [15, 20, 25, 30, 35, 40, 45, 50, 55, 60].map((p) => quantity("pressure", p, "psi"));
/** As many as are compared at once. */
const SHOWN = 14;

/** Every tip and pressure at the fastest walk that keeps the spray volume: by minutes and refills on a site. */
export function Quickest({ wish, change, rig }: QuickestProps) {
  const tips = useTips();
  const wished = useSite(wish.siteId);
  const { system, site: inHand } = useInHand();
  const site = wished ?? inHand;
  const setups = useMemo(() => rankFor(wish, rig, site, tips), [wish, rig, site, tips]);
  return (
    <>
      <Box display="grid" gap="14px" gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, minmax(0,1fr))" }}>
        <SitePick value={site?.id} onPick={(siteId) => change({ siteId })} />
        <Typed
          label="Wanted spray volume, ±5 %"
          field="sprayVolume"
          value={wish.sprayVolume}
          onChange={(v) => change({ sprayVolume: v })}
        />
        <Typed
          label="Effective swath"
          field="swath"
          optional
          value={wish.swath}
          onChange={(swath) => change({ swath })}
          placeholder="5 ft"
        />
        <Typed label="Fastest on this ground" field="speed" value={wish.fastest} onChange={(fastest) => change({ fastest })} />
        <Typed
          label="A refill takes"
          field="walkTime"
          value={wish.refill}
          onChange={(refill) => change({ refill })}
          hint="s, or 6 min"
        />
        <Typed
          label="Label's carrier minimum"
          field="sprayVolume"
          optional
          value={wish.carrier}
          onChange={(carrier) => change({ carrier })}
          placeholder="1 gal/1000 ft2"
        />
        <Field label="Label's droplets">
          {(props) => (
            <Select {...props} value={wish.droplet} onChange={(e) => change({ droplet: e.target.value as Droplet })}>
              <option value="">not asked for</option>
              {DROPLETS.map((droplet) => (
                <option key={droplet}>{droplet}</option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      {setups === undefined ? (
        <Notice state="act">Pick a site, and type the spray volume, the swath and the fastest speed.</Notice>
      ) : setups.length === 0 ? (
        <Notice state="stop">
          No tip gives this spray volume at {read(PRESSURES[0]!, "pressure", system)} to{" "}
          {read(PRESSURES.at(-1)!, "pressure", system)} and a speed from {read(SLOWEST, "speed", system)}. Try another spray
          volume or swath.
        </Notice>
      ) : (
        <Compared
          setups={setups.slice(0, SHOWN)}
          more={setups.length - SHOWN}
          rig={rig}
          swath={wish.swath}
          wanted={wish.sprayVolume}
          system={system}
        />
      )}
    </>
  );
}

function rankFor(
  wish: Wish,
  rig: RigEntry,
  site: ReturnType<typeof useInHand>["site"],
  charts: readonly TipEntry[],
): Setup[] | undefined {
  const basics = readRig(rig.rig);
  const swath = typed("swath", wish.swath, "swath") ?? boomSwath(basics);
  const wanted = typed("sprayVolume", wish.sprayVolume, "wanted");
  const fastest = typed("speed", wish.fastest, "fastest");
  const refill = typed("walkTime", wish.refill, "refill");
  const usable = typed("usable", rig.rig.tanks?.[0]?.usable ?? "", "usable");
  const areas = site?.site.zones.map((zone) => typed("zoneArea", zone.area, zone.name ?? "zone"));
  if (!swath || !wanted || !fastest || !refill || !usable || !areas?.every((a) => a !== undefined)) return undefined;
  const carrier = typed("sprayVolume", wish.carrier, "carrier");
  const known = charts.filter((t) => !t.retired).map((t) => ({ size: t.tip.size, chart: chartOf(t.tip)! }));
  const bare = TIP_SIZES.filter((size) => !known.some((t) => t.size === size)).map((size) => ({ size }));
  return rankSetups({
    count: basics.outlets.count,
    swath: swath.value,
    onFoot: onFoot(basics.kind),
    area: total(areas.map((a) => a.value)),
    usable: usable.value,
    refill: refill.value,
    wanted: bandOf(wanted.value),
    tips: [...known, ...bare],
    pressures: PRESSURES,
    fastest: fastest.value,
    ...(wish.droplet !== "" && { droplet: wish.droplet }),
    ...(carrier && { carrierAtLeast: carrier.value }),
  });
}

interface ComparedProps {
  readonly setups: readonly Setup[];
  readonly more: number;
  readonly rig: RigEntry;
  readonly swath: string;
  readonly wanted: string;
  readonly system: "us" | "metric";
}

/** The settings beside one another: minutes as a bar with a notch for each refill. */
function Compared({ setups, more, rig, swath, wanted, system }: ComparedProps) {
  const open = useOpenProof(rig);
  const longest = Math.max(...setups.map((s) => s.minutes));
  return (
    <Box>
      <SubHeading>By minutes on the site</SubHeading>
      {setups.map((s, i) => (
        <Box
          key={`${i} ${s.size} ${String(s.pressure)}`}
          display="grid"
          gridTemplateColumns={{ base: "minmax(0,1fr) auto", md: "190px minmax(0,1fr) auto" }}
          gap="2px 14px"
          alignItems="center"
          borderBottom="1px solid"
          borderColor="line"
          paddingY="6px"
        >
          <Box textStyle="note">
            <chakra.strong color={s.fits ? "ink" : "soft"}>
              {s.fits ? "" : "✕ "}size {s.size} at {read(s.pressure, "pressure", system)}
            </chakra.strong>
            <Box color="soft" textStyle="small">
              {read(s.speed, "speed", system)}
              {s.droplet && ` · ${s.droplet}`}
            </Box>
          </Box>
          <Box gridColumn={{ base: "1 / -1", md: "auto" }} gridRow={{ base: 2, md: "auto" }}>
            <Bar setup={s} longest={longest} />
            <Box textStyle="small" color="soft">
              {writeNumber(s.minutes, { figures: 3 })} min ·{" "}
              {s.refills === 0 ? "no refill" : s.refills === 1 ? "1 refill" : `${s.refills} refills`} ·{" "}
              {read(s.sprayVolume, "sprayVolume", system)}
              {offTarget(s, wanted)}
              {s.against.length > 0 && ` · ${s.against.map((code) => AGAINST[code]).join(", ")}`}
            </Box>
          </Box>
          <Button
            aria-label={`Prove size ${s.size} at ${read(s.pressure, "pressure", system)}`}
            disabled={!s.fits}
            onClick={() => open({ size: s.size, pressure: s.pressure, target: targetText(s.sprayVolume), swath })}
          >
            Prove it
          </Button>
        </Box>
      ))}
      {more > 0 && <Note marginTop="8px">{more} slower or unfit settings are left out.</Note>}
    </Box>
  );
}

/** What it costs in error to mix for the wish and spray this: product goes down at so much more or less. */
function offTarget({ sprayVolume }: Setup, wanted: string): string {
  const wish = typed("sprayVolume", wanted, "wanted");
  if (!wish) return "";
  const off = ratio(sprayVolume, wish.value) - 1;
  return Math.abs(off) < 0.0005
    ? " · as wished"
    : ` · ${writeNumber(Math.abs(off) * 100, { figures: 2 })} % ${off > 0 ? "over" : "under"} the wish`;
}

/** A bar of minutes to scale; each notch is a walk back to the tap. */
function Bar({ setup, longest }: { setup: Setup; longest: number }) {
  const width = (setup.minutes / longest) * 100;
  return (
    <svg viewBox="0 0 100 6" width="100%" height="14" preserveAspectRatio="none" aria-hidden color="var(--cg-colors-ink)">
      <rect width={width} height="6" fill="currentColor" fillOpacity={setup.fits ? 0.75 : 0.25} />
      {Array.from({ length: Math.min(setup.refills, 30) }, (_, i) => (
        <rect key={i} x={(width * (i + 1)) / (setup.refills + 1) - 0.35} width="0.7" height="6" fill="var(--cg-colors-act)" />
      ))}
    </svg>
  );
}
