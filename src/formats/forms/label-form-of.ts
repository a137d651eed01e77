import type { ProductText } from "../job-file/types";
import type { LabelForm } from "./label";

/** The form of one that exists, or an empty one. */
export function labelFormOf(product: Partial<ProductText> = {}): LabelForm {
  return {
    name: product.name ?? "",
    form: product.form ?? "dry",
    formulation: product.formulation ?? "",
    rate: product.rate ?? "",
    priceAmount: product.price ? String(product.price.amount) : "",
    pricePer: product.price?.per ?? "",
  };
}
