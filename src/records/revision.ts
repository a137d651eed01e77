import type { SliceKind } from "@/formats/slices";
import type { Records } from "./access";

interface Known {
  readonly at: string;
  readonly of: ReadonlyMap<SliceKind, number>;
}
const known = new WeakMap<Records, Known>();

/**
 * How often each kind of record was changed, by this process or any other on the same file. While nothing was written at
 * all it costs two look-ups and reads no record.
 */
export function revisionsOf(records: Records): ReadonlyMap<SliceKind, number> {
  const { $client: client } = records;
  const others = client.pragma("data_version", { simple: true }) as number;
  const own = client.prepare("select total_changes()").pluck().get() as number;
  const at = `${others}.${own}`;
  const before = known.get(records);
  if (before?.at === at) return before.of;
  const rows = client.prepare("select kind, n from slice_state").all() as { kind: SliceKind; n: number }[];
  const of = new Map(rows.map(({ kind, n }) => [kind, n]));
  known.set(records, { at, of });
  return of;
}
