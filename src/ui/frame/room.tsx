"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import { lineText, type Line } from "@/core/working/explain";
import { Button } from "../parts/controls";
import { useAction } from "../parts/use-action";
import { isTyping } from "./keys";

const Sheet = chakra("section", {
  base: {
    background: "sheet",
    borderLeft: { lg: "1px solid" },
    borderTop: { base: "3px solid", lg: "none" },
    borderColor: { base: "ink", lg: "line" },
    padding: "14px 18px 20px",
    position: { base: "fixed", lg: "static" },
    left: 0,
    right: 0,
    bottom: { base: "101px", lg: "auto" },
    maxHeight: { base: "62dvh", lg: "none" },
    overflowY: "auto",
    zIndex: 4,
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

/** The edge of the pad on a phone: it slides up from under the thumb. */
const Handle = chakra("button", {
  base: {
    display: { base: "block", lg: "none" },
    position: "fixed",
    left: 0,
    right: 0,
    bottom: "57px",
    height: "44px",
    zIndex: 5,
    background: "sheet",
    color: "ink",
    border: "none",
    borderTop: "2px solid",
    borderColor: "ink",
    fontFamily: "body",
    fontWeight: "700",
    fontSize: "15px",
    cursor: "pointer",
  },
});

interface RoomProps {
  readonly children: ReactNode;
  /** The working of whatever is on the stage; left out in a room that works nothing out. */
  readonly working?: readonly Line[] | undefined;
}

/** The stage, and beside it the pad; on a phone the pad slides up. */
export function Room({ children, working }: RoomProps) {
  const [up, setUp] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "w" && !isTyping(event)) setUp((was) => !was);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <Box
      display={{ base: "block", lg: "grid" }}
      gridTemplateColumns={working ? "minmax(0, 1fr) 356px" : "minmax(0, 1fr)"}
      minH={{ lg: "calc(100dvh - 126px)" }}
    >
      <Box as="main" id="stage" padding={{ base: "16px 14px 150px", lg: "22px 28px 40px" }} minW={0}>
        {children}
      </Box>
      {working && (
        <>
          <Handle type="button" className="no-print" onClick={() => setUp(!up)} aria-expanded={up}>
            {up ? "▼ Working away" : "▲ Working"}
          </Handle>
          <Sheet aria-label="Working" display={{ base: up ? "block" : "none", lg: "block" }} tabIndex={0}>
            <Pad lines={working} />
          </Sheet>
        </>
      )}
    </Box>
  );
}

/** The pad: the working line by line, as people write it on paper. */
function Pad({ lines }: { lines: readonly Line[] }) {
  return (
    <>
      <Box
        display="flex"
        justifyContent="space-between"
        alignItems="baseline"
        borderBottom="2px solid"
        borderColor="ink"
        marginBottom="6px"
      >
        <chakra.h2 textStyle="label" letterSpacing="0.08em" textTransform="uppercase" color="soft">
          Working
        </chakra.h2>
        {lines.length > 0 && <PadTools lines={lines} />}
      </Box>
      {lines.length === 0 && (
        <Box color="soft" textStyle="note" paddingY="8px">
          How each number came about stands here, step by step, as soon as there is one.
        </Box>
      )}
      <Box as="ol" listStyleType="none">
        {lines.map((line, i) => (
          <Box
            as="li"
            key={`${i}${line.title}`}
            borderBottom="1px solid"
            borderColor="line"
            padding="7px 0 6px"
            breakInside="avoid"
          >
            <Box textStyle="small" color="soft">
              {line.title}
            </Box>
            <Box fontFamily="reading" fontSize="14.5px" lineHeight="1.35" overflowWrap="anywhere">
              {line.sum}
            </Box>
            <Box fontFamily="reading" fontSize="16px" fontWeight="700">
              = {line.result}
            </Box>
            <chakra.details fontSize="13px" color="soft">
              <chakra.summary cursor="pointer" minHeight="24px">
                why
              </chakra.summary>
              {line.source} ({line.rule})
            </chakra.details>
          </Box>
        ))}
      </Box>
    </>
  );
}

function PadTools({ lines }: { lines: readonly Line[] }) {
  const [copied, setCopied] = useState(false);
  const { trouble, run } = useAction("It could not be copied here");
  const copy = async () => {
    if (!(await run(() => copyText(lines.map(lineText).join("\n"))))) return;
    setCopied(true);
    setTimeout(() => setCopied(false), 2000);
  };
  return (
    <Box className="no-print" display="flex">
      <Button look="quiet" onClick={() => void copy()}>
        <span role="status">{trouble ?? (copied ? "Copied" : "Copy")}</span>
      </Button>
      <Button look="quiet" onClick={() => window.print()}>
        Print
      </Button>
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
