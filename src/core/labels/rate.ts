import { bad, type Issue, type Result } from "../issue";
import { RATE_KINDS, RATES_OF_FORM, type Form, type LabelRate, type RateKind } from "./label-rate";
import { parseAs, type Entered, type ParseOptions } from "../quantity/parse";
import { withinField } from "../quantity/ranges";

/**
 * Reads a label rate: product for an area (`0.2 oz/1000 ft2`) or for a volume of spray (`1.5 fl oz/gal`, `0.25 %v/v`).
 * A weight on a liquid and a volume on a dry product are faults that ask which is meant: a weight ounce and a fluid
 * ounce share a name and nothing else.
 */
export function parseRate(typed: unknown, form: Form | undefined, options: ParseOptions = {}): Result<LabelRate> {
  const order =
    form === "liquid" ? (["rateByVolume", "rateByWeight", "strengthByVolume", "strengthByWeight"] as const) : RATE_KINDS;
  const percent = options.dialect === "screen" && typeof typed === "string" ? /^(\S+?) ?%$/.exec(typed.trim())?.[1] : undefined;
  // A label's "0.5 %" of a liquid is by volume (common practice); of a dry product it would be a weight for a volume.
  if (percent !== undefined && form === "dry")
    return bad({
      path: options.path ?? "",
      code: "wrong-unit",
      received: typed as string,
      expected: `the weight for so much spray, e.g. "5 g/L" or "0.7 oz/gal" (about 0.5 %)`,
    });
  const result = parseAs<RateKind>(percent === undefined ? typed : `${percent} %v/v`, order, options);
  if (!result.ok) return result;
  const rate = result.value as LabelRate;
  const wrong = form && formFault(rate, form, String(typed), options.path ?? "");
  return wrong ? bad(wrong) : { ok: true, value: rate };
}

/** The fault of a rate that does not go with the product's form. */
function formFault(rate: LabelRate, form: Form, typed: string, path: string): Issue | undefined {
  if ((RATES_OF_FORM[form] as readonly RateKind[]).includes(rate.kind)) return undefined;
  if (form === "liquid") {
    const asFluid = /^\S+ oz\b/.test(rate.text)
      ? `"${rate.text.replace(/ oz\b/, " fl oz")}" if fluid ounces are meant`
      : `a volume, e.g. "${rate.text.replace(/^(\S+) [^/]+/, "$1 fl oz")}"`;
    return { path, code: "weight-on-liquid", received: typed, expected: `write ${asFluid}` };
  }
  const asWeight = /^\S+ fl oz\b/.test(rate.text)
    ? `"${rate.text.replace(" fl oz", " oz")}" if ounces of weight are meant`
    : `a weight, e.g. "${rate.text.replace(/^(\S+) [^/]+/, "$1 oz")}"`;
  return { path, code: "volume-on-dry", received: typed, expected: `write ${asWeight}` };
}

/** Reads what stands on a shelf: as a package's content, and no more than a shed holds. */
export function parseOnShelf(
  typed: unknown,
  form: Form,
  options: ParseOptions = {},
): Result<Entered<"mass"> | Entered<"volume">> {
  const read = parsePackage(typed, form, options);
  if (!read.ok || (options.zero && read.value.number === 0)) return read;
  const path = options.path ?? "";
  return read.value.kind === "mass" ? withinField("shelfWeight", read.value, path) : withinField("shelfVolume", read.value, path);
}

/** Reads a package's content: a weight of a dry product, a volume of a liquid one. */
export function parsePackage(
  typed: unknown,
  form: Form,
  options: ParseOptions = {},
): Result<Entered<"mass"> | Entered<"volume">> {
  const read = parseAs<"mass" | "volume">(typed, ["mass", "volume"], options);
  if (!read.ok) return read;
  const content = read.value as Entered<"mass"> | Entered<"volume">;
  if (content.kind === (form === "dry" ? "mass" : "volume")) return { ok: true, value: content };
  const [code, expected] =
    form === "dry"
      ? (["volume-on-dry", `write a weight, e.g. "80 oz"`] as const)
      : (["weight-on-liquid", `write a volume, e.g. "64 fl oz"`] as const);
  return bad({ path: options.path ?? "", code, received: String(typed), expected });
}
