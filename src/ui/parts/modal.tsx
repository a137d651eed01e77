"use client";

import { chakra } from "@chakra-ui/react";
import { useEffect, useRef, type ReactNode } from "react";

const Dialog = chakra("dialog", {
  base: {
    margin: "auto",
    background: "sheet",
    color: "ink",
    borderStyle: "solid",
    maxHeight: "96vh",
    overflowY: "auto",
    "&::backdrop": { background: "rgb(5 11 8 / 0.6)" },
  },
  variants: {
    /** A few lines; a list; or what stands above all else. */
    weight: {
      plain: { padding: "20px 24px", borderWidth: "2px", borderColor: "ink", maxWidth: "min(480px, 92vw)" },
      wide: { padding: "12px 16px 16px", borderWidth: "2px", borderColor: "ink", width: "min(640px, 96vw)", marginTop: "3.5rem" },
      grave: { padding: "16px 18px 20px", borderWidth: "3px", borderColor: "stop", width: "min(640px, 100vw)" },
    },
  },
});

interface ModalProps {
  readonly name: string;
  readonly shown: boolean;
  readonly onClose: () => void;
  readonly weight?: "plain" | "wide" | "grave";
  readonly children: ReactNode;
}

/** What lies over a page until it is closed, by its own button or the Escape key; there is nothing in it before. */
export function Modal({ name, shown, onClose, weight = "plain", children }: ModalProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (shown) dialog.current?.showModal();
    else dialog.current?.close();
  }, [shown]);
  return (
    <Dialog ref={dialog} onClose={onClose} aria-label={name} weight={weight}>
      {shown && children}
    </Dialog>
  );
}
