import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { areaAsRead, rateAsRead } from "@/core/working/as-read";
import { sameName } from "@/core/names";
import { daysLater } from "@/core/calendar";
import { readAmountOf } from "@/core/mixing/display";
import { showEntered } from "@/core/quantity/format";
import { entered } from "@/core/quantity/parse";
import type { CardText } from "@/formats/card/card";
import { longestDays } from "@/formats/card/says";
import type { ApplicationEntry, LookEntry } from "@/formats/entries";
import type { LogAsked } from "@/formats/slices";
import { fetchSlice } from "../data/records";
import { unitsInHand } from "../data/units";
import { wateringWords } from "../labels/words";
import { dayWords } from "../data/dates";
import { seenWords } from "../looks/look-words";
import { INK, savePdf } from "../parts/pdf";
import { logPath } from "./log-path";

const styles = StyleSheet.create({
  page: { fontFamily: "B612", color: INK, padding: 36, paddingBottom: 60, fontSize: 10 },
  title: { fontSize: 18, fontWeight: 700 },
  under: { marginTop: 3 },
  day: { marginTop: 16, borderTop: `1.5pt solid ${INK}`, paddingTop: 5, fontSize: 13, fontWeight: 700 },
  product: { marginTop: 8, fontSize: 11, fontWeight: 700 },
  row: { flexDirection: "row", borderBottom: `0.5pt solid ${INK}`, paddingVertical: 2 },
  head: { flexDirection: "row", borderBottom: `1pt solid ${INK}`, paddingVertical: 2, fontSize: 8 },
  zone: { width: 130 },
  cell: { flex: 1, textAlign: "right" },
  total: { width: 70, textAlign: "right" },
  line: { marginTop: 3 },
  foot: { position: "absolute", bottom: 22, left: 36, right: 36, fontSize: 8 },
});

/** What the page is made of, as it is on record. */
export interface ClientFacts {
  readonly site: string;
  /** What stands, oldest first. */
  readonly records: readonly ApplicationEntry[];
  readonly cards: ReadonlyMap<string, CardText>;
  /** By sheet: what it planned of each product. */
  readonly promised: ReadonlyMap<string, readonly { readonly name: string; readonly rate: string }[]>;
  readonly looks: readonly LookEntry[];
}

/** What the client is told of a product of a day, in plain words. */
export function clientLines(record: ApplicationEntry, card: CardText | undefined, looks: readonly LookEntry[]): string[] {
  const { facts, date, zoneId, labelId } = record;
  const watering = facts?.watering ?? (card && wateringWords(card));
  const visible = longestDays(card?.visible);
  const stayOff = facts?.reentry ?? card?.reentry;
  const seen = looks.filter((look) => look.of?.date === date && look.zoneId === zoneId && look.labelId === labelId);
  return [
    facts?.target && `Against ${facts.target}.`,
    stayOff && `Stay off: ${stayOff}.`,
    watering && `Water: ${watering}.`,
    card?.keepDry && `Keep it dry for ${showEntered(entered(card.keepDry, "time"))}: sprinklers off.`,
    card?.mowAfter && `Don't mow for ${card.mowAfter}.`,
    visible !== undefined &&
      `Nothing can be seen before ${dayWords(daysLater(date, visible))}; please don't judge it until then.`,
    card?.suppresses && `It holds back ${card.suppresses}; it doesn't take it away.`,
    ...seen.map((look) => `We looked again on ${dayWords(look.date)}: ${seenWords(look.says)}.`),
  ].filter((line) => typeof line === "string" && line !== "") as string[];
}

function ClientPage({ site, records, cards, promised, looks }: ClientFacts) {
  const days = [...new Set(records.map((one) => one.date))];
  return (
    <Document>
      <Page size="LETTER" style={styles.page}>
        <Text style={styles.title}>What went down on {site}</Text>
        <Text style={styles.under}>
          {days.length === 0
            ? "Nothing is on record for these days."
            : [...new Set([days[0]!, days.at(-1)!])].map(dayWords).join(" to ")}
        </Text>
        {days.map((date) => (
          <Day key={date} date={date} {...{ records: records.filter((one) => one.date === date), cards, promised, looks }} />
        ))}
        <Text style={styles.foot} fixed>
          Ask us, and read the label, before children, pets or food gardens are concerned. What is said here doesn&apos;t replace
          a label or local rules. Made by Careful Gauge.
        </Text>
      </Page>
    </Document>
  );
}

function Day({ date, records, cards, promised, looks }: Omit<ClientFacts, "site"> & { readonly date: string }) {
  const products = [...new Set(records.map((one) => one.product))];
  const system = unitsInHand();
  return (
    <View>
      <Text style={styles.day}>{dayWords(date)}</Text>
      {products.map((product) => {
        const own = records.filter((one) => one.product === product);
        const lines = new Set(own.flatMap((one) => clientLines(one, cards.get(one.labelId ?? ""), looks)));
        return (
          <View key={product} wrap={false}>
            <Text style={styles.product}>{product}</Text>
            <View style={styles.head}>
              <Text style={styles.zone}>Ground</Text>
              <Text style={styles.cell}>Promised</Text>
              <Text style={styles.cell}>Went down</Text>
              <Text style={styles.total}>In all</Text>
            </View>
            {own.map((one) => {
              const planned = promised.get(one.sheetId ?? "")?.find((p) => sameName(p.name, product));
              return (
                <View key={one.id} style={styles.row}>
                  <Text style={styles.zone}>
                    {one.zone}, {areaAsRead(one.covered, system)}
                  </Text>
                  <Text style={styles.cell}>{planned ? rateAsRead(planned.rate, system) : "not noted"}</Text>
                  <Text style={styles.cell}>{rateAsRead(one.rate, system)}</Text>
                  <Text style={styles.total}>{readAmountOf(one.total, system)}</Text>
                </View>
              );
            })}
            {[...lines].map((line) => (
              <Text key={line} style={styles.line}>
                {line}
              </Text>
            ))}
          </View>
        );
      })}
    </View>
  );
}

/** More than a client reads at once (ours). */
const MOST_RECORDS = 200;

/**
 * Makes the page for the client of a site out of what stands there.
 * @throws where it can't be fetched, or is more than a client reads
 */
export async function saveClientPdf(asked: LogAsked & { readonly site: string }): Promise<void> {
  const response = await fetch(logPath("json", asked));
  if (!response.ok) throw new Error(String(response.status));
  const { records } = (await response.json()) as { readonly records: readonly ApplicationEntry[] };
  const stands = records.filter((one) => !one.corrected && !one.isVoid).reverse();
  if (stands.length > MOST_RECORDS) throw new RangeError(`${stands.length} records`);
  const sheets = [...new Set(stands.flatMap((one) => one.sheetId ?? []))];
  const [labels, sites, looks, ...planned] = await Promise.all([
    fetchSlice("labels", {}),
    fetchSlice("sitesById", { ids: [asked.site] }),
    fetchSlice("looks", { site: asked.site }),
    ...sheets.map((id) => fetchSlice("sheet", { id })),
  ]);
  const site = sites.value[0]?.site.name ?? "a site";
  await savePdf(
    <ClientPage
      site={site}
      records={stands}
      cards={new Map(labels.value.map(({ id, card }) => [id, card]))}
      promised={new Map(planned.map(({ value }) => [value.id, value.job.products ?? []]))}
      looks={looks.value.rows}
    />,
    `${site} ${asked.from ?? ""} ${asked.to ?? ""}`.trim(),
  );
}
