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
  [/\bhectares?\b/gi, "ha"],
  [/\bseconds?\b|\bsecs?\b\.?/gi, "s"],
  [/\bminutes?\b|\bmins?\b\.?/gi, "min"],
  [/\bhours?\b|\bhrs?\b\.?/gi, "h"],
  [/\bfeet\b|\bfoot\b/gi, "ft"],
  [/\binch(?:es)?\b/gi, "in"],
  [/\byards?\b/gi, "yd"],
  [/\bmiles?\b/gi, "mi"],
];

/** "1,000 sq ft" → "1,000 ft2"; "2 gallons per acre" → "2 gal/ac"; "40 PSI" → "40 psi". Unknown words are left alone. */
export function spokenToWritten(text: string): string {
  // A unit that touches its number ("4gal") hides from a word boundary.
  let written = text
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
