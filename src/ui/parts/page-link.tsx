"use client";

import NextLink from "next/link";
import { useState, type ComponentProps } from "react";

/**
 * A way to another page. What that page is made of is asked for when a hand or the focus is on the way, not for every way in sight: a
 * page has twenty of them, and phones share one server and one line.
 */
export function PageLink({ onPointerEnter, onFocus, ...link }: Omit<ComponentProps<typeof NextLink>, "prefetch">) {
  const [near, setNear] = useState(false);
  return (
    <NextLink
      {...link}
      prefetch={near ? null : false}
      onPointerEnter={(event) => {
        setNear(true);
        onPointerEnter?.(event);
      }}
      onFocus={(event) => {
        setNear(true);
        onFocus?.(event);
      }}
    />
  );
}
