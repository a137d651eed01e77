import { promisify } from "node:util";
import { gzip } from "node:zlib";
import { records, revisionOf, type Records } from "@/records/database";
import { todayOf } from "@/services/clock";
import { guarded } from "./answer";

/**
 * What screens read again and again: worked out once for each state of the records, and not sent to whoever has it already.
 * A poll of nothing new costs two look-ups.
 */
interface Kept {
  readonly tag: string;
  readonly plain: Buffer;
  readonly packed: Promise<Buffer>;
}
const kept = new Map<string, Kept>();
const MOST_KEPT = 200;
const pack = promisify(gzip);
/** Less than this isn't worth packing, bytes. */
const SMALL = 2000;

/** @param key of what is shown · @param make works it out; undefined where there is none */
export const showAgain = (request: Request, key: string, make: (db: Records) => unknown): Promise<Response> =>
  guarded(async () => {
    const db = records();
    const headers = { "cache-control": "no-store", "x-server-time": String(Date.now()) };
    const tag = `"${revisionOf(db)}.${todayOf(db)}"`;
    if (request.headers.get("if-none-match") === tag)
      return new Response(null, { status: 304, headers: { ...headers, etag: tag } });
    let one = kept.get(key);
    if (one?.tag !== tag) {
      const value = make(db);
      if (value === undefined) return Response.json(null, { status: 404, headers });
      const plain = Buffer.from(JSON.stringify(value));
      one = { tag, plain, packed: pack(plain, { level: 4 }) };
      if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
      kept.set(key, one);
    }
    const type = { "content-type": "application/json", etag: tag, vary: "accept-encoding" };
    const packs = one.plain.length > SMALL && /\bgzip\b/.test(request.headers.get("accept-encoding") ?? "");
    return packs
      ? new Response(new Uint8Array(await one.packed), { headers: { ...headers, ...type, "content-encoding": "gzip" } })
      : new Response(new Uint8Array(one.plain), { headers: { ...headers, ...type } });
  });
