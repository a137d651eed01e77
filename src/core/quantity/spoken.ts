/**
 * What people type on a screen, turned into the job file's way of writing. Longest first, so that "fluid ounces" is
 * never read as "ounces": a weight ounce must not stand for a fluid ounce. A lone "oz" stays what it is, a weight.
 */
const SPOKEN: readonly (readonly [RegExp, string])[] = [
  [/\bper\b/gi, "/"],
  [/\bfl(?:uid)?\.?[ _]?oz\.?(?=$|[\s/])|\bfluid ounces?\b|\bfloz\b/gi, "fl oz"],
  [/\b(?:sq(?:uare)?\.? ?(?:ft|feet|foot)\.?|sqft|sf|ft²|ft\^2)(?=$|[\s/])/gi, "ft2"],
  [/\b(?:sq(?:uare)?\.? ?(?:m|met(?:er|re)s?)\.?|m²|m\^2)(?=$|[\s/])/gi, "m2"],
  [/\b(?:sq(?:uare)?\.? ?(?:yd|yards?)\.?|yd²)(?=$|[\s/])/gi, "yd2"],
  [/\bgpm\b/gi, "gal/min"],
  [/\bgpa\b/gi, "gal/ac"],
  [/\bgallons?\b|\bgals?\b\.?/gi, "gal"],
  [/\bquarts?\b|\bqts?\b\.?/gi, "qt"],
  [/\bpints?\b|\bpts?\b\.?/gi, "pt"],
  [/\bcups?\b/gi, "cup"],
  [/\btablespoons?\b|\btbsps?\b\.?/gi, "tbsp"],
  [/\bteaspoons?\b|\btsps?\b\.?/gi, "tsp"],
  [/\bmillilit(?:er|re)s?\b|\bml\b/gi, "mL"],
  [/\blit(?:er|re)s?\b|\bl\b/gi, "L"],
  [/\bounces?\b/gi, "oz"],
  [/\bpounds?\b|\blbs?\b\.?/gi, "lb"],
  [/\bgrams?\b|\bgm\b/gi, "g"],
  [/\bkilograms?\b/gi, "kg"],
  [/\bacres?\b/gi, "ac"],
  [/(?<=\/ ?)ares?\b/gi, "100 m2"],
  [/\bhectares?\b/gi, "ha"],
  [/\bseconds?\b|\bsecs?\b\.?/gi, "s"],
  [/\bminutes?\b|\bmins?\b\.?/gi, "min"],
  [/\bhours?\b|\bhrs?\b\.?/gi, "h"],
  [/\bfeet\b|\bfoot\b/gi, "ft"],
  [/\binch(?:es)?\b/gi, "in"],
  [/\byards?\b/gi, "yd"],
  [/\bmiles?\b/gi, "mi"],
];

const GLYPHS: Readonly<Record<string, number>> = {
  "½": 1 / 2,
  "¼": 1 / 4,
  "¾": 3 / 4,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};
const plain = (value: number): string => String(Number(value.toPrecision(12)));

/**
 * Fractions as people write them, at the beginning: "½ gal", "1/2 gal", "1 1/2 in", "1½ in" → decimals. Only proper ones of
 * a kitchen or a tape: halves to sixty-fourths.
 */
function fractions(text: string): string {
  const glyph = /^(\d+)? ?([½¼¾⅓⅔⅛⅜⅝⅞])(?!\d)(.*)$/s.exec(text);
  if (glyph) return `${plain(Number(glyph[1] ?? 0) + GLYPHS[glyph[2]!]!)}${spaced(glyph[3]!)}`;
  const parts = /^(?:(\d+)[ -])?(\d{1,2})\/(\d{1,2})(?![\d/])(?=$| |[A-Za-z"”'’])(.*)$/s.exec(text);
  if (!parts) return text;
  const [, whole, over, under, rest] = parts as unknown as [string, string | undefined, string, string, string];
  const [a, b] = [Number(over), Number(under)];
  if (a === 0 || b < 2 || b > 64 || a >= b) return text;
  return `${plain(Number(whole ?? 0) + a / b)}${spaced(rest)}`;
}
const spaced = (rest: string) => (/^[A-Za-z%]/.test(rest) ? ` ${rest}` : rest);

/** Thousands as people write them: "8.1k sq ft" → "8100 sq ft". */
const thousands = (text: string): string =>
  text.replace(/^(\d+(?:\.\d+)?) ?k(?=$| )/i, (_, number: string) => plain(Number(number) * 1000));

/** Feet and inches, by their marks or in words: 12' → 12 ft, 18" → 18 in, 12' 6" and 12 ft 6 in → 12.5 ft. */
function marks(text: string): string {
  const both = /^(\d+(?:\.\d+)?)\s*(?:['’′]|ft\b\.?|feet\b|foot\b)\s*(\d+(?:\.\d+)?)\s*(?:["”″]|''|in\b\.?|inch(?:es)?\b)$/i.exec(
    text,
  );
  if (both) return `${plain(Number(both[1]) + Number(both[2]) / 12)} ft`;
  return text.replace(/^(\d+(?:\.\d+)?)\s*(?:["”″]|'')(?=$| )/, "$1 in").replace(/^(\d+(?:\.\d+)?)\s*['’′](?=$| )/, "$1 ft");
}

/** Two sides of a rectangle for its area: "62 x 100", "62 ft × 100 ft" → "6200 ft2". @param bare the area's unit where no side has one */
export function rectangleToArea(text: string, bare = "ft2"): string {
  const side = String.raw`([1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?)\s*(ft|feet|foot|'|’|m|yd)?`;
  const parts = new RegExp(`^${side}\\s*(?:x|×|\\*|by)\\s*${side}$`, "i").exec(text.trim());
  if (!parts) return text;
  const unit = (typed: string | undefined) =>
    typed === undefined ? undefined : /^[f'’]/i.test(typed) ? "ft" : typed.toLowerCase();
  const [a, b] = [unit(parts[2]), unit(parts[4])];
  if (a !== undefined && b !== undefined && a !== b) return text;
  const of = b ?? a ?? bare.replace(/2$/, "");
  if (!["ft", "m", "yd"].includes(of)) return text;
  const number = (typed: string) => Number(typed.replaceAll(",", ""));
  return `${plain(number(parts[1]!) * number(parts[3]!))} ${of}2`;
}

const LENGTHS: Readonly<Record<string, readonly [factor: number, unit: "ft" | "m"]>> = {
  ft: [1, "ft"],
  feet: [1, "ft"],
  "'": [1, "ft"],
  "’": [1, "ft"],
  yd: [3, "ft"],
  yards: [3, "ft"],
  m: [1, "m"],
};

/** The time over a course for its speed: "100 ft in 23 s" → "260.869565217 ft/min"; "50 m / 0:36" → "1.38888888889 m/s". */
export function courseToSpeed(text: string): string {
  const parts = /^(\d+(?:\.\d+)?)\s*([a-z]+|['’])\s*(?:in|\/)\s*(?:(\d+):)?(\d+(?:\.\d+)?)\s*(?:s|secs?|seconds?)?$/i.exec(
    text.trim(),
  );
  const length = parts && LENGTHS[parts[2]!.toLowerCase()];
  const seconds = parts ? Number(parts[3] ?? 0) * 60 + Number(parts[4]) : 0;
  if (!length || seconds === 0) return text;
  const [factor, unit] = length;
  const perSecond = (Number(parts[1]) * factor) / seconds;
  return unit === "ft" ? `${plain(perSecond * 60)} ft/min` : `${plain(perSecond)} m/s`;
}

/** "1,000 sq ft" → "1,000 ft2"; "2 gallons per acre" → "2 gal/ac"; "40 PSI" → "40 psi". Unknown words are left alone. */
export function spokenToWritten(text: string): string {
  // A unit that touches its number ("4gal") hides from a word boundary.
  let written = marks(fractions(thousands(text.trim())))
    .replace(/(\d)(?=[A-Za-z])(?!e[+-]?\d)/g, "$1 ")
    .replace(/\b(ft|m|yd) 2\b/gi, "$12")
    .replace(/\b(ft|m|yd)2\b/gi, (m) => m.toLowerCase());
  for (const [spoken, unit] of SPOKEN) written = written.replace(spoken, unit);
  return written
    .replace(/\b(psi|bar|mph|oz|ft|in|yd|kg|ac|ha)\b/gi, (m) => m.toLowerCase())
    .replace(/%\s*v\/v/gi, "%v/v")
    .replace(/\s*\/\s*/g, "/")
    .replace(/\s+/g, " ")
    .trim();
}
