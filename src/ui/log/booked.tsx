"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { readAmount } from "@/core/mixing/display";
import { read } from "@/core/working/units";
import { planOfSpread, readSpread } from "@/formats/job-file/spread";
import type { SpreadingEntry } from "@/formats/entries";
import { sentences, useSend, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { Lots, useLots } from "../mix/lots";
import { bagWords } from "../mix/spread-list";
import { Fold } from "../parts/fold";
import { Button, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { Row } from "../parts/layout";
import { AirAtMix } from "../weather/at-mix";

/** Granules that are booked and not down yet: put on record, or withdrawn. */
export function Booked() {
  const spreadings = useSlice("spreadings", {}).value ?? [];
  if (spreadings.length === 0) return null;
  return (
    <Box id="booked" marginBottom="22px">
      <SubHeading>Booked, to be spread dry</SubHeading>
      <Box as="ul" listStyleType="none" aria-label="Booked">
        {spreadings.map((one) => (
          <One key={one.id} spreading={one} />
        ))}
      </Box>
    </Box>
  );
}

function One({ spreading }: { spreading: SpreadingEntry }) {
  const { system } = useInHand();
  const send = useSend();
  const [date, setDate] = useState(todayDate());
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const lots = useLots(spreading.id, spreading.job.products ?? []);
  const job = readSpread(spreading.job);
  const items = job.ok ? planOfSpread({ ...job.value, sites: job.value.sites.map(bare) }).items : [];
  const close = async (how: "record" | "withdraw") => {
    const said = { date, ...(lots.told.some((lot) => lot !== null) && { lots: lots.told }) };
    const result = await send(`/api/spreads/${spreading.id}/${how}`, how === "record" ? said : {});
    if (result.ok) lots.forget();
    setTrouble(result.ok ? [] : sentences(result.issues));
  };
  const sites = (spreading.job.sites ?? []).map((s) => s.name).join(", ");
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" paddingY="8px" display="grid" gap="6px">
      <Box fontWeight="700">
        {sites} · {spreading.date}
      </Box>
      {items.map((item) => (
        <Box key={item.site + item.product.name}>
          {item.product.name}, {item.site}: {readAmount(item.total, system)} on {read(item.area.value, "area", system)}
          {item.bags && `, ${bagWords(item)}`}
        </Box>
      ))}
      <AirAtMix products={spreading.job.products ?? []} sites={spreading.job.sites ?? []} />
      <Fold title="The lot, off each bag">
        <Lots of={spreading.id} products={spreading.job.products ?? []} />
      </Fold>
      <Row gap="8px 12px" flexWrap="wrap" alignItems="flex-end">
        <Box width="180px">
          <TextField
            label="Spread on"
            of={sites}
            type="date"
            max={todayDate()}
            value={date}
            onChange={(e) => setDate(e.target.value)}
          />
        </Box>
        <Button onClick={() => void close("record")}>It is down: put on record</Button>
        <Button look="quiet" aria-label={`Withdraw ${sites}`} onClick={() => void close("withdraw")}>
          Withdraw
        </Button>
      </Row>
      {trouble.map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}

/** What was booked is shown as it was booked; whether it may go down now is the server's to say. */
const bare = <S extends { readonly zones: readonly object[] }>(site: S): S => ({
  ...site,
  zones: site.zones.map((zone) => ({ ...zone, applied: [] })),
});
