import { createHash } from "node:crypto";

/** An id that the same thing out of a file always gets, so that the same file twice brings nothing new. */
export const fileId = (...parts: string[]): string =>
  createHash("sha256").update(parts.join("\u0000")).digest("base64url").slice(0, 21);
