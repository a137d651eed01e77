/** What a price is in where nobody has said: as every price was before a firm could say. */
export const DEFAULT_CURRENCY = "USD";

/** The codes of ISO 4217 that the platform knows. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf("currency");

export const isCurrency = (value: unknown): value is string => CURRENCIES.includes(value as string);
