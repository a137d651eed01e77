import type { Issue } from "@/core/issue";
import { RESTRICTED_USE } from "@/formats/card/card";
import { cardOfProduct, gearOf } from "@/formats/gear";
import type { SpreadFile } from "@/formats/job-file/spread";
import { namesCategory } from "@/formats/missing";
import { holdsOn, type PaperKind, type PaperText } from "@/formats/papers";
import type { Access } from "@/records/database";
import { findPerson, listPeople } from "@/records/people";
import { todayOf } from "./clock";
import { issue } from "./input";

/**
 * Why no container may be opened by whoever is to: of a product for restricted use, that nobody is named, or that neither who sprays
 * nor anybody of the firm has a certificate which holds today and is for its category (common practice: certified applicators, and
 * those under them); where a respirator is worn, that its fit test or its filters are over. What nobody noted of a respirator is not
 * known, and holds nothing.
 */
export function paperFaults(db: Access, personId: string | null, { products = [] }: Pick<SpreadFile, "products">): Issue[] {
  const today = todayOf(db);
  const person = personId === null ? undefined : findPerson(db, personId);
  const certified = products.flatMap((product): Issue[] => {
    const { restricted, category } = cardOfProduct(product);
    if (restricted !== RESTRICTED_USE) return [];
    if (!person)
      return [
        issue(
          "step",
          "not-allowed-now",
          `${product.name} is for restricted use, and nobody is named`,
          "mix again, with who sprays",
        ),
      ];
    if (listPeople(db).some((one) => !one.retired && isCertified(one, today, category))) return [];
    const needed = category === undefined ? "a certificate" : `a certificate for ${category}`;
    const said = `${product.name} is for restricted use, and nobody has ${needed} that holds today`;
    return [issue("step", "not-allowed-now", said, "note it under Crew, or leave the product closed")];
  });
  return [...certified, ...respiratorFaults(person, products, today)];
}

const RESPIRATOR: readonly PaperKind[] = ["respirator fit", "respirator filters"];

function respiratorFaults(person: Holder | undefined, products: SpreadFile["products"] & object, today: string): Issue[] {
  if (!person || !gearOf(products).some(({ text }) => /respirator/i.test(text))) return [];
  return RESPIRATOR.flatMap((kind) => {
    const papers = (person.papers ?? []).filter((paper) => paper.kind === kind);
    if (papers.length === 0 || papers.some((paper) => holdsOn(paper, today))) return [];
    const said = `a respirator is worn, and ${person.name}: ${kind} is over`;
    return [issue("step", "not-allowed-now", said, "renew it, and note its new end under Crew")];
  });
}

interface Holder {
  readonly name: string;
  readonly papers?: readonly PaperText[];
}

/** A certificate that names no categories isn't said to lack one. */
const isCertified = ({ papers = [] }: Holder, day: string, category: string | undefined): boolean =>
  papers.some(
    (paper) =>
      paper.kind === "certificate" &&
      holdsOn(paper, day) &&
      (category === undefined || paper.categories === undefined || namesCategory(paper.categories, category)),
  );
