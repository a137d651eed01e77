"use client";

import { Box } from "@chakra-ui/react";
import { Suspense, useState } from "react";
import { useFieldArray, type UseFormReturn } from "react-hook-form";
import { areaAsRead } from "@/core/working/as-read";
import type { System } from "@/core/working/units";
import { valueIn } from "@/core/quantity/quantity";
import { slipsOfArea } from "@/core/slips/of-reading";
import type { SiteEntry } from "@/formats/entries";
import { coarse } from "@/core/area/overlap";
import type { MeasuredText } from "@/formats/area/types";
import { NEW_GROUND, newGround, readGround } from "@/formats/grounds";
import { turfsOf } from "@/formats/card/says";
import type { SiteForm } from "@/formats/forms/site";
import { BLANK_ZONE, siteFormOf } from "@/formats/forms/site-form-of";
import type { Cursor, Page, SitesAsked } from "@/formats/slices";
import type { SiteText } from "@/formats/job-file/types";
import { readTyped } from "@/formats/typed";
import { useLabels, useSite, useSlice } from "../data/records";
import { useOpen } from "../data/addressed";
import { useInHand } from "../data/in-hand";
import { unitsInHand, useSystem } from "../data/units";
import { Room } from "../frame/room";
import { Button, Input, Note, Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Archive, Archived, errorAt, KeptForm, Listed } from "../parts/keeper";
import { Column } from "../parts/layout";
import { RoomHead } from "../parts/room-head";
import { More } from "../parts/more";
import { SetAside } from "../parts/set-aside";
import { SlipAsk } from "../parts/slip-ask";
import { LocalRules } from "./local-rules";
import { MergeSites } from "./merge-sites";
import { SiteDrawn } from "./site-drawn";
import { SiteFacts, ZoneFacts } from "./site-facts";
import { SiteFiles } from "./site-files";
import { SitePlan, ZonesFromMap } from "./site-map";
import { Check } from "../parts/choose";
import { SiteWhere, type Where } from "./site-where";
import { ZoneMeasured } from "./zone-measured";

/** What the only lawn of a site is called. */
const LONE = "lawn";

const siteLine = (site: SiteText, system: System) =>
  [
    ...site.zones.map((z) => [z.name, areaAsRead(z.area, system), z.turf].filter(Boolean).join(" ")),
    site.jurisdiction,
    site.waterSource?.fill && "water",
  ]
    .filter(Boolean)
    .join(" · ");

export function SitesRoom() {
  return (
    <Suspense>
      <Sites />
    </Suspense>
  );
}

function Sites() {
  const { value: all, aside: broken } = useSlice("sites", {});
  const { choose } = useInHand();
  const { id, adding, open, add, close } = useOpen();
  const entry = useSite(id);
  // A site that can't be read is one all the same.
  const gone = useSlice("sites", all?.rows.length === 0 ? { retired: true } : null).value;
  const none = all?.rows.length === 0 && broken.length === 0 && gone?.rows.length === 0;
  const done = (made: string | undefined) => {
    if (made !== undefined && !entry) choose({ siteId: made });
    close();
  };
  // Which of the two it is shows once it is known: a file that was chosen meanwhile would be lost with its field.
  if (all === undefined || (all.rows.length === 0 && gone === undefined)) return <Room>{null}</Room>;
  const one = entry !== undefined || adding || none;
  return (
    <Room>
      <RoomHead
        title={entry?.site.name ?? (none ? "Add the first site" : adding ? "Add a site" : "Sites")}
        back={one && !none ? { words: "Sites", go: close } : undefined}
      >
        {!one && <Button onClick={add}>+ Site</Button>}
      </RoomHead>
      {one ? <OneSite entry={entry} onDone={done} onClose={close} /> : <SiteList onOpen={open} />}
      {!entry && !adding && <SiteFiles any={!none} />}
      {!entry && !adding && <LocalRules />}
      {!one && <ArchivedSites />}
    </Room>
  );
}

interface OneProps {
  readonly entry: SiteEntry | undefined;
  readonly onDone: (made: string | undefined) => void;
  readonly onClose: () => void;
}

/** A site on record, or a new one. */
function OneSite({ entry, onDone, onClose }: OneProps) {
  return (
    <Column maxW="760px" gap="24px" marginTop="12px">
      {!entry && (
        <Note>
          A site is a customer&apos;s property. A zone is one lawn or bed in it with one kind of turf. Leave out what isn&apos;t
          sprayed.
        </Note>
      )}
      <KeptForm
        key={entry?.id ?? "new"}
        kind="sites"
        what="site"
        schema={() => import("@/formats/forms/site").then((forms) => forms.siteForm)}
        blank={{ ...siteFormOf(), zones: [{ ...BLANK_ZONE, name: LONE }] }}
        editing={entry && { id: entry.id, revision: entry.revision, form: siteFormOf(entry.site) }}
        onDone={onDone}
      >
        {(form) => <SiteFields form={form} site={entry} />}
      </KeptForm>
      {entry && !entry.retired && <MergeSites site={entry} onDone={() => onDone(undefined)} />}
      {entry && (
        <Box>
          <Archive kind="sites" id={entry.id} name={entry.site.name} retired={entry.retired} onDone={onClose} />
        </Box>
      )}
    </Column>
  );
}

/** The sites in use, looked for by name, or by what grows there and what went down. */
function SiteList({ onOpen }: { onOpen: (id: string) => void }) {
  const [search, setSearch] = useState("");
  const [where, setWhere] = useState<Where>({});
  const query = { ...(search.trim() !== "" && { search }), ...where };
  const { value: found, aside } = useSiteList(query);
  return (
    <>
      <Input
        type="search"
        aria-label="Search the sites"
        placeholder="the beginning of a name"
        value={search}
        marginY="8px"
        maxW="480px"
        onChange={(e) => setSearch(e.target.value)}
      />
      <SiteWhere where={where} set={setWhere} />
      <SetAside rows={aside} />
      {found && found.rows.length === 0 && Object.keys(query).length > 0 && (
        <Note>{Object.keys(where).length > 0 ? "There is no such site." : "No site has words that begin so."}</Note>
      )}
      {found && <SitePages key={JSON.stringify(query)} page={found} query={query} onOpen={onOpen} />}
    </>
  );
}

interface PagesProps {
  readonly page: Page<SiteEntry>;
  readonly query: SitesAsked;
  readonly onOpen: (id: string) => void;
}

/** A page of the sites, and, once it is asked for, the next one under it. */
function SitePages({ page: { rows, next }, query, onOpen }: PagesProps) {
  return (
    <>
      <Listed kind="sites" what="site" onOpen={onOpen} entries={rows.map(lineOf)} />
      <More next={next} says="More sites">
        {(after) => <NextSites query={query} after={after} onOpen={onOpen} />}
      </More>
    </>
  );
}

function NextSites({ query, after, ...rest }: Omit<PagesProps, "page"> & { after: Cursor }) {
  const page = useSiteList({ ...query, after }).value;
  return page ? <SitePages page={page} query={query} {...rest} /> : null;
}

/** Sites by name; looked for by what grows there or went down as well, where somebody asks for that. */
function useSiteList(query: SitesAsked & { after?: Cursor }) {
  const plain = Object.keys(query).every((key) => key === "search" || key === "after");
  const byName = useSlice("sites", plain ? query : null);
  const found = useSlice("sitesFound", plain ? null : query);
  return plain ? byName : found;
}

const lineOf = (s: SiteEntry) => ({
  id: s.id,
  retired: s.retired,
  name: s.site.name,
  about: siteLine(s.site, unitsInHand()),
  drawn: <SiteDrawn site={s.site} />,
});

/** Archived sites stay in reach. */
function ArchivedSites() {
  const page = useSlice("sites", { retired: true }).value;
  if (!page || page.rows.length === 0) return null;
  return <Archived kind="sites" entries={page.rows.map(lineOf)} more={page.next !== null} />;
}

function SiteFields({ form, site }: { form: UseFormReturn<SiteForm>; site: SiteEntry | undefined }) {
  const zones = useFieldArray({ control: form.control, name: "zones" });
  const { register } = form;
  const labels = useLabels();
  const system = useSystem();
  const turfs = [...new Set(labels.flatMap((l) => turfsOf(l.card)))].sort();
  return (
    <>
      {site && <SitePlan site={site.site} form={form} />}
      <TextField label="Site" placeholder="Ferry green" error={errorAt(form, "name")} {...register("name")} />
      <TextField
        label="County rules"
        placeholder="the county"
        error={errorAt(form, "jurisdiction")}
        {...register("jurisdiction")}
      />
      <Check {...register("water")}>Water to fill a truck from</Check>
      <SiteFacts form={form} noted={site?.noted} />
      <datalist id="turfs">
        {turfs.map((turf) => (
          <option key={turf} value={turf} />
        ))}
      </datalist>
      {zones.fields.map((zone, i) => (
        <Box
          key={zone.id}
          display="grid"
          gap="10px"
          gridTemplateColumns="1fr 1fr"
          borderTop="1px solid"
          borderColor="line"
          paddingTop="10px"
        >
          {i === 0 && zones.fields.length === 1 && form.watch("zones.0.name") === LONE ? (
            // A lone lawn needs no name: it is called what it is.
            <Box fontWeight="700" alignSelf="center">
              One lawn{" "}
              <Button type="button" look="inline" onClick={() => form.setValue("zones.0.name", "", { shouldDirty: true })}>
                Name it
              </Button>
            </Box>
          ) : (
            <TextField
              label={`Zone ${i + 1}`}
              placeholder="north lawn"
              error={errorAt(form, `zones.${i}.name`)}
              {...register(`zones.${i}.name`)}
            />
          )}
          <TextField
            label="Area"
            placeholder="6,200 ft2"
            hint={system === "us" ? "sq ft, or two sides: 62 x 100" : "m², or two sides: 20 x 30 m"}
            quantity="zoneArea"
            error={errorAt(form, `zones.${i}.area`)}
            {...register(`zones.${i}.area`)}
          />
          <Box gridColumn="1 / -1" _empty={{ display: "none" }}>
            <SlipAsk
              field={`zones[${i}].area`}
              typed={form.watch(`zones.${i}.area`)}
              slips={areaSlips(form.watch(`zones.${i}.area`))}
              words={(text) => areaAsRead(text, system)}
              onTake={(area) => form.setValue(`zones.${i}.area`, area, { shouldValidate: true, shouldDirty: true })}
            />
          </Box>
          <ZoneMeasured form={form} site={site?.id} i={i} />
          <TextField
            label={i === 0 ? "Turf" : `Turf ${i + 1}`}
            placeholder="ryegrass"
            list="turfs"
            error={errorAt(form, `zones.${i}.turf`)}
            {...register(`zones.${i}.turf`)}
          />
          <Ground form={form} site={site} i={i} />
          <ZoneFacts form={form} i={i} />
          <Seeds form={form} i={i} />
          {zones.fields.length > 1 && (
            <Button type="button" look="quiet" justifySelf="start" onClick={() => zones.remove(i)}>
              Take zone {i + 1} out
            </Button>
          )}
        </Box>
      ))}
      <Button type="button" look="quiet" justifySelf="start" onClick={() => zones.append(BLANK_ZONE)}>
        Add a zone
      </Button>
      <ZonesFromMap form={form} zones={zones} />
    </>
  );
}

/** When a zone was or will be seeded or sodded. */
function Seeds({ form, i }: { form: UseFormReturn<SiteForm>; i: number }) {
  return (
    <Box gridColumn="1 / -1">
      <Fold title="Seed and sod" begun={SEEDS.some(([key]) => form.getValues(`zones.${i}.${key}`))}>
        <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr" paddingTop="6px">
          {SEEDS.map(([key, label]) => (
            <TextField
              key={key}
              type="date"
              label={i === 0 ? label : `${label} (${i + 1})`}
              error={errorAt(form, `zones.${i}.${key}`)}
              {...form.register(`zones.${i}.${key}`)}
            />
          ))}
        </Box>
      </Fold>
    </Box>
  );
}

/** The shape of a zone that was measured on a map or walked, as coarse as grounds are compared; undefined of any other. */
function shapeOf(measured: string | undefined): string | undefined {
  try {
    const { map } = JSON.parse(measured ?? "null") as MeasuredText;
    return map && JSON.stringify(coarse(map.polygons));
  } catch {
    return undefined;
  }
}

/** Of a zone that comes to ground that was there before, or lies on another's: which one it is. Its history goes with it. */
function Ground({ form, site, i }: { form: UseFormReturn<SiteForm>; site: SiteEntry | undefined; i: number }) {
  const { id, name = "", area, measured } = form.watch(`zones.${i}`) ?? {};
  const [called, gate] = [form.watch("name"), form.watch("gate")];
  const read = readTyped("zoneArea", area ?? "");
  const fresh = (id ?? "") === "" && read.ok;
  const map = shapeOf(measured);
  const drawn = !fresh && map !== undefined && map !== shapeOf(JSON.stringify(zoneOf(site, id)?.measurement));
  const grounds = useSlice(
    "grounds",
    read.ok && (fresh || drawn)
      ? {
          name: name.trim() || `zone ${i + 1}`,
          areaM2: valueIn(read.value.value, "m2"),
          ...(site && { site: site.id }),
          ...(called && { called }),
          ...(gate && { gate }),
          ...(map !== undefined && { map }),
        }
      : null,
  ).value?.filter((ground) => fresh || ground.live);
  if (!grounds || grounds.length === 0) return null;
  const answer = form.watch(`zones.${i}.ground`) ?? "";
  const { other, why = "", named } = readGround(answer);
  const [first = "", ...more] = named;
  const say = (next: string) => form.setValue(`zones.${i}.ground`, next, { shouldDirty: true });
  const others = grounds.filter((ground) => ground.id !== first);
  const inUse = grounds.filter((ground) => ground.live);
  return (
    <Box gridColumn="1 / -1">
      <Field
        label={`Is zone ${i + 1} ground that was here before?`}
        hint="what went down there stays with it, under any name"
        error={other ? undefined : errorAt(form, `zones.${i}.ground`)}
      >
        {(props) => (
          <Select {...props} value={other ? NEW_GROUND : first} onChange={(e) => say(e.target.value)}>
            <option value="">say which</option>
            <option value={NEW_GROUND}>
              {inUse.length > 0 ? "other ground than any of these" : "new ground: nothing was sprayed there before"}
            </option>
            {grounds.map((ground) => (
              <option key={ground.id} value={ground.id}>
                the same ground as {ground.name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {other && inUse.length > 0 && (
        <Box marginTop="10px">
          <TextField
            label={`Why zone ${i + 1} is other ground than ${inUse.map((ground) => ground.name).join(", ")}`}
            placeholder="the neighbour's, behind the fence"
            maxLength={300}
            value={why}
            error={errorAt(form, `zones.${i}.ground`)}
            onChange={(e) => say(newGround(e.target.value))}
          />
        </Box>
      )}
      {first !== "" && others.length > 0 && (
        <Box as="fieldset" border="none" marginTop="6px">
          <Box as="legend" textStyle="small">
            It joins several? It carries what went down on each.
          </Box>
          {others.map((ground) => (
            <Check
              key={ground.id}
              checked={more.includes(ground.id)}
              onChange={(e) =>
                say([first, ...more.filter((one) => one !== ground.id), ...(e.target.checked ? [ground.id] : [])].join(","))
              }
            >
              and {ground.name}
            </Check>
          ))}
        </Box>
      )}
    </Box>
  );
}

const zoneOf = (site: SiteEntry | undefined, id: string | undefined) => site?.site.zones.find((zone) => zone.id === id);

const SEEDS = [
  ["seeded", "Seeded on"],
  ["sodded", "Sodded on"],
  ["seeding", "Seeding planned for"],
  ["sodding", "Sodding planned for"],
] as const;

function areaSlips(typed: string) {
  const read = readTyped("zoneArea", typed);
  return read.ok ? slipsOfArea(read.value) : [];
}
