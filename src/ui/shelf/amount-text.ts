import { fromCanonical } from "@/core/quantity/arithmetic";
import type { Form } from "@/core/labels/label-rate";
import { read, type System } from "@/core/working/units";

/** An amount of a product, g of a dry one or mL of a liquid one, in the reader's units. */
export const amountText = (amount: number, form: Form, system: System): string =>
  form === "dry" ? read(fromCanonical<"mass">(amount), "mass", system) : read(fromCanonical<"volume">(amount), "volume", system);
