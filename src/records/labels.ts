import { asc, eq } from "drizzle-orm";
import { parseRate, raw } from "@/core/contents";
import type { ProductText } from "@/formats/job-file/types";
import type { Access } from "./database";
import { labels } from "./schema";

/** All labels, as a job file writes a product. */
export function listLabels(db: Access): { id: string; retired: boolean; product: ProductText }[] {
  return db
    .select()
    .from(labels)
    .orderBy(asc(labels.name))
    .all()
    .map((row) => ({ id: row.id, retired: row.retiredAt !== null, product: textOf(row) }));
}

export function findLabel(db: Access, id: string): ProductText | undefined {
  const row = db.select().from(labels).where(eq(labels.id, id)).get();
  return row && textOf(row);
}

export const labelNamed = (db: Access, name: string) =>
  db.select({ id: labels.id }).from(labels).where(eq(labels.name, name)).get();

/** Adds a label, or brings the one with this id up to date. */
export function putLabel(db: Access, id: string, product: ProductText, now: string): void {
  const row = {
    name: product.name,
    form: product.form,
    formulation: product.formulation ?? null,
    rate: product.rate,
    rateValue: rateValue(product),
    priceAmount: product.price?.amount ?? null,
    priceCurrency: product.price?.currency ?? null,
    pricePer: product.price?.per ?? null,
  };
  db.insert(labels)
    .values({ id, ...row, createdAt: now })
    .onConflictDoUpdate({ target: labels.id, set: row })
    .run();
}

export function retireLabel(db: Access, id: string, at: string | null): boolean {
  return db.update(labels).set({ retiredAt: at }).where(eq(labels.id, id)).run().changes === 1;
}

/** The rate in the coherent set. @throws Error where the recorded rate can't be read or doesn't go with the form. */
function rateValue(product: Pick<ProductText, "rate" | "form">): number {
  const rate = parseRate(product.rate, product.form);
  if (!rate.ok) throw new Error(`a recorded rate can't be read: ${rate.issues[0]!.code}`);
  return raw(rate.value.value as Parameters<typeof raw>[0]);
}

function textOf(row: typeof labels.$inferSelect): ProductText {
  rateValue(row);
  return {
    name: row.name,
    form: row.form,
    ...(row.formulation !== null && { formulation: row.formulation }),
    rate: row.rate,
    ...(row.priceAmount !== null && {
      price: { amount: row.priceAmount, currency: row.priceCurrency ?? "USD", per: row.pricePer! },
    }),
  };
}
