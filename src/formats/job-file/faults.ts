import type { Issue, Result } from "@/core/issue";
import type { Kind } from "@/core/quantity/kinds";
import { isEntered, parseQuantity, type Entered } from "@/core/quantity/parse";
import { parseField, type KindOfField } from "@/core/quantity/ranges";
import type { Written } from "./types";

/** Collects issues while values are made; a value with an issue is never used. */
export class Faults {
  readonly issues: Issue[] = [];
  add(path: string, code: Issue["code"], received: string, expected: string): void {
    this.issues.push({ path, code, received, expected });
  }
  take<T>(result: Result<T>): T | undefined {
    if (result.ok) return result.value;
    this.issues.push(...result.issues);
    return undefined;
  }
}

/** A quantity that the shape has vouched for, or that was read already. @throws Error otherwise */
export function value<K extends Kind>(text: Written, kind: K, zero = false): Entered<K> {
  if (typeof text !== "string") {
    if (!isEntered(text) || text.kind !== kind) throw new Error(`no ${kind}: ${String(text)}`);
    return text as Entered<K>;
  }
  const read = parseQuantity(text, kind, { zero });
  if (!read.ok) throw new Error(`unchecked quantity "${text}"`);
  return read.value;
}
/** Something of ours under an x- key: taken where it can be read, passed over where it is somebody else's. */
export function extra<F extends "gravity" | "graduation" | "swath" | "overage" | "sprayVolume" | "volumeRate">(
  text: unknown,
  field: F,
): Entered<KindOfField<F>> | undefined {
  if (isEntered(text)) return text as Entered<KindOfField<F>>;
  const read = text === undefined ? undefined : parseField(field, text);
  return read?.ok ? read.value : undefined;
}
export const maybe = <K extends Kind>(text: Written | undefined, kind: K) => (text === undefined ? undefined : value(text, kind));
