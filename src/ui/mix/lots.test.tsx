import { fireEvent, screen } from "@testing-library/react";
import type { ProductText } from "@/formats/job-file/types";
import { showWith } from "../testing/show";
import { Lots, useLots } from "./lots";

const product = (name: string, id: string): ProductText => ({ name, form: "dry", rate: "0.3 oz/1000 ft2", id });
const PRODUCTS = [product("Zel", "label-1"), product("Reed", "label-2")];
const lot = (labelId: string, name: string, more: object = {}) => ({ labelId, lot: name, useBy: null, old: false, ...more });

function Room() {
  const lots = useLots("sheet-1", PRODUCTS);
  return (
    <>
      <Lots of="sheet-1" products={PRODUCTS} />
      <output aria-label="told">{JSON.stringify(lots.told)}</output>
      <button onClick={lots.forget}>On record</button>
    </>
  );
}
const told = () => JSON.parse(screen.getByLabelText("told").textContent) as unknown;

beforeEach(() => localStorage.clear());

test("a lot of the shelf is noted with a press, not by itself; an old one says so", () => {
  const lots = [lot("label-1", "L-1"), lot("label-2", "K-8", { useBy: "2026-08-01", old: true }), lot("label-2", "K-7")];
  showWith({ lots }, <Room />);
  expect(told()).toEqual([null, null]);
  fireEvent.click(screen.getByRole("button", { name: "It is L-1" }));
  expect(told()).toEqual(["L-1", null]);
  expect(screen.queryByRole("button", { name: "It is L-1" })).toBeNull();
  fireEvent.change(screen.getByLabelText(/^Lot of Reed/), { target: { value: "k-8 " } });
  expect(screen.getByText(/K-8 was good until 1 Aug 2026/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText(/^Lot of Zel/), { target: { value: "" } });
  expect(told()).toEqual([null, "k-8"]);
  // Kept on this device until what they went into is on record.
  expect(JSON.parse(localStorage.getItem("lots:sheet-1")!)).toEqual({ Zel: "", Reed: "k-8 " });
  fireEvent.click(screen.getByRole("button", { name: "On record" }));
  expect(told()).toEqual([null, null]);
});

test("of a product of which nothing came it is read off the package", () => {
  showWith({}, <Room />);
  expect(told()).toEqual([null, null]);
  fireEvent.change(screen.getByLabelText(/^Lot of Reed/), { target: { value: "X" } });
  expect(told()).toEqual([null, "X"]);
});
