import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import { INK, savePdf as saveFile, STOP } from "../parts/pdf";
import { tagLines, type TagFacts } from "./tag-facts";

const styles = StyleSheet.create({
  page: { fontFamily: "B612", color: INK, padding: 14 },
  sheet: { flexDirection: "row", flexWrap: "wrap", gap: 12 },
  tag: { border: `2pt solid ${INK}`, padding: 12, flexGrow: 1 },
  quarter: { width: "48%", height: 360, flexGrow: 0 },
  rig: { fontSize: 17, fontWeight: 700, paddingRight: 24 },
  whose: { fontSize: 12, marginTop: 2 },
  warns: { fontSize: 10, fontWeight: 700, color: STOP, marginTop: 4 },
  main: { borderTop: `1.5pt solid ${INK}`, borderBottom: `1.5pt solid ${INK}`, marginVertical: 8, paddingVertical: 6 },
  volume: { fontSize: 20, fontWeight: 700 },
  band: { fontSize: 12, marginTop: 2 },
  line: { flexDirection: "row", marginBottom: 3, fontSize: 9.5 },
  name: { width: 92 },
  value: { flex: 1, fontWeight: 700 },
  until: { borderTop: `1.5pt solid ${INK}`, marginTop: 6, paddingTop: 6, fontSize: 12, fontWeight: 700 },
  small: { fontSize: 8, marginTop: 3 },
  hole: { position: "absolute", top: 10, right: 10, width: 14, height: 14, border: `1.5pt solid ${INK}`, borderRadius: 7 },
});

function Tag({ tag, quarter = false }: { tag: TagFacts; quarter?: boolean }) {
  return (
    <View style={quarter ? [styles.tag, styles.quarter] : styles.tag} wrap={false}>
      <View style={styles.hole} />
      <Text style={styles.rig}>{tag.rig}</Text>
      <Text style={styles.whose}>{tag.whose}</Text>
      {tag.warns !== "" && <Text style={styles.warns}>{tag.warns}</Text>}
      <View style={styles.main}>
        <Text style={styles.volume}>{tag.sprayVolume}</Text>
        <Text style={styles.band}>{tag.band}</Text>
      </View>
      {tagLines(tag).map(([name, value]) => (
        <View key={name} style={styles.line}>
          <Text style={styles.name}>{name}</Text>
          <Text style={styles.value}>{value}</Text>
        </View>
      ))}
      <Text style={styles.until}>Good until {tag.goodUntil}</Text>
      <Text style={styles.small}>
        Stale at once if tip, pressure, person or anything else on it changes. The label is binding.
      </Text>
    </View>
  );
}

/** Makes the PDF of a tag and hands it to the browser as a file. */
export async function savePdf(tag: TagFacts, size: "A6" | "LETTER"): Promise<void> {
  const page = (
    <Document title={`${tag.rig}, ${tag.whose}`} creator="Careful Gauge">
      <Page size={size} style={styles.page}>
        {size === "A6" ? (
          <Tag tag={tag} />
        ) : (
          <View style={styles.sheet}>
            {[0, 1, 2, 3].map((i) => (
              <Tag key={i} tag={tag} quarter />
            ))}
          </View>
        )}
      </Page>
    </Document>
  );
  await saveFile(page, `${tag.rig} ${tag.whose} tag`);
}
