import { fireEvent, screen, within } from "@testing-library/react";
import { dialled } from "@/formats/firm-numbers";
import { INCIDENT_NAMES } from "@/formats/incidents";
import { labelEntry, showWith } from "../testing/show";
import { CASES } from "./cases";
import { Trouble } from "./trouble";

const FIRM = { zone: "UTC", settled: true, today: "2026-09-02", currency: "USD", rules: [], before: { soil: null, highs: [] } };
// jsdom has no modal dialogs.
beforeAll(() => {
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
});
const open = (records: Parameters<typeof showWith>[0]) => {
  showWith(records, <Trouble shown onClose={() => undefined} />);
  return within(screen.getByRole("dialog", { name: "Something went wrong" }));
};
const press = (of: ReturnType<typeof open>, name: string) => fireEvent.click(of.getByRole("button", { name }));

test("without a single record every case says what to do, and that no number is noted", () => {
  const trouble = open({});
  for (const { id, steps, calls } of CASES) {
    press(trouble, INCIDENT_NAMES[id]);
    expect(trouble.getAllByRole("listitem", { hidden: true }).map((item) => item.textContent)).toEqual(steps);
    expect(trouble.getByText(/No number is noted/).textContent!.split(",")).toHaveLength(calls.length + 1);
    expect(trouble.getByText(/The label and whoever answers the phone stand above this page/)).toBeInTheDocument();
    press(trouble, "Back");
  }
});

test("the card's signal word and first aid stand before the usual, its number and the firm's can be dialled", () => {
  const card = { signalWord: "warning" as const, firstAid: "Rinse for 20 minutes.", emergency: "Ferry infirmary, 000 555 0142" };
  const numbers = { poison: "000 555 0100 (day and night)" };
  const labels = [
    labelEntry("label-1", "Granule", "dry", "0.3 oz/1000 ft2", card),
    labelEntry("label-2", "Plain", "dry", "1 oz/1000 ft2"),
  ];
  const trouble = open({ labels, firm: { ...FIRM, numbers } });
  press(trouble, "In the eyes");
  expect(trouble.getByText("000 555 0100 (day and night)")).toHaveAttribute("href", "tel:0005550100");
  expect(trouble.getByText(/No number is noted for: Emergency\./)).toBeInTheDocument();
  fireEvent.change(trouble.getByLabelText("Which product?"), { target: { value: "label-1" } });
  const aid = trouble.getByText(/Rinse for 20 minutes/);
  expect(aid).toHaveTextContent("WARNING. Rinse for 20 minutes.");
  expect(aid.compareDocumentPosition(trouble.getByText(/Hold the eye open/))).toBe(Node.DOCUMENT_POSITION_FOLLOWING);
  expect(trouble.getByText("Ferry infirmary, 000 555 0142")).toHaveAttribute("href", "tel:0005550142");
  fireEvent.change(trouble.getByLabelText("Which product?"), { target: { value: "label-2" } });
  expect(trouble.getByText(/This card has no first aid: read it on the label/)).toBeInTheDocument();
});

test.each([
  ["000 555 0142", "0005550142"],
  ["+44 (0)20 7946 0000, night desk", "+4402079460000"],
  ["911", "911"],
  ["the yard", undefined],
  ["room 12", undefined],
])("%s is dialled as %s", (text, number) => expect(dialled(text)).toBe(number));
