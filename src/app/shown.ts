import { promisify } from "node:util";
import { gzip } from "node:zlib";
import type { IncomingMessage, ServerResponse } from "node:http";
import { records, revisionOf, type Records } from "@/records/database";
import { todayOf } from "@/services/clock";

/**
 * What screens read again and again: worked out once for each state of the records, packed once, and not sent to whoever has
 * it already. It is answered at the door, before the framework builds a request: fifty screens that poll cost a save nothing.
 */
interface Kept {
  readonly tag: string;
  readonly plain: Buffer;
  /** Packed, as soon as it is. */
  packed?: Buffer;
}

// The door and the routes are built apart, and share this.
const shared = globalThis as typeof globalThis & { carefulGaugeShown?: Map<string, Kept> };
const kept = () => (shared.carefulGaugeShown ??= new Map<string, Kept>());
const MOST_KEPT = 200;
const pack = promisify(gzip);
/** Less than this isn't worth packing, bytes. */
const SMALL = 2000;

/** The state of the records and the day, as a tag: the same as long as nothing that is shown can have changed. */
const tagOf = (db: Records): string => `"${revisionOf(db)}.${todayOf(db)}"`;

const headersFor = (tag: string) => ({ "cache-control": "no-store", "x-server-time": String(Date.now()), etag: tag });

/** Works something out and keeps it for whoever asks next. @param path where it is asked for · @param make undefined where there is none */
export function showAgain(path: string, make: (db: Records) => unknown): Response {
  const db = records();
  const tag = tagOf(db);
  const known = kept().get(path);
  // Of many that ask at once after a change the first works it out.
  if (known?.tag === tag) return answerWith(known);
  const value = make(db);
  if (value === undefined) return Response.json(null, { status: 404, headers: { "cache-control": "no-store" } });
  const one: Kept = { tag, plain: Buffer.from(JSON.stringify(value)) };
  const all = kept();
  all.delete(path);
  if (all.size >= MOST_KEPT) all.delete(all.keys().next().value!);
  all.set(path, one);
  if (one.plain.length > SMALL) void pack(one.plain, { level: 4 }).then((packed) => (one.packed = packed));
  return answerWith(one);
}

const answerWith = ({ tag, plain }: Kept): Response =>
  new Response(new Uint8Array(plain), { headers: { ...headersFor(tag), "content-type": "application/json" } });

/** Answers what is known already; false where it has to be worked out. */
export function answerKept(request: IncomingMessage, response: ServerResponse): boolean {
  if (request.method !== "GET" || !request.url?.startsWith("/api/")) return false;
  const one = kept().get(request.url);
  if (!one) return false;
  let tag: string;
  try {
    tag = tagOf(records());
  } catch {
    return false;
  }
  if (one.tag !== tag) return false;
  const headers = headersFor(tag);
  if (request.headers["if-none-match"] === tag) {
    response.writeHead(304, headers);
    response.end();
    return true;
  }
  const packs = one.packed !== undefined && /\bgzip\b/.test(String(request.headers["accept-encoding"] ?? ""));
  const body = packs ? one.packed! : one.plain;
  response.writeHead(200, {
    ...headers,
    "content-type": "application/json",
    "content-length": body.length,
    "x-content-type-options": "nosniff",
    vary: "accept-encoding",
    ...(packs && { "content-encoding": "gzip" }),
  });
  response.end(body);
  return true;
}
