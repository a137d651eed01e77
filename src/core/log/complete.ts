/**
 * Whether a record has what the law asks for. Title 7 of the Code of Federal Regulations, § 110.3(a) (from memory), wants of each
 * application of a restricted-use product: (1) the brand or product name and its EPA registration number, (2) the total amount,
 * (3) the location, the size of the area treated, and the crop, commodity, stored product or site, (4) month, day and year, and
 * (5) the name and the certification number of the certified applicator; kept for two years. Local rules may ask for more.
 */
export interface Recorded {
  readonly product: string;
  readonly registration?: string | undefined;
  readonly restricted: boolean;
  readonly total: string;
  readonly site: string;
  readonly zone: string;
  readonly area: string;
  /** What grows there: the "crop or site". */
  readonly turf?: string | undefined;
  readonly date: string;
  readonly person?: string | undefined;
  readonly certificate?: string | undefined;
  /** The last day of the certificate, ISO. */
  readonly certificateEnds?: string | undefined;
}

/** What § 110.3(a) asks for, in its order. */
export const ASKED_BY_LAW = [
  "product",
  "registration",
  "total",
  "place",
  "area",
  "site",
  "date",
  "applicator",
  "certificate",
] as const;
export type LawField = (typeof ASKED_BY_LAW)[number];

const blank = (text: string | undefined): boolean => text === undefined || text.trim() === "";

/** What is missing of what the law asks for; nothing where the product isn't restricted. In the law's order. */
export function missingByLaw(record: Recorded): LawField[] {
  if (!record.restricted) return [];
  const has: Record<LawField, boolean> = {
    product: !blank(record.product),
    registration: !blank(record.registration),
    total: !blank(record.total),
    place: !blank(record.site) && !blank(record.zone),
    area: !blank(record.area),
    site: !blank(record.turf),
    date: !blank(record.date),
    applicator: !blank(record.person),
    certificate: !blank(record.certificate),
  };
  return ASKED_BY_LAW.filter((field) => !has[field]);
}

/** Whether the certificate had ended by the day of the application. */
export const certificateEnded = ({ certificateEnds, date }: Pick<Recorded, "certificateEnds" | "date">): boolean =>
  certificateEnds !== undefined && certificateEnds < date;

/** Where each is put right, in words. */
export const LAW_WORDS: Record<LawField, string> = {
  product: "the product's name",
  registration: "the registration number: it stands on the label, note it on its card",
  total: "the total amount",
  place: "the place",
  area: "the area treated",
  site: "the crop or site: note the zone's turf",
  date: "the date",
  applicator: "who applied it",
  certificate: "the applicator's certificate number: note it with the crew's papers",
};
