import { act, fireEvent, screen } from "@testing-library/react";
import type { Sheet, SiteEntry } from "@/formats/entries";
import { setFirmZone, setServerTime } from "../data/clock";
import { showWith } from "../testing/show";
import { AirNow } from "./air-now";

const sent: { path: string; body: { seen: object } }[] = [];
beforeEach(() => {
  localStorage.clear();
  sent.length = 0;
  setFirmZone("UTC");
  // An hour after the sun is up over Greenwich in September.
  setServerTime(Date.parse("2026-09-02T06:20:00.000Z"));
  global.fetch = jest.fn((path: string, init?: { body?: string }) => {
    if (init?.body) sent.push({ path, body: JSON.parse(init.body) as { seen: object } });
    return Promise.resolve({ ok: true, headers: new Map(), json: () => Promise.resolve({ ok: true, value: { id: "x" } }) });
  }) as never;
});

const FIRM = {
  zone: "UTC",
  settled: true,
  today: "2026-09-02",
  currency: "USD",
  rules: [],
  before: { soil: 8, highs: [30, 20, 20] },
};
const sheet = (weather: Sheet["weather"], label: object = {}, jurisdiction?: string): Sheet => ({
  id: "sheet-0000000001",
  madeAt: "2026-09-02T05:00:00.000Z",
  personId: null,
  personName: null,
  tank: "main",
  calibrationMadeAt: "2026-09-01T10:00:00.000Z",
  rigId: "rig-1",
  state: "open",
  run: null,
  others: [],
  job: {
    format: "careful-gauge-job",
    version: 2,
    rig: { name: "Blue backpack", kind: "backpack", tanks: [{ name: "main", usable: "4 gal" }] },
    calibration: { sprayVolume: "2 gal/1000 ft2" },
    products: [
      {
        name: "Zel",
        form: "liquid",
        rate: "1 fl oz/1000 ft2",
        label: {
          name: "Zel",
          rates: [{ rate: "1 fl oz/1000 ft2" }],
          packages: [],
          limits: [],
          gear: [],
          actives: [],
          ...label,
        },
      },
    ],
    sites: [
      {
        name: "Green",
        id: "site-1",
        ...(jurisdiction && { jurisdiction }),
        zones: [{ name: "north", area: "3500 ft2" }],
      },
    ],
  } as never,
  stopped: [],
  poured: false,
  done: [],
  weather,
  weatherHolds: [],
  clockBehind: null,
  ends: [],
  outcome: [],
});
const seen = (more: object) => ({
  at: "2026-09-02T06:15:00.000Z",
  keptAt: "2026-09-02T06:15:00.000Z",
  seen: { when: "day" as const, ...more },
});
const site = (gate?: string): SiteEntry => ({
  id: "site-1",
  retired: false,
  site: {
    name: "Green",
    ...(gate && { entrance: gate }),
    zones: [{ name: "north", area: "3500 ft2", id: "zone-1" }],
  } as never,
  former: [],
});

test("the hour is by the sun where the place is known, by the clock where it isn't", async () => {
  const known = showWith({ firm: FIRM, sites: [site("51.4779, 0.0")] }, <AirNow under="sheets" of={sheet(null)} />);
  expect(screen.getByLabelText("The hour")).toHaveValue("sunrise");
  expect(screen.getByText(/The sun rises there at 05:1\d and sets at 18:4\d\./)).toBeInTheDocument();
  // An hour later the sun is well up, and the clock on the wall still says sunrise.
  act(() => setServerTime(Date.parse("2026-09-02T07:40:00.000Z")));
  known.unmount();
  const later = showWith({ firm: FIRM, sites: [site("51.4779, 0.0")] }, <AirNow under="sheets" of={sheet(null)} />);
  expect(screen.getByLabelText("The hour")).toHaveValue("day");
  later.unmount();
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={sheet(null)} />);
  expect(screen.getByLabelText("The hour")).toHaveValue("sunrise");
  expect(screen.getByText(/The hour is by the clock/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText("The hour"), { target: { value: "night" } });
  fireEvent.change(screen.getByLabelText("Wind"), { target: { value: "5" } });
  fireEvent.change(screen.getByLabelText("Soil, 2 in down"), { target: { value: "54" } });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "This is the weather now" })));
  expect(sent[0]!.body.seen).toEqual({
    when: "night",
    wind: "5 mph",
    windMeasured: "measured",
    wet: false,
    soil: "54 °F",
  });
});

test("what was seen is held against the rule of the place too, and says whose it is", () => {
  const rules = [{ jurisdiction: "Quay County", wind: "6 mph" }];
  showWith(
    { firm: { ...FIRM, rules }, sites: [site()] },
    <AirNow under="sheets" of={sheet(seen({ wind: "8 mph" }), {}, "quay county")} />,
  );
  expect(
    screen.getByText(/^Not now, as of 06:15: wind of 8 mph, 6 mph is the most \(the rule of Quay County\)/),
  ).toBeInTheDocument();
});

test("what the label asks of the soil and of the days before is told by the firm's series until it is measured there", () => {
  const label = { soilLeast: "50 °F", airMost: "80 °F", airOver: "3 days" };
  const by = showWith(
    { firm: FIRM, sites: [site()] },
    <AirNow under="sheets" of={sheet(seen({ wind: "5 mph", air: "70 F" }), label)} />,
  );
  expect(screen.getByText(/^Wait, as of 06:15: /)).toHaveTextContent(
    /soil of 46 °F by the firm's series, 50 °F is the least: measure it there/,
  );
  expect(screen.getByText(/^Wait, as of 06:15: /)).toHaveTextContent(/86 °F within the last 3 days, 80 °F is the most/);
  by.unmount();
  showWith(
    { firm: FIRM, sites: [site()] },
    <AirNow under="sheets" of={sheet(seen({ wind: "5 mph", air: "70 F", soil: "47 F" }), label)} />,
  );
  expect(screen.getByText(/^Not now, as of 06:15: /)).toHaveTextContent(/soil of 47 °F, 50 °F is the least/);
  expect(screen.getByText(/soil 47 °F/)).toBeInTheDocument();
});

test("granules that are spread dry have no droplets to hang in the air or to dry", () => {
  const still = seen({ wind: "1 mph", when: "night", air: "90 F", dewPoint: "40 F" });
  const spray = showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={sheet(still)} />);
  expect(screen.getByText(/^Wait, as of 06:15: /)).toBeInTheDocument();
  spray.unmount();
  const dry = sheet(still, { formulation: "G" });
  const products = dry.job.products!.map((product) => ({ ...product, form: "dry" as const }));
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={{ ...dry, job: { ...dry.job, products } }} />);
  expect(screen.getByText(/^Go, as of 06:15/)).toBeInTheDocument();
});

test("a calm is asked about: measured, or guessed; what is guessed isn't known", async () => {
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={sheet(null)} />);
  fireEvent.change(screen.getByLabelText("Wind"), { target: { value: "calm" } });
  expect(screen.getByLabelText("The wind was")).toHaveValue("");
  fireEvent.change(screen.getByLabelText("The wind was"), { target: { value: "guessed" } });
  await act(async () => fireEvent.click(screen.getByRole("button", { name: "This is the weather now" })));
  expect(sent[0]!.body.seen).toMatchObject({ wind: "calm", windMeasured: "guessed" });
  const guessed = sheet(seen({ wind: "calm", windMeasured: "guessed" }));
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={guessed} />);
  expect(screen.getByText(/^Wait, as of 06:15: the wind isn't known/)).toBeInTheDocument();
  expect(screen.getByText("wind guessed, so not known · air not known")).toBeInTheDocument();
});

test("a report goes by its own day and hour, whatever is said of it", () => {
  const report = (time: string) => sheet(seen({ metar: `KFRY ${time} 24006KT 9999 22/12 Q1016` }));
  const old = showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={report("020504Z")} />);
  expect(screen.getByText(/^Wait: what was seen of the weather is old/)).toBeInTheDocument();
  old.unmount();
  const ahead = showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={report("020631Z")} />);
  expect(screen.getByText(/^Wait: the report is of a later hour than now/)).toBeInTheDocument();
  ahead.unmount();
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={report("020506Z")} />);
  expect(screen.getByText(/^Go, as of 06:15/)).toBeInTheDocument();
});

test("what another look of the place holds is said, and a server's clock that stands wrong", () => {
  const holds = [
    { path: "step", code: "not-allowed-now" as const, received: "wind of 20 mph, 10 mph is the most", expected: "wait" },
  ];
  const held = { ...sheet(null), weatherHolds: holds, clockBehind: "2026-09-02T09:00:00.000Z" };
  showWith({ firm: FIRM, sites: [site()] }, <AirNow under="sheets" of={held} />);
  expect(screen.getByText(/^Nothing is opened here yet: wind of 20 mph/i)).toBeInTheDocument();
  expect(screen.getByText(/clock stands before the newest record, of 2 Sep 2026, 09:00/)).toBeInTheDocument();
});
