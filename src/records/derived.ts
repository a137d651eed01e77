/**
 * Tables that follow from the records through triggers (see the migrations): they fill themselves wherever a record comes in,
 * so they are neither exported, compared, nor taken over from a copy.
 */
const DERIVED = [
  "slice_state",
  "still_open",
  "sheet_tanks",
  "sheet_products",
  "spreading_sites",
  "log_chain",
  "evidence",
  "chain_events",
  "record_actives",
  "site_numbers",
  "site_search",
  "ground_boxes",
];

export const isDerived = (table: string): boolean =>
  DERIVED.includes(table) || table.startsWith("site_search_") || table.startsWith("sqlite_") || table === "__drizzle_migrations";
