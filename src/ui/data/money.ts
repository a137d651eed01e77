import { writeNumber } from "@/core/quantity/format";

/** A sum in a currency (ISO 4217): "1,250.00 EUR". */
export const money = (value: number, currency: string): string => `${writeNumber(value, { decimals: 2 })} ${currency}`;
