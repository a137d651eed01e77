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
    /** A few lines; or what stands above all else. */
    weight: {
      plain: { padding: "20px 24px", borderWidth: "2px", borderColor: "ink", maxWidth: "min(480px, 92vw)" },
      grave: { padding: "16px 18px 20px", borderWidth: "3px", borderColor: "stop", width: "min(640px, 100vw)" },
    },
  },
});

interface ModalProps {
  readonly name: string;
  readonly shown: boolean;
  readonly onClose: () => void;
  readonly weight?: "plain" | "grave";
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
