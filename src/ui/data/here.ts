"use client";

import { useSyncExternalStore } from "react";

const nothing = () => () => undefined;

/** Whether this is the browser, with what is kept in it: not while the page is made on the server, nor while it is taken over. */
export const useHere = (): boolean =>
  useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
