import { act, fireEvent, screen, waitFor } from "@testing-library/react";
import { useState } from "react";
import { siteForm } from "@/formats/forms/site";
import { siteFormOf } from "@/formats/forms/site-form-of";
import { show, showWith } from "../testing/show";
import { TextField } from "./field";
import { Archive, errorAt, KeptForm, Listed } from "./keeper";

const answer = jest.fn();
beforeEach(() => {
  localStorage.clear();
  answer.mockReset();
  global.fetch = jest.fn((url: string, init?: { body?: string }) =>
    Promise.resolve({
      ok: true,
      headers: new Map(),
      json: () => Promise.resolve(answer(url, init?.body && JSON.parse(init.body))),
    }),
  ) as never;
});

const form = (onDone: (id: string | undefined) => void) => (
  <KeptForm
    kind="sites"
    what="site"
    schema={() => Promise.resolve(siteForm)}
    blank={siteFormOf()}
    editing={undefined}
    onDone={onDone}
  >
    {(f) => (
      <>
        <TextField label="Site" error={errorAt(f, "name")} {...f.register("name")} />
        <TextField label="Zone" error={errorAt(f, "zones.0.name")} {...f.register("zones.0.name")} />
        <TextField label="Area" error={errorAt(f, "zones.0.area")} {...f.register("zones.0.area")} />
      </>
    )}
  </KeptForm>
);
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const save = () => fireEvent.click(screen.getByRole("button", { name: "Add site" }));

test("says at each field what is wrong, and sends nothing", async () => {
  const done = jest.fn();
  show(form(done));
  type("Site", "Green");
  type("Area", "5 ft");
  save();
  expect(await screen.findByText(/has a unit of another kind/)).toBeInTheDocument();
  expect(screen.getByLabelText("Zone")).toHaveAttribute("aria-invalid", "true");
  expect(screen.getByLabelText("Area")).toHaveValue("5 ft");
  expect(global.fetch).not.toHaveBeenCalled();
});

test("sends what was typed, under one id, and forgets the draft once it is kept", async () => {
  const done = jest.fn();
  answer.mockImplementation((_url, body) => ({ ok: true, value: { id: body.id } }));
  show(form(done));
  type("Site", "Green");
  type("Zone", "all");
  type("Area", "4,000");
  expect(JSON.parse(localStorage.getItem("draft:sites:new")!).form.zones[0].area).toBe("4,000");
  save();
  await waitFor(() => expect(done).toHaveBeenCalledWith(expect.stringMatching(/^[\w-]{21}$/)));
  expect(answer).toHaveBeenCalledWith("/api/keep/sites", {
    id: done.mock.calls[0][0],
    form: expect.objectContaining({ name: "Green", zones: [expect.objectContaining({ name: "all", area: "4,000" })] }),
    dismissed: [],
  });
  expect(localStorage.getItem("draft:sites:new")).toBeNull();
});

test("what the server refuses stands at its field, and everything typed stays", async () => {
  answer.mockReturnValue({
    ok: false,
    issues: [{ path: "name", code: "duplicate-name", received: "Green", expected: "site its name" }],
  });
  show(form(jest.fn()));
  type("Site", "Green");
  type("Zone", "all");
  type("Area", "4,000");
  save();
  expect(await screen.findByText(/"Green" is there already/)).toBeInTheDocument();
  expect(screen.getByLabelText("Area")).toHaveValue("4,000");
});

test("a half-typed form comes back", async () => {
  localStorage.setItem(
    "draft:sites:new",
    JSON.stringify({ id: "a-kept-id-000001", form: { name: "Half", zones: [{ name: "", area: "12 furl" }] } }),
  );
  show(form(jest.fn()));
  expect(await screen.findByLabelText("Area")).toHaveValue("12 furl");
});

test("archiving asks nothing and can be undone from the list", async () => {
  answer.mockReturnValue({ ok: true, value: { id: "s" } });
  const opened = jest.fn();
  function Room() {
    const [open, setOpen] = useState(true);
    return open ? (
      <Archive kind="sites" id="s" name="Green" retired={false} onDone={() => setOpen(false)} />
    ) : (
      <Listed
        kind="sites"
        what="site"
        onOpen={opened}
        entries={[
          { id: "s", retired: true, name: "Green", about: "" },
          { id: "t", retired: false, name: "Court", about: "a lawn" },
        ]}
      />
    );
  }
  showWith({}, <Room />);
  fireEvent.click(screen.getByRole("button", { name: "Archive Green" }));
  // A whole row is what is pressed.
  const row = await screen.findByRole("button", { name: "Court" });
  expect(row).toHaveAccessibleDescription("a lawn");
  fireEvent.click(row);
  expect(opened).toHaveBeenCalledWith("t");
  fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
  await waitFor(() => expect(answer).toHaveBeenCalledWith("/api/keep/sites/retire", { id: "s", retired: false }));
});

test("what is kept is said beside the button of the next form; what is wrong is counted there", async () => {
  answer.mockImplementation((_url, body) => ({ ok: true, value: { id: body.id } }));
  function Room() {
    const [added, setAdded] = useState(0);
    return <div key={added}>{form(() => setAdded(added + 1))}</div>;
  }
  show(<Room />);
  save();
  expect(await screen.findByText(/✕ 3 fields to correct/)).toBeInTheDocument();
  type("Site", "Green");
  type("Zone", "all");
  type("Area", "400");
  save();
  expect(await screen.findByText("✓ Added Green")).toBeInTheDocument();
  // Said until something is typed again.
  type("Site", "Court");
  await waitFor(() => expect(screen.queryByText("✓ Added Green")).toBeNull());
});

test("a form that was cleared by mistake is taken back", async () => {
  function Room() {
    const [turn, setTurn] = useState(0);
    return <div key={turn}>{form(() => setTurn(turn + 1))}</div>;
  }
  show(<Room />);
  type("Site", "Green");
  await waitFor(() => expect(localStorage.length).toBeGreaterThan(0));
  fireEvent.click(screen.getByRole("button", { name: "Clear" }));
  await waitFor(() => expect(screen.getByLabelText("Site")).toHaveValue(""));
  fireEvent.click(screen.getByRole("button", { name: "Take back what was cleared" }));
  await waitFor(() => expect(screen.getByLabelText("Site")).toHaveValue("Green"));
  expect(screen.queryByRole("button", { name: "Take back what was cleared" })).toBeNull();
});

test("who saves over somebody else's change is told, and saves over it only when they say so", async () => {
  const done = jest.fn();
  const editing = {
    id: "site-1",
    revision: 4,
    form: { ...siteFormOf(), name: "Green", zones: [{ ...siteFormOf().zones[0]!, name: "lawn", area: "6200" }] },
  };
  const late = { ok: false, issues: [{ path: "", code: "changed-meanwhile", received: "Green", expected: "look" }] };
  answer.mockImplementationOnce(() => late).mockImplementation((_url, body) => ({ ok: true, value: { id: body.id } }));
  let readAgain: (revision: number) => void;
  const Page = () => {
    const [revision, setRevision] = useState(4);
    readAgain = setRevision;
    return (
      <KeptForm
        kind="sites"
        what="site"
        schema={() => Promise.resolve(siteForm)}
        blank={siteFormOf()}
        editing={{ ...editing, revision }}
        onDone={done}
      >
        {(f) => <TextField label="Site" error={errorAt(f, "name")} {...f.register("name")} />}
      </KeptForm>
    );
  };
  showWith({}, <Page />);
  type("Site", "Green two");
  fireEvent.click(screen.getByRole("button", { name: "Save the change" }));
  const over = await screen.findByRole("button", { name: "Save mine over it" });
  expect(answer.mock.calls[0]![1]).toMatchObject({ revision: 4 });
  // Nothing of what was typed is lost; what stands now has been read again.
  expect(screen.getByLabelText("Site")).toHaveValue("Green two");
  expect(done).not.toHaveBeenCalled();
  act(() => readAgain(7));
  fireEvent.click(over);
  await waitFor(() => expect(done).toHaveBeenCalledWith("site-1"));
  expect(answer.mock.calls[1]![1]).toMatchObject({ revision: 7, form: { name: "Green two" } });
});
