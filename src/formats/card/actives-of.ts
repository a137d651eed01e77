import type { Active } from "@/core/labels/active";
import { parseAs } from "@/core/quantity/parse";
import type { ActiveText } from "./card";

/** Actives as a record keeps them, read; one that can't be read is left out. */
export const activesOf = (actives: readonly ActiveText[]): Active[] =>
  actives.flatMap(({ name, content }) => {
    const read = parseAs<"share" | "activeStrength">(content, ["share", "activeStrength"]);
    return read.ok ? [{ name, content: read.value as Active["content"] }] : [];
  });
