import type { Result } from "@/core/issue";
import type { WaterFirst } from "@/core/mixing/column";
import type { LoadMode } from "@/core/mixing/loads";
import { todayDate } from "../data/clock";
import type { CountedEntry, LabelEntry, RigEntry, SiteEntry } from "@/formats/entries";
import { onGround, rateAt, type ChoiceText } from "@/formats/card/choice";
import type { HeadText, ProductText } from "@/formats/job-file/types";
import type { StopWish } from "@/formats/mix-of";
import { fitsHead } from "@/formats/rig-setup";

/** The records that a mix is made of. */
export interface MixRecords {
  readonly labels: readonly LabelEntry[];
  /** The site in hand and the stops. */
  readonly sites: readonly SiteEntry[];
  /** What counts against their zones; undefined until it is read: nothing is worked out before. */
  readonly counted: readonly CountedEntry[] | undefined;
  /** What the firm buys in. */
  readonly currency: string;
}

/** A product of a mix in the making: its label, the rate as typed, and how it was chosen. */
export interface DraftProduct {
  readonly labelId: string;
  readonly rate: string;
  readonly choice: ChoiceText;
}

/** What a mix is for: one site, several that are each begun with an empty tank, a truck's day, a spot. */
export const PURPOSES = ["site", "sites", "day", "spot", "spread"] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Whether it is for a list of stops, not for the site in hand. */
export const isOfStops = (purpose: Purpose): boolean => purpose === "sites" || purpose === "day";

/** What goes into one tank, and which zones it is not for. */
export interface TankDraft {
  readonly products: readonly DraftProduct[];
  /** The ids of the zones that are left out of this tank's mix. */
  readonly without: readonly string[];
}

/** A mix in the making, kept in this browser until its sheet is saved. A truck's tanks have a mix each. */
export interface Draft {
  readonly purpose: Purpose;
  /** The ids of the sites, in their order, where there are several. */
  readonly stops: readonly string[];
  readonly loads: LoadMode;
  /** The tank that is looked at; empty for the first. */
  readonly tank: string;
  /** By {@link tankKey}. */
  readonly tanks: Readonly<Record<string, TankDraft>>;
  /** The day that it is mixed for, ISO; empty for today. */
  readonly date: string;
  readonly overage: string;
  readonly mixedFor: string;
  /** One load less, where what is left over may be let go. */
  readonly oneLess?: boolean | undefined;
  readonly waterFirst?: WaterFirst | undefined;
  readonly spot: { readonly zoneId: string; readonly volume: string };
  /** How the head of a hose-end rig is set for this mix, and whose head that is; left out, as on the rig. */
  readonly head?: HeadText | undefined;
  readonly headRig?: string | undefined;
}

/** How the head of a rig is set for this mix: what was chosen for another one's is nothing to it. */
export const headFor = ({ head, headRig }: Pick<Draft, "head" | "headRig">, { id, rig }: RigEntry): HeadText | undefined =>
  head && headRig === id && fitsHead(rig, head) ? head : undefined;

export const EMPTY_DRAFT: Draft = {
  purpose: "site",
  stops: [],
  loads: "full-then-part",
  tank: "",
  tanks: {},
  date: "",
  overage: "",
  mixedFor: "",
  spot: { zoneId: "", volume: "" },
};
const EMPTY_TANK: TankDraft = { products: [], without: [] };

/** A draft as it was kept: one that an earlier version kept had one tank and one site. */
export function draftOf(kept: Partial<Draft> & Partial<TankDraft>): Draft {
  const { products, without, ...rest } = kept;
  const tanks = rest.tanks ?? (products ? { [rest.tank ?? ""]: { products, without: without ?? [] } } : {});
  return { ...EMPTY_DRAFT, ...rest, tanks };
}

/** The first tank of a rig has the empty name: what was chosen stays when another rig is taken. */
export const tankKey = (tanks: readonly { readonly name?: string }[], i: number): string =>
  i === 0 ? "" : (tanks[i]!.name ?? `tank ${i + 1}`);

export const tankOf = (draft: Draft, tank: string): TankDraft => draft.tanks[tank] ?? EMPTY_TANK;

/** The stops of one tank's mix; those of which it has no zone are left out. @param site the one in hand */
export function stopsOf(
  draft: Draft,
  tank: string,
  site: string | undefined,
  zonesOf: (siteId: string) => readonly string[],
): StopWish[] {
  const { without } = tankOf(draft, tank);
  if (draft.purpose === "spot") {
    const zoneId = site && (zonesOf(site).includes(draft.spot.zoneId) ? draft.spot.zoneId : zonesOf(site)[0]);
    return site && zoneId ? [{ siteId: site, spot: { zoneId, volume: draft.spot.volume } }] : [];
  }
  const ids = draft.purpose === "site" || draft.purpose === "spread" ? (site ? [site] : []) : draft.stops;
  return ids
    .filter((siteId) => zonesOf(siteId).some((zone) => !without.includes(zone)))
    .map((siteId) => ({ siteId, without: without.filter((zone) => zonesOf(siteId).includes(zone)) }));
}

/** The ids of the zones of some stops. */
export const zonesOfStops = (stops: readonly StopWish[], sites: readonly SiteEntry[]): string[] =>
  stops.flatMap(({ siteId, without, spot }) =>
    spot
      ? [spot.zoneId]
      : (sites.find((s) => s.id === siteId)?.site.zones ?? []).map((z) => z.id).filter((id) => !without?.includes(id)),
  );

/** The day that a mix is for: one that has gone by is today. */
export const dateOf = ({ date }: Pick<Draft, "date">): string => (date > todayDate() ? date : todayDate());

/** The turfs of the ground of one tank's mix, as far as they are noted. */
export function turfsOf(draft: Draft, tank: string, site: string | undefined, sites: readonly SiteEntry[]): string[] {
  const zones = (id: string) => sites.find((s) => s.id === id && !s.retired)?.site.zones ?? [];
  return stopsOf(draft, tank, site, (id) => zones(id).map((z) => z.id)).flatMap(({ siteId, without, spot }) =>
    zones(siteId)
      .filter((z) => (spot ? z.id === spot.zoneId : !without?.includes(z.id)))
      .flatMap((z) => z.turf ?? []),
  );
}

/** A draft with the label's rows chosen again where the ground is another turf than they are for. */
export function followGround(
  draft: Draft,
  site: string | undefined,
  { labels, sites }: Pick<MixRecords, "labels" | "sites">,
): Draft {
  const tanks = Object.fromEntries(
    Object.entries(draft.tanks).map(([tank, mix]) => {
      const turfs = turfsOf(draft, tank, site, sites);
      const products = mix.products.map((product): DraftProduct => {
        const card = labels.find((l) => l.id === product.labelId)?.card;
        const choice = card && product.choice && onGround(card, product.choice, turfs);
        return choice
          ? { ...product, choice, rate: rateAt(card!, choice.row, choice.point, choice.split !== undefined) }
          : product;
      });
      return [tank, { ...mix, products }];
    }),
  );
  return { ...draft, tanks };
}

/** A product of the mix, with its label and as a job file writes it. */
export interface Chosen extends DraftProduct {
  readonly label: LabelEntry;
  readonly read: Result<ProductText>;
}
