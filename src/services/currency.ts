import { bad, good, type Result } from "@/core/issue";
import { DEFAULT_CURRENCY, isCurrency } from "@/formats/currency";
import { whole, type Access, type Records } from "@/records/database";
import { listLabels } from "@/records/labels";
import { changeSetting, putSetting, readSetting } from "@/records/settings";
import { pricesPaid } from "@/records/deliveries";
import { isReason, issue, nowText, shown } from "./input";

/** The currency that every price on record is in (ISO 4217). */
export const firmCurrency = (db: Access): string => readSetting(db, "currency") ?? DEFAULT_CURRENCY;

/**
 * Settles what the firm buys in: `{ currency, why? }`. Prices are kept as figures, none is converted: while there are any, another
 * currency needs a reason, which stays on record beside what stood before.
 */
export function saveCurrency(db: Records, input: unknown): Result<{ currency: string }> {
  const { currency, why } = (input ?? {}) as { currency?: unknown; why?: unknown };
  if (!isCurrency(currency)) return bad(issue("currency", "not-a-choice", shown(currency), "USD, EUR or another of ISO 4217"));
  return whole(db, (tx): Result<{ currency: string }> => {
    const was = firmCurrency(tx);
    if (was === currency) return good({ currency });
    const now = nowText();
    const prices = pricesOnRecord(tx);
    if (prices > 0) {
      if (!isReason(why))
        return bad(
          issue(
            "why",
            "reason-needed",
            prices === 1 ? `a price on record is in ${was}` : `${prices} prices on record are in ${was}`,
            `say why they are read as ${currency} from now on: none is converted`,
          ),
        );
      changeSetting(tx, "currency-why", why.trim(), now);
    }
    // What was never settled was USD all along: that is on record too.
    if (readSetting(tx, "currency") === undefined) putSetting(tx, "currency", was, now);
    changeSetting(tx, "currency", currency, now);
    return good({ currency });
  });
}

function pricesOnRecord(db: Access): number {
  const listed = listLabels(db).flatMap(({ card }) => card.packages.filter(({ price }) => price !== undefined));
  return pricesPaid(db) + listed.length;
}
