import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { areaAsRead, rateAsRead } from "@/core/working/as-read";
import { readAmountOf } from "@/core/mixing/display";
import type { System } from "@/core/working/units";
import type { ApplicationEntry, IncidentEntry } from "@/formats/entries";
import { INCIDENT_NAMES } from "@/formats/incidents";
import { stateOf } from "@/formats/log-csv";
import { missingOfEntry } from "@/formats/missing";
import type { LogAsked } from "@/formats/slices";
import { format } from "../data/dates";
import { unitsInHand } from "../data/units";
import { lackingWords } from "../mix/law-missing";
import { INK, savePdf } from "../parts/pdf";
import { logPath } from "./log-path";

const styles = StyleSheet.create({
  page: { fontFamily: "B612", color: INK, padding: 36, fontSize: 10 },
  title: { fontSize: 17, fontWeight: 700 },
  state: { fontSize: 12, fontWeight: 700, marginTop: 4 },
  part: { marginTop: 12, borderTop: `1.5pt solid ${INK}`, paddingTop: 4 },
  head: { fontSize: 11, fontWeight: 700, marginBottom: 3 },
  row: { flexDirection: "row", borderBottom: `0.5pt solid ${INK}`, paddingVertical: 3 },
  name: { width: 170 },
  value: { flex: 1, fontWeight: 700 },
  foot: { position: "absolute", bottom: 20, left: 36, right: 36, fontSize: 7.5 },
});

/** What the server sends of the log. */
interface LogFile {
  readonly records: readonly ApplicationEntry[];
  readonly incidents: readonly IncidentEntry[];
  readonly chain: {
    readonly records: number;
    readonly digest: string;
    readonly broken: object | null;
    readonly outside: number;
    readonly whole: string;
    /** Other installations of which records came in here. */
    readonly elsewhere: readonly { readonly head: string; readonly at: string; readonly faults: readonly string[] }[];
  };
}

/** Pages of one file, and files of one batch (ours): a year of restricted use of a firm fits, and no browser runs out. */
const AT_ONCE = 400;
const MOST_PARTS = 10;

/** So many other installations are named on a page, the last ones first; the log as JSON has all. */
const ELSEWHERE = 3;

type Line = readonly [name: string, value: string | null | undefined];

/** One record: what the law asks for first, then what good firms add. */
function Record({ entry, chain, system }: { entry: ApplicationEntry; chain: LogFile["chain"]; system: System }) {
  const { facts } = entry;
  const state = stateOf(entry);
  const byLaw: Line[] = [
    ["Product", entry.product],
    ["Registration number", facts?.registration],
    ["Restricted use", facts && (facts.restricted ?? "no")],
    ["Total amount", readAmountOf(entry.total, system)],
    ["Rate", rateAsRead(entry.rate, system)],
    ["Place", `${entry.site}, ${entry.zone}`],
    ["Area treated", areaAsRead(entry.covered, system)],
    ["Crop or site", facts?.turf],
    ["Date", format(new Date(`${entry.date}T12:00:00`), "d MMMM yyyy")],
    ["Applied by", entry.person],
    ["Certificate", [facts?.certificate, facts?.certifiedBy, facts?.categories].filter(Boolean).join(", ")],
    ["Certificate holds until", facts?.certificateEnds],
  ];
  const more: Line[] = [
    ["Began, ended", [facts?.started, facts?.ended].filter(Boolean).join(" to ")],
    ["Against", [facts?.target, facts?.stage].filter(Boolean).join(", ")],
    ["Wind", [facts?.wind, facts?.windFrom].filter(Boolean).join(" from ")],
    ["Air, sky", [facts?.air, facts?.sky].filter(Boolean).join(", ")],
    ["Rig", facts?.rig],
    ["Mixed by", facts?.mixedBy],
    ["Lot", facts?.lot],
    ["Actives", entry.actives.map((a) => `${a.name} ${a.content}`).join(", ")],
    ["County rules", facts?.jurisdiction],
    ["Watering in", facts?.watering],
    ["Stay off until", facts?.reentry],
    ["Leftover", facts?.leftover],
    ["Notes", [...new Set([entry.note, entry.why])].filter(Boolean).join("; ")],
    ["Corrects", entry.corrects],
    ["Record", entry.id],
  ];
  const lacking = missingOfEntry(entry)[0];
  return (
    <Page size="LETTER" style={styles.page}>
      <Text style={styles.title}>Record of an application</Text>
      {state !== "stands" && (
        <Text style={styles.state}>
          This record was {state === "corrected" ? "corrected: see the one that names it" : "struck: it never went down"}.
        </Text>
      )}
      <Part title="What 7 CFR 110.3 asks for" lines={byLaw} all />
      {lacking && <Text style={styles.state}>To be noted: {lackingWords(lacking, entry.person ?? "who applied it")}.</Text>}
      <Part title="What else is on record" lines={more} />
      <Foot chain={chain} />
    </Page>
  );
}

/** What any page is worth as evidence. */
const Foot = ({ chain }: { chain: LogFile["chain"] }) => (
  <Text style={styles.foot} fixed>
    The log held {chain.records} records when this was printed
    {chain.broken || chain.outside > 0 ? ", and not all of them are as they came in" : ", each as it came in"}. Digest of the
    chain: {chain.digest}; of all that is on record: {chain.whole}. Whoever has this page can tell later whether anything before
    it was altered; it doesn&apos;t prove that what was written was so.
    {chain.elsewhere
      .slice(0, ELSEWHERE)
      .map(
        ({ head, at, faults }) =>
          ` Records of another installation came in on ${at.slice(0, 10)}, ${faults.length === 0 ? "each" : "not all"} as it came in there; digest of its chain: ${head}.`,
      )}{" "}
    Made by Careful Gauge.
  </Text>
);

/** What went wrong, as it was told last. */
function Incident({ incident, chain }: { incident: IncidentEntry; chain: LogFile["chain"] }) {
  const { kind, date, site, product, person, says, corrects, id } = incident;
  const lines: Line[] = [
    ["What it was", INCIDENT_NAMES[kind]],
    ["Date, time", [format(new Date(`${date}T12:00:00`), "d MMMM yyyy"), says.time].filter(Boolean).join(", ")],
    ["Place", [site, says.where].filter(Boolean).join(", ")],
    ["Product", product],
    ["How much", says.amount],
    ["What happened", says.what],
    ["Weather as it was", says.weather],
    ["What was done", says.done],
    ["Who was told, and when", says.told],
    ["Told by", person],
  ];
  const more: Line[] = [
    ["Tells anew", corrects],
    ["Record", id],
  ];
  return (
    <Page size="LETTER" style={styles.page}>
      <Text style={styles.title}>Record of what went wrong</Text>
      <Part title="As it was told" lines={lines} all />
      <Part title="On record" lines={more} />
      <Foot chain={chain} />
    </Page>
  );
}

/** @param all whether what is empty is shown as such */
function Part({ title, lines, all = false }: { title: string; lines: readonly Line[]; all?: boolean }) {
  const shown = lines.filter(([, value]) => all || (value ?? "") !== "");
  if (shown.length === 0) return null;
  return (
    <View style={styles.part}>
      <Text style={styles.head}>{title}</Text>
      {shown.map(([name, value]) => (
        <View key={name} style={styles.row}>
          <Text style={styles.name}>{name}</Text>
          <Text style={styles.value}>{(value ?? "") === "" ? "not noted" : value}</Text>
        </View>
      ))}
    </View>
  );
}

/**
 * Fetches what is asked for of the log and makes a page of each record, in several files where they are many.
 * @throws where it can't be fetched, or is more than a batch
 */
export async function saveInspectorPdf(asked: LogAsked): Promise<void> {
  const response = await fetch(logPath("json", asked));
  if (!response.ok) throw new Error(String(response.status));
  const file = (await response.json()) as LogFile;
  const parts = Math.ceil(file.records.length / AT_ONCE);
  if (parts > MOST_PARTS) throw new RangeError(`${file.records.length} records`);
  const oldestFirst = [...file.records].reverse();
  const name = `Records ${asked.from ?? ""} ${asked.to ?? ""}`.trim();
  for (let part = 0; part < Math.max(parts, 1); part++)
    await savePdf(
      <Document>
        {oldestFirst.slice(part * AT_ONCE, (part + 1) * AT_ONCE).map((entry) => (
          <Record key={entry.id} entry={entry} chain={file.chain} system={unitsInHand()} />
        ))}
        {part === Math.max(parts, 1) - 1 &&
          file.incidents.map((one) => <Incident key={one.id} incident={one} chain={file.chain} />)}
      </Document>,
      parts > 1 ? `${name}, part ${part + 1} of ${parts}` : name,
    );
}
