import { certificateEnded, missingByLaw, type LawField } from "@/core/log/complete";
import { RESTRICTED_USE } from "./card/card";
import type { ApplicationEntry, PersonEntry } from "./entries";
import { cardOfProduct } from "./gear";
import type { JobFile } from "./job-file/types";
import { certificateOn } from "./papers";

/** What a record of a restricted-use product lacks. */
export interface Lacking {
  readonly product: string;
  readonly fields: readonly LawField[];
  /** The day on which the certificate ended, where that was before the work. */
  readonly ended?: string | undefined;
}

/** What the records of a sheet would lack if it were put on record for a day; nothing of products that anybody may use. */
export function missingOfSheet(job: JobFile, person: PersonEntry | undefined, date: string): Lacking[] {
  const certificate = certificateOn(person?.papers ?? [], date);
  const zones = (job.sites ?? []).flatMap((site) => site.zones.map((zone) => ({ site, zone })));
  const bare = zones.find(({ zone }) => zone["x-turf"] === undefined) ?? zones[0];
  return (job.products ?? []).flatMap((product): Lacking[] => {
    const card = cardOfProduct(product);
    if (card.restricted !== RESTRICTED_USE || !bare) return [];
    return lacking({
      product: product.name,
      registration: card.registration,
      restricted: true,
      total: product.rate,
      site: bare.site.name,
      zone: bare.zone.name ?? "the lawn",
      area: bare.zone.area,
      turf: bare.zone["x-turf"],
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

function lacking(record: Parameters<typeof missingByLaw>[0]): Lacking[] {
  const fields = missingByLaw(record);
  const ended = record.restricted && certificateEnded(record) ? record.certificateEnds : undefined;
  return fields.length > 0 || ended !== undefined ? [{ product: record.product, fields, ended }] : [];
}
