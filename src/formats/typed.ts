import type { Result } from "@/core/issue";
import type { Entered } from "@/core/quantity/parse";
import { parseField, type Field, type KindOfField } from "@/core/quantity/ranges";
import { given, type Source } from "@/core/working/rule";

/**
 * The door for what is typed or timed: the text of a field is read here, once, into a value that knows it. The same text of
 * the same field is the same value, wherever it is asked for, until there are too many to remember.
 */
const read = new Map<string, Result<Entered<never>>>();
const MOST = 2000;

/** What was typed into a field, as a value in the field's kind and range; or what is wrong with it. @param zero nothing is a reading too */
export function readTyped<F extends Field>(
  field: F,
  typed: string,
  { zero = false }: { readonly zero?: boolean } = {},
): Result<Entered<KindOfField<F>>> {
  const key = `${field} ${zero} ${typed}`;
  let result = read.get(key);
  if (!result) {
    result = parseField(field, typed, { zero }) as unknown as Result<Entered<never>>;
    if (read.size >= MOST) read.clear();
    read.set(key, result);
  }
  return result as unknown as Result<Entered<KindOfField<F>>>;
}

/** What was typed into a field, as what a rule works with; undefined where nothing is, or nothing that can be read. */
export function givenTyped<F extends Field>(field: F, typed: string, name: string): Source<KindOfField<F>> | undefined {
  const read = typed.trim() === "" ? undefined : readTyped(field, typed);
  return read?.ok ? given(read.value, name) : undefined;
}
