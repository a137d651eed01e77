import { fireEvent, screen, waitFor } from "@testing-library/react";
import type { RigEntry } from "@/formats/entries";
import { RIG, showWith } from "../testing/show";
import { SetupPick } from "./setup-pick";

const sent = jest.fn();
beforeEach(() => {
  localStorage.clear();
  sent.mockReset();
  global.fetch = jest.fn((url: string, init?: { body?: string }) => {
    if (init?.body) sent(url, JSON.parse(init.body));
    return Promise.resolve({
      ok: true,
      headers: new Map(),
      json: () => Promise.resolve({ ok: true, value: {} }),
    });
  }) as never;
});

const SETUPS = [
  { name: "turf", size: "025", pressure: "40 psi" },
  { name: "beds", size: "015", pressure: "30 psi", nozzle: "shield on" },
];
const pack = (tip: { size: string; pressure: string }): RigEntry => ({
  ...RIG,
  rig: { ...RIG.rig, tip, setup: { setups: SETUPS, chart: "Fan 025" } },
});
const TIPS = [
  { id: "tip-1", retired: false, tip: { name: "Fan 015", size: "015", rows: [{ pressure: "30 psi", flow: "0.13 gal/min" }] } },
];

test("names the setup that is on, and sets another: its tip, pressure and nozzle, with the chart of its size", async () => {
  showWith({ tips: TIPS }, <SetupPick rig={pack({ size: "025", pressure: "40 psi" })} />);
  const pick = screen.getByLabelText("Set-up");
  expect(pick).toHaveDisplayValue("turf, 025, 40 psi");
  fireEvent.change(pick, { target: { value: "beds" } });
  await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
  const [url, body] = sent.mock.calls[0]!;
  expect(url).toBe("/api/keep/rigs");
  expect(body).toMatchObject({
    id: RIG.id,
    form: { name: "Blue backpack", tipSize: "015", pressure: "30 psi", nozzle: "shield on", chart: "Fan 015" },
  });
  // What the rig is besides stays as it was.
  expect(body.form.setups).toHaveLength(2);
});

test("a rig that stands in none of its setups says how it stands, and keeps no chart of another size", async () => {
  showWith({ tips: [] }, <SetupPick rig={pack({ size: "025", pressure: "35 psi" })} />);
  const pick = screen.getByLabelText("Set-up");
  expect(pick).toHaveDisplayValue("025 at 35 psi");
  fireEvent.change(pick, { target: { value: "beds" } });
  await waitFor(() => expect(sent.mock.calls[0]![1].form).toMatchObject({ tipSize: "015", chart: "" }));
});
