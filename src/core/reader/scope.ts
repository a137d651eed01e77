/**
 * What a figure about a limit is for, by the words around it: which turf, in whose country, in which kind of year. A label gives one most
 * for one turf and another for the next, and a place may have its own: each figure keeps what it is for.
 */

export const TURFS =
  "creeping bentgrass|bentgrass|kentucky bluegrass|annual bluegrass|perennial ryegrass|ryegrass|tall fescue|fine fescues?|fescues?|bermudagrass|zoysiagrass|st\\. augustinegrass|centipedegrass|bahiagrass|buffalograss|seashore paspalum|cool-season (?:turf|grasses)|warm-season (?:turf|grasses)";
const TURF = new RegExp(`\\b(?:${TURFS})`, "gi");

/** No places, though they begin with a capital behind an "in". */
const NO_PLACE =
  /^(?:Spring|Summer|Fall|Autumn|Winter|January|February|March|April|May|June|July|August|September|October|November|December|Do|No|Each|Any|All|Addition|Areas?|The|Water|One|Two)\b/;
const NAME = String.raw`[A-Z][a-z]+(?: [A-Z][a-z]+)*`;
const PLACES = [
  new RegExp(String.raw`\b[Ii]n (?:the )?(?:[Ss]tate|[Cc]ounty|[Cc]ommonwealth|[Pp]rovince|[Tt]own) of (${NAME})`),
  new RegExp(String.raw`\b[Ii]n (${NAME} (?:County|Parish|State|Township))\b`),
  new RegExp(String.raw`\b[Ii]n (${NAME})(?=[,.;:]|\s*$| (?:do|no|a|an|apply|only|never)\b)`),
] as const;

const ROLLING = /\b(?:12|twelve)[- ]months?\b|\b365[- ]days?\b/i;
const CALENDAR = /\bcalendar year\b/i;

export interface Scope {
  /** Turfs, with commas between. */
  readonly turf?: string;
  readonly jurisdiction?: string;
  readonly yearKind?: "calendar" | "rolling";
}

/** Where a figure stands in its sentence. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

const turfsIn = (text: string): string | undefined => {
  const found = [...new Set([...text.matchAll(TURF)].map(([turf]) => turf.toLowerCase()))];
  return found.length > 0 ? found.join(", ") : undefined;
};
const placeIn = (text: string): string | undefined =>
  PLACES.map((pattern) => pattern.exec(text)?.[1]).find((name) => name !== undefined && !NO_PLACE.test(name));
const kindIn = (text: string): Scope["yearKind"] =>
  ROLLING.test(text) ? "rolling" : CALENDAR.test(text) ? "calendar" : undefined;

/** What ends the words about one figure before another's begin. */
const BETWEEN = /;|,(?!\d)|\b(?:or|and|but)\b/;

/**
 * What a figure is for. Its own words are those up to the next figure's; what stands before the first figure is for all that say nothing
 * else.
 * @param figures of all figures of the sentence, in their order
 */
export function scopeOf(text: string, figures: readonly Span[], at: number): Scope {
  const words = figures.map(({ end }, i) => {
    const next = figures[i + 1];
    if (!next) return [text.slice(end), ""] as const;
    const between = text.slice(end, next.start);
    const cut = BETWEEN.exec(between)?.index ?? between.length;
    return [between.slice(0, cut), between.slice(cut)] as const;
  });
  const lead = text.slice(0, figures[0]!.start);
  const before = at === 0 ? lead : words[at - 1]![1];
  const own = `${before} ${words[at]![0]}`;
  const either = <T>(find: (text: string) => T | undefined): T | undefined => find(own) ?? find(lead);
  const turf = either(turfsIn);
  const jurisdiction = either(placeIn);
  const yearKind = kindIn(own) ?? kindIn(text);
  return { ...(turf && { turf }), ...(jurisdiction && { jurisdiction }), ...(yearKind && { yearKind }) };
}
