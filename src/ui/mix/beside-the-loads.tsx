"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useState } from "react";
import type { Calibration } from "@/core/calibration/calibrate";
import type { Kit } from "@/core/calibration/kit";
import type { Filling } from "@/core/mixing/column";
import { isWeight, readAmount } from "@/core/mixing/display";
import { rateOnGround } from "@/core/mixing/judge";
import { wholePackets } from "@/core/mixing/packages";
import type { MixPlan } from "@/core/mixing/plan";
import { isPacket, pouringOrder } from "@/core/mixing/pouring-order";
import { inJar, JARS, JARS_OF, premix, type TestJar } from "@/core/mixing/small-mixes";
import { mostProduct, stretch } from "@/core/mixing/stretch";
import { writeNumber } from "@/core/quantity/format";
import { given, type Derived } from "@/core/working/rule";
import { read, type System } from "@/core/working/units";
import { wordsFor } from "@/core/issue";
import type { Job } from "@/formats/job-file/read-checked";
import { readTyped } from "@/formats/typed";
import { useSlice } from "../data/records";
import { Note, Select } from "../parts/controls";
import { Field, TextField } from "../parts/field";
import { Fold } from "../parts/fold";
import { Known } from "../parts/to-know";
import { GroundSure } from "./ground-sure";
import { measuring } from "./measures";
import { Column } from "../parts/layout";
import { onFoot } from "@/rig-kinds/rules";

interface BesideProps {
  readonly plan: MixPlan;
  readonly fillings: readonly Filling[];
  readonly job: Job;
  readonly calibration: Calibration;
  readonly kit: Kit;
  readonly system: System;
}

/** What a mix may need beside its loads: a jar test, a premix, whole packets, how far a tank may be stretched. */
export function BesideTheLoads({ plan, fillings, job, calibration, kit, system }: BesideProps) {
  const labels = [...new Set((job.file.products ?? []).map((p) => p.id ?? p.name))].sort();
  const before = useSlice("mixedBefore", labels.length > 1 ? { labels } : null).value;
  const first = fillings[0];
  if (!first) return null;
  const names = plan.products.map((p) => p.name);
  const fresh = names.length > 1 && before === false;
  const powders = plan.products.flatMap((p, i) => (isWeight(first.amounts[i]!) && !isPacket(p) ? [i] : []));
  return (
    <>
      {names.length > 1 && (
        <Fold
          key={String(fresh)}
          strong
          begun={fresh}
          title={fresh ? "Jar test: nobody has mixed these here before" : "Jar test"}
        >
          <JarTest plan={plan} filling={first} kit={kit} system={system} />
        </Fold>
      )}
      {powders.length > 0 && fillings.length > 1 && (
        <Fold strong title="Premix a slurry for all loads">
          <Premixes plan={plan} powders={powders} fillings={fillings} kit={kit} system={system} />
        </Fold>
      )}
      <Stretching plan={plan} job={job} calibration={calibration} system={system} />
    </>
  );
}

/** What is to be known of the amounts themselves: whole packets, adjuvants and dye, how sure the ground is. */
export function AboutAmounts({ plan, fillings, job, system }: Pick<BesideProps, "plan" | "fillings" | "job" | "system">) {
  return (
    <>
      {plan.products.flatMap((product, i) =>
        isPacket(product) ? [<Packets key={i} plan={plan} product={i} fillings={fillings} system={system} />] : [],
      )}
      <Advice plan={plan} />
      <GroundSure plan={plan} sites={job.file.sites ?? []} system={system} />
    </>
  );
}

/** What a practitioner would say of adjuvants and dye in this mix. */
function Advice({ plan }: { plan: MixPlan }) {
  const soil = plan.products.filter((p) => p.says?.aftercare?.waterLeast ?? p.says?.aftercare?.waterWithin);
  const sticker = plan.products.find((p) => p.formulation?.toUpperCase() === "SURFACTANT");
  const dye = plan.products.find((p) => p.formulation?.toUpperCase() === "DYE");
  return (
    <>
      {sticker && soil.length > 0 && (
        <Known rank="amounts" brief={`${sticker.name}: better without`} state="plain">
          {sticker.name} helps what must stick to leaves. {soil.map((p) => p.name).join(", ")} must reach the soil: it does better
          without.
        </Known>
      )}
      {dye && (
        <Known rank="amounts" brief="dye" state="plain">
          {dye.name} shows what is done, most of all to a beginner. How much colour is a matter of taste.
        </Known>
      )}
    </>
  );
}

function JarTest({ plan, filling, kit, system }: { plan: MixPlan; filling: Filling; kit: Kit; system: System }) {
  const [size, setSize] = useState<TestJar>(JARS_OF[system][0]);
  const amounts = inJar(filling.amounts, filling.fillTo, JARS[size]);
  return (
    <Column gap="10px">
      <Note>
        The same strength in a clear jar, in the same order: water first, then each product, shaken in between. Look again after a
        quarter of an hour: flakes, gel, layers or heat mean that they don&apos;t go together.
      </Note>
      <Box width="220px">
        <Field label="Jar">
          {(props) => (
            <Select {...props} value={size} onChange={(e) => setSize(e.target.value as TestJar)}>
              {JARS_OF[system].map((jar) => (
                <option key={jar} value={jar}>
                  a {jar}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Box>
      <Box as="ol" aria-label="Into the jar" listStylePosition="inside">
        {pouringOrder(plan.products).map((i) => {
          const how = measuring(amounts[i]!, 0, kit, system);
          return (
            <li key={i}>
              {plan.products[i]!.name}: <strong>{readAmount(amounts[i]!, system)}</strong>
              {how.words && `, ${how.words}, ${how.error}`}
              {how.needs && <chakra.span color="soft">{` (${how.needs})`}</chakra.span>}
            </li>
          );
        })}
      </Box>
    </Column>
  );
}

interface PremixesProps {
  readonly plan: MixPlan;
  readonly powders: readonly number[];
  readonly fillings: readonly Filling[];
  readonly kit: Kit;
  readonly system: System;
}

/** One slurry for the loads that are alike: weighed once, poured by the portion. */
function Premixes({ plan, powders, fillings, kit, system }: PremixesProps) {
  const [typed, setTyped] = useState("1 qt");
  const portion = readTyped("spot", typed);
  const first = fillings[0]!;
  const alike = fillings.filter((f) => readAmount(f.amounts[0]!, system) === readAmount(first.amounts[0]!, system)).length;
  return (
    <Column gap="10px">
      <Note>
        For the {alike} loads that are alike: weigh once, stir it into water, make it up, keep it stirred and pour one portion
        into each load. A load of another size is measured by itself.
      </Note>
      <Box width="220px">
        <TextField
          label="Portion for a load"
          value={typed}
          error={portion.ok ? undefined : wordsFor(portion.issues[0]!, system)}
          quantity="spot"
          onChange={(e) => setTyped(e.target.value)}
        />
      </Box>
      {portion.ok && (
        <ul>
          {powders.map((i) => {
            const one = premix(first.amounts[i] as Derived<"mass">, alike, given(portion.value, "portion"));
            const how = measuring(one.product, 0, kit, system);
            return (
              <li key={i}>
                {plan.products[i]!.name}: <strong>{readAmount(one.product, system)}</strong>
                {how.words && ` (${how.words}, ${how.error})`}
                {how.needs && ` (${how.needs})`}, makes up to <strong>{read(one.makesUpTo.value, "volume", system)}</strong>
              </li>
            );
          })}
        </ul>
      )}
    </Column>
  );
}

interface PacketsProps {
  readonly plan: MixPlan;
  readonly product: number;
  readonly fillings: readonly Filling[];
  readonly system: System;
}

/** Packets go in whole and unopened. */
function Packets({ plan, product, fillings, system }: PacketsProps) {
  const one = plan.products[product]!;
  const packet = one.packages?.[0]?.content;
  if (!packet)
    return (
      <Known rank="amounts" brief="what a packet holds" state="act">
        {one.name} comes in packets: note on its card how much is in one.
      </Known>
    );
  const loads = fillings.map((filling) => ({ filling, packets: wholePackets(filling.amounts[product]!, packet) }));
  const broken = loads.filter((l) => !l.packets.whole);
  if (broken.length === 0) return null;
  return (
    <Known rank="before" brief="whole packets only" state="act">
      {one.name} comes in packets of {packet.text}, made to go in whole and unopened.{" "}
      {broken.map(({ filling, packets }) => {
        const count = writeNumber(packets.count, { figures: 3 });
        const part = packets.instead?.part;
        return (
          <span key={filling.key}>
            Load {filling.number} would take {count}.{" "}
            {packets.instead && part
              ? `${packets.instead.packets} are right for a load of ${writeShare(filling, part, system)}. `
              : "Not even one is right: take a larger load, or another product. "}
          </span>
        );
      })}
      Don&apos;t open one to split it: the powder is breathed. If the label lets you and you must, wear a respirator for fine
      powders.
    </Known>
  );
}

const writeShare = (filling: Filling, part: number, system: System): string =>
  `${writeNumber(part * 100, { figures: 3, down: true })} % of it (of ${read(filling.fillTo.value, "volume", system)}), on as much less ground`;

interface StretchingProps {
  readonly plan: MixPlan;
  readonly job: Job;
  readonly calibration: Calibration;
  readonly system: System;
}

/** The dilution school: how far a tank may be stretched, and what that asks of the walk. */
function Stretching({ plan, job, calibration, system }: StretchingProps) {
  const made =
    job.tank &&
    !job.rig.head &&
    stretch({
      usable: given(job.tank.usable, "usable volume"),
      now: plan.leaves,
      flow: calibration.flow,
      swath: calibration.swath,
      onFoot: onFoot(job.rig.kind),
      products: plan.products.map((p) => ({
        name: p.name,
        dry: p.form === "dry",
        rate: rateOnGround(p, plan.leaves),
        carrierAtLeast: p.says?.carrierAtLeast,
        dilutionAtLeast: p.says?.dilutionAtLeast,
      })),
    });
  const tight = plan.products.find((p) => p.says?.dilutionAtLeast);
  if (!made) return null;
  const { binding, covers, speed } = made;
  const why = { dilution: "water to all products", carrier: "the carrier minimum", speed: "a walkable speed" }[binding.of];
  return (
    <Fold strong title="How far a tank may be stretched">
      <Column gap="6px" maxW="74ch">
        <p>
          Down to <strong>{read(binding.least.value, "sprayVolume", system)}</strong>, where {why}
          {binding.product && ` of ${binding.product}`} binds. A full tank then covers{" "}
          <strong>{read(covers.value, "area", system)}</strong>
          {speed && (
            <>
              , at <strong>{read(speed.value, "speed", system)}</strong>
            </>
          )}
          .
        </p>
        {tight && (
          <p>
            At {tight.says!.dilutionAtLeast!.text} such a tank holds at most{" "}
            <strong>
              {read(
                mostProduct(given(job.tank!.usable, "usable volume"), given(tight.says!.dilutionAtLeast!, "dilution")).value,
                "volume",
                system,
                { figures: 3, down: true },
              )}
            </strong>{" "}
            of all products together.
          </p>
        )}
        <Note>
          The same product for an area in less water: calibrate at that spray volume first, then mix from it. Thinner than this is
          not a plan.
        </Note>
      </Column>
    </Fold>
  );
}
