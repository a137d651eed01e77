import { bad, good, type Result } from "@/core/issue";
import { faultWords, type ChainFault } from "@/formats/chain-state";
import type { Records } from "@/records/database";
import { digestOf, hasDigest, linksOf, type Link } from "@/records/evidence";
import { EVIDENCE, EVIDENCE_NAMES, type EvidenceKind } from "@/records/evidence-kinds";
import { insertRow, rowAt, type Row } from "@/records/whole";
import { issue, nowText } from "./input";

/**
 * The chain of another installation, carried by its file of all records: it is kept with what came in, and its rows are held against it,
 * so that whoever noted its head there can show here that they are as they were.
 */

/** The chain as a file of all records carries it. */
export interface CarriedChain {
  readonly head: string;
  /** In the order of their places. */
  readonly links: readonly Link[];
}

/** What a file carries of the chain of these records. */
export const carriedChain = (db: Records): CarriedChain => {
  const links = linksOf(db);
  return { head: links.at(-1)?.[2] ?? "", links };
};

const isLink = (link: unknown): link is Link =>
  Array.isArray(link) &&
  link.length === 5 &&
  [0, 1, 2].every((i) => typeof link[i] === "string") &&
  [3, 4].every((i) => Number.isInteger(link[i]));

/** Reads what a file carries; undefined where it is from before, and carries none. */
export function readCarried(chain: unknown): Result<CarriedChain | undefined> {
  if (chain === undefined) return good(undefined);
  const { head, links } = (chain ?? {}) as { head?: unknown; links?: unknown };
  if (typeof head !== "string" || !Array.isArray(links) || !links.every(isLink) || (links.at(-1)?.[2] ?? "") !== head)
    return bad(
      issue("chain", "wrong-type", "something else", "the head, and the links as the app writes them, the last with the head"),
    );
  return good({ head, links });
}

/** Kinds that a file of all records doesn't carry: photos, and what was done about the chain there. */
const NOT_CARRIED: readonly string[] = ["photos", "chain_events"];

/** What of the rows of a file isn't as its own chain says, the first of each kind of fault at its place. */
export function carriedFaults(
  { links }: CarriedChain,
  tables: Readonly<Record<string, readonly Row[] | undefined>>,
): readonly ChainFault[] {
  const keyOf = ({ key }: EvidenceKind, row: Row) => key.map((column) => String(row[column])).join(" ");
  const rows = new Map(
    EVIDENCE_NAMES.map((name) => [name as string, new Map((tables[name] ?? []).map((row) => [keyOf(EVIDENCE[name], row), row]))]),
  );
  const faults: ChainFault[] = [];
  let before = "";
  links.forEach(([kind, record, digest, list], i) => {
    if (!NOT_CARRIED.includes(kind)) {
      const columns = EVIDENCE_NAMES.some((name) => name === kind)
        ? (EVIDENCE[kind as keyof typeof EVIDENCE] as EvidenceKind).lists[list - 1]
        : undefined;
      const row = rows.get(kind)?.get(record);
      const now = row && columns && digestOf(before, [kind, ...columns.map((column) => row[column] ?? null)]);
      if (now !== digest && faults.every(({ what }) => what === "outside"))
        faults.push({ what: row ? "altered" : "gone", kind, record, place: i + 1 });
      rows.get(kind)?.delete(record);
    }
    before = digest;
  });
  for (const [kind, { size }] of rows) if (size > 0) faults.push({ what: "outside", kind, count: size });
  return faults;
}

/** Keeps the chain of a file with what came in; the same chain once, and never what this chain grew from. */
export function keepCarried(db: Records, chain: CarriedChain, faults: readonly ChainFault[]): void {
  if (chain.links.length === 0 || hasDigest(db, chain.head)) return;
  const row = {
    id: chain.head,
    rows: chain.links.length,
    faults: JSON.stringify(faults.map(faultWords)),
    links: JSON.stringify(chain.links),
    at: nowText(),
  };
  if (!rowAt(db, "chains_elsewhere", { columns: [], key: ["id"] }, row)) insertRow(db, "chains_elsewhere", row);
}

/** The chains of elsewhere of which rows are here, the last that came first. */
export const chainsElsewhere = (
  db: Records,
): readonly { readonly head: string; readonly rows: number; readonly at: string; readonly faults: readonly string[] }[] =>
  (
    db.$client.prepare("select id as head, rows, at, faults from chains_elsewhere order by at desc, rowid desc").all() as {
      head: string;
      rows: number;
      at: string;
      faults: string;
    }[]
  ).map((one) => ({ ...one, faults: JSON.parse(one.faults) as string[] }));
