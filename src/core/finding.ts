import type { System } from "./working/units";

/**
 * What was found, as data: a code, and the values that it is about. The words are made where they are read, by
 * `core/words`, in the reader's units.
 * @typeParam V the values of each code
 */
export type Finding<V, C extends keyof V = keyof V> = { [K in C]: { readonly code: K; readonly values: V[K] } }[C];

/** The words of a family of findings: one entry a code. */
export type WordsOf<V, W = string> = { readonly [C in keyof V]: (values: V[C], system: System) => W };

/** The words of one finding. */
export function inWords<V, W>(
  words: WordsOf<V, W>,
  finding: { readonly code: keyof V; readonly values: unknown },
  system: System,
): W {
  return words[finding.code](finding.values as V[keyof V], system);
}

/** A finding that needs no values. */
export type Nothing = Readonly<Record<never, never>>;
