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

/** "g" and a letter go to a room; "?" opens the list of keys. */
export function useRoomKeys() {
  const router = useRouter();
  const [shown, setShown] = useState(false);
  const going = useRef(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      if (event.key === "?") setShown(true);
      const room = going.current && ROOMS.find((r) => r.key === event.key);
      going.current = event.key === "g";
      if (room) router.push(room.path);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router]);
  return { shown, open: () => setShown(true), close: () => setShown(false) };
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
