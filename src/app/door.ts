import { networkInterfaces } from "node:os";
import http, { type IncomingMessage, type ServerResponse } from "node:http";
import type { Policies } from "./policy";

/**
 * The door of the server, before anything else sees a request: who is asked for (the Host header), how, and what for.
 * A page elsewhere can point its own name at this machine and then read and write here as if it were ours; it can't make a
 * browser send one of our names.
 */

export interface Asked {
  readonly method: string | undefined;
  readonly host: string | undefined;
  readonly url: string | undefined;
  /** How many Host headers it has: a second one is somebody's attempt to mean two servers at once. */
  readonly hosts?: number;
}

export interface Refusal {
  readonly status: number;
  readonly text: string;
}

const METHODS = ["GET", "HEAD", "POST"];
const LOOPBACK = /^(localhost|.+\.localhost|127(\.\d{1,3}){3}|\[::1\])$/;

/** The flag that opens the server to others, by what it does. */
export const OPEN_FLAG = "CAREFUL_GAUGE_LET_ANYONE_ON_THIS_NETWORK_READ_AND_WRITE";

/** The names that this server answers to beside its loopback ones, as the owner lists them. */
export function namesOf(env: Readonly<Record<string, string | undefined>>): string[] {
  const listed = (env.CAREFUL_GAUGE_HOSTS ?? "").split(",").map((name) => name.trim().toLowerCase());
  const own =
    env[OPEN_FLAG] === "yes"
      ? Object.values(networkInterfaces()).flatMap((all) =>
          (all ?? []).map(({ address, family }) => (family === "IPv6" ? `[${address}]` : address)),
        )
      : [];
  return [...listed, ...own].filter((name) => name !== "");
}

/** Why a request is not let in; undefined where it is. @param names beside the loopback ones */
export function refusalOf({ method, host, url, hosts = 1 }: Asked, names: readonly string[]): Refusal | undefined {
  if (!METHODS.includes(method ?? "")) return { status: 405, text: `${METHODS.join(", ")} are taken here.` };
  if (hosts > 1) return { status: 400, text: "A request names one host." };
  const name = (host ?? "").toLowerCase().replace(/:\d{1,5}$/, "");
  if (name === "" || !(LOOPBACK.test(name) || names.includes(name)))
    return {
      status: 421,
      text: "This server answers to the names of this machine alone. Its owner can list others in CAREFUL_GAUGE_HOSTS.",
    };
  try {
    decodeURIComponent((url ?? "/").split("?")[0]!);
  } catch {
    return { status: 400, text: "This address can't be read: a % stands in it that is no character." };
  }
  return undefined;
}

/**
 * Stands at the door of every server of this process, however it was started.
 * @param policies what each page may run; left out in development, where Next evaluates code and keeps a socket open
 * @param known answers what needs no working out
 */
export function standAtTheDoor(
  env: Readonly<Record<string, string | undefined>>,
  policies?: Policies,
  known: (request: IncomingMessage, response: ServerResponse) => boolean = () => false,
): void {
  const names = namesOf(env);
  const { emit } = http.Server.prototype;
  http.Server.prototype.emit = function (this: http.Server, event: string | symbol, ...args: unknown[]): boolean {
    if (event === "request") {
      const [request, response] = args as [IncomingMessage, ServerResponse];
      const { method, url, headers, rawHeaders } = request;
      const hosts = rawHeaders.filter((header, i) => i % 2 === 0 && header.toLowerCase() === "host").length;
      const refused = refusalOf({ method, host: headers.host, url, hosts }, names);
      if (refused) {
        response.writeHead(refused.status, { "content-type": "text/plain; charset=utf-8", connection: "close" });
        response.end(request.method === "HEAD" ? undefined : `${refused.text}\n`);
        return true;
      }
      if (known(request, response)) return true;
      if (policies) response.setHeader("content-security-policy", policies.of((request.url ?? "/").split("?")[0]!));
    }
    return emit.apply(this, [event, ...args] as Parameters<typeof emit>);
  };
}
