"use client";

import type { SiteText } from "@/formats/job-file/types";
import { Note } from "../parts/controls";
import { Notice } from "../parts/notices";

/** Who or what must be minded on the sites of a mix, before anything is poured, and how one gets in. */
export function SiteCautions({ sites }: { sites: readonly SiteText[] }) {
  return sites.flatMap((site) => [
    ...(site["x-minding"] === undefined
      ? []
      : [
          <Notice key={`minding ${site.name}`} state="act">
            {site.name}: {site["x-minding"]}. The label says how far to stay away, and for how long.
          </Notice>,
        ]),
    ...(site["x-access"] === undefined
      ? []
      : [
          <Note key={`access ${site.name}`}>
            {site.name}: {site["x-access"]}
          </Note>,
        ]),
  ]);
}
