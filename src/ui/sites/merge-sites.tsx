"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { areaAsRead } from "@/core/working/as-read";
import type { System } from "@/core/working/units";
import { sameName } from "@/core/names";
import { entered } from "@/core/quantity/parse";
import type { KeptZone, SiteEntry } from "@/formats/entries";
import { canonical } from "@/core/quantity/arithmetic";
import { COMES, farAreas } from "@/formats/grounds";
import { sentences, useSend, useSite } from "../data/records";
import { useSystem } from "../data/units";
import { AskWhy } from "../parts/ask-why";
import { Choose, type Option } from "../parts/choose";
import { Button, Note } from "../parts/controls";
import { Fold } from "../parts/fold";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";
import { SitePick } from "../parts/pickers";

const zoneWords = (zone: KeptZone, system: System) => `${zone.name}, ${areaAsRead(zone.area, system)}`;

const areaOf = (zone: KeptZone): number => canonical(entered(zone.area, "area").value);

/** Makes one of two sites that are one customer's. @param onDone the other is gone then */
export function MergeSites({ site, onDone }: { site: SiteEntry; onDone: () => void }) {
  const [otherId, setOther] = useState("");
  const other = useSite(otherId === "" ? undefined : otherId);
  return (
    <Box marginTop="18px" borderTop="1px solid" borderColor="line" paddingTop="10px">
      <Fold title={`Another site is the same as ${site.site.name}`}>
        <Column gap="10px" paddingTop="6px">
          <SitePick label="The other site" value={otherId} without={[site.id]} onPick={setOther} />
          {other && <Merging key={other.id} site={site} other={other} onDone={onDone} />}
        </Column>
      </Fold>
    </Box>
  );
}

function Merging({ site, other, onDone }: { site: SiteEntry; other: SiteEntry; onDone: () => void }) {
  const system = useSystem();
  const here = site.site.zones;
  // Zones of one name are likely one ground: that is offered, the rest is to be said.
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(
      other.site.zones.flatMap((zone) => {
        const same = here.find((one) => sameName(one.name, zone.name));
        return same ? [[zone.id, same.id]] : [];
      }),
    ),
  );
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const send = useSend();
  const open = other.site.zones.some((zone) => !answers[zone.id]);
  // Asked before it is sent: the server would ask it, too.
  const far = other.site.zones.flatMap((zone) => {
    const same = here.find((one) => one.id === answers[zone.id]);
    return same && farAreas(areaOf(same), areaOf(zone))
      ? [`${zoneWords(zone, system)} there, ${zoneWords(same, system)} here`]
      : [];
  });
  const options: readonly Option[] = [
    ["", "say which"],
    ...here.map((one): Option => [one.id, `the same ground as ${zoneWords(one, system)}`]),
    [COMES, "it comes as a zone of its own"],
  ];
  const merge = async (why?: string) => {
    const result = await send("/api/sites/merge", { keep: site.id, other: other.id, zones: answers, ...(why && { why }) });
    if (result.ok) onDone();
    else setTrouble(sentences(result.issues));
  };
  return (
    <>
      {other.site.zones.map((zone) => (
        <Choose
          key={zone.id}
          label={zoneWords(zone, system)}
          value={answers[zone.id] ?? ""}
          options={options}
          onPick={(answer) => setAnswers({ ...answers, [zone.id]: answer })}
        />
      ))}
      <Note>
        What went down on either counts for {site.site.name} from now on. {other.site.name} is retired, with its log. Areas stay
        as they are here. A hose-end head that was calibrated at its tap is calibrated anew.
      </Note>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      {far.length > 0 && !open ? (
        <>
          <Notice state="act">{far.join("; ")}: hardly one ground.</Notice>
          <AskWhy
            label="Why are they one ground?"
            placeholder="one of them was only the half that is sprayed"
            press="Make them one site"
            onSay={(why) => void merge(why)}
          />
        </>
      ) : (
        <Box>
          <Button type="button" look="act" disabled={open} onClick={() => void merge()}>
            Make them one site
          </Button>
        </Box>
      )}
    </>
  );
}
