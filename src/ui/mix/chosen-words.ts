import { areaAsRead } from "@/core/working/as-read";
import { total } from "@/core/quantity/arithmetic";
import { entered } from "@/core/quantity/parse";
import { read, type System } from "@/core/working/units";
import type { SiteEntry } from "@/formats/entries";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { rateWords } from "../labels/words";
import { dateOf, isOfStops, tankOf, type Chosen, type Draft, type Purpose } from "./draft";

interface Words {
  readonly title: string;
  readonly about: string;
}

const ASK: Record<Purpose, string> = {
  site: "Mix for which lawn?",
  sites: "Mix for which sites?",
  day: "Which stops?",
  spot: "A spot on which lawn?",
  spread: "Spread on which lawn?",
};

/** Where and when a mix is for, in two lines. @param sites those of the mix */
export function whereWords(
  draft: Draft,
  tank: string,
  site: SiteEntry | undefined,
  sites: readonly SiteEntry[],
  system: System,
): Words {
  const day = dateOf(draft) === todayDate() ? "today" : dayWords(dateOf(draft));
  const { purpose, stops, spot } = draft;
  if (isOfStops(purpose)) {
    const names = stops.flatMap((id) => sites.find((s) => s.id === id)?.site.name ?? []);
    if (names.length === 0) return { title: ASK[purpose], about: day };
    return {
      title: purpose === "day" ? `The day, ${names.length} ${names.length === 1 ? "stop" : "stops"}` : `${names.length} sites`,
      about: [names.join(", "), day].join(" · "),
    };
  }
  if (!site) return { title: ASK[purpose], about: "The rig and the products come next." };
  const { without } = tankOf(draft, tank);
  if (purpose === "spot")
    return {
      title: `A spot on ${site.site.name}`,
      about: [site.site.zones.find((z) => z.id === spot.zoneId)?.name ?? site.site.zones[0]?.name, spot.volume, day]
        .filter(Boolean)
        .join(" · "),
    };
  const zones = site.site.zones.filter((zone) => !without.includes(zone.id));
  const names = zones.length <= 3 ? zones.map((zone) => zone.name).join(", ") : `${zones.length} zones`;
  return { title: site.site.name, about: [names, areaWords(zones, system), day].filter(Boolean).join(" · ") };
}

/** The area of some zones together: of one as it was entered. */
export function areaWords(zones: readonly { readonly area: string }[], system: System): string | undefined {
  if (zones.length < 2) return zones[0] && areaAsRead(zones[0].area, system);
  return read(total(zones.map((zone) => entered(zone.area, "area").value)), "area", system);
}

const PER = / per (1,000 sq ft|100 m²)$/;

/** The products of a mix with their rates, in two lines. */
export function productWords(chosen: readonly Chosen[], tank: string | undefined): Words {
  const into = tank ? `${tank} tank` : undefined;
  if (chosen.length === 0) return { title: "Which products?", about: into ?? "from your labels, with their rates" };
  const rates = chosen.map(({ rate }) => rateWords(rate));
  const per = [...new Set(rates.map((rate) => PER.exec(rate)?.[0].trim()))];
  // One ground for all of them is said once.
  const one = per.length === 1 && per[0] !== undefined;
  const title = chosen
    .map(({ label }, i) => `${label.card.name.replace(" (demo label)", "")} ${one ? rates[i]!.replace(PER, "") : rates[i]}`)
    .join(" · ");
  const points = [...new Set(chosen.map(({ choice }) => choice.point))];
  const point = points.length === 1 && points[0] !== "typed" ? POINT[points[0]!] : undefined;
  return { title, about: [one ? per[0] : undefined, point, into].filter(Boolean).join(" · ") };
}

const POINT = { least: "label's lowest", middle: "middle of the label", most: "label's highest" } as const;
