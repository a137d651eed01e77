import { COUNT, linesOf, NUMBER, plain, sentencesOf, type Mark, type MarkField, type Sentence } from "./marks";
import { rateMarks } from "./rates";
import { scopeOf, TURFS } from "./scope";

export type { Mark, MarkField } from "./marks";

interface Pattern {
  readonly field: MarkField;
  readonly pattern: RegExp;
  /** Looked for line by line: what stands in a table or holds points isn't cut into sentences. */
  readonly line?: true;
  /** The value of a match; nothing where the match is none after all. */
  readonly value: (
    match: RegExpExecArray,
    sentence: Sentence,
  ) => string | { readonly value: string; readonly more?: Readonly<Record<string, string>> } | undefined;
}

const SPAN = String.raw`(${COUNT})(?:\s*(?:-|–|to)\s*(${COUNT}))?\s*(days?|weeks?|months?)`;
const span = (n: string | undefined, unit: string) =>
  n === undefined ? undefined : `${plain(n)} ${unit.toLowerCase().replace(/s?$/, "s")}`;
const group = (n: number) => (m: RegExpExecArray) => m[n]?.trim();
const all = (m: RegExpExecArray) => m[0].trim();

const NOTHING: Record<string, string> = {};
const DEGREES = String.raw`(-?\d{1,3})\s*(?:°|degrees?)?\s*([FC])\b`;

const PATTERNS: readonly Pattern[] = [
  {
    field: "registration",
    line: true,
    pattern: /\breg(?:istration)?\.?\s*(?:no|number|#)\.?\s*:?\s*([A-Z0-9][\w-]*\d)/gi,
    value: group(1),
  },
  {
    field: "signalWord",
    line: true,
    pattern: /(?:^\s*|signal word\s*:?\s*)(CAUTION|WARNING|DANGER)\b(?=\s*(?:[!.:]|$))/gi,
    value: (m) => m[1]!.toLowerCase(),
  },
  {
    field: "active",
    line: true,
    pattern: /([A-Za-z][\w ,()*'-]*?)\s*(?:\.{2,}|…+|:|\s{2,}|\t|\|)\s*(\d{1,2}(?:\.\d+)?)\s*%(?!\s*(?:v\/v|by volume))/g,
    value: (m) =>
      /\b(?:other|inert|total|solution|nitrogen|phosphate|potash)\b/i.test(m[1]!)
        ? undefined
        : {
            value: m[1]!
              .replace(/^active ingredients?\s*:?\s*/i, "")
              .replace(/\*+$/, "")
              .trim(),
            more: { content: `${plain(m[2]!)} %` },
          },
  },
  {
    field: "active",
    pattern: new RegExp(
      String.raw`contains\s+(${NUMBER})\s*(?:lbs?\.?|pounds?)(?: of)?\s+([a-z][\w -]*?)\s+(?:per|\/|a)\s*gal`,
      "gi",
    ),
    value: (m) => ({ value: m[2]!.replace(/^of /, ""), more: { content: `${plain(m[1]!)} lb/gal` } }),
  },
  {
    field: "active",
    line: true,
    pattern: new RegExp(String.raw`\b([a-z][a-z-]{3,})\s*:?\s+(${NUMBER})\s*(?:lbs?\.?|pounds?)\s*(?:per|\/|a)\s*gal`, "g"),
    value: (m) =>
      /contains|apply|use|with/.test(m[1]!) ? undefined : { value: m[1]!, more: { content: `${plain(m[2]!)} lb/gal` } },
  },
  { field: "analysis", line: true, pattern: /(?<![\d-])(\d{1,2}-\d{1,2}-\d{1,2})(?![\d-])/g, value: group(1) },
  {
    field: "formulation",
    pattern:
      /water[- ]dispersible granules?|wettable powder|suspension concentrate|emulsifiable concentrate|soluble liquid|soluble powder|water[- ]soluble (?:packets?|bags?)|dry flowable/gi,
    value: (m) => FORMULATION_WORDS.find(([pattern]) => pattern.test(m[0]))?.[1],
  },
  { field: "gravity", pattern: /specific gravity\s*(?:of|is|:)?\s*(\d\.\d+)/gi, value: group(1) },
  {
    field: "applicationsPerYear",
    pattern: new RegExp(
      String.raw`(?:more than|maximum of|exceed|limit(?:ed)? to|maximum number of applications(?: per year)?\s*:)\s*(${COUNT})\b(?=\s*(?:\(\w+\)\s*)?(?:applications?|times|treatments?|per|a|in|$|\.(?!\d)))`,
      "gi",
    ),
    value: (m, s) =>
      /application|times|treatment/i.test(s.text) &&
      !/\b(?:oz|lb|gal|pt|qt|mL)\b[^.]*\bper\b/i.test(m[0]) &&
      /application|times|treatment/i.test(s.text.slice(m.index, m.index + m[0].length + 24))
        ? plain(m[1]!)
        : undefined,
  },
  {
    field: "interval",
    pattern: new RegExp(
      String.raw`(?:(?:at least|minimum of|wait|allow)\s+)?${SPAN}(?=[^.]{0,40}\b(?:between (?:\w+ )?(?:applications|treatments)|before (?:re-?applying|repeating|re-?treat\w*|a(?:nother| second) application)|after the (?:first|initial|previous)|intervals?\b|\bapart\b))|(?:interval|re-?treatment|reapply|repeat(?: application)?)[^.]{0,48}?\b${SPAN}`,
      "gi",
    ),
    value: (m) => {
      const [low, high, unit] = m[1] ? [m[1], m[2], m[3]!] : [m[4]!, m[5], m[6]!];
      const least = span(low, unit);
      const most = span(high, unit);
      return least === undefined ? undefined : { value: least, more: most === undefined ? NOTHING : { most } };
    },
  },
  {
    field: "dilutionAtLeast",
    pattern: /(\d{1,3})\s*parts?(?: of)? water (?:to|:) (?:one|1) part|(?:dilut\w*|ratio)[^.]{0,40}?\b(\d{1,3})\s*:\s*1\b/gi,
    value: (m) => `${m[1] ?? m[2]}:1`,
  },
  {
    field: "droplets",
    pattern:
      /\b(very fine|fine|medium|very coarse|extremely coarse|ultra coarse|coarse)\b(?=(?: (?:or|to) \w+)?(?: or \w+)? (?:spray )?droplets?)/gi,
    value: (m) => m[1]!.toLowerCase(),
  },
  {
    field: "hoseEnd",
    pattern: /\bhose[- ]end\b(?: (?:sprayers?|heads?|applicators?))?/gi,
    value: (_m, s) => (/\b(?:do not|don't|not|never|avoid)\b/i.test(s.text) ? "not allowed" : "allowed"),
  },
  {
    field: "turfs",
    pattern: new RegExp(
      String.raw`(?:for use (?:on|in)|labell?ed for|tolerant|established|apply to)[^.]*?((?:${TURFS})(?:[^.]*?(?:${TURFS}))*)`,
      "gi",
    ),
    value: (m) => [...m[1]!.matchAll(new RegExp(TURFS, "gi"))].map((t) => t[0].toLowerCase()).join(", "),
  },
  ...(["seed", "sod"] as const).flatMap((what): Pattern[] => {
    const [after, before] =
      what === "seed" ? (["afterSeeding", "beforeSeeding"] as const) : (["afterSodding", "beforeSodding"] as const);
    const word =
      what === "seed" ? String.raw`(?:re|over)?-?seed(?:ing|ed)?` : String.raw`(?:re)?sod(?:ding|ded)?|lay(?:ing)? sod|sprigging`;
    return [
      {
        field: before,
        pattern: new RegExp(
          String.raw`(?:do not|don't|wait|delay|allow)[^.]{0,30}?\b(?:${word})\b[^.]{0,40}?\b${SPAN}|\b(?:wait|allow|delay)\b[^.]{0,24}?${SPAN}[^.]{0,40}?before\b[^.]{0,24}\b(?:${word})\b|\b(?:${word}) (?:may|can)\b[^.]{0,30}?${SPAN}\s*after`,
          "gi",
        ),
        value: (m) =>
          /newly|\bcut\b/i.test(m[0]) ? undefined : m[1] ? span(m[1], m[3]!) : m[4] ? span(m[4], m[6]!) : span(m[7], m[9]!),
      },
      {
        field: after,
        pattern: new RegExp(
          String.raw`(?:do not|don't)\s+(?:apply|use|treat)[^.]{0,40}?${SPAN}\s*(?:after|of|following)\s*(?:${word})\b|\bnewly (?:${word})\b[^.]{0,60}?${SPAN}`,
          "gi",
        ),
        value: (m) => (m[1] ? span(m[1], m[3]!) : span(m[4], m[6]!)),
      },
    ];
  }),
  {
    field: "residual",
    pattern: new RegExp(
      String.raw`(?:residual|season-long|active in the soil|remains active)[^.]{0,40}?${SPAN}|${SPAN}[^.]{0,12} of residual`,
      "gi",
    ),
    value: (m) => (m[1] ? span(m[2] ?? m[1], m[3]!) : span(m[5] ?? m[4], m[6]!)),
  },
  {
    field: "waterIn",
    pattern: new RegExp(
      String.raw`(?:irrigat\w*|water(?:ed|ing)?(?: it)? in|rainfall|irrigation)[^.]{0,50}?(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?\s*(?:inch(?:es)?|in\.?\b|")(?:[^.]{0,40}?within\s*(\d+)\s*(hours?|days?))?|(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?\s*inch(?:es)? of (?:water|irrigation|rainfall)(?:[^.]{0,40}?within\s*(\d+)\s*(hours?|days?))?`,
      "gi",
    ),
    value: (m) => {
      const [low, high, within, unit] = m[1] ? [m[1], m[2], m[3], m[4]] : [m[5]!, m[6], m[7], m[8]];
      const more: Record<string, string> = {};
      if (high) more.most = `${plain(high)} in`;
      if (within) more.within = /day/i.test(unit!) ? `${Number(within) * 24} h` : `${within} h`;
      return { value: `${plain(low)} in`, more };
    },
  },
  {
    field: "keepDry",
    pattern:
      /(?:do not|don't|avoid|delay)[^.]{0,30}?\b(?:irrigat\w*|water(?:ing)?|mow(?:ing)? or irrigat\w*)\b[^.]{0,30}?\b(\d+)\s*(hours?|days?)|irrigation off[^.]{0,12}?\b(\d+)\s*(hours?)|rain-?fast(?:ness)?[^.]{0,24}?\b(\d+)\s*(hours?)|\b(\d+)\s*(hours?)[^.]{0,24}?(?:before|without) rain/gi,
    value: (m) => {
      const at = [1, 3, 5, 7].find((g) => m[g] !== undefined)!;
      const [n, unit] = [m[at]!, m[at + 1]!];
      return `${Number(n) * (/day/i.test(unit) ? 24 : 1)} h`;
    },
  },
  {
    field: "wind",
    pattern: /winds?\b[^.]{0,50}?\b(\d{1,2})\s*(mph|miles per hour|km\/h)/gi,
    value: (m) => `${m[1]} ${/km/i.test(m[2]!) ? "km/h" : "mph"}`,
  },
  ...(
    [
      ["Most", String.raw`exceeds?|above|over|greater than|higher than|hotter than|reach\w*`],
      ["Least", String.raw`below|under|less than|at least|lower than|reach\w* at least`],
    ] as const
  ).flatMap(([end, words]): Pattern[] =>
    (["air", "soil"] as const).map((what) => ({
      field: `${what}${end}`,
      pattern: new RegExp(String.raw`(?:temperatures?|\bair\b)[^.]{0,50}?\b(?:${words})\b\s*${DEGREES}`, "gi"),
      value: (m, s) => (/\bsoil\b/i.test(s.text) === (what === "soil") ? `${m[1]} °${m[2]!.toUpperCase()}` : undefined),
    })),
  ),
  {
    field: "reentry",
    pattern:
      /(?:do not (?:enter|allow)|keep (?:people|children)|re-?entry)[^.]*?\b(until (?:the )?(?:sprays?|treated areas?|it|area)?\s*(?:have |has |is |are )?(?:completely |thoroughly )?dr(?:ied|y)|(?:for )?\d+\s*hours?)/gi,
    value: (m) => (/dr(?:ied|y)/i.test(m[1]!) ? "when dry" : m[1]!.replace(/^for /i, "after ").replace(/^(\d)/, "after $1")),
  },
  {
    field: "visible",
    pattern: new RegExp(
      String.raw`(?:results?|symptoms?|effects?|control|response)\b[^.]{0,60}?\b(?:visible|seen|evident|appear\w*|expected|noticeable|take)\b[^.]{0,30}?${SPAN}`,
      "gi",
    ),
    value: (m) => `after ${m[2] ? `${plain(m[1]!)} to ${plain(m[2])}` : plain(m[1]!)} ${m[3]}`,
  },
  { field: "firstAid", pattern: /\bif (?:swallowed|in eyes|on skin(?: or clothing)?|inhaled)\s*:\s*[^.]+\.?/gi, value: all },
  {
    field: "emergency",
    line: true,
    pattern:
      /(?:emergency|poison|medical)[^.\n]{0,60}?(\+?\d[\d() -]{6,}\d)|\bcall\s+(\+?\d[\d() -]{6,}\d)[^.\n]{0,30}emergency/gi,
    value: (m) => (m[1] ?? m[2])!.trim(),
  },
  {
    field: "keepOut",
    pattern:
      /(?:do not (?:apply|spray)[^.]{0,20}?\b(?:to|near|on|into)|keep out of)\s+((?:water|lakes|streams|ponds|food gardens?|vegetable gardens?|flower beds?|ornamentals|beds|drains|storm)[^.]*)/gi,
    value: group(1),
  },
  ...GEAR_PATTERNS(),
];

function GEAR_PATTERNS(): Pattern[] {
  const gear = (pattern: RegExp, item: string, type: (m: RegExpExecArray) => string = () => ""): Pattern => ({
    field: "gear",
    pattern,
    value: (m) => ({ value: item, more: { type: type(m) } }),
  });
  const first = (m: RegExpExecArray) => (m[1] ?? "").trim().toLowerCase();
  return [
    gear(/long[- ]sleeved? shirts?(?: and (?:long )?(?:pants|trousers))?|coveralls/gi, "long sleeves and trousers"),
    gear(/(chemical[- ]resistant|waterproof|nitrile|rubber)?\s*gloves/gi, "gloves", first),
    gear(
      /protective eye ?wear(?: \(([^)]*)\))?|(?<!protective )\b(goggles|face shield|safety glasses)\b(?![^(]*\))/gi,
      "eye protection",
      (m) => (m[1] ?? m[2] ?? "").toLowerCase(),
    ),
    gear(/(?:NIOSH[^.]{0,40}?)?\b(?:dust mask|respirator)\b/gi, "respirator"),
    gear(/(chemical[- ]resistant|rubber)\s*(?:footwear|boots)/gi, "boots", first),
    gear(/shoes (?:plus|and) socks/gi, "shoes and socks"),
    gear(/(chemical[- ]resistant)?\s*apron/gi, "apron", first),
  ];
}

const FORMULATION_WORDS: readonly (readonly [RegExp, string])[] = [
  [/dispersible granule/i, "WG"],
  [/wettable powder/i, "WP"],
  [/suspension/i, "SC"],
  [/emulsifiable/i, "EC"],
  [/soluble liquid/i, "SL"],
  [/soluble powder/i, "SP"],
  [/packet|bag/i, "WSP"],
  [/dry flowable/i, "DF"],
];

/** The shortest thing that any pattern marks is "5-0-0": a column of numbers costs no time. */
const SHORTEST = 4;
const saysAnything = ({ text }: Sentence): boolean => text.trim().length >= SHORTEST;

/** What goes into a row of the limits, with what it is for. */
const LIMITS: readonly MarkField[] = ["applicationsPerYear", "interval"];
const spanOf = (match: RegExpExecArray) => ({ start: match.index, end: match.index + match[0].length });

/** Candidates for a card, in the order of the text; each place is marked for one field once, each value of a list once. */
export function readLabel(text: string): Mark[] {
  const sentences = sentencesOf(text).filter(saysAnything);
  const marks = rateMarks(sentences);
  const lines = linesOf(text).filter(saysAnything);
  for (const { field, pattern, value, line: byLine } of PATTERNS)
    for (const sentence of byLine ? lines : sentences)
      for (const match of sentence.text.matchAll(pattern)) {
        const found = value(match as RegExpExecArray, sentence);
        if (found === undefined || found === "") continue;
        const lead = match[0].length - match[0].trimStart().length;
        const start = sentence.start + match.index + lead;
        const end = sentence.start + match.index + match[0].trimEnd().length;
        const { value: says, more = {} } = typeof found === "string" ? { value: found } : found;
        const scope = LIMITS.includes(field) ? scopeOf(sentence.text, [spanOf(match as RegExpExecArray)], 0) : {};
        const all = { ...more, ...scope };
        marks.push({ field, start, end, value: says, ...(Object.keys(all).length > 0 && { more: all }) });
      }
  const seen = new Set<string>();
  return marks
    .sort((a, b) => a.start - b.start || b.end - a.end)
    .filter((m) => {
      const key = `${m.field} ${m.value} ${JSON.stringify(m.more ?? {})}`;
      return !seen.has(key) && Boolean(seen.add(key));
    });
}
