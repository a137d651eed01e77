import { nanoid } from "nanoid";
import { slipsOfArea } from "@/core/slips/of-reading";
import { bad, good, issueAt, type Issue, type Result } from "@/core/issue";
import { cardSlips } from "@/formats/card/card-slips";
import { cardFormOf } from "@/formats/forms/card-form-of";
import { parseQuantity } from "@/core/quantity/parse";
import { slipsOfName } from "@/core/slips/of-name";
import type { Slip } from "@/core/slips/slip";
import type { CardText } from "@/formats/card/card";
import type { SiteText } from "@/formats/job-file/types";
import { differencesOf, MOST_DIFFERENCES, type Choices, type ImportItem, type ItemKind } from "@/formats/import";
import type { Access } from "@/records/database";
import { listLabels } from "@/records/labels";
import { calledOtherwise, meantBy } from "./file-identity";
import { isId } from "./input";
import { keepUp, KEPT, type KeptKind, type KeptText } from "./keep-up";

const ITEM_OF = { rigs: "rig", people: "person", labels: "label", sites: "site", tips: "rig" } as const satisfies Record<
  KeptKind,
  ItemKind
>;

/** What probably went wrong in an item of a file: asked as its form asks it. */
function slipsIn(tx: Access, of: KeptKind, text: KeptText[KeptKind], own: string | undefined): string[] {
  if (of === "sites") return slipsOfSite(text as SiteText);
  if (of !== "labels") return [];
  const card = text as CardText;
  const others = listLabels(tx).flatMap((label) => (label.id === own ? [] : [label.card]));
  const found = Object.entries(cardSlips(cardFormOf(card), others));
  return [...nearActives(card, others), ...found.map(([place, [slip]]) => asked(place, slip!))];
}

const asked = (place: string, { says, corrected }: Slip): string =>
  `${place}: ${says}${corrected === null ? "" : `, ${corrected}`}.`;

const slipsOfSite = (site: SiteText): string[] =>
  site.zones.flatMap((zone) => {
    const area = parseQuantity(zone.area, "area");
    const [slip] = area.ok ? slipsOfArea(area.value) : [];
    return slip ? [asked(`${zone.name}, ${zone.area}`, slip)] : [];
  });

/** Actives of a card that are a letter or two from one on record: under two names they would have two budgets. */
function nearActives(card: CardText, others: readonly CardText[]): string[] {
  const known = [...new Set(others.flatMap((other) => other.actives.map((active) => active.name)))];
  return card.actives.flatMap(({ name }) => slipsOfName(name, known).map((slip) => `${name}: ${slip.says}.`));
}

interface Item<K extends KeptKind> {
  readonly of: K;
  readonly text: KeptText[K];
  /** The id that travels in the file. */
  readonly xId?: unknown;
  /** Where it stands in the file. */
  readonly path: string;
  /** What is here with what the file states put over it, where it doesn't state all. */
  readonly over?: (here: KeptText[K]) => KeptText[K];
}

export interface Brought<K extends KeptKind> {
  readonly item: ImportItem;
  /** The record that it is. */
  readonly id: string;
  readonly here: KeptText[K];
}

/**
 * Brings one item in. What isn't on record is added; what is, and differs, is left and shown, unless it was chosen; what
 * was retired or is called otherwise by now is left too. Nothing is ever deleted.
 */
export function bringIn<K extends KeptKind>(
  tx: Access,
  { of, text, xId, path, over = () => text }: Item<K>,
  choices: Choices,
  now: string,
): Result<Brought<K>> {
  const kind = ITEM_OF[of];
  const { name } = text;
  const known = meantBy(tx, of, name, xId);
  const slips = slipsIn(tx, of, text, known?.id);
  const notes = slips.length > 0 ? { notes: slips } : {};
  const placed = (issues: readonly Issue[]) => bad(...issues.map((i) => issueAt(path, i)));
  if (!known) {
    const id = isId(xId) ? xId : nanoid();
    const kept = keepUp(tx, of, id, text, now);
    if (!kept.ok) return placed(kept.issues);
    const item: ImportItem = { key: `${kind}:${name}`, kind, name, state: "new", differences: [], ...notes, taken: false };
    return good({ item, id, here: KEPT[of].find(tx, id)!.text as KeptText[K] });
  }
  const { id, text: here } = known;
  const key = `${kind}:${id}`;
  const take = choices[key] === "take";
  const differences = differencesOf(here, { ...over(here), name }).slice(0, MOST_DIFFERENCES);
  const otherwise = calledOtherwise(here.name, name);
  const state = known.retired ? "retired" : differences.length === 0 ? "same" : otherwise ? "renamed" : "differs";
  if (take && known.retired) KEPT[of].retire(tx, id, null);
  if (take && differences.length > 0) {
    const kept = keepUp(tx, of, id, over(here), now);
    if (!kept.ok) return placed(kept.issues);
  }
  const item: ImportItem = {
    key,
    kind,
    name,
    state,
    differences,
    ...notes,
    taken: take,
    ...(here.name !== name && { calledHere: here.name }),
  };
  return good({ item, id, here: take ? (KEPT[of].find(tx, id)!.text as KeptText[K]) : here });
}
