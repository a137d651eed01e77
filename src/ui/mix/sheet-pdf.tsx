import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { format } from "../data/dates";
import type { Kit } from "@/core/calibration/kit";
import { afterWords } from "@/core/labels/aftercare";
import { stepsOf, type Filling } from "@/core/mixing/column";
import type { RunLoad } from "@/core/mixing/day-run";
import { readAmount } from "@/core/mixing/display";
import type { MixPlan } from "@/core/mixing/plan";
import { pouringOrder } from "@/core/mixing/pouring-order";
import { totalsOf } from "@/core/mixing/totals";
import { read, type System } from "@/core/working/units";
import type { Sheet } from "@/formats/entries";
import type { LocalRule } from "@/formats/local-rules";
import { gearOf } from "@/formats/gear";
import { fromCanonical } from "@/core/quantity/arithmetic";
import { tankName } from "@/formats/job-file/assemble";
import type { SheetPlan } from "@/formats/sheet-plan";
import { wallClock } from "../data/clock";
import { INK, savePdf } from "../parts/pdf";
import { aboutFilling } from "./about-filling";
import { afterOf, weatherLines } from "./field-words";
import { dayLedger } from "@/formats/day-ledger";
import { TANK_HEAD, tankRows } from "./day-tank";
import { endWords } from "./load-ends";
import { headLine } from "./head-setting";
import { measuresOf } from "./measures";
import { bagWords } from "./spread-list";
import { siteLine, sheetLine } from "./sheet-line";
import { siteLines } from "./site-lines";
import { alike } from "./tank-column";
import { stepText } from "./step-words";

const styles = StyleSheet.create({
  page: { fontFamily: "B612", color: INK, padding: 30, fontSize: 9.5 },
  title: { fontSize: 18, fontWeight: 700 },
  about: { marginTop: 2 },
  line: { fontSize: 12, fontWeight: 700, marginVertical: 8 },
  head: { fontSize: 11, fontWeight: 700, marginBottom: 6 },
  part: { borderTop: `1.5pt solid ${INK}`, paddingTop: 5, marginTop: 10 },
  name: { fontSize: 12, fontWeight: 700, marginBottom: 3 },
  row: { flexDirection: "row", borderBottom: `0.5pt solid ${INK}`, paddingVertical: 3, alignItems: "flex-start" },
  box: { width: 11, height: 11, border: `1pt solid ${INK}`, marginRight: 8 },
  many: { flexDirection: "row", flexWrap: "wrap", marginBottom: 4 },
  one: { flexDirection: "row", alignItems: "center", width: 42 },
  what: { width: 190 },
  amount: { width: 90, fontWeight: 700, fontSize: 11 },
  how: { flex: 1 },
  foot: { position: "absolute", bottom: 18, left: 30, right: 30, fontSize: 8 },
});

interface PagesProps {
  readonly sheet: Sheet;
  readonly worked: SheetPlan;
  readonly kit: Kit;
  readonly system: System;
  /** Of the places of its sites. */
  readonly rules: readonly LocalRule[];
}

/** A page for each site; of a day one for all of it. */
function Pages({ sheet, worked, kit, system, rules }: PagesProps) {
  const { plan, fillings, job, calibration } = worked;
  const head = headLine(job.rig.head, calibration, system);
  const parts = plan.run
    ? [{ title: "The day", line: sheetLine(plan, system), of: fillings }]
    : plan.sites.map((site, i) => ({
        title: site.name,
        line: siteLine(plan, i, system, sheet.job.rig.head !== undefined),
        of: fillings.filter((f) => f.sites[0] === site.name),
      }));
  return parts.map(({ title, line, of }) => (
    <Page key={title} size="LETTER" style={styles.page} wrap>
      <Text style={styles.title}>{title}</Text>
      <Text style={styles.about}>
        {format(wallClock(sheet.madeAt), "d MMMM yyyy")} · {sheet.job.rig.name}, {tankName(sheet.job)} tank
        {sheet.personName ? `, ${sheet.personName}` : ""} · {read(plan.leaves.value, "sprayVolume", system)} · calibrated{" "}
        {format(wallClock(sheet.calibrationMadeAt), "d MMM yyyy")}
      </Text>
      <Text style={styles.line}>{line}</Text>
      {head && <Text style={styles.head}>{head}</Text>}
      {sheet.run && <Behind sheet={sheet} system={system} />}
      {plan.run && plan.sites.length > 0 && <Stops worked={worked} system={system} />}
      <Field sheet={sheet} system={system} rules={rules} />
      <Gear sheet={sheet} />
      <InAll plan={plan} system={system} />
      {alike(of).map(({ filling, last }) => (
        <Fill key={filling.key} filling={filling} last={last} sheet={sheet} worked={worked} kit={kit} system={system} />
      ))}
      <Text style={styles.foot} fixed>
        The label is binding, then local rules and your licence. Made by Careful Gauge.
      </Text>
    </Page>
  ));
}

/** The box of a tick: filled where it is made already. */
const boxOf = (sheet: Sheet, key: string) => (sheet.done.includes(key) ? [styles.box, { backgroundColor: INK }] : styles.box);

function Gear({ sheet }: { sheet: Sheet }) {
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>Gear on, before the first container</Text>
      {gearOf(sheet.job.products ?? []).map((g) => (
        <View key={g.key} style={styles.row}>
          <View style={boxOf(sheet, g.key)} />
          <Text>{g.text}</Text>
        </View>
      ))}
    </View>
  );
}

/** The weather that the labels want, and what the ground gets afterwards. */
function Field({ sheet, system, rules }: { sheet: Sheet; system: System; rules: readonly LocalRule[] }) {
  const products = sheet.job.products ?? [];
  const after = afterWords(afterOf(products));
  const lines = [...weatherLines(products, system, rules), ...(after === "" ? [] : [["Afterwards", after] as const])];
  const known = siteLines(sheet.job, system);
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>In the field, by the labels and the rules of the place</Text>
      {lines.map(([what, says]) => (
        <Text key={what + says}>
          {what}: {says}
        </Text>
      ))}
      {known.map(({ says }) => (
        <Text key={says}>{says}</Text>
      ))}
    </View>
  );
}

function InAll({ plan, system }: { plan: MixPlan; system: System }) {
  if (plan.sites.length === 0) return null;
  const totals = totalsOf(plan);
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>In all</Text>
      {pouringOrder(plan.products).map((i) => (
        <Text key={i}>
          {plan.products[i]!.name}: {readAmount(totals[i]!.amount, system)}
        </Text>
      ))}
      {plan.spread.map((item) => (
        <Text key={item.site + item.product.name}>
          Spread dry on {item.site}: {item.product.name}, {readAmount(item.total, system)}
          {item.bags ? `, ${bagWords(item)}` : ""}
        </Text>
      ))}
    </View>
  );
}

/** The stops of a day that are behind, what went out at each, and what became of the tank. */
function Behind({ sheet: { run, ends, job }, system }: { sheet: Sheet; system: System }) {
  const tank = dayLedger(job, run!);
  const stops = run!.stops.filter((stop) => stop.state !== "todo");
  if (stops.length === 0) return null;
  const say = (mL: number) => read(fromCanonical<"volume">(mL), "volume", system);
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>Behind</Text>
      {stops.map((stop) => (
        <View key={stop.site} style={styles.row}>
          <Text style={styles.what}>{stop.site}</Text>
          <Text style={styles.amount}>{stop.used === null ? stop.state : say(stop.used)}</Text>
          <Text style={styles.how}>
            {stop.read ? `read off the tank: ${say(stop.read.left)} after it` : stop.state === "done" ? "as planned" : ""}
          </Text>
        </View>
      ))}
      {tank && (
        <View style={styles.part} wrap={false}>
          <Text style={styles.name}>{TANK_HEAD[0]}</Text>
          {tankRows(tank, system).map(([name, filled, applied, inTank]) => (
            <View key={name} style={styles.row}>
              <Text style={styles.what}>{name}</Text>
              <Text style={styles.amount}>{filled} filled</Text>
              <Text style={styles.how}>
                {applied} went down, {inTank} still in it
              </Text>
            </View>
          ))}
        </View>
      )}
      {ends.map((end) => (
        <Text key={`${end.site} ${end.load}`}>{endWords(end, system)}</Text>
      ))}
    </View>
  );
}

/** The stops in their order, with the fill that each begins with. */
function Stops({ worked, system }: Pick<PagesProps, "worked" | "system">) {
  const { begun, loads } = worked.plan.run!;
  const where = (at: RunLoad["at"]) => (at?.kind === "hydrant" ? `filled at ${at.site}` : "filled at the shop");
  const parts = [
    { words: "in the tank now", pieces: begun },
    ...loads.map((load) => ({ words: `load ${worked.filled + load.number}, ${where(load.at)}`, pieces: load.pieces })),
  ];
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>Stops</Text>
      {parts.flatMap(({ words, pieces }) =>
        pieces.map((piece, i) => (
          <View key={`${words}${i}`} style={styles.row}>
            <View style={styles.box} />
            <Text style={styles.what}>
              {piece.lawn.site}, {piece.lawn.name}
              {piece.resumed || piece.broken ? " (part)" : ""}
            </Text>
            <Text style={styles.amount}>{read(piece.covers.value, "area", system)}</Text>
            <Text style={styles.how}>{i === 0 ? words : ""}</Text>
          </View>
        )),
      )}
    </View>
  );
}

function Fill({ filling, last, sheet, worked, kit, system }: Omit<PagesProps, "rules"> & { filling: Filling; last: number }) {
  const { plan, job, calibration } = worked;
  const measured = measuresOf(plan, kit, system);
  const about = aboutFilling(job, calibration, system)(filling);
  return (
    <View style={styles.part} wrap={false}>
      <Text style={styles.name}>
        {last === filling.number ? `Load ${filling.number}` : `Loads ${filling.number} to ${last}, each`}: covers{" "}
        {read(filling.covers.value, "area", system)}
        {about.length > 0 ? `, ${about.join(", ")}` : ""}
      </Text>
      {last > filling.number && <Many from={filling.number} to={last} />}
      {stepsOf(plan.products, filling, job.waterFirst).map((step) => {
        const text = stepText(
          step,
          system,
          step.kind === "product" ? measured(filling, step.product) : undefined,
          job.rig.head !== undefined,
        );
        return (
          <View key={step.key} style={styles.row}>
            <View style={boxOf(sheet, step.key)} />
            <Text style={styles.what}>{text.what}</Text>
            <Text style={styles.amount}>{text.amount}</Text>
            <Text style={styles.how}>{[...text.how, ...(text.needs ? [`This kit can't: ${text.needs}`] : [])].join("; ")}</Text>
          </View>
        );
      })}
    </View>
  );
}

/** A box to tick for each of the loads that are filled alike. */
function Many({ from, to }: { from: number; to: number }) {
  return (
    <View style={styles.many}>
      {Array.from({ length: to - from + 1 }, (_, i) => (
        <View key={i} style={styles.one}>
          <View style={styles.box} />
          <Text>{from + i}</Text>
        </View>
      ))}
    </View>
  );
}

/** Makes the PDF of a sheet and hands it to the browser as a file. */
export async function saveSheetPdf({ name, ...pages }: PagesProps & { readonly name: string }): Promise<void> {
  await savePdf(
    <Document title={name} creator="Careful Gauge">
      <Pages {...pages} />
    </Document>,
    `${name} mix sheet`,
  );
}
