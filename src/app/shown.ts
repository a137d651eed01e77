import { promisify } from "node:util";
import { gzip } from "node:zlib";
import type { IncomingMessage, ServerResponse } from "node:http";
import type { SliceKind } from "@/formats/slices";
import { records, type Records } from "@/records/database";
import { revisionsOf } from "@/records/revision";
import { todayOf } from "@/services/clock";
import { kindsAt, readSlice } from "@/services/slices/read-slice";

/**
 * What screens read again and again: worked out once for each state of the records, packed once, and not sent to whoever has
 * it already. It is answered at the door, before the framework builds a request: fifty screens that poll cost a save nothing.
 */
interface Kept {
  readonly tag: string;
  readonly kinds: readonly SliceKind[];
  readonly plain: Buffer;
  /** Packed, as soon as it is. */
  packed?: Buffer;
}

// The door and the routes are built apart, and share this.
const shared = globalThis as typeof globalThis & { carefulGaugeShown?: Map<string, Kept>; carefulGaugeBoot?: string };
const kept = () => (shared.carefulGaugeShown ??= new Map<string, Kept>());
const MOST_KEPT = 400;
const pack = promisify(gzip);
/** Less than this isn't worth packing, bytes. */
const SMALL = 2000;

const boot = `${process.pid}.${Date.now().toString(36)}`;

/**
 * The state of what an answer is made of, and the day, as a tag: the same as long as nothing that is shown can have changed.
 * What was changed elsewhere leaves it as it is. Another start may be another program: its answers are its own.
 */
function tagOf(db: Records, kinds: readonly SliceKind[]): string {
  const revisions = revisionsOf(db);
  return `"${(shared.carefulGaugeBoot ??= boot)}.${kinds.map((kind) => revisions.get(kind) ?? 0).join("-")}.${todayOf(db)}"`;
}

const headersFor = (tag: string) => ({ "cache-control": "no-store", "x-server-time": String(Date.now()), etag: tag });

/** Works a slice out and keeps it for whoever asks next. @param path where it is asked for, with its query */
export function showSlice(path: string): Response {
  const db = records();
  const kinds = kindsAt(path);
  if (!kinds) return nothing();
  const tag = tagOf(db, kinds);
  const known = kept().get(path);
  // Of many that ask at once after a change the first works it out.
  if (known?.tag === tag) return answerWith(known);
  const value = readSlice(db, path);
  if (value === undefined) return nothing();
  const one: Kept = { tag, kinds, plain: Buffer.from(JSON.stringify(value)) };
  const all = kept();
  all.delete(path);
  if (all.size >= MOST_KEPT) all.delete(all.keys().next().value!);
  all.set(path, one);
  if (one.plain.length > SMALL) void pack(one.plain, { level: 4 }).then((packed) => (one.packed = packed));
  return answerWith(one);
}

const nothing = () => Response.json(null, { status: 404, headers: { "cache-control": "no-store" } });

const answerWith = ({ tag, plain }: Kept): Response =>
  new Response(new Uint8Array(plain), { headers: { ...headersFor(tag), "content-type": "application/json" } });

/** Answers what is known already; false where it has to be worked out. */
export function answerKept(request: IncomingMessage, response: ServerResponse): boolean {
  if (request.method !== "GET" || !request.url?.startsWith("/api/")) return false;
  const one = kept().get(request.url);
  if (!one) return false;
  let tag: string;
  try {
    tag = tagOf(records(), one.kinds);
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
