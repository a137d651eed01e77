"use client";

import { useState, type ReactNode } from "react";
import type { Cursor } from "@/formats/slices";
import { Button } from "./controls";

interface MoreProps {
  /** Where the next page begins; null at the end of the list. */
  readonly next: Cursor | null;
  /** On the button: "Earlier records". */
  readonly says: string;
  /** The button where it stands in a list; left out, as it is. */
  readonly around?: (button: ReactNode) => ReactNode;
  readonly children: (after: Cursor) => ReactNode;
}

/** The next page of a list, once it is asked for. */
export function More({ next, says, around = (button) => button, children }: MoreProps) {
  const [more, setMore] = useState(false);
  if (!next) return null;
  if (more) return children(next);
  return around(
    <Button look="quiet" onClick={() => setMore(true)}>
      {says}
    </Button>,
  );
}
