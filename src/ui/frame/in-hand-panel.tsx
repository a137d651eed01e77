"use client";

import { Box, ClientOnly } from "@chakra-ui/react";
import { useTheme } from "next-themes";
import { useId, useState } from "react";
import { writeNumber } from "@/core/quantity/format";
import { readParts, type System } from "@/core/working/units";
import type { SiteEntry } from "@/formats/entries";
import { setupOf } from "@/formats/rig-setup";
import { ownerOf, rigRules } from "@/rig-kinds/rules";
import { useInHand, type Calibrated } from "../data/in-hand";
import { usePeople, useRigs, useSlice } from "../data/records";
import { Button, Input, Select } from "../parts/controls";
import { Field } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { SetupPick } from "./setup-pick";
import { standingWords } from "./standing-words";

/** A calibration in full: its reading, its band, and until when it is good. */
function SprayVolume({ calibrated, system }: { calibrated: Calibrated | undefined; system: System }) {
  if (!calibrated) return <Box fontWeight="700">not calibrated</Box>;
  const { number, unit } = readParts(calibrated.made.sprayVolume.value, "sprayVolume", system);
  const band = calibrated.made.uncertainty;
  return (
    <Box>
      <Box as="span" textStyle="lead">
        {number}
      </Box>{" "}
      {unit} {band ? `± ${writeNumber(band.relative * 100, { figures: 2 })} %` : "as given"}
      <Box textStyle="small" color="soft">
        {standingWords(calibrated)}
      </Box>
    </Box>
  );
}

/** What the line of the strip opens: what is in hand, each to be changed, and how the page reads. */
export function InHandPanel({ onClose }: { onClose: () => void }) {
  const rigs = useRigs();
  const people = usePeople();
  const { rig, person, site, system, calibrated, choose } = useInHand();
  const live = <T extends { retired: boolean }>(list: readonly T[]) => list.filter((one) => !one.retired);
  const head = rig !== undefined && rigRules(rig.rig.kind).head;
  const tip = rig?.rig.tip;
  return (
    <Box
      as="section"
      aria-label="In hand"
      className="no-print"
      position={{ lg: "absolute" }}
      top="3rem"
      left="0"
      width={{ lg: "480px" }}
      maxHeight={{ lg: "calc(100dvh - 3rem)" }}
      overflowY="auto"
      background="sheet"
      color="ink"
      borderBottom="2px solid"
      borderRight={{ lg: "2px solid" }}
      borderColor="ink"
      padding="12px 16px 16px"
    >
      <Column gap="12px">
        <Field label="Rig">
          {(props) => (
            <Select {...props} value={rig?.id ?? ""} onChange={(e) => choose({ rigId: e.target.value })}>
              <option value="">choose a rig</option>
              {live(rigs).map((r) => (
                <option key={r.id} value={r.id}>
                  {r.rig.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label={rig && ownerOf(rig.rig.kind) === "rig" ? "Driver" : "Applicator"}>
          {(props) => (
            <Select {...props} value={person?.id ?? ""} onChange={(e) => choose({ personId: e.target.value })}>
              <option value="">who sprays today?</option>
              {live(people).map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {rig && (setupOf(rig.rig).setups?.length ?? 0) > 0 ? (
          <SetupPick rig={rig} />
        ) : (
          tip?.size && (
            <Box>
              Tip {tip.size}
              {tip.pressure && ` at ${tip.pressure}`}
            </Box>
          )
        )}
        <SiteInHand label={head ? "Tap at" : "Site"} site={site} onPick={(siteId) => choose({ siteId })} />
        <SprayVolume calibrated={calibrated} system={system} />
        <Row flexWrap="wrap" borderTop="1px solid" borderColor="line" paddingTop="12px">
          <HowItReads />
          <Button onClick={onClose} marginLeft="auto">
            Done
          </Button>
        </Row>
      </Column>
    </Box>
  );
}

/** Units, and the light face or the dark one: of this device. */
export function HowItReads() {
  const { system, choose } = useInHand();
  return (
    <>
      <Button
        aria-label={system === "us" ? "Units: US. Change to metric" : "Units: metric. Change to US"}
        onClick={() => choose({ system: system === "us" ? "metric" : "us" })}
      >
        {system === "us" ? "US units" : "Metric units"}
      </Button>
      <ClientOnly fallback={<Button aria-label="Light or dark" />}>
        <Face />
      </ClientOnly>
    </>
  );
}

function Face() {
  const { resolvedTheme, setTheme } = useTheme();
  const dark = resolvedTheme === "dark";
  return (
    <Button
      aria-label={dark ? "Dark face. Change to light" : "Light face. Change to dark"}
      onClick={() => setTheme(dark ? "light" : "dark")}
    >
      {dark ? "☾ Dark" : "☀ Light"}
    </Button>
  );
}

interface SiteProps {
  readonly label: string;
  readonly site: SiteEntry | undefined;
  readonly onPick: (id: string) => void;
}

/** The site in hand: picked from a short list; of a long one, found by the beginnings of its words. */
function SiteInHand({ label, site, onPick }: SiteProps) {
  const [typed, setTyped] = useState<string>();
  const list = useId();
  const first = useSlice("sites", {}).value;
  const long = first !== undefined && first.next !== null;
  const found = useSlice("sites", long && typed ? { search: typed } : null).value;
  if (!long) {
    const rows = first?.rows ?? [];
    return (
      <Field label={label}>
        {(props) => (
          <Select {...props} value={site?.id ?? ""} onChange={(e) => onPick(e.target.value)}>
            <option value="">choose a site</option>
            {rows.map((s) => (
              <option key={s.id} value={s.id}>
                {s.site.name}
              </option>
            ))}
          </Select>
        )}
      </Field>
    );
  }
  const rows = found?.rows ?? first.rows;
  return (
    <Field label={label}>
      {(props) => (
        <>
          <Input
            {...props}
            type="search"
            list={list}
            placeholder="find a site"
            value={typed ?? site?.site.name ?? ""}
            onFocus={() => setTyped("")}
            onBlur={() => setTyped(undefined)}
            onChange={(e) => {
              const picked = rows.find((s) => s.site.name === e.target.value);
              setTyped(picked ? undefined : e.target.value);
              if (picked) onPick(picked.id);
            }}
            onKeyDown={(e) => {
              // What was typed may be the beginnings of several words, which the browser's own list doesn't know.
              if (e.key !== "Enter" || !typed || !found?.rows[0]) return;
              setTyped(undefined);
              onPick(found.rows[0].id);
            }}
          />
          <datalist id={list}>
            {rows.map((s) => (
              <option key={s.id} value={s.site.name} />
            ))}
          </datalist>
        </>
      )}
    </Field>
  );
}
