import { make, raw, type Kind, type Quantity } from "../quantity/kinds";
import type { Entered } from "../quantity/parse";

/**
 * The shown working. A *rule* is a constant: a formula as text, its source, and the same formula as code. Deriving a
 * value with it keeps the rule and its inputs, and an input may itself be derived, so the tree that explains a number
 * costs two references a node. A test evaluates every formula text against `compute`, so the working can't lie.
 */
export interface Rule<In extends RuleInputs, Out extends Kind> {
  /** Stable for ever: records name it. */
  readonly id: string;
  /** Goes up when the formula changes. */
  readonly version: number;
  /** What the result is, as a person calls it: "Spray volume". */
  readonly title: string;
  /** In the names of the inputs, as mathjs reads it: `flow * time / area`, `sum(volumes) / time`. */
  readonly formula: string;
  readonly inputs: In;
  readonly output: Out;
  /** Where the formula comes from; "common practice" where no published source stands behind it. */
  readonly source: string;
  /** Plain numbers of the coherent set. */
  readonly compute: (inputs: Inputs<In>) => number;
}

/** The kind of each input, or `[kind]` for a list of any length. */
export type RuleInputs = Readonly<Record<string, Kind | readonly [Kind]>>;

export type Inputs<In extends RuleInputs> = {
  readonly [N in keyof In]: In[N] extends readonly [infer K extends Kind]
    ? readonly Source<K>[]
    : In[N] extends Kind
      ? Source<In[N]>
      : never;
};

/** A value that a person gave: the leaves of the tree. */
export interface Given<K extends Kind> {
  readonly value: Quantity<K>;
  readonly kind: K;
  /** What it is: "walk 2", "usable volume". */
  readonly name: string;
  /** As entered; absent for a constant of a method (the 1,000 sq ft of a pace). */
  readonly entered?: Entered<K>;
}

/** A value that was worked out, with how. */
export interface Derived<K extends Kind> {
  readonly value: Quantity<K>;
  readonly rule: AnyRule;
  readonly inputs: Readonly<Record<string, AnySource | readonly AnySource[]>>;
}

export type Source<K extends Kind> = Given<K> | Derived<K>;
export type AnySource = Source<Kind>;
// The inputs of a rule are contravariant in `compute`; only its data is read where the rule is unknown.
export type AnyRule = Omit<Rule<RuleInputs, Kind>, "compute">;

const catalogue = new Map<string, AnyRule>();

/** Declares a rule. @throws Error where the id is taken: two formulas under one name could not be told apart later. */
export function rule<const In extends RuleInputs, Out extends Kind>(declared: Rule<In, Out>): Rule<In, Out> {
  if (catalogue.has(declared.id)) throw new Error(`rule ${declared.id} is declared twice`);
  catalogue.set(declared.id, declared as unknown as AnyRule);
  return declared;
}

/** Every rule declared so far, for the test that holds each formula against its code. */
export function allRules(): readonly Rule<RuleInputs, Kind>[] {
  return [...catalogue.values()] as unknown as Rule<RuleInputs, Kind>[];
}

/** Works a value out by a rule and keeps how. @throws RangeError where the result is not a finite number from zero up. */
export function derive<In extends RuleInputs, Out extends Kind>(by: Rule<In, Out>, inputs: Inputs<In>): Derived<Out> {
  return {
    value: make<Out>(by.compute(inputs)),
    rule: by as unknown as AnyRule,
    inputs: inputs as unknown as Derived<Out>["inputs"],
  };
}

/** A leaf: what was entered, and what it is. */
export function given<K extends Kind>(entry: Entered<K>, name: string): Given<K> {
  return { value: entry.value, kind: entry.kind, name, entered: entry };
}

/** A leaf that no one typed: a constant of a method. */
export function constant<K extends Kind>(kind: K, value: Quantity<K>, name: string): Given<K> {
  return { value, kind, name };
}

/** The plain number of a source, in the coherent set: for `compute`. */
export function num<K extends Kind>(source: Source<K>): number {
  return raw(source.value);
}

/** The plain numbers of a list of sources. */
export function nums<K extends Kind>(sources: readonly Source<K>[]): number[] {
  return sources.map(num);
}

export function isDerived<K extends Kind>(source: Source<K>): source is Derived<K> {
  return "rule" in source;
}

/** The kind of a source's value. */
export function kindOf(source: AnySource): Kind {
  return isDerived(source) ? source.rule.output : source.kind;
}
