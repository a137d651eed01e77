"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useEffect, useRef, type ReactNode } from "react";
import { isTyping } from "../frame/keys";

const Plate = chakra("button", {
  base: {
    display: "block",
    width: "100%",
    minHeight: { base: "48dvh", lg: "300px" },
    background: "sheet",
    border: "3px solid",
    borderColor: "ink",
    color: "ink",
    cursor: "pointer",
    textAlign: "center",
    touchAction: "manipulation",
    userSelect: "none",
    fontFamily: "body",
    "&[data-running=true]": { background: "strip", color: "onStrip", borderColor: "act", borderWidth: "6px" },
    _disabled: { cursor: "not-allowed", color: "soft", borderStyle: "dashed" },
  },
});

interface WatchFaceProps {
  readonly running: boolean;
  readonly disabled?: boolean;
  readonly onPress: (timeStamp: number) => void;
  /** The digits; kept out of React's renders, they are written on every frame. */
  readonly digits: ReactNode;
  readonly says: string;
  readonly label: string;
}

/**
 * The watch: start and stop anywhere on its plate, or with Space. A finger counts from when it comes down, not from when
 * it is lifted.
 */
export function WatchFace({ running, disabled = false, onPress, digits, says, label }: WatchFaceProps) {
  const press = useRef(onPress);
  useEffect(() => {
    press.current = onPress;
  });
  useEffect(() => {
    if (disabled) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.code !== "Space" || isTyping(event)) return;
      event.preventDefault();
      if (event.type === "keydown" && !event.repeat) press.current(event.timeStamp);
    };
    window.addEventListener("keydown", onKey);
    window.addEventListener("keyup", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
      window.removeEventListener("keyup", onKey);
    };
  }, [disabled]);
  return (
    <Plate
      type="button"
      data-running={running}
      disabled={disabled}
      aria-label={label}
      onPointerDown={(event) => event.button === 0 && onPress(event.timeStamp)}
      onClick={(event) => event.detail === 0 && onPress(event.timeStamp)}
    >
      <Box
        fontFamily="reading"
        fontWeight="700"
        fontSize={{ base: "5.75rem", lg: "5.75rem" }}
        lineHeight="1"
        letterSpacing="-0.04em"
      >
        {digits}
      </Box>
      <Box fontSize="1.0625rem" fontWeight="700" marginTop="14px">
        {says}
      </Box>
    </Plate>
  );
}
