import { bad, type Issue, type Result } from "@/core/issue";
import type { System } from "@/core/working/units";
import { hasHalf } from "@/formats/json-file";
import { records, type Records } from "@/records/database";
import { revisionsOf } from "@/records/revision";
import { firstFaults } from "@/services/background/import-file";
import { faultOf } from "@/services/faults";
import { issuesFor } from "@/services/held";
import { issue } from "@/services/input";

/** What a request may bring, unless its route says otherwise. */
export interface Limits {
  /** Bytes. */
  readonly most: number;
}
const USUAL: Limits = { most: 64_000 };
/** No form of ours nests deeper, or has more parts, than this. */
const DEEPEST = 16;
const PARTS = 20_000;

/** Answers with a service's result: 200 with the value, 4xx with the issues. What breaks inside stays inside. */
export async function answerTo(
  request: Request,
  work: (db: Records, body: unknown) => Result<unknown> | Promise<Result<unknown>>,
  limits: Limits = USUAL,
): Promise<Response> {
  const refused = foreign(request, "application/json");
  if (refused) return refused;
  const text = await readBody(request, limits);
  if (!text.ok) return respond(text);
  const body = parse(text.value);
  if (!body.ok) return respond(body);
  return guarded(async () => {
    const db = records();
    const before = revisionsOf(db);
    const response = respond(await work(db, body.value), unitsOf(request));
    // Which kinds of record it changed: a screen reads again what is made of them.
    const touched = [...revisionsOf(db)].filter(([kind, n]) => n !== before.get(kind)).map(([kind]) => kind);
    response.headers.set("x-touched", touched.join(","));
    return response;
  });
}

/** Does something and answers also where it fails: with what a person can do about it, or that it was our fault. */
export async function guarded(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    return Response.json(failed(error), { status: faultOf(error) ? 503 : 500 });
  }
}

/** What failed, in words: what a person can do about it; or that it was our fault, which is told to the terminal. */
export function failed(error: unknown): ReturnType<typeof bad> {
  const fault = faultOf(error);
  if (fault) return bad(issue("", "fault", fault.reason, fault.todo));
  console.error(error);
  return bad(issue("", "internal", "this could not be kept", "nothing was changed; try again"));
}

/** Records are nobody's to keep on the way. */
const PRIVATE = { "cache-control": "no-store" };

/** The units of who asks: what is refused is said in them. */
const unitsOf = (request: Request): System => (request.headers.get("x-units") === "metric" ? "metric" : "us");

export const respond = (result: Result<unknown>, system: System = "us") =>
  result.ok
    ? Response.json(result, { headers: PRIVATE })
    : Response.json(
        { ...result, issues: issuesFor(firstFaults(result.issues), system) },
        { status: statusOf(result.issues), headers: PRIVATE },
      );

/**
 * The status of what is refused. 400: the request can't be understood; 403: it is another page's; 404: what it names isn't there; 409: the
 * records or the day stand against it; 413: it is too large; 500: our fault. Else 422: what stands in it is wrong.
 */
const STATUS: Partial<Record<Issue["code"], number>> = {
  "not-json": 400,
  "half-character": 400,
  "foreign-request": 403,
  "not-found": 404,
  "kept-otherwise": 409,
  "changed-meanwhile": 409,
  "already-done": 409,
  "out-of-turn": 409,
  "not-allowed-now": 409,
  "calibration-unusable": 409,
  "plan-outdated": 409,
  busy: 409,
  stopped: 409,
  "too-big": 413,
  internal: 500,
};
/** Of several faults the one whose status says the most. */
const HARDEST = [500, 403, 400, 413, 404, 422, 409];

export function statusOf(issues: readonly Issue[]): number {
  const all = issues.map(({ code, path }) => STATUS[code] ?? (code === "unknown-name" && path === "" ? 404 : 422));
  return HARDEST.find((status) => all.includes(status)) ?? 422;
}

const kB = (bytes: number) => `${Math.ceil(bytes / 1000).toLocaleString("en-US")} kB`;
export const tooBig = (bytes: number, most: number) => bad(issue("", "too-big", kB(bytes), kB(most)));

/** The text of a request, as far as it may go: nothing is built of one that is larger. */
async function readBody(request: Request, { most }: Limits): Promise<Result<string>> {
  const told = Number(request.headers.get("content-length") ?? 0);
  if (told > most) return tooBig(told, most);
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.byteLength;
    if (bytes > most) return tooBig(bytes, most);
    chunks.push(chunk);
  }
  return { ok: true, value: Buffer.concat(chunks).toString("utf8") };
}

function parse(text: string): Result<unknown> {
  const shape = shapeFault(text);
  if (shape) return bad(shape);
  try {
    const value: unknown = JSON.parse(text);
    return hasHalf(text, value) ? bad(issue("", "half-character", "", "")) : { ok: true, value };
  } catch {
    return bad(issue("", "not-json", "the request", "send JSON"));
  }
}

/** A text that nests too deep or has too many parts, told before it is parsed. */
function shapeFault(text: string): Issue | undefined {
  let depth = 0;
  let parts = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i += 1;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 123 || c === 91) {
      depth += 1;
      if (depth > DEEPEST) return issue("", "too-many", `more than ${DEEPEST} levels`, String(DEEPEST));
    } else if (c === 125 || c === 93) depth -= 1;
    else if (c === 44) parts += 1;
  }
  return parts > PARTS
    ? issue("", "too-many", `${parts.toLocaleString("en-US")} parts`, PARTS.toLocaleString("en-US"))
    : undefined;
}

/** A page of another site must not write here through someone's browser. @param type of what is sent */
export function foreign(request: Request, type: string): Response | undefined {
  const origin = request.headers.get("origin");
  const own = origin === null || hostOf(origin) === request.headers.get("host");
  const sent = request.headers.get("content-type")?.split(";")[0]!.trim().toLowerCase();
  if (own && sent === type) return undefined;
  return respond(bad(issue("", "foreign-request", "a request from elsewhere", "use this app's own pages")));
}

const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : "");
