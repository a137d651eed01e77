import { and, eq } from "drizzle-orm";
import type { Access } from "./access";
import { savedRequests } from "./schema";

/** What was asked to be kept under an id; undefined where nothing was, or before this was noted. */
export const savedDigest = (db: Access, kind: string, recordId: string): string | undefined =>
  db
    .select({ digest: savedRequests.digest })
    .from(savedRequests)
    .where(and(eq(savedRequests.kind, kind), eq(savedRequests.recordId, recordId)))
    .get()?.digest;

export function noteSaved(db: Access, kind: string, recordId: string, digest: string, at: string): void {
  db.insert(savedRequests).values({ kind, recordId, digest, at }).run();
}
