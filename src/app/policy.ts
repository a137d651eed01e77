import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import path from "node:path";

/**
 * What a page may run: the app's own files, and of what stands in a page just the scripts that the build put there, each
 * told by its hash. Pages are static, so their scripts are known at the start. Styles are made as components are drawn
 * (Emotion): those stay allowed. `data:` and WebAssembly are for the PDF library, which carries its layout engine in itself.
 */
const REST =
  "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; font-src 'self' data:; connect-src 'self' data:; object-src 'none'; frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

/** The policy of a page with these scripts in it. */
const policyWith = (hashes: readonly string[]): string =>
  `${REST}; script-src 'self' 'wasm-unsafe-eval' ${hashes.map((hash) => `'sha256-${hash}'`).join(" ")}`.trim();

/** The hashes of the scripts that stand in a page. */
export function inlineHashes(html: string): string[] {
  const scripts = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map((match) => match[1]!);
  return [...new Set(scripts)].map((script) => createHash("sha256").update(script).digest("base64"));
}

/** The policies of the pages of a build, by their path; that of any other address. */
export interface Policies {
  readonly of: (pathname: string) => string;
}

/** @param folder the built pages: `.next/server/app` */
export function policiesOf(folder: string): Policies {
  const files = existsSync(folder) ? readdirSync(folder, { recursive: true, encoding: "utf8" }) : [];
  const pages = new Map<string, string>();
  for (const file of files.filter((name) => name.endsWith(".html"))) {
    const html = readFileSync(path.join(/*turbopackIgnore: true*/ folder, file), "utf8");
    const name = file.replaceAll(path.sep, "/").replace(/\.html$/, "");
    pages.set(name === "index" ? "/" : `/${name}`, policyWith(inlineHashes(html)));
  }
  const none = pages.get("/_not-found") ?? policyWith([]);
  return { of: (pathname) => pages.get(pathname) ?? none };
}
