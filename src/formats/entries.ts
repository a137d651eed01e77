import type { AirText } from "./air-seen";
import type { MeasuredBy } from "@/core/area/uncertainty";
import type { Ground } from "@/core/calibration/evidence";
import type { LeverName } from "@/core/calibration/levers";
import type { TrialSummary } from "@/core/calibration/trials";
import type { Standing } from "@/core/calibration/standing";
import type { Issue } from "@/core/issue";
import type { FirmNumbers } from "./firm-numbers";
import type { IncidentKind, IncidentText } from "./incidents";
import type { DueItem, DueState } from "@/core/season/due";
import type { YearItem, YearReason } from "@/core/season/year";
import type { RunState } from "@/core/mixing/run-state";
import type { SpreadFile } from "./job-file/spread";
import type { CleanOut } from "./clean-out";
import type { LocalRule } from "./local-rules";
import type { DaysBefore } from "./season/days-before";
import type { LookKind, LookText } from "./looks";
import type { PaperText } from "./papers";
import type { PracticeText } from "./practice";
import type { FactsText } from "./facts";
import type { TipText } from "./rig-setup";
import type { Form } from "@/core/labels/label-rate";
import type { ActiveText, CardText } from "./card/card";
import type { AppliedText, CalibrationText, JobFile, OutcomeText, RigText, SiteText, ZoneText } from "./job-file/types";
import type { MethodId } from "@/core/calibration/method-ids";

/**
 * The records as a screen is given them, in the job file's own way of writing. Quantities travel as entered and are read by
 * core where they are used, so that the browser and the server work from the same texts.
 */

/** A row that can't be read, set aside by itself. */
export interface AsideEntry {
  readonly of: string;
  readonly id: string;
  readonly name: string;
  readonly reason: string;
  readonly raw: string;
  /** Of a record of the log: what can be told of it still. It is written anew from that. */
  readonly record?: BrokenEntry;
}

/** What can be told of a record of the log that can't be read whole. */
export interface BrokenEntry {
  /** Undefined where it is no date. */
  readonly date: string | undefined;
  readonly siteId: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly product: string;
  readonly labelId: string | null;
  /** As a job file writes it; undefined where it can't be read. */
  readonly rate: string | undefined;
  readonly personId: string | null;
}

/** What the firm has settled, and the day that it is there. */
export interface FirmEntry {
  /** The time zone (IANA). */
  readonly zone: string;
  /** Somebody has said so. */
  readonly settled: boolean;
  readonly today: string;
  /** What every price is in (ISO 4217). */
  readonly currency: string;
  /** Whom it calls when something goes wrong. */
  readonly numbers?: FirmNumbers;
  /** What places, and the firm itself, ask of the weather beside the labels. */
  readonly rules: readonly LocalRule[];
  /** How often those were changed. */
  readonly rulesRevision?: number;
  /** What it measured of the soil and the air in the days before, and where, as far as that is noted. */
  readonly before: DaysBefore;
  readonly place?: string | undefined;
  /** The same of its other stations. */
  readonly stations?: readonly { readonly place: string; readonly before: DaysBefore }[];
}

interface Entry {
  readonly id: string;
  readonly retired: boolean;
  /** How often it was changed: who saves over a newer one is told. */
  readonly revision?: number;
}

export interface PersonEntry extends Entry {
  readonly name: string;
  /** How many calibrations are theirs. */
  readonly calibrations?: number;
  readonly papers?: readonly PaperText[];
  /** How long a stride of theirs is, "30 in". */
  readonly stride?: string;
}

/** What a person practised. */
export interface PracticeEntry {
  readonly id: string;
  readonly personId: string;
  readonly rigId: string | null;
  readonly ground: Ground | null;
  readonly what: PracticeText;
  /** When it was kept. */
  readonly at: string;
}

export interface RigEntry extends Entry {
  readonly rig: RigText & { readonly name: string };
}

export interface TipEntry extends Entry {
  readonly tip: TipText;
}

/** A quick check of the flow. */
export interface CheckEntry {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly calibrationId: string;
  readonly madeAt: string;
  readonly volume: string;
  readonly time: string;
  readonly ratio: number;
}

/** A proof of a scale or a vessel. */
export interface KitCheckEntry {
  readonly id: string;
  readonly rigId: string;
  readonly of: "scale" | "vessel";
  readonly tool: string;
  readonly madeAt: string;
  readonly known: string;
  readonly shown: string;
  readonly ratio: number;
  readonly good: boolean;
}

/** A product on the shelf, as it was counted last. */
export interface StockEntry {
  readonly labelId: string;
  /** As entered. */
  readonly counted: string;
  readonly countedAt: string;
  /** What is left of it after what went down since, g or mL. */
  readonly left: number;
}

/** A tank that was rinsed. */
export interface RinseEntry {
  readonly id: string;
  readonly tank: string;
  readonly rinsedAt: string;
  /** Who did it, by name. */
  readonly person: string | null;
  readonly facts: CleanOut | null;
}

export interface LabelEntry extends Entry {
  readonly card: CardText;
}

/** A zone on record: it has a name, and an id beside what a job file says of it. */
export type KeptZone = ZoneText & { readonly name: string; readonly id: string };
export type KeptSite = Omit<SiteText, "zones"> & { readonly zones: readonly KeptZone[] };

/** The zones that a round is still to be done on, where others of the site have had it. */
export type ZonesLeft =
  | readonly {
      readonly id: string;
      readonly name: string;
      /** How much of it had it, from 0 to 1, where it was begun. */
      readonly had?: number;
    }[]
  | undefined;

/** What of the program is due today. */
export interface DueEntry {
  readonly date: string;
  /** Each round with how many sites are how far. */
  readonly rounds: readonly {
    readonly name: string;
    readonly id: string;
    readonly label: string;
    readonly counts: Readonly<Partial<Record<DueState, number>>>;
  }[];
  /** What may be done today, and what is too late, the latest day first; as many as a screen shows. */
  readonly items: readonly (DueItem & { readonly siteId: string; readonly labelId: string; readonly left?: ZonesLeft })[];
  /** There are more than these. */
  readonly more: number;
  /** Records of a round's product, outside its window, of which nobody said whether they were it; the newest first. */
  readonly unclear: readonly {
    readonly recordId: string;
    readonly site: string;
    readonly zone: string;
    readonly date: string;
    readonly round: string;
  }[];
}

/** A product on the shelf: on hand, needed, to be bought, by lots. Amounts are g of a dry product, mL of a liquid one. */
export interface ShelfProduct {
  readonly labelId: string;
  readonly name: string;
  readonly form: Form;
  /** Null where nobody counted or noted anything. */
  readonly left: number | null;
  /** More went down than was on hand: a delivery isn't noted, or a count was wrong. */
  readonly short: boolean;
  /** What the next two weeks, and the rest of the year, are laid out to take. */
  readonly soon: number;
  readonly all: number;
  /** By round; null where it has no rate, or no price is known. */
  readonly rounds: readonly { readonly round: string; readonly need: number | null; readonly cost: number | null }[];
  /** The cheapest packages for what is missing; null where nothing is, or no size is known. */
  readonly buy: {
    readonly packages: readonly { readonly content: string; readonly count: number }[];
    readonly price: number | null;
    readonly missing: number;
  } | null;
  readonly lots: readonly {
    readonly id: string;
    readonly lot: string;
    readonly content: string;
    readonly count: number;
    readonly price: string | null;
    readonly came: string;
    readonly opened: string | null;
    readonly useBy: string | null;
    /** Its last day has gone by. */
    readonly old: boolean;
  }[];
}

export interface ShelfEntry {
  readonly today: string;
  readonly soonUntil: string;
  readonly products: readonly ShelfProduct[];
}

/** A lot of a product that came, as who opens a package needs it. */
export interface LotEntry {
  readonly labelId: string;
  readonly lot: string;
  readonly useBy: string | null;
  /** Its last day has gone by. */
  readonly old: boolean;
}

/** Where a lot went. */
export interface RecallEntry {
  readonly lot: string;
  /** A delivery of it is on record. */
  readonly known: boolean;
  readonly surely: readonly RecalledLawn[];
  readonly perhaps: readonly RecalledLawn[];
}

export interface RecalledLawn {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  readonly site: string;
  readonly zone: string;
}

/** What went down on a site in one go, and what its ground is owed by the labels. */
export interface AfterEntry {
  readonly siteId: string;
  readonly site: string;
  /** ISO day on which it went down. */
  readonly date: string;
  /** Moments between which it ended. */
  readonly earliest: string;
  readonly latest: string;
  /** Its hour is noted. */
  readonly hourKnown: boolean;
  readonly cards: readonly Pick<
    CardText,
    "name" | "waterLeast" | "waterMost" | "waterWithin" | "keepDry" | "reentry" | "mowAfter"
  >[];
  /** What was measured there since, oldest first. */
  readonly waters: readonly {
    readonly id: string;
    readonly kind: "rain" | "irrigation";
    readonly at: string;
    readonly depth: string;
  }[];
  /** Who waters there. */
  readonly waterer: string | null;
  readonly zones: readonly { readonly name: string; readonly area: string; readonly irrigation: string | null }[];
}

/** Words for a reader of either system. */
export interface BothWords {
  readonly us: string;
  readonly metric: string;
}

/** A round of the year, over all sites. */
export interface YearRoundEntry {
  readonly name: string;
  readonly label: string;
  /** ISO; `opens` is null where it is always open, absent where nobody knows yet. */
  readonly opens?: string | null;
  readonly closes: string | null;
  /** The opening is what earlier years let expect. */
  readonly expected: boolean;
  /** Days later than usual. */
  readonly later: number;
  /** Its limits are counted ahead: it has a rate. */
  readonly counted: boolean;
  /** By day: how many sites, and how many m² of them. */
  readonly planned: readonly (readonly [day: string, sites: number, area: number])[];
  readonly done: readonly (readonly [day: string, sites: number])[];
  readonly unfit: readonly UnfitEntry[];
}

/** Why some sites find no day for a round, or have one that something speaks against. */
export interface UnfitEntry {
  readonly reason: YearReason;
  readonly sites: number;
  /** The first of them. */
  readonly names: readonly string[];
  /** What their labels hold, in words; the first of them. */
  readonly says: readonly BothWords[];
}

/** The year of all sites, laid out ahead. */
export interface YearEntry {
  /** From which day on. */
  readonly date: string;
  readonly sites: number;
  readonly rounds: readonly YearRoundEntry[];
  /** A day's work, m²; null where nobody said it. */
  readonly perDay: number | null;
  /** What was moved last and can be undone. */
  readonly undo: string | null;
}

/** The year of one site. */
export interface YearOfSiteEntry {
  readonly date: string;
  readonly items: readonly (Omit<YearItem, "site" | "round" | "held"> & {
    readonly round: string;
    readonly label: string;
    readonly says: readonly BothWords[];
    readonly left?: ZonesLeft;
    /** What its product costs here, in the firm's currency; null where nobody can tell. */
    readonly cost: number | null;
  })[];
  /** How far each limit of a year is taken before the first planned day, and on each of them, by then; parts of the limit. */
  readonly budgets: readonly {
    readonly product: string;
    readonly active: string;
    readonly zone: string;
    readonly down: number;
    readonly steps: readonly (readonly [day: string, part: number])[];
  }[];
  readonly undo: string | null;
}

/** A day of work in a week. */
export interface WorkDayEntry {
  readonly date: string;
  /** There is work on this day of the week. */
  readonly works: boolean;
  /** m² of all of it, the same ground counted for each round. */
  readonly area: number;
  readonly items: readonly {
    readonly siteId: string;
    readonly site: string;
    readonly round: string;
    readonly labelId: string;
    readonly area: number;
    readonly fixed: boolean;
    readonly left?: ZonesLeft;
    readonly reasons: readonly YearReason[];
  }[];
  /** There are more than these. */
  readonly more: number;
  /** What goes on the truck for it: of each round its product, g or mL; null where the round has no rate. */
  readonly load: readonly {
    readonly round: string;
    readonly labelId: string;
    readonly rate: string | null;
    readonly amount: number | null;
  }[];
}

export interface WeekEntry {
  readonly today: string;
  readonly perDay: number | null;
  readonly days: readonly WorkDayEntry[];
  readonly undo: string | null;
}

export interface SiteEntry extends Entry {
  readonly site: KeptSite;
  /** Since when its notes stand so, a moment; null where it has none. */
  readonly noted?: string | null;
  /** Zones that were taken out: their ground is still there. */
  readonly former: readonly { readonly id: string; readonly name: string; readonly area: string }[];
}

/** What a zone was taken for, by what it was measured, and until when. */
export interface AreaBefore {
  readonly area: string;
  readonly by: MeasuredBy | null;
  readonly until: string;
}

/** Something that counts against the limits of a zone: down, or planned on an open sheet. */
export interface CountedEntry {
  readonly siteId: string;
  /** The zones that are this ground, of this site or another; none where the record knows its zone by name only. */
  readonly zoneIds: readonly string[];
  readonly zone: string;
  /** The open sheet that plans it; null where it is down. */
  readonly sheetId: string | null;
  readonly applied: AppliedText;
  /** Of what is down: how much in all, the hour that is noted of it, and when it was put on record. */
  readonly down?: { readonly total: string; readonly time: string | null; readonly keptAt: string };
  /** Its record can't be read whole: it counts as much as it can have been, at the most. */
  readonly unreadable?: true;
}

/** A record of what went down. */
export interface ApplicationEntry {
  readonly id: string;
  readonly date: string;
  readonly siteId: string;
  /** What the site is called now. */
  readonly site: string;
  /** Who put it down, by name. */
  readonly person: string | null;
  /** Another record corrects it. */
  readonly corrected: boolean;
  readonly zoneId: string;
  readonly zone: string;
  readonly product: string;
  readonly labelId: string | null;
  readonly rate: string;
  readonly total: string;
  readonly actives: readonly ActiveText[];
  readonly personId: string | null;
  readonly source: "hand" | "sheet" | "file";
  readonly sheetId: string | null;
  readonly note: string | null;
  readonly why: string | null;
  /** Another day that it counts on. */
  readonly alsoOn: string | null;
  readonly corrects: string | null;
  readonly isVoid: boolean;
  readonly facts: FactsText | null;
  /** The zone's area, as it was then. */
  readonly area: string;
  /** The ground that it went down on: of what was sprayed in part, that part. Rate and total are of this ground. */
  readonly covered: string;
  /** Of a correction: what it was before, where less counts since, or elsewhere. */
  readonly was?: string;
  /** What its product is called now, and what is known of its actives now, where that is another thing. */
  readonly calledNow?: string;
  readonly activesNow?: readonly ActiveText[];
  /** Why what looked like a slip was meant. */
  readonly meant: readonly string[];
}

/** What went down and is judged. */
export interface JudgedOf {
  readonly product: string;
  readonly rate: string;
  readonly date: string;
  /** The day from which its effect can be seen, where the label says so. */
  readonly from: string | null;
  readonly target: string | null;
  /** What the label promises to hold back only, not to control. */
  readonly suppresses: string | null;
}

/** What went wrong. */
export interface IncidentEntry {
  readonly id: string;
  readonly kind: IncidentKind;
  readonly date: string;
  readonly siteId: string | null;
  readonly site: string | null;
  readonly labelId: string | null;
  readonly product: string | null;
  readonly personId: string | null;
  readonly person: string | null;
  readonly says: IncidentText;
  readonly corrects: string | null;
  readonly createdAt: string;
}

/** What somebody saw of a zone. */
export interface LookEntry {
  readonly id: string;
  readonly kind: LookKind;
  readonly siteId: string;
  readonly site: string;
  readonly zoneId: string;
  readonly zone: string;
  readonly labelId: string | null;
  readonly recordId: string | null;
  readonly date: string;
  readonly personId: string | null;
  readonly person: string | null;
  readonly says: LookText;
  /** Their ids. */
  readonly photos: readonly string[];
  /** Of an inspection: what it judges, and what was seen before that went down. */
  readonly of: JudgedOf | null;
  readonly before: { readonly date: string; readonly says: LookText; readonly photos: readonly string[] } | null;
}

/** A record of the log, to be judged. */
export interface JudgedEntry {
  readonly id: string;
  readonly siteId: string;
  readonly site: string;
  readonly zone: string;
  readonly of: JudgedOf;
  /** What was seen of it until now, newest first. */
  readonly seen: readonly LookEntry[];
}

/** Something to look at: what can be judged by now, or a follow-up that was planned. */
export interface DueLook {
  readonly what: "inspection" | "follow-up";
  readonly recordId: string | null;
  readonly siteId: string;
  readonly site: string;
  readonly zone: string;
  readonly product: string;
  /** When it went down, or was looked at. */
  readonly date: string;
  /** The day since which, or on which, it is due. */
  readonly since: string;
}

export interface CalibrationEntry {
  readonly id: string;
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId: string | null;
  readonly method: MethodId | null;
  readonly lever: LeverName | null;
  readonly leverSetTo: string | null;
  readonly follows: string | null;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  readonly ground: Ground | null;
  /** The rig as it was when the readings were taken. */
  readonly rig: RigText;
  readonly calibration: CalibrationText;
  /** Why what looked like a slip was meant. */
  readonly meant?: readonly string[];
  /** Why it no longer counts; absent while it does. */
  readonly withdrawn?: string;
  readonly struck: readonly {
    readonly of: "walk" | "catch";
    readonly time: string;
    readonly volume: string | null;
    readonly why: string;
  }[];
}

/** How a rig stands today with a person, with a tap, or by itself: the calibration that counts, judged. */
export interface StandingEntry {
  readonly rigId: string;
  readonly personId: string | null;
  readonly siteId: string | null;
  /** The name of the site whose tap it is. */
  readonly tap: string | null;
  readonly calibrationId: string;
  readonly madeAt: string;
  /** mL/m², and half its 95 % band as a part of it. */
  readonly sprayVolume: number;
  readonly relative: number | null;
  readonly standing: Standing;
  readonly unsure: boolean;
  readonly estimate: boolean;
  /** What of it was measured once only. */
  readonly once: readonly TrialSummary["of"][];
  /** A week has gone by since its flow was measured or checked. */
  readonly checkDue: boolean;
  /** Three or more loads that were mixed from it lean the same way; null where they don't. */
  readonly leans: "heavy" | "light" | null;
}

/** A calibration that counts, with the newest quick check of it. */
export interface InForce {
  readonly entry: CalibrationEntry;
  readonly check: CheckEntry | null;
}

/** A person on a rig: what counts today, and how well the runs agreed before, oldest first. */
export interface MemberEntry extends InForce {
  readonly personId: string;
  readonly record: readonly CalibrationEntry[];
}

/** A calibration that is looked at. */
export interface CalibrationLook {
  readonly entry: CalibrationEntry;
  /** The one that its lever was pulled after. */
  readonly before: CalibrationEntry | null;
  /** What counts today of the same rig and person or tap. */
  readonly inForce: InForce | null;
  readonly tap: string | null;
}

/** The quick checks of a rig as it is set today, oldest first, each as a part of the flow of the calibration that counts. */
export interface CheckSeries {
  readonly points: readonly { readonly day: number; readonly ratio: number }[];
  /** The newest, newest first. */
  readonly checks: readonly CheckEntry[];
}

/** The last mix that went into a tank and was not rinsed out. */
export interface LastMix {
  readonly sheetId: string;
  readonly madeAt: string;
  /** The ids of its cards (or, of an old sheet, names), and what its products are called. */
  readonly labelIds: readonly string[];
  readonly products: readonly string[];
}

/** A zone that one which comes to a site may be the same ground as. */
export interface GroundEntry {
  readonly id: string;
  readonly name: string;
  /** It is in use at another site: that it is other ground needs a reason. */
  readonly live?: true;
}

export interface SheetEntry {
  readonly id: string;
  readonly madeAt: string;
  readonly rigId: string;
  readonly personId: string | null;
  /** The names of its sites and of its products. */
  readonly sites: readonly string[];
  readonly products: readonly string[];
  readonly tank: string;
  /** One fill serves several sites. */
  readonly run: boolean;
  readonly dayId: string | null;
  readonly steps: number;
  readonly done: number;
}

/** Granules that are booked to be spread dry. */
/** A load that was poured, and what became of it; of a day the one tank, with an empty site. */
export interface LoadEndEntry {
  readonly site: string;
  readonly load: number;
  readonly filled: number;
  readonly applied: number;
  readonly left: number;
  readonly disposed: number;
  readonly unaccounted: number;
  readonly says: string | null;
}

/** What was poured of a sheet and nobody can account for, mL of spray, and what was said of it. */
export interface UnaccountedEntry {
  readonly sheetId: string;
  readonly sites: readonly string[];
  readonly products: readonly string[];
  readonly volume: number;
  readonly says: string | null;
  readonly at: string;
}

/** What was seen of the weather, when that was, and when it was kept. */
export interface WeatherEntry {
  readonly at: string;
  readonly keptAt: string;
  readonly seen: AirText;
}

export interface SpreadingEntry extends Pick<Sheet, "stopped" | "weather" | "weatherHolds" | "clockBehind" | "done"> {
  readonly id: string;
  readonly madeAt: string;
  readonly date: string;
  readonly personId: string | null;
  /** As the world is now. */
  readonly job: SpreadFile;
}

/** What the loads of a sheet really did on a site: evidence of the calibration that they were mixed from. */
export interface LoadsEntry {
  readonly sheetId: string;
  readonly site: string;
  readonly at: string;
  /** mL and m², of the first passes; over the calibrated spray volume; half the 95 % band as a part of it. */
  readonly sprayed: number;
  readonly covered: number;
  readonly ratio: number;
  readonly relative: number;
}

/** How much of a product went down between two days, in all that is looked at. */
export interface TotalEntry {
  readonly product: string;
  readonly measured: "mass" | "volume";
  /** g or mL. */
  readonly total: number;
  readonly count: number;
  readonly actives: readonly ActiveText[];
  readonly gravity: string | null;
}

/** A sheet is open until what it planned is on record, or it is withdrawn. */
export type SheetState = "open" | "recorded" | "withdrawn";

/** One mix sheet, whole. */
export interface Sheet {
  readonly id: string;
  readonly madeAt: string;
  readonly personId: string | null;
  readonly personName: string | null;
  readonly calibrationMadeAt: string;
  readonly rigId: string;
  readonly tank: string;
  readonly state: SheetState;
  /** How the day has come along; null where it is none. */
  readonly run: RunState | null;
  /** The other tanks of the same day. */
  readonly others: readonly { readonly id: string; readonly tank: string }[];
  /** As it was saved; while it is open, with what is known and counts today. */
  readonly job: JobFile;
  /** What has changed since, so that nothing may be poured from it any more. */
  readonly stopped: readonly Issue[];
  /** A product of it was ticked as poured, perhaps taken back. */
  readonly poured: boolean;
  /** The keys of the steps that are ticked off. */
  readonly done: readonly string[];
  /** What was seen of the weather last for it, and when; null where nobody looked. */
  readonly weather: WeatherEntry | null;
  /** Why no container may be opened at its sites now. */
  readonly weatherHolds: readonly Issue[];
  /** The newest moment on record, where the server's clock stands before it: what is looked at now says nothing. */
  readonly clockBehind: string | null;
  /** What was filled of it, and where that is by now, mL; empty while it is open. */
  readonly ends: readonly LoadEndEntry[];
  /** What its loads did, as it was told when it was put on record; empty where that wasn't told. */
  readonly outcome: readonly OutcomeText[];
}
