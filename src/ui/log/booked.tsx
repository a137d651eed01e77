"use client";

import { Box } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import type { Issue } from "@/core/issue";
import { readAmount } from "@/core/mixing/display";
import { read } from "@/core/working/units";
import type { SpreadItem } from "@/core/mixing/plan";
import { planOfSpread, readSpread } from "@/formats/job-file/spread";
import type { SpreadingEntry } from "@/formats/entries";
import { gearOf } from "@/formats/gear";
import { sentences, useSend, useSlice } from "../data/records";
import { todayDate } from "../data/clock";
import { useInHand } from "../data/in-hand";
import { AirNow } from "../mix/air-now";
import { GearList } from "../mix/gear-list";
import { Held } from "../mix/held";
import { closedToday, WashFirst } from "../after/wash-first";
import { Lots, useLots } from "../mix/lots";
import { bagWords } from "../mix/spread-list";
import { Stopped } from "../mix/stopped";
import { Check } from "../parts/choose";
import { Fold } from "../parts/fold";
import { Button, Note, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";
import { Row } from "../parts/layout";
import { AirAtMix } from "../weather/at-mix";

/** Granules that are booked and not down yet: put on record, or withdrawn. */
export function Booked() {
  const spreadings = useSlice("spreadings", {}).value ?? [];
  if (spreadings.length === 0) return <WashFirst />;
  return (
    <Box id="booked" marginBottom="22px">
      <WashFirst />
      <SubHeading>Booked, to be spread dry</SubHeading>
      <Box as="ul" listStyleType="none" aria-label="Booked">
        {spreadings.map((one) => (
          <One key={one.id} spreading={one} />
        ))}
      </Box>
    </Box>
  );
}

interface BagsProps {
  readonly spreading: SpreadingEntry;
  readonly items: readonly SpreadItem[];
  readonly done: ReadonlySet<string>;
  readonly onTick: (step: string, on: boolean) => void;
}

/** The weather, the gear, and what is spread where; then the bags, which wait for both. */
function BeforeTheBags({ spreading, items, done, onTick }: BagsProps) {
  const { system } = useInHand();
  const { job: file, weatherHolds } = spreading;
  const products = file.products ?? [];
  const gear = gearOf(products);
  const gearFirst = gear.some((item) => !done.has(item.key));
  return (
    <>
      <AirAtMix products={products} sites={file.sites ?? []} />
      <AirNow of={spreading} under="spreads" />
      <GearList gear={gear} done={done} onTick={onTick} />
      {items.map((item) => (
        <Box key={item.site + item.product.name}>
          {item.product.name}, {item.site}: {readAmount(item.total, system)} on {read(item.area.value, "area", system)}
          {item.bags && `, ${bagWords(item)}`}
        </Box>
      ))}
      {(gearFirst || weatherHolds.length > 0) && <Note>{gearFirst ? "The gear first." : "The weather says no."}</Note>}
      <Box as="ul" listStyleType="none" aria-label="Bags">
        {products.map(({ name }, i) => {
          const step = `bags.product-${i + 1}`;
          return (
            <li key={step}>
              <Check
                gloves
                checked={done.has(step)}
                disabled={!done.has(step) && (gearFirst || weatherHolds.length > 0)}
                onChange={(e) => onTick(step, e.target.checked)}
              >
                The bags of {name} are opened
              </Check>
            </li>
          );
        })}
      </Box>
    </>
  );
}

function One({ spreading }: { spreading: SpreadingEntry }) {
  const { system } = useInHand();
  const send = useSend();
  const [date, setDate] = useState(todayDate());
  const [trouble, setTrouble] = useState<readonly Issue[]>([]);
  const { id, job: file, stopped } = spreading;
  const products = file.products ?? [];
  const lots = useLots(id, products);
  const plan = useMemo(() => {
    const job = readSpread(file);
    return job.ok ? planOfSpread(job.value) : undefined;
  }, [file]);
  /** What was ticked here and isn't answered yet. */
  const [said, setSaid] = useState<Readonly<Record<string, boolean>>>({});
  const done = useMemo(
    () =>
      new Set([
        ...spreading.done.filter((step) => said[step] !== false),
        ...Object.keys(said).filter((step) => said[step] === true),
      ]),
    [spreading.done, said],
  );
  const held = stopped.length > 0 || !plan || plan.reasons.length > 0;
  const tick = async (step: string, on: boolean) => {
    setSaid((before) => ({ ...before, [step]: on }));
    const result = await send<{ done: readonly string[] }>(`/api/spreads/${id}/ticks`, { step, done: on });
    setTrouble(result.ok ? [] : result.issues);
    // What is refused isn't ticked.
    if (!result.ok) setSaid(({ [step]: _, ...rest }) => rest);
  };
  const close = async (how: "record" | "withdraw", all = false) => {
    const said = { date, ...(all && { all }), ...(lots.told.some((lot) => lot !== null) && { lots: lots.told }) };
    const result = await send(`/api/spreads/${id}/${how}`, how === "record" ? said : {});
    if (result.ok) lots.forget();
    if (result.ok && how === "record") closedToday();
    setTrouble(result.ok ? [] : result.issues);
  };
  const unticked = trouble.find((issue) => issue.path === "all");
  const sites = (file.sites ?? []).map((s) => s.name).join(", ");
  return (
    <Box as="li" borderBottom="1px solid" borderColor="line" paddingY="8px" display="grid" gap="8px">
      <Box fontWeight="700">
        {sites} · {spreading.date}
      </Box>
      <Stopped issues={stopped} />
      {stopped.length === 0 && plan && plan.reasons.length > 0 && <Held plan={plan} system={system} />}
      {!held && plan && (
        <BeforeTheBags spreading={spreading} items={plan.items} done={done} onTick={(step, on) => void tick(step, on)} />
      )}
      <Fold title="The lot, off each bag">
        <Lots of={id} products={products} />
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
      {unticked && (
        <Notice state="act">
          {unticked.received}: was all of it spread?
          <Row gap="8px 12px" flexWrap="wrap" marginTop="8px">
            <Button onClick={() => void close("record", true)}>Yes, all of it went down</Button>
            <Button look="quiet" onClick={() => setTrouble([])}>
              No: leave it open
            </Button>
          </Row>
        </Notice>
      )}
      {sentences(trouble.filter((issue) => issue !== unticked)).map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
    </Box>
  );
}
