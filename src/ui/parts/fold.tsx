"use client";

import { chakra } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";

interface FoldProps {
  readonly title: ReactNode;
  /** Whether it begins open: there is something in it already. */
  readonly begun?: boolean;
  /** Open whatever was pressed: something in it needs to be seen. */
  readonly must?: boolean;
  readonly strong?: boolean;
  /** On paper it is open. */
  readonly onPaper?: boolean;
  readonly children: ReactNode;
}

/** What is out of the way until it is wanted. Once open it stays so while its fields are emptied and filled. */
export function Fold({ title, begun = false, must = false, strong = false, onPaper = false, children }: FoldProps) {
  const [open, setOpen] = useState(begun);
  return (
    <chakra.details
      open={open || must}
      onToggle={(e) => setOpen(e.currentTarget.open)}
      {...(strong && { borderTop: "1px solid", borderColor: "line" })}
      {...(onPaper && { css: { "@media print": { "&::details-content": { contentVisibility: "visible" } } } })}
    >
      <chakra.summary
        cursor="pointer"
        {...(strong
          ? { minHeight: "48px", paddingY: "12px", fontWeight: "700" }
          : { minHeight: "32px", color: "soft", fontSize: ".9375rem" })}
      >
        {title}
      </chakra.summary>
      {children}
    </chakra.details>
  );
}
