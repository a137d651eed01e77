/**
 * When two names are one. A limit is counted by the name of an active, a mix is found by the name of a product: what only
 * looks different, or only looks the same, must not open a second budget.
 */

/** Letters of other alphabets that are drawn as Latin ones (Unicode TR 39 "confusables", the common ones, from memory). */
const LOOKALIKES: Readonly<Record<string, string>> = {
  а: "a",
  е: "e",
  о: "o",
  р: "p",
  с: "c",
  у: "y",
  х: "x",
  і: "i",
  ј: "j",
  ѕ: "s",
  һ: "h",
  к: "k",
  м: "m",
  т: "t",
  в: "b",
  н: "h",
  ԁ: "d",
  ԛ: "q",
  ԝ: "w",
  α: "a",
  ε: "e",
  ι: "i",
  κ: "k",
  ν: "v",
  ο: "o",
  ρ: "p",
  τ: "t",
  υ: "u",
  χ: "x",
  ı: "i",
  ℓ: "l",
};

/** Folded names, remembered: a judgement compares the same few thousands of times. */
const remembered = new Map<string, string>();

/**
 * A name as it is compared: without invisible characters, in one Unicode form and width (NFKC), without capitals, accents
 * and letters that only look Latin, blanks and dashes of all kinds as one. Empty where nothing of it can be seen.
 */
export function foldedName(name: string): string {
  const known = remembered.get(name);
  if (known !== undefined) return known;
  if (remembered.size > 20_000) remembered.clear();
  let folded = foldOnce(name);
  // What one folding brings out another may fold: a capital ẞ, a letter behind a mark.
  for (let again = foldOnce(folded); again !== folded; again = foldOnce(folded)) folded = again;
  remembered.set(name, folded);
  return folded;
}

function foldOnce(name: string): string {
  const plain = name
    .normalize("NFKC")
    .replace(/[\p{Default_Ignorable_Code_Point}\p{Cf}]/gu, "")
    .replace(/[\p{Cc}\p{Z}\s]+/gu, " ")
    // By way of upper case: ß and SS, ſ and S, ς and σ are one.
    .toLowerCase()
    .toUpperCase()
    .toLowerCase()
    .normalize("NFD")
    // Accents of Latin, Greek and Cyrillic; marks that make another letter of a Japanese or an Indian one stay.
    .replace(/[\u0300-\u036f]/g, "")
    .normalize("NFC")
    .replace(/\p{Pd}/gu, "-")
    .trim();
  return [...plain].map((letter) => LOOKALIKES[letter] ?? letter).join("");
}

/** Whether two names are one. */
export const sameName = (a: string, b: string): boolean => a === b || foldedName(a) === foldedName(b);
