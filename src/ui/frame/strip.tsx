"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { format } from "../data/dates";
import { useTheme } from "next-themes";
import { usePathname, useSearchParams } from "next/navigation";
import { Suspense, useId, useState, type ReactNode } from "react";
import { dateOf } from "@/core/calendar";
import { measuredOnce, type Calibration } from "@/core/calibration/calibrate";
import { mixLock, type MayMix } from "@/core/calibration/may-mix";
import { GOOD_FOR } from "@/core/calibration/standing";
import { writeNumber } from "@/core/quantity/format";
import { onceText } from "@/core/words/warnings";
import { readParts, type System } from "@/core/working/units";
import { setupOf } from "@/formats/rig-setup";
import type { RigEntry, SiteEntry } from "@/formats/entries";
import { usePeople, useRigs, useSlice } from "../data/records";
import { dayHere } from "../data/clock";
import { SetupPick } from "./setup-pick";
import { useInHand, type Calibrated } from "../data/in-hand";
import { Row } from "../parts/layout";
import { ownerOf, rigRules } from "@/rig-kinds/rules";

const CELL = {
  background: "transparent",
  color: "onStrip",
  fontFamily: "body",
  fontSize: { base: "15px", lg: "16px" },
  fontWeight: "700",
  border: "none",
  borderBottom: "1px dotted",
  borderColor: "onStripSoft",
  // The name of the cell lies over its top: the whole cell is the target.
  minHeight: "48px",
  marginTop: "-14px",
  paddingTop: "14px",
  width: "100%",
  minWidth: 0,
  textOverflow: "ellipsis",
  cursor: "pointer",
  "& option": { background: "sheet", color: "ink" },
} as const;

const Pick = chakra("select", { base: CELL });

const Find = chakra("input", { base: CELL });

const Small = chakra("button", {
  base: {
    minHeight: "48px",
    minWidth: "48px",
    background: "transparent",
    border: "none",
    color: "onStrip",
    fontSize: "15px",
    fontWeight: "700",
    cursor: "pointer",
  },
});

/** @param main it takes more of the strip: so much of the phone's */
function Cell({ name, children, main }: { name: string; children: ReactNode; main?: "44%" | "62%" }) {
  return (
    <Box minW={0} flex={{ base: `1 1 ${main ?? "40%"}`, lg: main ? "1.5 1 0" : "1 1 0" }}>
      <Box fontSize="12px" letterSpacing="0.08em" textTransform="uppercase" color="onStripSoft" lineHeight="1.1">
        {name}
      </Box>
      {children}
    </Box>
  );
}

/** How a calibration stands, as the strip says it: a reading, its band, and until when. */
function SprayVolume({ calibrated, system }: { calibrated: Calibrated | undefined; system: System }) {
  if (!calibrated) return <Box fontWeight="700">not calibrated</Box>;
  const { number, unit } = readParts(calibrated.made.sprayVolume.value, "sprayVolume", system);
  const band = calibrated.made.uncertainty;
  return (
    <Box lineHeight="1.15">
      <chakra.span fontFamily="reading" textStyle="lead">
        {number}
      </chakra.span>{" "}
      <chakra.span textStyle="small" whiteSpace="nowrap">
        {band ? `± ${writeNumber(band.relative * 100, { figures: 2 })} % ` : "as given "}
        {unit}
      </chakra.span>
      <Box fontSize="13px" color="onStripSoft">
        {standingWords(calibrated)}
      </Box>
    </Box>
  );
}

type Standing = MayMix &
  (
    | { readonly madeAt: string; readonly once: ReturnType<typeof measuredOnce> }
    | { readonly entry: { readonly madeAt: string }; readonly made: Calibration }
  );

/** "✓ good until 29 Dec"; what has lapsed, or was measured once only, has no ✓ in any room. */
export const standingWords = (one: Standing): string => `${standingMark(one)} ${standingText(one)}`;

/** ✓ what stands, ! what stands and wants something, ✕ what nothing is mixed from. */
export function standingMark(one: Standing): "✓" | "!" | "✕" {
  const lock = mixLock(one);
  if (lock) return lock.code === "stale" ? "!" : "✕";
  return one.standing.state === "expired" || onceOf(one).length > 0 ? "!" : "✓";
}

const onceOf = (one: Standing) => ("once" in one ? one.once : measuredOnce(one.made));

export function standingText(one: Standing): string {
  const lock = mixLock(one);
  if (lock?.code === "unsure") return "not a calibration yet";
  if (lock?.code === "estimate") return "an estimate: catch it first";
  if (lock?.code === "stale") return `stale: ${lock.reasons.join("; ")}`;
  if (lock?.code === "failing") return `failing: ${lock.reasons[0]}`;
  if (lock?.code === "withdrawn") return `withdrawn: ${lock.why}`;
  const { state } = one.standing;
  const last = dateOf(dayHere("entry" in one ? one.entry.madeAt : one.madeAt) + GOOD_FOR);
  const day = format(new Date(`${last}T12:00:00`), "d MMM");
  const until = state === "expired" ? `time the pace again, was good until ${day}` : `good until ${day}`;
  return [...onceOf(one).map(onceText), until].join(" · ");
}

/** The strip: what is in hand, always; over a sheet, what the sheet is of. */
export function Strip(presses: Presses) {
  return (
    <Suspense fallback={<Bar {...presses} sheetId={null} />}>
      <OverSheet {...presses} />
    </Suspense>
  );
}

interface Presses {
  readonly onKeys: () => void;
  /** Something went wrong. */
  readonly onTrouble: () => void;
}

function OverSheet(presses: Presses) {
  const path = usePathname();
  const id = useSearchParams().get("id");
  return <Bar {...presses} sheetId={path.startsWith("/mix/sheet") || path.startsWith("/mix/pour") ? id : null} />;
}

function Bar({ onKeys, onTrouble, sheetId }: Presses & { sheetId: string | null }) {
  const rigs = useRigs();
  const people = usePeople();
  const { rig, person, site, system, calibrated, read, choose } = useInHand();
  const sheet = useSlice("sheet", sheetId === null ? null : { id: sheetId }).value;
  const of = sheet && rigs.find((r) => r.id === sheet.rigId);
  // Poured is what the sheet says, whatever is in hand.
  if (sheet && of && (of.id !== rig?.id || (sheet.personId !== null && sheet.personId !== person?.id)))
    return <SheetStrip rig={of} person={sheet.personName ?? undefined} tank={sheet.tank} onTrouble={onTrouble} />;
  const live = <T extends { retired: boolean }>(list: readonly T[]) => list.filter((one) => !one.retired);
  const tip = rig?.rig.tip;
  const many = rig !== undefined && (setupOf(rig.rig).setups?.length ?? 0) > 0;
  return (
    <Box as="header" background="strip" color="onStrip" className="no-print" position={{ lg: "sticky" }} top="0" zIndex={6}>
      <Box
        display="flex"
        flexWrap={{ base: "wrap", lg: "nowrap" }}
        gap={{ base: "6px 14px", lg: "18px" }}
        padding={{ base: "6px 12px 8px", lg: "8px 16px" }}
        alignItems="flex-start"
      >
        <Cell name="Rig">
          <Pick aria-label="Rig in hand" value={rig?.id ?? ""} onChange={(e) => choose({ rigId: e.target.value })}>
            <option value="">pick a rig</option>
            {live(rigs).map((r) => (
              <option key={r.id} value={r.id}>
                {r.rig.name}
              </option>
            ))}
          </Pick>
        </Cell>
        <Cell name={rig && ownerOf(rig.rig.kind) === "rig" ? "Driver" : "Holds the wand"}>
          <Pick aria-label="Who holds the wand" value={person?.id ?? ""} onChange={(e) => choose({ personId: e.target.value })}>
            <option value="">who today?</option>
            {live(people).map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Pick>
        </Cell>
        {rig && many && (
          <Cell name="Setup">
            <SetupPick rig={rig} look={Pick} />
          </Cell>
        )}
        {many && (
          <Box display={{ lg: "none" }}>
            <TroubleButton onPress={onTrouble} />
          </Box>
        )}
        <Box display={{ base: "none", lg: many ? "none" : "block" }} flex="0 0 auto">
          <Box fontSize="12px" letterSpacing="0.08em" textTransform="uppercase" color="onStripSoft" lineHeight="1.1">
            Tip
          </Box>
          <Box fontWeight="700" paddingTop="4px" whiteSpace="nowrap">
            {tip?.size ?? "–"}
            {tip?.pressure && ` at ${tip.pressure}`}
          </Box>
        </Box>
        <Cell name="Spray volume" main={many ? "62%" : "44%"}>
          {read && <SprayVolume calibrated={calibrated} system={system} />}
        </Cell>
        <Box display={{ base: rig && rigRules(rig.rig.kind).head ? "block" : "none", lg: "block" }} flex="1 1 0" minW={0}>
          <Cell name={rig && rigRules(rig.rig.kind).head ? "Site and its tap" : "Site"}>
            <SiteInHand site={site} onPick={(siteId) => choose({ siteId })} />
          </Cell>
        </Box>
        <Row gap="2px" flex="0 0 auto">
          <Box display={{ base: many ? "none" : "block", lg: "block" }}>
            <TroubleButton onPress={onTrouble} />
          </Box>
          <Small
            aria-label={system === "us" ? "Units: US. Change to metric" : "Units: metric. Change to US"}
            onClick={() => choose({ system: system === "us" ? "metric" : "us" })}
          >
            {system === "us" ? "US" : "m"}
          </Small>
          <ClientOnly fallback={<Small aria-label="Light or dark" />}>
            <Face />
          </ClientOnly>
          <Small aria-label="List of keys" onClick={onKeys} display={{ base: "none", lg: "inline-block" }}>
            ?
          </Small>
        </Row>
      </Box>
    </Box>
  );
}

/** The site in hand: picked from a short list; of a long one, found by the beginnings of its words. */
function SiteInHand({ site, onPick }: { site: SiteEntry | undefined; onPick: (id: string) => void }) {
  const [typed, setTyped] = useState<string>();
  const list = useId();
  const first = useSlice("sites", {}).value;
  const long = first !== undefined && first.next !== null;
  const found = useSlice("sites", long && typed ? { search: typed } : null).value;
  if (!long) {
    const rows = first?.rows ?? [];
    return (
      <Pick aria-label="Site in hand" value={site?.id ?? ""} onChange={(e) => onPick(e.target.value)}>
        <option value="">pick a site</option>
        {rows.map((s) => (
          <option key={s.id} value={s.id}>
            {s.site.name}
          </option>
        ))}
      </Pick>
    );
  }
  const rows = found?.rows ?? first.rows;
  return (
    <>
      <Find
        type="search"
        list={list}
        aria-label="Site in hand"
        placeholder="find a site"
        value={typed ?? site?.site.name ?? ""}
        onFocus={() => setTyped("")}
        onBlur={() => setTyped(undefined)}
        onChange={(e) => {
          const picked = rows.find((s) => s.site.name === e.target.value);
          setTyped(picked ? undefined : e.target.value);
          if (picked) onPick(picked.id);
        }}
        onKeyDown={(e) => {
          // What was typed may be the beginnings of several words, which the browser's own list doesn't know.
          if (e.key !== "Enter" || !typed || !found?.rows[0]) return;
          setTyped(undefined);
          onPick(found.rows[0].id);
        }}
      />
      <datalist id={list}>
        {rows.map((s) => (
          <option key={s.id} value={s.site.name} />
        ))}
      </datalist>
    </>
  );
}

/** What a sheet is of, where something else is in hand: nothing to pick, so that nothing is taken for it. */
function SheetStrip({
  rig,
  person,
  tank,
  onTrouble,
}: {
  rig: RigEntry;
  person: string | undefined;
  tank: string;
  onTrouble: () => void;
}) {
  const { tip, tanks } = rig.rig;
  return (
    <Box as="header" background="strip" color="onStrip" className="no-print" position={{ lg: "sticky" }} top="0" zIndex={6}>
      <Row flexWrap="wrap" gap="6px 26px" padding="10px 16px 12px" alignItems="flex-start" minHeight="66px">
        <Cell name="Rig of this sheet">
          <Box fontWeight="700">
            {rig.rig.name}
            {(tanks?.length ?? 0) > 1 && `, ${tank} tank`}
          </Box>
        </Cell>
        {person !== undefined && (
          <Cell name="Holds the wand">
            <Box fontWeight="700">{person}</Box>
          </Cell>
        )}
        {tip?.size && (
          <Cell name="Tip">
            <Box fontWeight="700">
              {tip.size}
              {tip.pressure && ` at ${tip.pressure}`}
            </Box>
          </Cell>
        )}
        <TroubleButton onPress={onTrouble} />
      </Row>
    </Box>
  );
}

/** One press from everywhere. */
const TroubleButton = ({ onPress }: { onPress: () => void }) => (
  <Small onClick={onPress} textDecoration="underline" paddingX="4px">
    Trouble
  </Small>
);

function Face() {
  const { resolvedTheme, setTheme } = useTheme();
  const dark = resolvedTheme === "dark";
  return (
    <Small
      aria-label={dark ? "Dark face. Change to light" : "Light face. Change to dark"}
      onClick={() => setTheme(dark ? "light" : "dark")}
    >
      {dark ? "☾" : "☀"}
    </Small>
  );
}
