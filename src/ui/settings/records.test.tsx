import { act, fireEvent, screen } from "@testing-library/react";
import { showWith } from "../testing/show";
import { FirmNumbersForm } from "./firm-numbers";
import { FirmCurrency, FirmZone } from "./firm-settings";
import { SetAside } from "../parts/set-aside";
import { WholeRecords } from "./records";

const sent = jest.fn();
let status = 200;
beforeEach(() => {
  sent.mockReset();
  status = 200;
  global.fetch = jest.fn((url: string, init?: { body?: string }) => {
    sent(url, init?.body && JSON.parse(init.body));
    const fault = {
      ok: false,
      issues: [{ path: "", code: "fault", received: "The disk is full.", expected: "Free some space." }],
    };
    return Promise.resolve({
      ok: status === 200,
      status,
      headers: new Map(),
      json: () => Promise.resolve(status === 200 ? { ok: true, value: {} } : fault),
      blob: () => Promise.resolve(new Blob(["x"])),
    });
  }) as never;
});

const FIRM = { settled: true, rules: [], before: { soil: null, highs: [] }, currency: "USD" };

test("the first start asks which day it is and where, with the machine's own zone as the guess", async () => {
  showWith({ firm: { ...FIRM, zone: "America/Chicago", settled: false, today: "2026-09-02" } }, <FirmZone asking />);
  expect(screen.getByLabelText("Time zone of the grounds")).toHaveValue("America/Chicago");
  fireEvent.change(screen.getByLabelText("Time zone of the grounds"), { target: { value: "America/Denver" } });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "That is right" })));
  expect(sent).toHaveBeenCalledWith("/api/settings", { zone: "America/Denver" });
});

test("the firm's currency is picked by name, and changed with a reason where prices are on record", async () => {
  showWith({ firm: { ...FIRM, zone: "UTC", today: "2026-09-02", currency: "CAD" } }, <FirmCurrency />);
  const pick = screen.getByLabelText("Currency of the prices");
  expect(pick).toHaveValue("CAD");
  fireEvent.change(pick, { target: { value: "EUR" } });
  status = 422;
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "Save the currency" })));
  expect(sent).toHaveBeenLastCalledWith("/api/settings/currency", { currency: "EUR" });
  expect(screen.getByRole("option", { name: "EUR · Euro" })).toBeInTheDocument();
});

test("numbers to call are typed beside those that stand, and sent together", async () => {
  const numbers = { emergency: "911" };
  showWith({ firm: { ...FIRM, zone: "UTC", today: "2026-09-02", numbers } }, <FirmNumbersForm />);
  expect(screen.getByLabelText("Emergency")).toHaveValue("911");
  fireEvent.change(screen.getByLabelText("Vet"), { target: { value: "000 555 0107" } });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "Save the numbers" })));
  expect(sent).toHaveBeenLastCalledWith("/api/settings/numbers", { emergency: "911", vet: "000 555 0107" });
});

test("rows that can't be read are shown each with why and their raw text; without any, nothing is", () => {
  const { unmount } = showWith(
    {},
    <SetAside
      rows={[{ of: "rig", id: "r1", name: "Blue backpack", reason: "head: it is no hose-end head", raw: '{"kind":"dial"}' }]}
    />,
  );
  const region = screen.getByRole("region", { name: "Records that can't be read" });
  expect(region).toHaveTextContent("One record can't be read and is set aside; everything else works.");
  expect(region).toHaveTextContent("Blue backpack (rig): head: it is no hose-end head");
  expect(region).toHaveTextContent('{"kind":"dial"}');
  unmount();
  showWith({}, <SetAside rows={[]} />);
  expect(screen.queryByRole("region")).toBeNull();
});

test("a copy that can't be made says why", async () => {
  showWith({}, <WholeRecords />);
  status = 503;
  await act(async () => fireEvent.click(screen.getByText("Download a copy")));
  expect(screen.getByRole("alert", { hidden: true })).toHaveTextContent("The disk is full. Free some space.");
});
