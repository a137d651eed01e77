import { records, revisionOf, type Records } from "@/records/database";
import { todayOf } from "@/services/clock";
import { guarded } from "./answer";

/**
 * What screens read again and again: worked out once for each state of the records, and not sent to whoever has it already.
 * A poll of nothing new costs two look-ups.
 */
interface Kept {
  readonly tag: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}
const kept = new Map<string, Kept>();
const MOST_KEPT = 200;

/** @param key of what is shown · @param make works it out; undefined where there is none */
export const showAgain = (request: Request, key: string, make: (db: Records) => unknown): Promise<Response> =>
  guarded(async () => {
    const db = records();
    const tag = `"${revisionOf(db)}.${todayOf(db)}"`;
    const headers = { "cache-control": "no-store", "x-server-time": String(Date.now()), etag: tag };
    if (request.headers.get("if-none-match") === tag) return new Response(null, { status: 304, headers });
    let one = kept.get(key);
    if (one?.tag !== tag) {
      const value = make(db);
      if (value === undefined) return Response.json(null, { status: 404, headers: { "cache-control": "no-store" } });
      one = { tag, bytes: new TextEncoder().encode(JSON.stringify(value)) };
      kept.delete(key);
      if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
      kept.set(key, one);
    }
    return new Response(one.bytes, { headers: { ...headers, "content-type": "application/json" } });
  });
