import { act, fireEvent, screen } from "@testing-library/react";
import { PERSON, RIG, showWith } from "../testing/show";
import { RecordRinse } from "./record-rinse";

const sent = jest.fn();
beforeEach(() => {
  localStorage.clear();
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id, personId: PERSON.id }));
  sent.mockReset();
  global.fetch = jest.fn((url: string, init?: { body?: string }) => {
    sent(url, init?.body && JSON.parse(init.body));
    return Promise.resolve({ ok: true, headers: new Map(), json: () => Promise.resolve({ ok: true, value: { id: "x" } }) });
  }) as never;
});
const room = () => showWith({ rigs: [RIG], people: [PERSON] }, <RecordRinse rig={RIG} tank="main" />);
const press = () => act(async () => void fireEvent.click(screen.getByRole("button", { name: /rinsed three times: put/ })));
const said = () => sent.mock.calls.find(([url]) => url === "/api/rinses")?.[1] as { facts?: object } | undefined;

test("one press is enough", async () => {
  room();
  await press();
  expect(said()).toMatchObject({ rigId: RIG.id, tank: "main" });
  expect(said()).not.toHaveProperty("facts");
});

test("how it was cleaned goes with it, in the units that it was read in", async () => {
  room();
  fireEvent.change(screen.getByLabelText("Water, each of the three times"), { target: { value: "1 qt" } });
  fireEvent.change(screen.getByLabelText("Where the rinsate went"), { target: { value: "onto the lawn" } });
  fireEvent.click(screen.getByLabelText("Strainer and tip cleaned"));
  await press();
  expect(said()!.facts).toEqual({ water: "1 qt", rinsate: "onto the lawn", strainer: true });
});

test("water that can't be read is said, and nothing is sent", async () => {
  room();
  fireEvent.change(screen.getByLabelText("Water, each of the three times"), { target: { value: "4 oz" } });
  await press();
  expect(said()).toBeUndefined();
  expect(screen.getAllByRole("alert").length).toBeGreaterThan(0);
});
