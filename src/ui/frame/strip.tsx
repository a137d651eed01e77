"use client";

import { Box, chakra } from "@chakra-ui/react";
import { usePathname, useSearchParams } from "next/navigation";
import { Suspense, useEffect, useRef, useState, type ReactNode } from "react";
import { writeNumber } from "@/core/quantity/format";
import { readParts, type System } from "@/core/working/units";
import type { RigEntry } from "@/formats/entries";
import { FACES } from "@/rig-kinds/faces";
import { rigRules } from "@/rig-kinds/rules";
import { useInHand, type Calibrated } from "../data/in-hand";
import { useRigs, useSlice } from "../data/records";
import { GoToButton } from "./go-to";
import { InHandPanel } from "./in-hand-panel";
import { standingMark, standingText } from "./standing-words";

/** One line, as high as a finger, however large the text is. */
const Line = chakra("header", {
  base: {
    position: "sticky",
    top: 0,
    zIndex: 6,
    background: "strip",
    color: "onStrip",
    // Enlarged, what is read gets the screen.
    "@media (max-height: 420px)": { position: "static" },
  },
});

const Pressed = chakra("button", {
  base: {
    minHeight: "3rem",
    background: "transparent",
    border: "none",
    color: "onStrip",
    fontFamily: "body",
    cursor: "pointer",
  },
});

/** A word that gives way where the line is short. */
const Word = chakra("span", { base: { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap", minWidth: 0 } });

/** The strip: what is in hand, always; over a sheet, what the sheet is of. */
export function Strip(presses: Presses) {
  return (
    <Suspense fallback={<Bar {...presses} sheetId={null} />}>
      <OverSheet {...presses} />
    </Suspense>
  );
}

interface Presses {
  readonly onGoTo: () => void;
  /** Something went wrong. */
  readonly onTrouble: () => void;
}

function OverSheet(presses: Presses) {
  const path = usePathname();
  const id = useSearchParams().get("id");
  return <Bar {...presses} sheetId={path.startsWith("/mix/sheet") || path.startsWith("/mix/pour") ? id : null} />;
}

function Bar({ onGoTo, onTrouble, sheetId }: Presses & { sheetId: string | null }) {
  const rigs = useRigs();
  const { rig, person, site, system, calibrated, read } = useInHand();
  const sheet = useSlice("sheet", sheetId === null ? null : { id: sheetId }).value;
  const of = sheet && rigs.find((r) => r.id === sheet.rigId);
  // Poured is what the sheet says, whatever is in hand.
  if (sheet && of && (of.id !== rig?.id || (sheet.personId !== null && sheet.personId !== person?.id)))
    return (
      <Line className="no-print">
        <Row>
          <Box aria-label="Rig of this sheet" as="section" display="flex" gap="8px" alignItems="center" minW={0} padding="0 16px">
            <Of
              rig={of}
              more={(of.rig.tanks?.length ?? 0) > 1 ? `${sheet.tank} tank` : undefined}
              who={sheet.personName ?? undefined}
            />
          </Box>
          <Ends onGoTo={onGoTo} onTrouble={onTrouble} />
        </Row>
      </Line>
    );
  const head = rig !== undefined && rigRules(rig.rig.kind).head;
  return (
    <InHandLine ends={<Ends onGoTo={onGoTo} onTrouble={onTrouble} />}>
      {rig ? (
        <>
          <Of rig={rig} who={head ? `${site?.site.name ?? "no"} tap` : person?.name} />
          {read && <Reads calibrated={calibrated} system={system} />}
        </>
      ) : (
        <Word fontWeight="700">No rig in hand: choose</Word>
      )}
    </InHandLine>
  );
}

const Row = chakra("div", { base: { display: "flex", alignItems: "stretch", minHeight: "3rem" } });

/** The line that opens to change what is in hand. */
function InHandLine({ children, ends }: { children: ReactNode; ends: ReactNode }) {
  const [open, setOpen] = useState(false);
  const bar = useRef<HTMLElement>(null);
  const path = usePathname();
  const [at, setAt] = useState(path);
  // Whoever goes on to another page is done with it.
  if (at !== path) {
    setAt(path);
    setOpen(false);
  }
  useEffect(() => {
    if (!open) return;
    const away = (event: Event) => {
      if (!bar.current?.contains(event.target as Node)) setOpen(false);
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape") return;
      setOpen(false);
      bar.current?.querySelector("button")?.focus();
    };
    document.addEventListener("pointerdown", away);
    window.addEventListener("keydown", onKey);
    return () => {
      document.removeEventListener("pointerdown", away);
      window.removeEventListener("keydown", onKey);
    };
  }, [open]);
  return (
    <Line className="no-print" ref={bar}>
      <Row>
        <Pressed
          type="button"
          aria-label="Rig and applicator in hand"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          display="flex"
          alignItems="center"
          gap="8px"
          flex="1 1 0"
          minW={0}
          padding={{ base: "0 8px 0 12px", md: "0 8px 0 16px" }}
          textAlign="left"
        >
          {children}
          <span aria-hidden>{open ? "▴" : "▾"}</span>
        </Pressed>
        {ends}
      </Row>
      {open && <InHandPanel onClose={() => setOpen(false)} />}
    </Line>
  );
}

/** The rig with whose it is, and how it is set where there is room for that. */
function Of({ rig, who, more }: { rig: RigEntry; who: string | undefined; more?: string | undefined }) {
  const { tip, name, kind } = rig.rig;
  const set = [tip?.size && `tip ${tip.size}`, tip?.pressure].filter(Boolean).join(", ");
  return (
    <>
      <chakra.svg
        viewBox="0 0 104 60"
        width="42px"
        height="24px"
        flex="0 0 auto"
        aria-hidden
        display={{ base: "none", md: "block" }}
      >
        {FACES[kind].drawing(rig.rig)}
      </chakra.svg>
      <Word fontWeight="700" flexShrink={0} maxWidth={{ base: "48%", md: "none" }}>
        {[name, more].filter(Boolean).join(", ")}
      </Word>
      {who !== undefined && (
        <Word color="onStripSoft" fontSize=".9375rem">
          <chakra.span display={{ md: "none" }}>{who.split(" ")[0]}</chakra.span>
          <chakra.span display={{ base: "none", md: "inline" }}>{who}</chakra.span>
        </Word>
      )}
      {set && (
        <Word color="onStripSoft" fontSize=".9375rem" display={{ base: "none", xl: "block" }}>
          · {set}
        </Word>
      )}
    </>
  );
}

/** The spray volume and its state, shorter on a phone. */
function Reads({ calibrated, system }: { calibrated: Calibrated | undefined; system: System }) {
  if (!calibrated)
    return (
      <Word marginLeft={{ base: "auto", lg: "16px" }} fontSize=".9375rem" flexShrink={0}>
        not calibrated
      </Word>
    );
  const { number, unit } = readParts(calibrated.made.sprayVolume.value, "sprayVolume", system);
  const band = calibrated.made.uncertainty;
  const [short] = unit.split(/ per |\//);
  return (
    <Box
      display="flex"
      alignItems="baseline"
      gap="6px"
      marginLeft={{ base: "auto", lg: "16px" }}
      minW={0}
      flexShrink={{ base: 0, lg: 1 }}
    >
      <chakra.strong>{number}</chakra.strong>{" "}
      <Word color="onStripSoft" fontSize=".9375rem" display={{ base: "inline", lg: "none" }}>
        {short}
      </Word>
      <Word color="onStripSoft" fontSize=".9375rem" display={{ base: "none", lg: "inline" }}>
        {unit} {band ? `± ${writeNumber(band.relative * 100, { figures: 2 })} %` : "as given"}
      </Word>
      <span>{standingMark(calibrated)}</span>{" "}
      <Word display={{ base: "none", lg: "inline" }} fontSize=".9375rem">
        {standingText(calibrated)}
      </Word>
    </Box>
  );
}

/** Going to a page by its name; and trouble, one press from everywhere. */
function Ends({ onGoTo, onTrouble }: Presses) {
  return (
    <Box display="flex" marginLeft="auto" flex="0 0 auto">
      <Box display={{ base: "none", lg: "block" }}>
        <GoToButton onPress={onGoTo} />
      </Box>
      <Pressed
        type="button"
        onClick={onTrouble}
        paddingX={{ base: "8px", lg: "16px" }}
        fontWeight="700"
        borderLeft="1px solid"
        borderColor="onStripSoft"
      >
        Trouble
      </Pressed>
    </Box>
  );
}
