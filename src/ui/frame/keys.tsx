"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { Button } from "../parts/controls";
import { Modal } from "../parts/modal";
import { KEYS, ROOMS } from "./rooms";

/** Whether a key press belongs to the thing that has the focus, and is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  return Boolean(event.ctrlKey || event.metaKey || event.altKey || target?.closest?.("input, select, textarea, dialog"));
}

/** "g" and a letter go to a room, "/" to anything by its name; "?" opens the list of keys. */
export function useRoomKeys() {
  const router = useRouter();
  const [shown, setShown] = useState<"list" | "go-to">();
  const going = useRef(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      if (event.key === "?") setShown("list");
      if (event.key === "/") {
        event.preventDefault();
        setShown("go-to");
      }
      const room = going.current && ROOMS.find((r) => r.key === event.key);
      going.current = event.key === "g";
      if (room) router.push(room.path);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router]);
  const one = (what: "list" | "go-to") => ({
    shown: shown === what,
    open: () => setShown(what),
    close: () => setShown((now) => (now === what ? undefined : now)),
  });
  return { list: one("list"), goTo: one("go-to") };
}

export function KeyList({ shown, onClose }: { shown: boolean; onClose: () => void }) {
  return (
    <Modal name="Keys" shown={shown} onClose={onClose}>
      <Box as="dl" display="grid" gridTemplateColumns="110px 1fr" gap="6px 16px" marginBottom="16px">
        {KEYS.map(([key, does]) => (
          <Box key={key} display="contents">
            <chakra.dt fontFamily="reading" fontWeight="700">
              {key}
            </chakra.dt>
            <dd>{does}</dd>
          </Box>
        ))}
      </Box>
      <Button onClick={onClose}>Close</Button>
    </Modal>
  );
}
