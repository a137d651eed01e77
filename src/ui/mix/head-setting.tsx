"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import type { Calibration } from "@/core/calibration/calibrate";
import { readHead, type Head } from "@/core/hose-end/head";
import { headPairs, jarOf, type HeadPair } from "@/core/hose-end/solve";
import { isStrength } from "@/core/labels/gallon";
import { roomOf } from "@/core/labels/limit-mix";
import { rateOnGround } from "@/core/mixing/judge";
import { isSpread } from "@/core/mixing/pouring-order";
import type { MixProduct } from "@/core/mixing/product";
import { ROUNDING, show, writeNumber } from "@/core/quantity/format";
import { quantity } from "@/core/quantity/quantity";
import { given, type Source } from "@/core/working/rule";
import { read, unitFor, type System } from "@/core/working/units";
import { dialText } from "@/core/words/values";
import { groundText, paceText, paceTime } from "@/core/working/thousand";
import { isZero, ratio, total } from "@/core/quantity/arithmetic";
import type { HeadText, RigText } from "@/formats/job-file/types";
import { readTanks } from "@/formats/job-file/read-calibration";
import { readRig } from "@/formats/job-file/read-rig";
import { settingsOf } from "@/formats/rig-setup";
import { MistakeNote } from "../calibrate/mistake-note";
import { Button, SubHeading } from "../parts/controls";
import { Fact, Facts } from "../parts/fact";
import { Notice } from "../parts/notices";

interface HeadProps {
  /** The rig with its head as this mix has it. */
  readonly rig: RigText;
  readonly made: Calibration;
  readonly products: readonly MixProduct[];
  readonly system: System;
  readonly onSet: (head: HeadText) => void;
}

/** How the head is set for this mix: dial or feed, jar and pace together must give the label rate of the first product. */
export function HeadSetting({ rig, made, products, system, onSet }: HeadProps) {
  const { head } = readRig(rig);
  const [first, ...others] = products.filter((p) => !isSpread(p));
  const tank = readTanks(rig)[0];
  if (!head || !first || first.rate.kind !== "rateByVolume" || !tank) return null;
  const rate = (first.by as Source<"rateByVolume"> | undefined) ?? given(first.rate, "label rate");
  const reading = readHead(head, made.flow, rate, made.timePer1000);
  const beside = total(
    others.filter((p) => !isStrength(p.rate)).map((p) => roomOf({ dry: p.form === "dry", rate: rateOnGround(p, NONE) }).value),
  );
  const wish = made.flow &&
    made.timePer1000 && {
      head,
      settings: settingsOf(rig),
      flow: made.flow,
      rate,
      pace: made.timePer1000,
      jar: given(tank.usable, "jar"),
      beside: ratio(beside, rate.value),
    };
  const pairs = wish ? headPairs(wish) : [];
  const off = reading.overdose === null ? 0 : Math.abs(reading.overdose - 1);
  return (
    <Box as="section" aria-label="Head and jar" display="grid" gap="12px">
      <SubHeading>Head and jar</SubHeading>
      <Facts least={150}>
        <Fact name={head.kind === "dial" ? "Dial" : "Feed"} value={settingWords(head, system)} large />
        <Fact name="Jar" value={jarWords(head, system)} large />
        {reading.timePer1000 && <Fact name="Gives the rate at" value={paceText(reading.timePer1000.value, system)} large />}
        {made.timePer1000 && <Fact name="Pace timed" value={paceText(made.timePer1000.value, system)} large />}
      </Facts>
      {reading.overdose !== null && off > 0.02 && (
        <Box>
          Together that is <strong>{writeNumber(reading.overdose, { figures: 3 })} times</strong> the planned rate of {first.name}
          .
        </Box>
      )}
      {wish && (off > 0.02 || pairs.length > 1) && (
        <Pairs pairs={pairs} head={head} jar={wish.jar} name={first.name} off={off} system={system} onSet={onSet} />
      )}
      {wish && reading.timePer1000 && off > 0.1 && (
        <Box>
          Or leave head and jar, and walk {groundText(system)} in <strong>{paceTime(reading.timePer1000.value, system)}</strong>:{" "}
          <PageLink href="/calibrate" style={{ textDecoration: "underline" }}>
            time that pace first
          </PageLink>
          .
        </Box>
      )}
      {!made.timePer1000 && reading.timePer1000 && (
        <Notice state="plain">
          By the flow alone: nobody&apos;s pace was timed. Cover {groundText(system)} in{" "}
          {paceTime(reading.timePer1000.value, system)}, by the watch.
        </Notice>
      )}
      {head.kind === "dial" && made.flow && made.timePer1000 && (
        <MistakeNote rate={rate.value} flow={made.flow.value} pace={made.timePer1000.value} system={system} />
      )}
    </Box>
  );
}

const NONE = given(
  { text: "0", kind: "sprayVolume", number: 0, unit: "gal/1000 ft2", value: quantity("sprayVolume", 0, "gal/1000 ft2") },
  "nothing",
);

interface PairsProps {
  readonly pairs: readonly HeadPair[];
  readonly head: Head;
  readonly jar: Source<"volume">;
  readonly name: string;
  readonly off: number;
  readonly system: System;
  readonly onSet: (head: HeadText) => void;
}

/** The settings that the head really has, each with the jar that gives the rate at the pace that was timed. */
function Pairs({ pairs, head, jar, name, off, system, onSet }: PairsProps) {
  if (pairs.length === 0)
    return (
      <Notice state="act">
        No setting of this head and no jar gives the rate at the pace that was timed: walk slower or faster, or list the numbers
        of its dial on the rig.
      </Notice>
    );
  return (
    <Box as="ul" listStyleType="none" aria-label="Settings that give the rate">
      {pairs.slice(0, 4).map((pair) => {
        const text = headText(pair, system);
        const words = settingWords(pair.head, system);
        const fill = fillWords(pair, jar, name, system);
        const now = off <= 0.02 && settingWords(head, system) === words;
        return (
          <Box
            as="li"
            key={words + fill}
            display="flex"
            gap="6px 16px"
            alignItems="center"
            flexWrap="wrap"
            borderBottom="1px solid"
            borderColor="line"
            paddingY="6px"
          >
            <Box flex="1 1 240px">
              <chakra.span fontFamily="reading" fontWeight="700">
                {words}
              </chakra.span>
              : {fill}
            </Box>
            {now ? (
              <Box color="soft">as it is set</Box>
            ) : (
              <Button minHeight="44px" onClick={() => onSet(text)}>
                Set it so
              </Button>
            )}
          </Box>
        );
      })}
    </Box>
  );
}

const volumeText = (value: Parameters<typeof unitFor<"volume">>[0], system: System) =>
  show(value, "volume", unitFor(value, "volume", system), ROUNDING.amountDown);

/** What goes into a full jar, in words. */
function fillWords(pair: HeadPair, jar: Source<"volume">, name: string, system: System): string {
  const { product, water } = jarOf(pair);
  if (isZero(water)) return `${name} undiluted in the jar`;
  return `${volumeText(product, system)} of ${name}, made up to ${volumeText(jar.value, system)} with water`;
}

/** A pair as a job file writes a head, the jar as it is filled: product rounded down to what a vessel reads. */
function headText(pair: HeadPair, system: System): HeadText {
  const { product, water } = jarOf(pair);
  const into = unitFor(product, "volume", system);
  const filled = volumeText(product, system).replaceAll(",", "");
  const rest = isZero(water) ? undefined : show(water, "volume", into, { figures: 6 }).replaceAll(",", "");
  const jar = rest === undefined ? {} : { jar: { product: filled, water: rest } };
  return pair.head.kind === "metered"
    ? { kind: "metered", feed: pair.head.feed.text, ...jar }
    : { kind: "dial", setting: pair.head.setting.text, ...jar };
}

/** What a head is set to, in words. */
export const settingWords = (head: Head, system: System): string =>
  head.kind === "metered"
    ? read(head.feed.value, "flow", system)
    : system === "us"
      ? head.setting.text
      : dialText(head.setting.value, system);

/** What a jar is made up of, in words. */
export function jarWords({ jar }: Head, system: System): string {
  if (!jar) return "undiluted";
  return `${volumeText(jar.product.value, system)} with ${volumeText(jar.water.value, system)} of water`;
}

/** How a head is set and walked, in a line: for the sheet, the paper and the pouring. */
export function headLine(head: Head | undefined, made: Calibration, system: System): string | undefined {
  if (!head) return undefined;
  const pace = made.hoseEnd?.timePer1000;
  const set = `${head.kind === "dial" ? "Dial at" : "Feed"} ${settingWords(head, system)}`;
  return [set, pace && `${groundText(system)} in ${paceTime(pace.value, system)}`].filter(Boolean).join(", ");
}
