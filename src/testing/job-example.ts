/** The example of the format in its second version, with a key of nearly every part. For tests. */
export const EXAMPLE = {
  format: "careful-gauge-job",
  version: 2,
  rig: {
    name: "Blue backpack",
    kind: "backpack",
    tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
    outlets: { count: 1 },
    tip: { size: "025", pressure: "40 psi" },
  },
  calibration: {
    pace: { kind: "timed-area", area: "250 ft2", times: ["61 s", "63 s", "62 s"] },
    flow: { kind: "timed-catch", catches: [{ volume: "33 fl oz", time: "62 s" }] },
    target: "1 gal/1000 ft2",
    tolerance: "5 %",
    ownTimes: true,
    record: { person: "Odile Marsh", madeAt: "2026-04-01T06:40:00Z", method: "area-catch", footing: "turf" },
  },
  products: [
    {
      name: "Demo granule",
      form: "dry",
      formulation: "WG",
      rate: "0.3 oz/1000 ft2",
      labelRange: ["0.2 oz/1000 ft2", "0.4 oz/1000 ft2"],
      actives: [{ name: "demo active", fraction: "40 %" }],
      limits: {
        perApplication: "0.4 oz/1000 ft2",
        perYear: "0.8 oz/1000 ft2",
        yearKind: "calendar",
        applicationsPerYear: 2,
        intervalAtLeast: "35 days",
      },
      carrierAtLeast: "0.5 gal/1000 ft2",
      dilutionAtLeast: "7:1",
      price: { amount: 64, currency: "USD", per: "80 oz" },
      label: { signalWord: "caution", rates: [{ rate: "0.2 oz/1000 ft2" }] },
    },
  ],
  sites: [
    {
      name: "Ferry green",
      jurisdiction: "Osselby parish",
      irrigatedBy: "client",
      waterSource: { fill: true },
      zones: [
        {
          name: "north",
          area: "6200 ft2",
          turf: "bentgrass",
          footing: "turf",
          seededOn: "2024-09-01",
          applied: [
            {
              of: "Other granule",
              active: "demo active",
              fraction: "2 %",
              amount: "1.5 oz/1000 ft2",
              date: "2026-04-14",
              planned: true,
            },
          ],
        },
      ],
    },
  ],
  date: "2026-09-02",
  loads: "full-then-part",
  priorOrder: "any",
  overage: "5 %",
  fillOrder: "half",
  "x-note": { anything: [1, 2] },
};
