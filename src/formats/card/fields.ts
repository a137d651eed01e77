import { DROPLETS } from "@/core/calibration/tips";
import { PRODUCT_USES } from "@/core/hose-end/suitability";
import { YEAR_KINDS } from "@/core/labels/label";
import type { Kind } from "@/core/quantity/kinds";
import type { FieldUnits } from "@/core/quantity/typed";
import { RESTRICTED_USE, SIGNAL_WORDS, type CardText } from "./card";

/** How a text of the card is checked. One table feeds the reader, the form, the CSV and the card's own face. */
export type Check =
  | { readonly of: "text"; readonly most: number }
  | { readonly of: "choice"; readonly choices: readonly string[] }
  | { readonly of: "quantity"; readonly kind: Kind; readonly units: FieldUnits }
  | { readonly of: "days" }
  | { readonly of: "temperature" }
  | { readonly of: "analysis" };

export interface CardField {
  readonly key: ScalarKey;
  readonly label: string;
  readonly check: Check;
  readonly example?: string;
  /** The example of a metric reader, where it is another one. */
  readonly metric?: string;
}

type ListKey = "actives" | "gear" | "packages" | "rates" | "limits";
export type ScalarKey = Exclude<keyof CardText, ListKey | "name" | "form">;

const text = (key: ScalarKey, label: string, most: number, example?: string): CardField => ({
  key,
  label,
  check: { of: "text", most },
  ...(example !== undefined && { example }),
});
const choice = (key: ScalarKey, label: string, choices: readonly string[]): CardField => ({
  key,
  label,
  check: { of: "choice", choices },
});
const days = (key: ScalarKey, label: string): CardField => ({ key, label, check: { of: "days" }, example: "60 days" });
const q = (key: ScalarKey, label: string, kind: Kind, units: FieldUnits, example: string, metric = example): CardField => ({
  key,
  label,
  check: { of: "quantity", kind, units },
  example,
  metric,
});
const degrees = (key: ScalarKey, label: string, example: string, metric: string): CardField => ({
  key,
  label,
  check: { of: "temperature" },
  example,
  metric,
});
/** The unit that a bare number has, by the reader's units. */
const both = (us: string, metric = us): FieldUnits => ({ us, metric });

/** The single texts of a card, in the groups in which a label is read. */
export const CARD_GROUPS: readonly { readonly title: string; readonly fields: readonly CardField[] }[] = [
  {
    title: "What it is",
    fields: [
      text("formulation", "Formulation", 40, "WG"),
      choice("use", "Used as", PRODUCT_USES),
      { key: "analysis", label: "Analysis", check: { of: "analysis" }, example: "24-0-11" },
      q("gravity", "Specific gravity", "gravity", both(""), "1.12"),
      text("registration", "Registration number", 40, "DEMO-101"),
      choice("restricted", "Who may buy it", [RESTRICTED_USE]),
      text("category", "Takes the category", 60, "turf and ornamental"),
      choice("signalWord", "Signal word", SIGNAL_WORDS),
    ],
  },
  {
    title: "In the tank",
    fields: [
      q("gallonCovers", "A gallon is for", "area", both("ft2", "m2"), "1000 ft2", "25 m2"),
      q("carrierAtLeast", "Carrier at least", "sprayVolume", both("gal/1000 ft2", "L/100 m2"), "1 gal/1000 ft2", "4 L/100 m2"),
      q("dilutionAtLeast", "Water to product at least", "dilution", both(":1"), "9:1"),
      choice("droplets", "Droplets", DROPLETS),
      choice("hoseEnd", "Hose-end head", ["allowed", "not allowed"]),
      text("order", "Mixing order of the label", 400, "fill half, add while agitating"),
    ],
  },
  {
    title: "Where and when",
    fields: [
      text("turfs", "Turf allowed", 300, "bentgrass, ryegrass"),
      days("afterSeeding", "Wait after seeding"),
      days("afterSodding", "Wait after sodding"),
      days("beforeSeeding", "Before seeding"),
      days("beforeSodding", "Before sodding"),
      days("residual", "Stays active for"),
      text("keepOut", "Keep out of", 300, "beds, water, food gardens"),
    ],
  },
  {
    title: "Weather",
    fields: [
      q("wind", "Wind at most", "speed", both("mph", "km/h"), "10 mph", "16 km/h"),
      degrees("airLeast", "Air at least", "50 °F", "10 °C"),
      degrees("airMost", "Air at most", "85 °F", "29 °C"),
      days("airOver", "over"),
      degrees("soilLeast", "Soil at least", "50 °F", "10 °C"),
      degrees("soilMost", "Soil at most", "70 °F", "21 °C"),
    ],
  },
  {
    title: "Afterwards",
    fields: [
      q("waterLeast", "Water in, at least", "length", both("in", "mm"), "0.25 in", "6 mm"),
      q("waterMost", "at most", "length", both("in", "mm"), "0.5 in", "12 mm"),
      q("waterWithin", "within", "time", both("h"), "24 h"),
      q("keepDry", "Keep dry for", "time", both("h"), "24 h"),
      text("reentry", "People and pets back", 120, "when dry"),
      days("mowAfter", "No mowing for"),
      text("visible", "Effect to be seen", 120, "after 14 days"),
      text("suppresses", "Only suppresses", 200, "nutsedge, clover"),
    ],
  },
  {
    title: "If something goes wrong",
    fields: [text("firstAid", "First aid", 600), text("emergency", "Emergency contact", 120), text("notes", "Notes", 1000)],
  },
];

export const CARD_FIELDS: readonly CardField[] = CARD_GROUPS.flatMap((group) => group.fields);
export const YEARS: readonly string[] = YEAR_KINDS;
