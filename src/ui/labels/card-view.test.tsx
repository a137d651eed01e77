import { readFileSync } from "node:fs";
import { screen } from "@testing-library/react";
import { cardsFromJson } from "@/formats/card/csv";
import { show } from "../testing/show";
import { CardView } from "./card-view";
import { rangeWords, rateWords } from "./words";

const read = cardsFromJson(readFileSync("demo/labels.json", "utf8"));
const cards = read.ok ? read.value : [];

test.each(cards.map((c) => [c.name, c] as const))(
  "%s reads like a label: no unit as a file writes it, nothing left out",
  (_name, card) => {
    show(<CardView card={card} />);
    const text = screen.getByRole("article").textContent!;
    expect(text).not.toMatch(/1000 ft2|undefined|null|\[object/);
    for (const { name } of card.actives) expect(text).toContain(name);
    for (const { item } of card.gear) expect(text.toLowerCase()).toContain(item);
    for (const row of card.rates) expect(text).toContain(rangeWords(row));
  },
);

test("rates in words", () => {
  expect(rangeWords({ rate: "0.2 oz/1000 ft2", to: "0.4 oz/1000 ft2" })).toBe("0.2 to 0.4 oz per 1,000 sq ft");
  expect(rangeWords({ rate: "1 pt/ac", to: "1 qt/ac" })).toBe("1 pt per acre to 1 qt per acre");
  expect(rateWords("0.25 lb N/1000 ft2")).toBe("0.25 lb N per 1,000 sq ft");
  expect(rateWords("0.25 %v/v")).toBe("0.25 % v/v");
});
