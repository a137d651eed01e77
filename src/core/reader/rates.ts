import { scopeOf, type Scope } from "./scope";
import { NUMBER, plain, type Mark, type MarkField, type Sentence } from "./marks";

const OVER = String.raw`(?:dry )?(?:fl(?:uid)?\.? ?oz\.?|fluid ounces?|ounces?|oz\.?|pounds?|lbs?\.?|gallons?|gals?\.?|quarts?|qts?\.?|pints?|pts?\.?|grams?|kg|kilograms?|mL|milliliters?|liters?|L|g)`;
const UNDER = String.raw`(?:1,?000|5,?000) ?(?:sq\.? ?ft\.?|square feet|ft2|ft²)|(?:an |one )?acre|A\b|hectare|ha\b|100 ?(?:m2|m²|sq\.? ?m)`;
const WHAT = String.raw`(?: of)?(?: (?:product|water|spray(?: solution)?|carrier|ai|a\.i\.|active ingredient|N|nitrogen|P2O5|K2O|actual [NPK]\w*|[A-Z][\w-]+(?: \([^)]*\))?))?`;
const RATE = new RegExp(
  String.raw`(${NUMBER})(?:(?:\s*${OVER})?\s*(?:-|–|to|and)\s*(${NUMBER}))?\s*(${OVER})(${WHAT})\s*(?:per|\/|in each|for each|for every)\s*(${UNDER})`,
  "gi",
);
const UNIT_HEADING = new RegExp(String.raw`(${OVER})(${WHAT})\s*(?:per|\/)\s*(${UNDER})`, "i");
const MIX = new RegExp(
  String.raw`(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?\s*(${OVER}|teaspoons?|tsp|tablespoons?|tbsp)(?: of \w+)?\s*(?:per|\/|in|for each|to each)\s*(?:(100) )?(gallons?|gal)(?! of (?:water|spray) (?:per|\/))`,
  "gi",
);
/** A table whose heading says for which area, and whose lines have the unit. */
const AREA_HEADING = new RegExp(String.raw`\brates?\s*(?:\|\s*)?(?:per|\/)\s*(${UNDER})`, "i");
const PERCENT = new RegExp(String.raw`(${NUMBER})\s*%\s*(?:v\/v|by volume|solution)`, "gi");

const CAPS =
  /\b(?:do not|don't|never|must not|not to)\b[^.]{0,60}\b(?:exceed|more than)|\bmaximum\b|\bno more than\b|\bnot exceed\b|\bup to a total\b|\bmax\./i;
const YEAR =
  /\b(?:per|a|each|one|any)\s+(?:calendar |growing )?(?:year|season)|\bannual|\byearly\b|\b12[- ]months?\b|\b365[- ]days?\b|\bseasonal\b/i;
const AT_ONCE = /\b(?:per|single|any one|each|one) (?:single )?application\b|\bat (?:one|any one) time\b/i;
const LEAST = /\b(?:at least|minimum|no less than|not less than|or more)\b/i;

/** Rates, and the limits and carrier that are written like rates. */
export function rateMarks(sentences: readonly Sentence[]): Mark[] {
  const marks: Mark[] = [];
  let unit: { over: string | undefined; under: string; field: MarkField } | undefined;
  for (const sentence of sentences) {
    const { text, start } = sentence;
    const before = marks.length;
    const figures = [...text.matchAll(RATE)].map((m) => ({ start: m.index, end: m.index + m[0].length }));
    for (const [i, m] of [...text.matchAll(RATE)].entries()) {
      const [all, low, high, over, what, under] = m as unknown as [string, string, string | undefined, string, string, string];
      const water = /water|spray|carrier/i.test(what) || (/gal/i.test(over) && /\b(?:water|carrier|spray volume)\b/i.test(text));
      if (water && !/gal|liter|L$/i.test(over)) continue;
      const field = water ? "carrierAtLeast" : fieldOf(text, m.index);
      if (water && CAPS.test(text) && !LEAST.test(text)) continue;
      const one = mark(field, start + m.index, all.length, low, water ? undefined : high, over, what, under);
      const scope = field === "perApplication" || field === "perYear" ? limitScope(field, scopeOf(text, figures, i)) : {};
      marks.push({ ...one, ...(Object.keys(scope).length > 0 && { more: { ...one.more, ...scope } }) });
    }
    for (const m of text.matchAll(MIX)) {
      if (marks.slice(before).some((k) => start + m.index < k.end && start + m.index + m[0].length > k.start)) continue;
      const [all, low, high, over, hundred, gallon] = m as unknown as [
        string,
        string,
        string | undefined,
        string,
        string | undefined,
        string,
      ];
      // A weight in a gallon is what the product holds, not what goes into the tank.
      if (!hundred && /^(?:lbs?|pounds?)/i.test(over)) continue;
      const under = `${hundred ? "100 " : ""}${/gal/i.test(gallon) ? "gal" : gallon}`;
      marks.push(mark("rate", start + m.index, all.length, low, high, over, "", under));
    }
    for (const m of text.matchAll(PERCENT))
      marks.push({ field: "rate", start: start + m.index, end: start + m.index + m[0].length, value: `${plain(m[1]!)} %v/v` });
    // A line with a unit of its own is the end of a table.
    if (marks.length > before) unit = undefined;
    const heading = marks.length === before ? UNIT_HEADING.exec(text) : undefined;
    if (heading && !new RegExp(`(?:${NUMBER})\\s*$`).test(text.slice(0, heading.index)))
      unit = { over: heading[1]!, under: heading[3]!, field: fieldOf(text, heading.index) };
    else if (marks.length === before && AREA_HEADING.test(text))
      unit = { over: undefined, under: AREA_HEADING.exec(text)![1]!, field: fieldOf(text, 0) };
    else if (unit && marks.length === before) {
      // A line of the table below: a name, blanks, and the numbers.
      const row = new RegExp(
        String.raw`^(.*?[A-Za-z).].*?)(?:\s{2,}|\t|\s*\|\s*|\s*\.{3,}\s*|:\s*)(${NUMBER})(?:\s*(?:-|–|to)\s*(${NUMBER}))?(?:\s*(${OVER})\b)?(?=\s|\||$|\.)`,
        "i",
      ).exec(text);
      const over = row?.[4] ?? unit.over;
      if (row && over !== undefined) {
        const at = start + row.index + row[0].length;
        const numbers = text.slice(row[1]!.length).search(/\d|\.\d/);
        const one = mark(unit.field, start + row[1]!.length + Math.max(numbers, 0), 0, row[2]!, row[3], over, "", unit.under);
        const use = row[1]!.replace(/^[|\s]+|[|.:\s]+$/g, "");
        marks.push({ ...one, end: at, ...(unit.field === "rate" && { more: { ...one.more, use } }) });
      } else if (text.trim() === "" || /^[A-Z][A-Z ]{6,}/.test(text.trim())) unit = undefined;
    }
  }
  return marks;
}

/** Only a year's limit has a kind of year. */
const limitScope = (field: MarkField, { yearKind, ...scope }: Scope): Scope =>
  field === "perYear" && yearKind ? { ...scope, yearKind } : scope;

/** What a rate in a sentence is: the words nearest before and after it decide. */
function fieldOf(text: string, at: number): MarkField {
  if (!CAPS.test(text.slice(0, at + 1)) && !/\b(?:maximum|max\.)/i.test(text)) return "rate";
  if (YEAR.test(text) && !AT_ONCE.test(text)) return "perYear";
  if (YEAR.test(text) && AT_ONCE.test(text)) {
    const distance = (p: RegExp) => {
      const i = text.slice(at).search(p);
      return i < 0 ? Infinity : i;
    };
    return distance(YEAR) < distance(AT_ONCE) ? "perYear" : "perApplication";
  }
  return "perApplication";
}

function mark(
  field: MarkField,
  start: number,
  length: number,
  low: string,
  high: string | undefined,
  over: string,
  what: string,
  under: string,
): Mark {
  const of = /\b(ai|a\.i\.|active ingredient)\b/i.test(what)
    ? " ai"
    : /\b(?:N|nitrogen)\b/.test(what)
      ? " N"
      : /P2O5/.test(what)
        ? " P2O5"
        : /K2O/.test(what)
          ? " K2O"
          : "";
  const area = /acre|^A$/i.test(under) ? "acre" : /^ha|hectare/i.test(under) ? "ha" : under.replace(/(?<=sq|ft)\./g, "");
  const rate = (number: string) => `${plain(number)} ${over.replace(/^dry /i, "").replace(/\.$/, "")}${of} per ${area}`;
  return {
    field,
    start,
    end: start + length,
    value: rate(low),
    ...(high !== undefined && field === "rate" && { more: { to: rate(high) } }),
  };
}
