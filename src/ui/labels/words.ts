import { FORMULATIONS, showEntered, type Formulation } from "@/core/contents";
import { readRate } from "@/formats/forms/rate";
import type { ProductText } from "@/formats/job-file/types";

/** A rate on record, in a reader's words; the form tells a weight ounce from a fluid ounce. */
export function rateText(product: Pick<ProductText, "rate" | "form">): string {
  const rate = readRate(product.rate, product.form);
  return rate.ok ? showEntered(rate.value as Parameters<typeof showEntered>[0]) : product.rate;
}

export function formWords(product: Pick<ProductText, "form" | "formulation">): string {
  const code = product.formulation as Formulation | undefined;
  const known = code && code in FORMULATIONS ? FORMULATIONS[code].name : undefined;
  return [
    product.form === "dry" ? "dry, by weight" : "liquid, by volume",
    known && known.toUpperCase() !== code ? `${code} ${known}` : (known ?? code),
  ]
    .filter(Boolean)
    .join(" · ");
}
