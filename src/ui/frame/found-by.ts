/** Something that one can go to. */
export interface Place {
  readonly name: string;
  /** What it is: "rig", "label", "page of Season". */
  readonly kind: string;
  readonly path: string;
  /** Other words that it is found by. */
  readonly also?: string;
}

const wordsOf = (text: string) =>
  text
    .toLocaleLowerCase("en")
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * The places that have, for each typed word, a word that begins with it. Those whose names have all of the words come first; so do
 * names that begin with what was typed.
 *
 * @param typed any text; nothing is found by an empty one
 */
export function foundBy(typed: string, places: readonly Place[]): readonly Place[] {
  const asked = wordsOf(typed);
  if (asked.length === 0) return [];
  const has = (text: string) => {
    const words = wordsOf(text);
    return asked.every((one) => words.some((word) => word.startsWith(one)));
  };
  const rank = ({ name, also = "", kind }: Place): number => {
    if (wordsOf(name).join(" ").startsWith(asked.join(" "))) return 0;
    if (has(name)) return 1;
    return has(`${name} ${also} ${kind}`) ? 2 : 3;
  };
  return places
    .map((place) => ({ place, rank: rank(place) }))
    .filter((one) => one.rank < 3)
    .sort((a, b) => a.rank - b.rank)
    .map((one) => one.place);
}
