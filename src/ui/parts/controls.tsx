"use client";

import { chakra } from "@chakra-ui/react";
import type { MouseEvent } from "react";

/** The plain controls: square, ruled, at least 48 px high, with an ink line for an edge. */

/**
 * A press must not take the focus off a field first: what the field then has to say would move the button from under the
 * finger, and the press would be lost.
 */
const keepFocus = {
  onMouseDown: (event: MouseEvent) => event.preventDefault(),
};

export const Button = chakra(
  "button",
  {
    base: {
      display: "inline-flex",
      alignItems: "center",
      justifyContent: "center",
      gap: "8px",
      minHeight: "48px",
      padding: "8px 18px",
      border: "2px solid",
      borderColor: "ink",
      background: "transparent",
      color: "ink",
      fontFamily: "body",
      fontSize: "1.0625rem",
      fontWeight: "700",
      cursor: "pointer",
      textDecoration: "none",
      whiteSpace: "nowrap",
      _disabled: { borderColor: "line", color: "soft", cursor: "not-allowed", borderStyle: "dashed" },
      _hover: { background: "well" },
    },
    variants: {
      look: {
        plain: {},
        act: {
          background: "act",
          borderColor: "act",
          color: "onAct",
          _hover: { background: "ink", borderColor: "ink", color: "paper" },
          _disabled: { background: "transparent", borderColor: "line", color: "soft" },
        },
        quiet: {
          borderColor: "transparent",
          textDecoration: "underline",
          textUnderlineOffset: "3px",
          fontWeight: "400",
          padding: "8px 10px",
        },
        // Within a sentence or under one: it wraps as the text does.
        inline: {
          borderColor: "transparent",
          textDecoration: "underline",
          textUnderlineOffset: "3px",
          fontWeight: "400",
          minHeight: "32px",
          padding: "2px 4px",
          whiteSpace: "normal",
          textAlign: "left",
        },
        stop: { borderColor: "stop", color: "stop" },
      },
    },
    defaultVariants: { look: "plain" },
  },
  { defaultProps: keepFocus },
);

/** A press that looks like what stands in it: a row, a line, an amount. What it is edged with stands at its place. */
export const Bare = chakra("button", {
  base: {
    width: "100%",
    minHeight: "48px",
    padding: 0,
    background: "none",
    border: "none",
    color: "inherit",
    font: "inherit",
    textAlign: "left",
    cursor: "pointer",
  },
});

const fieldBase = {
  width: "100%",
  minHeight: "48px",
  padding: "8px 12px",
  background: "sheet",
  border: "1px solid",
  borderColor: "field",
  borderBottomWidth: "3px",
  borderRadius: 0,
  color: "ink",
  fontFamily: "reading",
  fontSize: "1.0625rem",
  "&[aria-invalid=true]": { borderColor: "stop", borderWidth: "2px", borderBottomWidth: "4px" },
  _placeholder: { color: "soft", opacity: 1, fontStyle: "italic", fontSize: ".9375rem" },
} as const;

export const Input = chakra("input", { base: fieldBase });
export const Select = chakra("select", { base: { ...fieldBase, fontFamily: "body", fontSize: "1.0625rem", cursor: "pointer" } });

export const Heading = chakra("h1", {
  base: { fontSize: { base: "1.375rem", lg: "1.625rem" }, fontWeight: "700", letterSpacing: "-0.01em", lineHeight: "1.2" },
});
export const SubHeading = chakra("h2", {
  base: {
    fontSize: "1.0625rem",
    fontWeight: "700",
    borderBottom: "2px solid",
    borderColor: "ink",
    paddingBottom: "4px",
  },
});
export const Note = chakra("p", { base: { fontSize: ".9375rem", color: "soft", maxWidth: "62ch" } });
export const Reading = chakra("span", { base: { fontFamily: "reading", fontWeight: "700" } });

/** A field of several lines. */
export const Lines = chakra("textarea", {
  base: {
    padding: "10px 12px",
    border: "1px solid",
    borderColor: "line",
    background: "sheet",
    width: "100%",
    fontFamily: "reading",
  },
});
