import { bad, good, type Result } from "@/core/issue";
import type { Active } from "@/core/labels/active";
import type { Form } from "@/core/labels/label-rate";
import { parseAnalysis, type Composition } from "@/core/labels/stated";
import { parseAs, parseQuantity } from "@/core/quantity/parse";
import { isOverWhole } from "@/core/quantity/arithmetic";
import type { CardText } from "./card";

/** Reads the content of an active: a part by weight, or, of a liquid, the weight in a volume. */
export function asActive(name: string, content: string, form: Form, path: string): Result<Active> {
  const kinds = form === "liquid" ? (["share", "activeStrength"] as const) : (["share"] as const);
  const read = parseAs(content, kinds, { path, dialect: "screen", bare: "%" });
  if (!read.ok) return read;
  const value = read.value as Active["content"];
  if (value.kind === "share" && isOverWhole(value.value))
    return bad({ path, code: "out-of-range", received: content, expected: "at most 100 %" });
  return good({ name, content: value });
}

/** What a stated rate is turned into product by. Takes a card whose parts may still be wrong: what can't be read is left out. */
export function compositionOf(card: Pick<CardText, "name" | "form" | "analysis" | "gravity" | "actives">): Composition {
  const analysis = card.analysis === undefined ? undefined : parseAnalysis(card.analysis);
  const gravity = card.gravity === undefined ? undefined : parseQuantity(card.gravity, "gravity");
  return {
    name: card.name,
    form: card.form,
    actives: card.actives.flatMap(({ name, content }) => {
      const read = asActive(name, content, card.form, "");
      return read.ok ? [read.value] : [];
    }),
    ...(analysis?.ok && { analysis: analysis.value }),
    ...(gravity?.ok && { gravity: gravity.value }),
  };
}
