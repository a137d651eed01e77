import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { useEffect, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { readTyped } from "@/formats/typed";
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

describe.each([
  ["us", "15 gal"],
  ["metric", "15 L"],
] as const)("a bare number of a reader of %s units has its unit at the key that typed it", (system, meant) => {
  test("a press leaves the focus in the field, and counts what was typed with its unit", () => {
    type(system, "15");
    const button = screen.getByRole("button", { name: "Save" });
    fireEvent.mouseDown(button);
    fireEvent.click(button);
    expect(kept).toHaveBeenCalledWith(meant);
    expect(screen.getByLabelText("Usable volume")).toHaveValue("15");
  });
  test("so does Enter, and leaving it", () => {
    const field = type(system, "15");
    fireEvent.keyDown(field, { key: "Enter" });
    fireEvent.submit(field.closest("form")!);
    expect(kept).toHaveBeenCalledWith(meant);
    expect(field).toHaveValue(meant);
    fireEvent.change(field, { target: { value: "16" } });
    fireEvent.blur(field);
    expect(field).toHaveValue(meant.replace("15", "16"));
  });
  test("and keeps it when the units are switched with the cursor in it", () => {
    const field = type(system, "15");
    localStorage.setItem("in-hand", JSON.stringify({ system: system === "us" ? "metric" : "us" }));
    window.dispatchEvent(new Event("storage"));
    fireEvent.blur(field);
    expect(field).toHaveValue(meant);
  });
  test("what was typed with a unit stays as it is", () => {
    fireEvent.blur(type(system, "4 qt"));
    expect(screen.getByLabelText("Usable volume")).toHaveValue("4 qt");
  });
});

test("example and unit are in the reader's units, the unit also for who can't see it", () => {
  type("metric", "");
  expect(screen.getByPlaceholderText("e.g. 15 L")).toBeInTheDocument();
  expect(screen.getByLabelText("Usable volume")).toHaveAccessibleDescription("L if no unit");
});

/** A field that keeps itself, as those of the forms do. */
function Registered({ first }: { first: string }) {
  const form = useForm({ defaultValues: { volume: first } });
  const volume = useWatch({ control: form.control, name: "volume" });
  useEffect(() => {
    watched = volume;
  }, [volume]);
  return (
    <form onSubmit={(event) => void form.handleSubmit((values) => kept(values.volume))(event)}>
      <TextField label="Usable volume" quantity="usable" {...form.register("volume")} />
      <button type="button" onClick={() => form.setValue("volume", "9 gal")}>
        Mend
      </button>
    </form>
  );
}
let watched = "";

describe.each([
  ["us", "15 gal"],
  ["metric", "15 L"],
] as const)("a registered field of a form, %s", (system, meant) => {
  const begin = () => {
    localStorage.setItem("in-hand", JSON.stringify({ system }));
    kept.mockClear();
    const shown = show(<Registered first="" />);
    const field = screen.getByLabelText("Usable volume");
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: "15" } });
    return { field, shown };
  };
  test("holds the unit with the cursor still in it: what a draft keeps is opened as it was meant", () => {
    const { field, shown } = begin();
    expect([watched, (field as HTMLInputElement).value]).toEqual([meant, "15"]);
    shown.unmount();
    show(<Registered first={watched} />);
    expect(screen.getByLabelText("Usable volume")).toHaveValue(meant);
  });
  test("is sent with it, left or not left", async () => {
    const { field } = begin();
    fireEvent.submit(field.closest("form")!);
    await waitFor(() => expect(kept).toHaveBeenCalledWith(meant));
    fireEvent.blur(field);
    expect(field).toHaveValue(meant);
    fireEvent.submit(field.closest("form")!);
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(2));
    expect(kept).toHaveBeenLastCalledWith(meant);
  });
  test("what is put in its place while the cursor is in it stays", () => {
    const { field } = begin();
    fireEvent.click(screen.getByRole("button", { name: "Mend" }));
    fireEvent.blur(field);
    expect([field, watched]).toEqual([expect.objectContaining({ value: "9 gal" }), "9 gal"]);
  });
});

test("a comma that may be either is asked about where it was typed, and is no number until it is answered", () => {
  fireEvent.blur(type("metric", "1,500"));
  expect(screen.getByLabelText("Usable volume")).toHaveValue("1,500? L");
  expect(readTyped("usable", "1,500? L").ok).toBe(false);
  cleanup();
  fireEvent.blur(type("metric", "1,5"));
  expect(screen.getByLabelText("Usable volume")).toHaveValue("1.5 L");
});
