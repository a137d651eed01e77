import { bad, type Result } from "@/core/issue";
import { MOST_PHOTO_BYTES } from "@/formats/looks";
import type { Records } from "@/records/database";
import { saveWatering, strikeWatering } from "@/services/after-work";
import { noSuchSite, tellCalendar } from "@/services/calendar";
import { goOn } from "@/services/chain-now";
import { saveCurrency } from "@/services/currency";
import { tellStop } from "@/services/day-stops";
import { saveNumbers } from "@/services/firm-numbers";
import { issue } from "@/services/input";
import { isKept, put, retire, type KeptKind } from "@/services/keep-up";
import { accountFor } from "@/services/ledger";
import { saveLocalRules } from "@/services/local-rules";
import { mergeSites } from "@/services/merge-sites";
import { moveWork, shiftSeason, undoMoves } from "@/services/move-work";
import { giveToRound, saveProgram } from "@/services/program";
import { recordSheet } from "@/services/record-sheet";
import { saveApplication, voidApplication } from "@/services/save-application";
import { saveCalibration, withdrawCalibrationOf } from "@/services/save-calibration";
import { saveKitCheck, saveQuickCheck } from "@/services/save-check";
import { saveIncident } from "@/services/save-incident";
import { saveLook, savePhoto } from "@/services/save-look";
import { savePractice, strikePractice } from "@/services/save-practice";
import { saveSheets } from "@/services/save-sheet";
import { saveRinse, saveStockCount } from "@/services/save-stock";
import { saveSpreadWeather, saveWeather } from "@/services/save-weather";
import { saveZone } from "@/services/save-zone";
import { saveDelivery } from "@/services/shelf";
import { recordSpread, saveSpread, tickSpread, withdrawSpread } from "@/services/spread";
import { tickStep } from "@/services/tick-step";
import { withdraw } from "@/services/withdraw";
import { answerTo, respond } from "./answer";
import { takeText } from "./take-file";

/** Everything that a page, or a script, can do to the records: `POST /api/…`, with a JSON body that the service reads and judges. */
export interface Act {
  /** @param at what stands at the place of `:…` in its address */
  readonly work: (db: Records, body: unknown, at: string) => Result<unknown> | Promise<Result<unknown>>;
  /** Bytes that its body may have; what a form takes, where it is left out. */
  readonly most?: number;
}

const plain = (work: (db: Records, body: unknown) => Result<unknown>, most?: number): Act => ({
  work: (db, body) => work(db, body),
  ...(most !== undefined && { most }),
});
const of = (work: (db: Records, id: string, body: unknown) => Result<unknown>): Act => ({
  work: (db, body, id) => work(db, id, body),
});
const kept = (work: (db: Records, kind: KeptKind, body: unknown) => Result<unknown>, most?: number): Act => ({
  work: (db, body, kind) => (isKept(kind) ? work(db, kind, body) : noSuchAddress),
  ...(most !== undefined && { most }),
});
/** For scripts: `{ text, choices? }`, answered when it is done. Screens look first (see files/). */
const file = (kind: "job" | "log" | "cards"): Act => ({ work: (_db, body) => takeText(kind, body), most: 2_500_000 });

const noSuchAddress = bad(issue("", "not-found", "there is no such address", "see the app's own pages"));

/** A card with all its rows; rounds, and some years of soil. */
const MANY_ROWS = 256_000;
/** A truck's tanks, each with a day of sixty stops and the zones that are left out. */
const A_DAY = 512_000;
/** A season's visits. */
const A_SEASON = 1_000_000;
/** A photo in base 64, and what stands around it. */
const A_PHOTO = Math.ceil((MOST_PHOTO_BYTES * 4) / 3) + 1000;

export const ACTS: Readonly<Record<string, Act>> = {
  applications: plain((db, body) => saveApplication(db, body)),
  "applications/file": file("log"),
  "applications/void": plain(voidApplication),
  // Somebody takes a calendar along, `{ site? }`: from now on what changes in it is told as a change.
  calendar: plain((db, body) => {
    const { site } = (body ?? {}) as { site?: unknown };
    return site !== undefined && typeof site !== "string" ? bad(noSuchSite()) : tellCalendar(db, site);
  }),
  calibrations: plain(saveCalibration),
  "calibrations/withdraw": plain(withdrawCalibrationOf),
  cards: file("cards"),
  // Goes on past what isn't as it was: `{ why }`.
  chain: plain(goOn),
  deliveries: plain(saveDelivery),
  incidents: plain(saveIncident),
  jobs: file("job"),
  "keep/:kind": kept(put, MANY_ROWS),
  "keep/:kind/retire": kept(retire),
  "kit-checks": plain(saveKitCheck),
  looks: plain(saveLook),
  "looks/photo": { work: savePhoto, most: A_PHOTO },
  practice: plain(savePractice),
  "practice/strike": plain(strikePractice),
  "quick-checks": plain(saveQuickCheck),
  rinses: plain(saveRinse),
  "season/given": plain(giveToRound),
  "season/moves": plain(moveWork, A_SEASON),
  "season/shift": plain(shiftSeason),
  "season/undo": plain(undoMoves),
  settings: plain(saveZone),
  "settings/currency": plain(saveCurrency),
  "settings/numbers": plain(saveNumbers),
  "settings/program": plain(saveProgram, MANY_ROWS),
  "settings/rules": plain(saveLocalRules),
  sheets: plain(saveSheets, A_DAY),
  "sheets/:id/record": of(recordSheet),
  "sheets/:id/rest": of(accountFor),
  "sheets/:id/stops": of(tellStop),
  "sheets/:id/ticks": of(tickStep),
  "sheets/:id/weather": of(saveWeather),
  "sheets/:id/withdraw": of(withdraw),
  "sites/merge": plain(mergeSites),
  spreads: plain(saveSpread),
  "spreads/:id/record": of(recordSpread),
  "spreads/:id/ticks": of(tickSpread),
  "spreads/:id/weather": of(saveSpreadWeather),
  "spreads/:id/withdraw": of((db, id) => withdrawSpread(db, id)),
  stock: plain(saveStockCount),
  waterings: plain(saveWatering),
  "waterings/strike": plain(strikeWatering),
};

/** The act of an address, and what stands at the place of `:…` in it. */
export function actAt(path: string): { readonly act: Act; readonly at: string } | undefined {
  const steps = path.split("/");
  for (const [address, act] of Object.entries(ACTS)) {
    const pattern = address.split("/");
    if (pattern.length !== steps.length || !pattern.every((step, i) => step.startsWith(":") || step === steps[i])) continue;
    return { act, at: steps[pattern.findIndex((step) => step.startsWith(":"))] ?? "" };
  }
  return undefined;
}

/** Does what is asked at an address below `/api/`, and answers. */
export function answerAct(request: Request): Promise<Response> {
  const found = actAt(new URL(request.url).pathname.replace(/^\/api\//, ""));
  if (!found) return Promise.resolve(respond(noSuchAddress));
  const { act, at } = found;
  return answerTo(
    request,
    (db, body) => act.work(db, body, decoded(at)),
    act.most === undefined ? undefined : { most: act.most },
  );
}

/** What stands in an address; as it is where it can't be decoded. */
function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}
