/** What a price is in where nobody has said: as every price was before a firm could say. */
export const DEFAULT_CURRENCY = "USD";

/** The codes of ISO 4217 that the platform knows: asked for by who picks one, since every page knows what a price is in. */
export const currencies = (): readonly string[] => Intl.supportedValuesOf("currency");

export const isCurrency = (value: unknown): value is string => currencies().includes(value as string);
