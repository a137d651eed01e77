"use client";

import { chakra } from "@chakra-ui/react";

/** Things below one another, as wide as what they stand in and no wider. */
export const Column = chakra("div", { base: { display: "grid", gridTemplateColumns: "minmax(0,1fr)", gap: "12px" } });

/** Things beside one another. */
export const Row = chakra("div", { base: { display: "flex", alignItems: "center", gap: "10px" } });
