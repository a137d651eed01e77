import { fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import { readTyped } from "../data/typed";
import { show } from "../testing/show";
import { Button } from "./controls";
import { TextField } from "./field";

const kept = jest.fn();

function Form() {
  const [typed, setTyped] = useState("");
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        kept(typed);
      }}
    >
      <TextField
        label="Usable volume"
        quantity="usable"
        placeholder="4 gal"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="button" onClick={() => kept(typed)}>
        Save
      </Button>
    </form>
  );
}

const type = (system: "us" | "metric", text: string) => {
  localStorage.setItem("in-hand", JSON.stringify({ system }));
  kept.mockClear();
  show(<Form />);
  const field = screen.getByLabelText("Usable volume");
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  return field;
};

describe("a bare number of a metric reader has its unit before anything is done with it", () => {
  test("a press leaves the focus in the field, and still counts what was typed with its unit", () => {
    type("metric", "15");
    const button = screen.getByRole("button", { name: "Save" });
    fireEvent.mouseDown(button);
    fireEvent.click(button);
    expect(kept).toHaveBeenCalledWith("15 L");
  });
  test("so does Enter", () => {
    const field = type("metric", "15");
    fireEvent.keyDown(field, { key: "Enter" });
    fireEvent.submit(field.closest("form")!);
    expect(kept).toHaveBeenCalledWith("15 L");
  });
  test("what was typed with a unit stays as it is, and so does a bare number of ours", () => {
    fireEvent.blur(type("metric", "4 gal"));
    expect(screen.getByLabelText("Usable volume")).toHaveValue("4 gal");
    document.body.innerHTML = "";
    fireEvent.blur(type("us", "4"));
    expect(screen.getByLabelText("Usable volume")).toHaveValue("4");
  });
  test("example and hint are in the reader's units", () => {
    type("metric", "");
    expect(screen.getByPlaceholderText("e.g. 15 L")).toBeInTheDocument();
    expect(screen.getByText("L if no unit")).toBeInTheDocument();
  });
});

describe("a bare number that is kept", () => {
  const keep = (system: "us" | "metric") => localStorage.setItem("in-hand", JSON.stringify({ system }));
  test("was typed in our units, and stays so when they are switched", () => {
    keep("metric");
    expect(readTyped("testArea", "250")).toMatchObject({ ok: true, value: { text: "250 ft2" } });
  });
  test("has the reader's unit while it is being typed, also at the moment in which the unit is written out", () => {
    const field = type("metric", "25");
    field.focus();
    expect(readTyped("usable", "25")).toMatchObject({ ok: true, value: { text: "25 L" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(field).toHaveValue("25 L");
    expect(readTyped("usable", "25")).toMatchObject({ ok: true, value: { text: "25 L" } });
  });
});
