import type { KeptSite } from "@/formats/entries";
import type { Cursor } from "@/formats/slices";
import type { Access } from "@/records/database";
import { sitesPage } from "@/records/sites";

const AT_ONCE = 300;

/** All sites that aren't retired, by name, some at a time. */
export function* liveSites(db: Access): Generator<readonly KeptSite[]> {
  let after: Cursor | undefined;
  do {
    const page = sitesPage(db, { retired: false }, after, AT_ONCE);
    yield page.rows.map((row) => row.site);
    after = page.next ?? undefined;
  } while (after);
}
