/**
 * What is in the chain, table by table: the columns of which a row's digest is, in their order, and those that tell the row. A column that
 * comes later stands in a new list, under a new number; what came before stays under the old one. docs/chain.json says the same for whoever
 * checks a file with another program.
 */
export interface EvidenceKind {
  readonly key: readonly string[];
  /** By the number of the list, from 1 on. */
  readonly lists: readonly (readonly string[])[];
}

const kind = (columns: string, key = "id", ...later: readonly string[]): EvidenceKind => ({
  key: key.split(" "),
  lists: [columns, ...later].map((list) => list.split(" ")),
});

export const EVIDENCE = {
  calibrations: kind(
    "id rig_id person_id made_at ground job spray_volume relative rules corrects created_at site_id method lever lever_set_to follows",
  ),
  trials: kind("id calibration_id position of time volume struck"),
  calibration_withdrawals: kind("calibration_id why at", "calibration_id"),
  quick_checks: kind("id rig_id person_id calibration_id made_at volume time ratio created_at"),
  kit_checks: kind("id rig_id of tool made_at known shown ratio good created_at"),
  mix_sheets: kind("id made_at site_id rig_id person_id calibration_id job rules created_at day_id"),
  sheet_sites: kind("sheet_id site_id", "sheet_id site_id"),
  stop_events: kind("id sheet_id what site left order at covered why"),
  fills: kind("id sheet_id number done fill_to adds after at"),
  ticks: kind("id sheet_id step done at"),
  weather_seen: kind("id sheet_id at seen created_at"),
  rinses: kind("id rig_id tank person_id rinsed_at created_at facts"),
  stock_counts: kind("id label_id amount counted_at created_at"),
  withdrawals: kind("sheet_id at became", "sheet_id"),
  outcomes: kind("id sheet_id site_id entries spray_volume ratio relative sprayed covered created_at"),
  load_ends: kind("id sheet_id site load filled applied left disposed unaccounted says at"),
  spreadings: kind("id made_at date person_id job created_at"),
  spreading_ticks: kind("id spreading_id step done at"),
  spreading_weather: kind("id spreading_id at seen created_at"),
  spreading_ends: kind("spreading_id what at", "spreading_id"),
  applications: kind(
    "id date site_id zone_id zone area product label_id rate total actives gravity person_id source sheet_id note why also_on corrects void facts created_at covered spreading_id",
  ),
  looks: kind("id kind site_id zone_id zone label_id record_id date person_id says created_at"),
  incidents: kind("id kind date site_id label_id person_id says corrects created_at"),
  photos: kind("id look_id bytes created_at"),
  dismissals: kind("id record_id field slip typed reason at"),
  planned_days: kind("id batch site_id round year day later was was_later at"),
  rounds_given: kind("id record_id round at", "id", "id record_id round at inferred"),
  waterings: kind("id site_id kind at depth strikes created_at"),
  deliveries: kind("id label_id lot content count price came opened use_by corrects created_at"),
  practices: kind("id person_id rig_id kind ground what strikes why created_at"),
  same_ground: kind("id zone_id as_zone_id at why"),
  areas_before: kind("id zone_id area measured until"),
  revisions: kind("id kind record_id was at"),
  chain_events: kind("id what at why state"),
  chains_elsewhere: kind("id rows faults links at"),
} as const satisfies Readonly<Record<string, EvidenceKind>>;

export type EvidenceName = keyof typeof EVIDENCE;
export const EVIDENCE_NAMES = Object.keys(EVIDENCE) as EvidenceName[];
