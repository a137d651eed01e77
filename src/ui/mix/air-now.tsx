"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { nanoid } from "nanoid";
import { useState } from "react";
import { airLines } from "@/core/conditions/air";
import { compass } from "@/core/conditions/change";
import type { When } from "@/core/conditions/judge";
import { readTemperature } from "@/core/conditions/temperature";
import type { Issue } from "@/core/issue";
import { writeNumber } from "@/core/quantity/format";
import { lineText } from "@/core/working/explain";
import { unitsIn } from "@/core/quantity/ranges";
import { DEGREES } from "@/core/quantity/typed";
import { read, type System } from "@/core/working/units";
import { ageOf, isOfNoTime } from "@/formats/air-age";
import { judgeAir, readAir, type AirSeen, type AirText, type WindMeasured } from "@/formats/air-seen";
import { placeOf } from "@/formats/area/place";
import type { Sheet } from "@/formats/entries";
import type { SpreadFile } from "@/formats/job-file/spread";
import type { SiteText } from "@/formats/job-file/types";
import { simulatedStation } from "@/standins/station";
import { nowMoment, wallClock } from "../data/clock";
import { format } from "../data/dates";
import { keep, readKept, useKept } from "../data/kept-here";
import { sentences, useSend, useSite } from "../data/records";
import { useSystem } from "../data/units";
import { CALM_GUESSED } from "@/formats/facts";
import type { Told } from "../log/fact-fields";
import { Choose, type Option } from "../parts/choose";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Column, Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { partAt, sunOver, useAirBeside } from "../weather/beside";
import { reasonsSaid, VERDICT_STATE, VERDICT_WORDS } from "../weather/verdict";

// The plan is fetched where the site has one.
const Plan = dynamic(() => import("../sites/plan").then((m) => m.Plan), { ssr: false });

/** What the weather is looked at for: a sheet, or granules. */
export type WeatherOf = Pick<Sheet, "id" | "weather" | "weatherHolds" | "clockBehind"> & {
  readonly job: SpreadFile;
  /** Of a day: which stops are behind. */
  readonly run?: Sheet["run"];
};

/** Whether what was seen says something of now. */
function saysNow(weather: NonNullable<Sheet["weather"]>): boolean {
  const read = readAir(weather.seen);
  return read.ok && !isOfNoTime(weather.seen) && ageOf({ at: weather.at, seen: read.value }, nowMoment()) === "now";
}

/** The weather before a mix, or granules, go down: what was seen last and what it says, and a way to look again. Nothing is opened against it. */
export function AirNow({ of, under }: { of: WeatherOf; /** Where a look is sent. */ under: "sheets" | "spreads" }) {
  const { weather } = of;
  const counts = weather !== null && saysNow(weather);
  return (
    <Box as="section" aria-label="The weather now">
      {weather && <LastSeen of={of} weather={weather} counts={counts} />}
      <PlaceHolds of={of} />
      <Fold
        key={weather?.at}
        strong
        title={counts ? "Look at the weather again" : "Look at the weather, before the first container"}
      >
        <Look of={of} under={under} />
      </Fold>
    </Box>
  );
}

/** Why nothing is opened there, whoever looked and for which sheet. */
function PlaceHolds({ of }: { of: WeatherOf }) {
  const { weather, clockBehind } = of;
  const { rules } = useAirBeside(of.job.sites ?? []);
  const seen = weather && saysNow(weather) ? readAir(weather.seen) : undefined;
  // What the look above says already isn't said twice.
  const said = seen?.ok ? judgeAir(seen.value, of.job.products ?? [], { rules }).reasons.map(({ text }) => text("us")) : [];
  const weatherHolds = of.weatherHolds.filter(({ received }) => !said.includes(received));
  return (
    <Column gap="6px" marginY={weatherHolds.length > 0 || clockBehind !== null ? "6px" : "0"}>
      {clockBehind !== null && (
        <Notice state="stop">
          The server&apos;s clock stands before the newest record, of {format(wallClock(clockBehind), "d MMM yyyy, HH:mm")}: a
          look releases nothing until the clock is put right.
        </Notice>
      )}
      {weatherHolds.length > 0 && (
        <Notice state="stop">
          Nothing is opened here yet: {sentences(weatherHolds.map((one) => ({ ...one, path: "" }))).join(" ")}
        </Notice>
      )}
    </Column>
  );
}

const WHEN_WORDS: readonly Option<When>[] = [
  ["day", "by day"],
  ["sunrise", "around sunrise"],
  ["sunset", "around sunset"],
  ["night", "at night"],
];

interface Draft {
  readonly metar: string;
  readonly wind: string;
  readonly gust: string;
  readonly from: string;
  readonly air: string;
  readonly dewPoint: string;
  readonly wet: string;
  readonly soil?: string;
  /** Whether the wind was measured or guessed. */
  readonly measured?: WindMeasured | "";
  /** The id of the site, where the work is on several. */
  readonly site?: string;
}
const BLANK: Draft = { metar: "", wind: "", gust: "", from: "", air: "", dewPoint: "", wet: "" };

const FROM: readonly Option[] = [
  ["", "not said"],
  ...["N", "NE", "E", "SE", "S", "SW", "W", "NW"].map((point, i): Option => [String(i * 45), point]),
];

/** A calm is asked about: somebody who feels no wind may stand in it. */
const measuredOf = ({ wind, measured }: Draft): WindMeasured | "" =>
  measured ?? (wind.trim().toLowerCase() === "calm" ? "" : "measured");

interface Said {
  /** The site that it is seen at, where the work is on several. */
  readonly several: Pick<AirText, "site">;
}

/** What was typed, as it is sent. What a report says is its station's; what was seen, and the soil, is the place's. */
function airOf(draft: Draft, when: When, { several }: Said): AirText {
  const soil = given("soil", draft.soil ?? "");
  if (draft.metar.trim() !== "") return { when, metar: draft.metar.trim(), ...soil, ...(draft.soil?.trim() && several) };
  return {
    when,
    ...given("wind", draft.wind.trim().toLowerCase() === "calm" ? "calm" : draft.wind),
    ...(draft.wind.trim() !== "" && measuredOf(draft) !== "" && { windMeasured: measuredOf(draft) as WindMeasured }),
    ...given("gust", draft.gust),
    ...(draft.from !== "" && { from: Number(draft.from) }),
    ...given("air", draft.air),
    ...given("dewPoint", draft.dewPoint),
    wet: draft.wet === "yes",
    ...soil,
    ...several,
  };
}

function Look({ of, under }: { of: WeatherOf; under: "sheets" | "spreads" }) {
  const [draft = BLANK, set] = useKept<Draft>(`air:${of.id}`);
  const places = placesOf(of);
  const seenAt = draft.site ?? nextPlace(of, places);
  const several = places.length > 1 && seenAt !== undefined ? { site: seenAt } : {};
  const site = useSite(seenAt)?.site;
  const [picked, setWhen] = useState<When>();
  const now = Date.parse(nowMoment());
  const when = picked ?? partAt(site ? [site] : [])(now);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const send = useSend();
  const metric = useSystem() === "metric";
  const change = (more: Partial<Draft>) => set({ ...draft, ...more });
  const typed = airOf(draft, when, { several });
  const look = async (seen: AirText) => {
    const checked = readAir(seen);
    if (!checked.ok) return setTrouble(placed(checked.issues));
    const result = await send(`/api/${under}/${encodeURIComponent(of.id)}/weather`, { id: nanoid(), at: nowMoment(), seen });
    if (!result.ok) return setTrouble(placed(result.issues));
    setTrouble([]);
    set(undefined);
    if (under === "sheets") tellRecord(of, checked.value, metric ? "metric" : "us");
  };
  const askStation = async () => change({ metar: await simulatedStation.report(wallClock(), new Date(nowMoment())) });
  return (
    <Column gap="10px">
      {places.length > 1 && (
        <Choose label="Seen at" value={seenAt ?? ""} options={places} onPick={(picked) => change({ site: picked })} />
      )}
      <TextField
        label="A station's report (METAR)"
        placeholder="KFRY 101653Z 24008KT 10SM FEW040 22/12 A3002"
        value={draft.metar}
        onChange={(e) => change({ metar: e.target.value })}
      />
      {draft.metar.trim() === "" && (
        <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }}>
          {MEASURED.map(([key, label, us, si]) => (
            <TextField
              key={key}
              label={label}
              placeholder={metric ? si : us}
              quantity={UNITS[key]}
              value={draft[key]}
              onChange={(e) => change({ [key]: e.target.value })}
            />
          ))}
          {draft.wind.trim() !== "" && (
            <Choose
              label="The wind was"
              value={measuredOf(draft)}
              options={MEASURED_OR_GUESSED}
              onPick={(measured) => change({ measured: measured as WindMeasured | "" })}
            />
          )}
          <Choose label="It comes from" value={draft.from} options={FROM} onPick={(from) => change({ from })} />
          <Choose
            label="Rain, or wet leaves"
            value={draft.wet}
            options={[
              ["", "none"],
              ["yes", "yes"],
            ]}
            onPick={(wet) => change({ wet })}
          />
        </Box>
      )}
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr 1fr", md: "1fr 1fr 1fr" }}>
        <Choose label="The hour" value={when} options={WHEN_WORDS} onPick={setWhen} />
        <TextField
          label={`Soil, ${metric ? "5 cm" : "2 in"} down`}
          placeholder={metric ? "12 °C" : "54 °F"}
          quantity={DEGREES}
          value={draft.soil ?? ""}
          onChange={(e) => change({ soil: e.target.value })}
        />
      </Box>
      <Note>{sunWords(site, now)}</Note>
      {trouble.map((words) => (
        <Notice key={words} state="stop">
          {words}
        </Notice>
      ))}
      <Row flexWrap="wrap" gap="8px">
        <Button onClick={() => void look(typed)}>This is the weather now</Button>
        <Button look="quiet" onClick={() => void askStation()}>
          Ask the simulated station
        </Button>
      </Row>
    </Column>
  );
}

/** The sites that a look may be at. */
const placesOf = ({ job }: WeatherOf): Option[] =>
  (job.sites ?? []).flatMap((one): Option[] => (one.id ? [[one.id, one.name]] : []));

/** Where somebody stands: of a day at the stop that comes next. */
function nextPlace({ run }: WeatherOf, places: readonly Option[]): string | undefined {
  const next = run?.stops.find((stop) => stop.state === "todo")?.site;
  return (places.find(([, name]) => name === next) ?? places[0])?.[0];
}

/** When the sun rises and sets there; that nobody knows it where no place is noted. */
function sunWords(site: SiteText | undefined, now: number): string {
  const sun = site && sunOver([site])?.(now);
  if (!sun) return "The hour is by the clock: with a gate or a map on the site it is by the sun there.";
  const clock = (at: number | null) =>
    at === null ? "not at all" : `at ${format(wallClock(new Date(at).toISOString()), "HH:mm")}`;
  return `The sun rises there ${clock(sun.rises)} and sets ${clock(sun.sets)}.`;
}

const MEASURED_OR_GUESSED: readonly Option[] = [
  ["", "say which"],
  ["measured", "measured there"],
  ["guessed", "guessed"],
];

const MEASURED = [
  ["wind", "Wind", "6 mph", "10 km/h"],
  ["gust", "Gusts", "9 mph", "15 km/h"],
  ["air", "Air", "68 °F", "20 °C"],
  ["dewPoint", "Dew point", "50 °F", "10 °C"],
] as const;

/** What was typed into a field, where anything was. */
const given = (key: string, typed: string): Partial<AirText> => (typed.trim() === "" ? {} : { [key]: typed.trim() });

const UNITS = { wind: unitsIn("speed"), gust: unitsIn("speed"), air: DEGREES, dewPoint: DEGREES } as const;

const OTHERS: Readonly<Record<string, string>> = { metar: "The report", soil: "Soil", windMeasured: "The wind was" };

const placed = (issues: readonly Issue[]) =>
  sentences(issues).map((words, i) => {
    const field = issues[i]!.path.replace(/^seen\.?/, "");
    const name = MEASURED.find(([key]) => key === field)?.[1] ?? OTHERS[field] ?? "";
    return name === "" ? words : `${name}: ${words}`;
  });

/** What was seen as the record has it. */
const asTold = ({ wind, guessed, temperature }: AirSeen, system: System): Told => ({
  ...(guessed && { wind: CALM_GUESSED }),
  ...(wind && { wind: read(wind.speed, "speed", system, { figures: 2 }) }),
  ...(wind && wind.from !== null && { windFrom: compass(wind.from) }),
  ...(temperature !== null && { air: readTemperature(temperature, system) }),
});

/** What was seen goes on the record of the sheet; what somebody typed there stays, what an earlier look said doesn't. */
function tellRecord(of: WeatherOf, seen: AirSeen, system: System): void {
  const key = `facts:${of.id}`;
  const before = of.weather && readAir(of.weather.seen);
  const earlier = before?.ok ? asTold(before.value, system) : {};
  const typed = Object.entries(readKept<Told>(key) ?? {}).filter(
    ([field, text]) => text.trim() !== "" && earlier[field as keyof Told] !== text,
  );
  keep(key, { ...asTold(seen, system), ...Object.fromEntries(typed) });
}

interface SeenProps {
  readonly of: WeatherOf;
  readonly weather: NonNullable<Sheet["weather"]>;
  readonly counts: boolean;
}

/** What the weather that was seen last says, in a line; nothing where nobody looked. */
export function AirSaid({ of }: { of: WeatherOf }) {
  const system = useSystem();
  const { weather } = of;
  const beside = useAirBeside(of.job.sites ?? []);
  const seen = weather && readAir(weather.seen);
  if (!seen?.ok) return null;
  const at = format(wallClock(weather!.at), "HH:mm");
  if (isOfNoTime(weather!.seen)) return <Note>The weather of {at} was kept by a clock that stood wrong: look again.</Note>;
  const age = ageOf({ at: weather!.at, seen: seen.value }, nowMoment());
  if (age !== "now")
    return (
      <Notice state="act">
        Wait: {age === "old" ? "what was seen of the weather is old" : "the report is of a later hour than now"}. Look again.
      </Notice>
    );
  const { verdict, reasons } = judgeAir(seen.value, of.job.products ?? [], beside);
  const said = reasonsSaid(reasons, seen.value.when, system);
  const words = `${VERDICT_WORDS[verdict]}, as of ${at}${said === "" ? "" : `: ${said}`}.`;
  return <Notice state={VERDICT_STATE[verdict]}>{words}</Notice>;
}

function LastSeen({ of, weather, counts }: SeenProps) {
  const system = useSystem();
  const seen = readAir(weather.seen);
  if (!seen.ok || !counts) return <AirSaid of={of} />;
  return (
    <Column gap="6px">
      <AirSaid of={of} />
      <Note>{seenWords(seen.value, system)}</Note>
      {seen.value.unread.length > 0 && (
        <Notice state="act">Not understood, and taken for missing: {seen.value.unread.join(" ")}</Notice>
      )}
      <Drift of={of} seen={seen.value} system={system} />
      {seen.value.air && (
        <Fold title="How it was worked out">
          <Box as="ul" listStylePosition="inside" textStyle="small">
            {airLines(seen.value.air).map((line) => (
              <li key={line.title}>{lineText(line)}</li>
            ))}
          </Box>
        </Fold>
      )}
    </Column>
  );
}

function seenWords({ wind, guessed, temperature, air, station, soil }: AirSeen, system: System): string {
  const blows = wind
    ? [
        `wind ${read(wind.speed, "speed", system, { figures: 2 })}`,
        wind.from !== null && ` from ${compass(wind.from)}`,
        wind.gust && `, gusts ${read(wind.gust, "speed", system, { figures: 2 })}`,
      ]
        .filter(Boolean)
        .join("")
    : guessed
      ? "wind guessed, so not known"
      : "wind not known";
  return [
    station,
    blows,
    temperature === null ? "air not known" : readTemperature(temperature, system),
    air && `${writeNumber(air.humidity, { decimals: 0 })} % humid, delta-T ${writeNumber(air.deltaT, { decimals: 1 })} K`,
    soil !== null && `soil ${readTemperature(soil, system)}`,
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Where a droplet drifts to over the first site, on its plan where it has one. */
function Drift({ of, seen, system }: { of: WeatherOf; seen: AirSeen; system: System }) {
  const first = of.job.sites?.[0];
  const entry = useSite(first?.id);
  const { wind } = seen;
  if (!wind || wind.from === null) return null;
  const to = compass(wind.from + 180);
  const zones = (entry?.site.zones ?? []).flatMap((zone) => {
    const polygons = zone.measurement?.map?.polygons;
    return polygons ? [{ key: zone.id, name: zone.name, turf: zone.turf, polygons }] : [];
  });
  return (
    <>
      <Note>
        Drift goes to the {to}.{first?.precautions && ` To be minded: ${first.precautions}.`} Begin on the side that it drifts to,
        and keep away from what is there.
      </Note>
      {zones.length > 0 && (
        <Plan
          zones={zones}
          system={system}
          label={`${first!.name} with the wind`}
          gate={placeOf(entry?.site.entrance)}
          tap={placeOf(entry?.site.waterSource?.position)}
          windFrom={wind.from}
        />
      )}
    </>
  );
}
