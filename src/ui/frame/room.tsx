"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { lineText, type Line } from "@/core/working/explain";
import { Button } from "../parts/controls";
import { MathContext, type Asked } from "../parts/math";
import { useAction } from "../parts/use-action";
import { isTyping } from "./keys";

const Sheet = chakra("section", {
  base: {
    background: "sheet",
    borderLeft: { lg: "1px solid" },
    borderTop: { base: "3px solid", lg: "none" },
    borderColor: { base: "ink", lg: "line" },
    padding: "8px 16px 24px",
    position: { base: "fixed", lg: "sticky" },
    top: { lg: "3rem" },
    left: 0,
    right: 0,
    bottom: { base: 0, lg: "auto" },
    maxHeight: { base: "62dvh", lg: "calc(100dvh - 3rem)" },
    overflowY: "auto",
    zIndex: 8,
    minWidth: 0,
    // On paper it follows the stage, whole.
    "@media print": {
      display: "block !important",
      position: "static",
      maxHeight: "none",
      overflow: "visible",
      border: "none",
      padding: "14px",
    },
  },
});

interface RoomProps {
  readonly children: ReactNode;
  /** The math of whatever is on the stage; left out in a room that works nothing out. */
  readonly working?: readonly Line[] | undefined;
}

/** The stage. How a number came about opens beside it, on a phone from below: of one amount that was pressed, or of all. */
export function Room({ children, working }: RoomProps) {
  const [asked, setAsked] = useState<Asked | "all">();
  const any = (working?.length ?? 0) > 0;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "w" && !isTyping(event)) setAsked((was) => (was ? undefined : "all"));
      if (event.key === "Escape" && !document.querySelector("dialog[open]")) setAsked(undefined);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const open = any && asked !== undefined;
  const one = asked !== undefined && asked !== "all" ? asked : undefined;
  return (
    <MathContext.Provider value={any ? setAsked : undefined}>
      <Box
        display={{ base: "block", lg: "grid" }}
        gridTemplateColumns={open ? "minmax(0, 1fr) 312px" : "minmax(0, 1fr)"}
        alignItems="start"
      >
        <Box as="main" id="stage" padding={{ base: "12px 16px 120px", lg: "16px 32px 40px" }} minW={0}>
          {children}
          {any && (
            <Box marginTop="24px" className="no-print">
              <Button aria-expanded={open} onClick={() => setAsked(asked === "all" ? undefined : "all")}>
                {asked === "all" ? "Hide the math" : "Show the math"}
              </Button>
            </Box>
          )}
        </Box>
        {any && (
          <Sheet aria-label="The math" display={open ? "block" : "none"} tabIndex={0}>
            <Pad
              key={one?.title ?? ""}
              title={one?.title}
              lines={one?.lines ?? working!}
              onAll={one && (() => setAsked("all"))}
              onClose={() => setAsked(undefined)}
              shown={open}
            />
          </Sheet>
        )}
      </Box>
    </MathContext.Provider>
  );
}

interface PadProps {
  /** What it is of; nothing of all that is on the stage. */
  readonly title: string | undefined;
  readonly lines: readonly Line[];
  readonly onAll: (() => void) | undefined;
  readonly onClose: () => void;
  readonly shown: boolean;
}

/** The pad: the math line by line, as people write it on paper. */
function Pad({ title, lines, onAll, onClose, shown }: PadProps) {
  const close = useRef<HTMLButtonElement>(null);
  // What was asked for is where the focus is, so that the next key reads or closes it.
  useEffect(() => {
    if (shown) close.current?.focus({ preventScroll: true });
  }, [shown]);
  return (
    <>
      <Box
        display="flex"
        justifyContent="space-between"
        alignItems="center"
        gap="8px"
        borderBottom="2px solid"
        borderColor="ink"
        marginBottom="4px"
      >
        <chakra.h2 textStyle="strong">{title ?? "The math"}</chakra.h2>
        <Button ref={close} className="no-print" onClick={onClose} aria-label="Close the math" borderColor="transparent">
          ✕
        </Button>
      </Box>
      <Box as="ol" listStyleType="none">
        {lines.map((line, i) => (
          <Box as="li" key={`${i}${line.title}`} borderBottom="1px solid" borderColor="line" padding="8px 0" breakInside="avoid">
            <Box textStyle="small" color="soft">
              {line.title}
            </Box>
            <Box fontFamily="reading" lineHeight="1.35" overflowWrap="anywhere">
              {line.sum}
            </Box>
            <Box fontFamily="reading" fontWeight="700">
              = {line.result}
            </Box>
            <chakra.details textStyle="small" color="soft">
              <chakra.summary cursor="pointer" minHeight="24px">
                why
              </chakra.summary>
              {line.source} ({line.rule})
            </chakra.details>
          </Box>
        ))}
      </Box>
      <PadTools lines={lines} onAll={onAll} />
    </>
  );
}

function PadTools({ lines, onAll }: { lines: readonly Line[]; onAll: (() => void) | undefined }) {
  const [copied, setCopied] = useState(false);
  const { trouble, run } = useAction("It could not be copied here");
  const copy = async () => {
    if (!(await run(() => copyText(lines.map(lineText).join("\n"))))) return;
    setCopied(true);
    setTimeout(() => setCopied(false), 2000);
  };
  return (
    <Box className="no-print" display="flex" flexWrap="wrap" gap="8px" marginTop="12px">
      {onAll && <Button onClick={onAll}>All of it</Button>}
      <Button onClick={() => void copy()}>
        <span role="status">{trouble ?? (copied ? "Copied" : "Copy")}</span>
      </Button>
      <Button onClick={() => window.print()}>Print</Button>
    </Box>
  );
}

/** Copies text; the older way too, since a phone that reaches the shed's laptop has no secure context. */
async function copyText(text: string): Promise<void> {
  if (navigator.clipboard) return navigator.clipboard.writeText(text);
  const area = document.createElement("textarea");
  area.value = text;
  document.body.append(area);
  area.select();
  document.execCommand("copy");
  area.remove();
}
