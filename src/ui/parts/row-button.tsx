"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useId, type ReactNode } from "react";
import { Bare } from "./controls";

/** A whole row is what is pressed. */
const Press = chakra(Bare, {
  base: {
    display: "flex",
    gap: "4px 12px",
    alignItems: "center",
    minHeight: "56px",
    padding: "8px 4px",
    borderBottom: "1px solid",
    borderColor: "line",
    _hover: { background: "well" },
  },
});

interface RowButtonProps {
  readonly name: string;
  readonly about: ReactNode;
  /** The thing itself, drawn. */
  readonly drawn?: ReactNode;
  readonly onPress: () => void;
}

/** A thing of a list that is opened or chosen by pressing its row. */
export function RowButton({ name, about, drawn, onPress }: RowButtonProps) {
  const id = useId();
  return (
    <Press type="button" aria-labelledby={id} aria-describedby={`${id}about`} onClick={onPress}>
      {drawn}
      <Box flex="1 1 0" minW={0}>
        <Box textStyle="strong" id={id}>
          {name}
        </Box>
        <Box textStyle="note" color="soft" id={`${id}about`}>
          {about}
        </Box>
      </Box>
      <chakra.span aria-hidden fontWeight="700">
        ›
      </chakra.span>
    </Press>
  );
}
