"use client";

import { chakra } from "@chakra-ui/react";
import { useRef } from "react";
import { Button } from "./controls";

interface PickProps {
  readonly label: string;
  readonly accept: string;
  readonly children: string;
  readonly onFile: (file: File) => void | Promise<void>;
}

/** A button that takes a file. */
export function PickFile({ label, accept, children, onFile }: PickProps) {
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
          if (input.current) input.current.value = "";
          if (file) await onFile(file);
        }}
      />
      <Button type="button" onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
