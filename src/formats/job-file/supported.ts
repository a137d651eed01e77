import type { Issue } from "@/core/contents";
import type { JobFile } from "./types";

/**
 * What the format can say of a mix and the product can't work out yet. It answers with a fault that names it: a mix that
 * leaves something out would be worse than none.
 */
export function unsupportedIn(file: JobFile): Issue[] {
  return file.run ? [{ path: "run", code: "not-supported", received: "a day run", expected: "mix site by site" }] : [];
}
