"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId, type ReactNode } from "react";
import { Bare } from "./controls";

const Press = chakra(Bare, {
  base: {
    display: "flex",
    alignItems: "center",
    justifyContent: "space-between",
    gap: "12px",
    minHeight: "56px",
    padding: "4px 12px",
    background: "sheet",
    border: "1px solid",
    borderColor: "field",
    borderBottomWidth: "3px",
    // On paper what was chosen stands, not how to change it.
    "@media print": { border: "none", padding: 0 },
  },
});

interface ChoiceProps {
  /** What is chosen here, to whoever can't see it. */
  readonly name: string;
  readonly title: ReactNode;
  readonly about: ReactNode;
  readonly open: boolean;
  readonly onToggle: () => void;
  /** What it opens in place. */
  readonly children: ReactNode;
}

/** What was chosen, in two lines, that opens in place to be changed. */
export function ChoiceBox({ name, title, about, open, onToggle, children }: ChoiceProps) {
  const body = useId();
  return (
    <Box minW={0} gridColumn={open ? "1 / -1" : undefined}>
      <Press
        type="button"
        aria-label={name}
        aria-expanded={open}
        aria-controls={body}
        aria-describedby={`${body}says`}
        onClick={onToggle}
      >
        <Box minW={0} id={`${body}says`} lineHeight="1.25">
          <Box fontWeight="700" overflow="hidden" textOverflow="ellipsis">
            {title}
          </Box>
          <Box textStyle="small" color="soft">
            {about}
          </Box>
        </Box>
        <chakra.span aria-hidden className="no-print">
          {open ? "▴" : "▾"}
        </chakra.span>
      </Press>
      <Box id={body} hidden={!open}>
        {open && (
          <Box border="1px solid" borderTop="none" borderColor="field" padding="12px">
            {children}
          </Box>
        )}
      </Box>
    </Box>
  );
}
