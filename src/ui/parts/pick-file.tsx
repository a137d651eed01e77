"use client";

import { chakra } from "@chakra-ui/react";
import { useRef } from "react";
import { Button } from "./controls";

interface PickProps {
  readonly label: string;
  readonly accept: string;
  readonly children: string;
  readonly onText: (text: string, name: string) => void | Promise<void>;
}

/** A button that takes a text file in. */
export function PickFile({ label, accept, children, onText }: PickProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <chakra.input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        display="none"
        onChange={async (e) => {
          const file = e.target.files?.[0];
          if (file) await onText(await file.text(), file.name);
          if (input.current) input.current.value = "";
        }}
      />
      <Button type="button" onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
