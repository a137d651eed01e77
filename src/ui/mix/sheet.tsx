"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { format } from "date-fns";
import Link from "next/link";
import { useSearchParams } from "next/navigation";
import { useMemo, useState } from "react";
import useSWR from "swr";
import { entered, given, planLines, showEntered } from "@/core/contents";
import type { Sheet } from "@/formats/book";
import { choiceWords, isChoice } from "@/formats/card/choice";
import { soundJob, soundPlan } from "@/formats/job-file/assemble";
import { fetchJson, send, sentences } from "../data/book";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { Button, Heading, Note } from "../parts/controls";
import { download } from "../parts/download";
import { FirstThing, Notice } from "../parts/notices";
import { CloseSheet } from "./close-sheet";
import { Held } from "./held";
import { LabelCautions } from "./label-cautions";
import { sheetLine, TankColumns } from "./tank-column";
import { Totals } from "./totals";

/** How often another device's ticks are looked for, ms. */
const LOOK_AGAIN = 2500;

/** A mix sheet, ticked off while pouring. Ticks are kept on the server: a reload loses none, two devices agree. */
export function SheetRoom() {
  const id = useSearchParams().get("id");
  const url = `/api/sheets/${encodeURIComponent(id ?? "")}`;
  const { data, error, mutate } = useSWR<Sheet>(id === null ? null : url, fetchJson, {
    refreshInterval: LOOK_AGAIN,
    keepPreviousData: true,
  });
  const [trouble, setTrouble] = useState<readonly string[]>([]);

  const tick = async (step: string, done: boolean) => {
    if (!data) return;
    const next = { ...data, done: done ? [...data.done, step] : data.done.filter((s) => s !== step) };
    await mutate(next, { revalidate: false });
    const result = await send<{ done: string[] }>(`${url}/ticks`, { step, done });
    setTrouble(result.ok ? [] : sentences(result.issues));
    await mutate(result.ok ? { ...next, done: result.value.done } : data, { revalidate: false });
  };

  if (id === null || (error && !data))
    return (
      <Room>
        <FirstThing>
          There is no such mix sheet. <Link href="/mix">Mix one</Link>
        </FirstThing>
      </Room>
    );
  if (!data) return <Room working={[]}>{null}</Room>;
  return (
    <ClientOnly>
      <Poured sheet={data} onTick={tick} trouble={trouble} onClosed={() => void mutate()} />
    </ClientOnly>
  );
}

function Poured({
  sheet,
  onTick,
  trouble,
  onClosed,
}: {
  sheet: Sheet;
  onClosed: () => void;
  onTick: (step: string, done: boolean) => void;
  trouble: readonly string[];
}) {
  const { system } = useInHand();
  const { job, plan } = useMemo(() => {
    const read = soundJob(sheet.job);
    return { job: read, plan: soundPlan(read).plan };
  }, [sheet.job]);
  const done = useMemo(() => new Set(sheet.done), [sheet.done]);
  const rig = sheet.job.rig;
  const site = sheet.job.sites![0]!;
  // A withdrawn sheet has given its budget back: its amounts are nobody's to pour any more.
  const poured = sheet.state !== "withdrawn";
  return (
    <Room working={poured ? planLines(plan, system) : []}>
      <Heading>{site.name}</Heading>
      <Note>
        {format(new Date(sheet.madeAt), "d MMMM yyyy, HH:mm")} · {rig.name}
        {sheet.personName && `, ${sheet.personName}`} · calibrated {format(new Date(sheet.calibrationMadeAt), "d MMM yyyy")}
        {" · "}
        {site.zones.map((z) => `${z.name} ${showEntered(entered(z.area, "area"))}`).join(", ")}
      </Note>
      <Box display="grid" gap="16px" marginTop="14px">
        {plan.sites.length > 0 && poured && (
          <Box fontSize="19px" fontWeight="700">
            {sheetLine(plan, 0, system, sheet.job.rig.head !== undefined)}
          </Box>
        )}
        {plan.sites.length === 0 && poured && <Held plan={plan} system={system} />}
        {sheet.state !== "open" && <Notice state="plain">{CLOSED[sheet.state]}</Notice>}
        {plan.warnings.map((w) => (
          <Notice key={w.text} state="act">
            {w.text}
          </Notice>
        ))}
        {trouble.map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        {plan.sites.length > 0 && poured && (
          <>
            <Totals plan={plan} site={0} system={system} />
            <Choices job={sheet.job} />
            <TankColumns
              plan={plan}
              site={0}
              usable={given(job.tank!.usable, "usable volume")}
              system={system}
              done={done}
              onTick={onTick}
            />
          </>
        )}
        {sheet.state === "open" && <CloseSheet id={sheet.id} held={plan.sites.length === 0} onClosed={onClosed} />}
        {poured && (
          <Box className="no-print" display="flex" gap="10px" flexWrap="wrap">
            <Button onClick={() => window.print()}>Print the sheet</Button>
            <Button onClick={() => download(`${site.name}.json`, `${JSON.stringify(sheet.job, null, 2)}\n`, "application/json")}>
              Save as job file
            </Button>
          </Box>
        )}
        <LabelCautions products={sheet.job.products ?? []} />
      </Box>
    </Room>
  );
}

const CLOSED = {
  recorded: "On record as sprayed: it is in the log.",
  withdrawn: "Withdrawn: it was not poured, and nothing of it counts.",
} as const;

/** How each rate was chosen, as it was kept with the sheet. */
function Choices({ job }: { job: Sheet["job"] }) {
  const said = (job.products ?? []).flatMap((p) => {
    const choice = p["x-choice"];
    return isChoice(choice) ? [`${p.name}: ${choiceWords(choice)}`] : [];
  });
  return said.length > 0 ? <Note>{said.join(". ")}.</Note> : null;
}
