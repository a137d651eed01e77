import { entered, parseField, raw } from "@/core/contents";
import type { Book, SiteEntry } from "./book";

/** A zone that a new one may be the same ground as. */
export interface Ground {
  readonly id: string;
  readonly name: string;
}

/** Two measurements of one ground differ by so much. */
const ALIKE = 0.02;

/** Whether two areas may be one ground measured twice. @param a, b m² */
export const alikeAreas = (a: number, b: number): boolean => Math.abs(a / b - 1) <= ALIKE;

const sizeOf = (area: string) => raw(entered(area, "area").value);

/**
 * The zones that a zone which comes to a site may be: those of the site, also those that were taken out; and, of retired
 * sites and zones taken out elsewhere, those of about its area on which something went down.
 * @param typed its area, as typed
 */
export function groundsFor(book: Book, site: SiteEntry | undefined, typed: string): Ground[] {
  const read = parseField("zoneArea", typed);
  const alike = (area: string) => read.ok && alikeAreas(sizeOf(area), raw(read.value.value));
  const here = site
    ? [
        ...site.site.zones.map((z) => ({ id: z["x-id"], name: z.name })),
        ...site.former.map((z) => ({ id: z.id, name: `${z.name}, taken out` })),
      ]
    : [];
  const wentDown = new Set(book.counted.flatMap((entry) => entry.zoneIds));
  const gone = book.sites
    .filter((s) => s.id !== site?.id)
    .flatMap((s) =>
      [...(s.retired ? s.site.zones.map((z) => ({ ...z, id: z["x-id"] })) : []), ...s.former].map((z) => ({ s, z })),
    )
    .filter(({ z }) => wentDown.has(z.id) && alike(z.area))
    .map(({ s, z }) => ({ id: z.id, name: `${z.name} of ${s.site.name}` }));
  return [...here, ...gone];
}
