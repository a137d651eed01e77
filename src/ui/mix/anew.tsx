"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { isChoice } from "@/formats/card/choice";
import type { Sheet, SiteEntry } from "@/formats/entries";
import { tankName } from "@/formats/job-file/assemble";
import { useInHand } from "../data/in-hand";
import { keep } from "../data/kept-here";
import { useSites } from "../data/records";
import { Button, Note } from "../parts/controls";
import { EMPTY_DRAFT, tankKey, type Draft, type DraftProduct } from "./draft";

/** The mix of a sheet as a draft: the same sites, zones and products, to be worked out with what is in force today. */
export function draftOfSheet({ job, run }: Sheet, sites: readonly SiteEntry[]): Draft {
  const own = job.sites ?? [];
  const ids = own.flatMap((site) => site.id ?? []);
  const mixed = own.flatMap((site) => site.zones.flatMap((zone) => zone.id ?? []));
  const spot = own[0]?.zones.find((zone) => zone.spot?.volume !== undefined);
  const zones = sites.filter((site) => ids.includes(site.id)).flatMap((site) => site.site.zones.map((zone) => zone.id));
  const tanks = job.rig.tanks ?? [];
  const at = tanks.findIndex((one) => one.name === tankName(job));
  const tank = at > 0 ? tankKey(tanks, at) : "";
  const products = (job.products ?? []).flatMap((product): DraftProduct[] => {
    const choice = product.rateChoice;
    const labelId = product.id;
    return labelId === undefined ? [] : [{ labelId, rate: product.rate, choice: isChoice(choice) ? choice : { row: 0, point: "typed" } }]; // prettier-ignore
  });
  return {
    ...EMPTY_DRAFT,
    purpose: run ? "day" : spot ? "spot" : own.length > 1 ? "sites" : "site",
    stops: ids,
    tank,
    tanks: { [tank]: { products, without: zones.filter((id) => !mixed.includes(id)) } },
    ...(spot && { spot: { zoneId: spot.id ?? "", volume: String(spot.spot?.volume) } }),
  };
}

/** The way on from a sheet that the world has overtaken: the same mix, worked out anew. What was poured of it counts already. */
export function WorkOutAnew({ sheet }: { sheet: Sheet }) {
  const router = useRouter();
  const { choose } = useInHand();
  const ids = (sheet.job.sites ?? []).flatMap((site) => site.id ?? []);
  const { sites } = useSites(ids);
  if (sheet.stopped.length === 0 || sheet.state !== "open") return null;
  return (
    <Box className="no-print">
      <Button
        look="act"
        onClick={() => {
          keep("mix", draftOfSheet(sheet, sites));
          choose({ rigId: sheet.rigId, ...(sheet.personId !== null && { personId: sheet.personId }), ...(ids[0] && { siteId: ids[0] }) }); // prettier-ignore
          router.push("/mix");
        }}
      >
        Work it out anew
      </Button>
      <Note>
        {sheet.poured
          ? "What was poured of this sheet counts on its ground; close it with what became of that."
          : "Withdraw this one then: until that it counts as planned."}
      </Note>
    </Box>
  );
}
