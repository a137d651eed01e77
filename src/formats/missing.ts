import { certificateEnded, missingByLaw, type LawField, type Recorded } from "@/core/log/complete";
import { sameName } from "@/core/names";
import { RESTRICTED_USE } from "./card/card";
import type { ApplicationEntry, PersonEntry } from "./entries";
import { cardOfProduct } from "./gear";
import type { JobFile } from "./job-file/types";
import { certificateOn } from "./papers";

/** What a record lacks of what the law asks for, or who sprays of what the work takes. */
export interface Lacking {
  readonly product: string;
  readonly fields: readonly LawField[];
  /** The day on which the certificate ended, where that was before the work. */
  readonly ended?: string | undefined;
  /** The category that its use takes, where the certificate doesn't name it. */
  readonly category?: string | undefined;
}

/** What the records of a sheet would lack if it were put on record for a day; of products that anybody may use only a category. */
export function missingOfSheet(job: JobFile, person: PersonEntry | undefined, date: string): Lacking[] {
  const certificate = certificateOn(person?.papers ?? [], date);
  const zones = (job.sites ?? []).flatMap((site) => site.zones.map((zone) => ({ site, zone })));
  const bare = zones.find(({ zone }) => zone.turf === undefined) ?? zones[0];
  return (job.products ?? []).flatMap((product): Lacking[] => {
    const card = cardOfProduct(product);
    if (!bare) return [];
    return lacking({
      product: product.name,
      registration: card.registration,
      restricted: card.restricted === RESTRICTED_USE,
      category: card.category,
      categories: certificate?.categories,
      total: product.rate,
      site: bare.site.name,
      zone: bare.zone.name ?? "the lawn",
      area: bare.zone.area,
      turf: bare.zone.turf,
      date,
      person: person?.name,
      certificate: certificate?.number,
      certificateEnds: certificate?.ends,
    });
  });
}

/** What a record of the log lacks. */
export const missingOfEntry = (entry: ApplicationEntry): Lacking[] =>
  lacking({
    ...entry,
    ...entry.facts,
    restricted: entry.facts?.restricted === "yes",
    person: entry.person ?? undefined,
    certificate: entry.facts?.certificate,
  });

/** What is recorded, with the category that the work takes and those of the certificate. */
interface Work extends Recorded {
  readonly category?: string | undefined;
  readonly categories?: string | undefined;
}

/** Whether a certificate's categories, "core, turf and ornamental", name one. */
export const namesCategory = (categories: string | undefined, category: string): boolean =>
  (categories ?? "").split(",").some((one) => sameName(one, category));

function lacking(record: Work): Lacking[] {
  const fields = missingByLaw(record);
  const ended = record.restricted && certificateEnded(record) ? record.certificateEnds : undefined;
  const { category } = record;
  const uncovered = category !== undefined && !namesCategory(record.categories, category) ? category : undefined;
  return fields.length > 0 || ended !== undefined || uncovered !== undefined
    ? [{ product: record.product, fields, ended, category: uncovered }]
    : [];
}
