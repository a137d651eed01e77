import { foldedName } from "./names";

/** The address that a site is called by, as far as it tells one house from another. */
export interface Address {
  readonly number: string;
  /** The first word of its street. */
  readonly street: string;
  /** What kind of street it is, in one spelling; undefined where that isn't said. */
  readonly kind: string | undefined;
}

/** Kinds of street and how they are shortened (common practice). */
const KINDS: Readonly<Record<string, string>> = {
  st: "street",
  rd: "road",
  ln: "lane",
  ave: "avenue",
  av: "avenue",
  dr: "drive",
  ct: "court",
  pl: "place",
  blvd: "boulevard",
  hwy: "highway",
  ter: "terrace",
  cir: "circle",
  sq: "square",
};
const KNOWN: ReadonlySet<string> = new Set(Object.values(KINDS));

/** The house number and street that a name begins with: "12 Ferry Ln., back" → 12, ferry, lane; undefined where it begins otherwise. */
export function addressOf(name: string): Address | undefined {
  const [number = "", street, ...rest] = foldedName(name)
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== "");
  if (!/^\d+\p{L}?$/u.test(number) || street === undefined) return undefined;
  const kind = rest.map((word) => KINDS[word] ?? word).find((word) => KNOWN.has(word));
  return { number, street, kind };
}

/** Whether two names begin with one address; a kind of street that only one of them says is no difference. */
export function sameAddress(a: string, b: string): boolean {
  const [one, other] = [addressOf(a), addressOf(b)];
  if (!one || !other || one.number !== other.number || one.street !== other.street) return false;
  return one.kind === undefined || other.kind === undefined || one.kind === other.kind;
}
