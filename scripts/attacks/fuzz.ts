import http from "node:http";
import { freshFolder, post, startServer } from "./server";

/** What a fuzz of the whole server found. */
export interface Fuzzed {
  readonly requests: number;
  /** Answers of 500 and above, and requests without one. */
  readonly broken: readonly string[];
  /** Of a small request, ms; and of one that brings as much as is taken. */
  readonly slowest: number;
  readonly slowestRoute: string;
  /** The longest that a small read waited while the largest bodies came in, ms. */
  readonly longestWait: number;
  /** MB. */
  readonly memory: number;
  /** What could not be read any more afterwards. */
  readonly unread: readonly string[];
}

const ROUTES = [
  "/api/keep/people",
  "/api/keep/rigs",
  "/api/keep/labels",
  "/api/keep/sites",
  "/api/keep/tips",
  "/api/keep/nothing",
  "/api/keep/rigs/retire",
  "/api/calibrations",
  "/api/calibrations/withdraw",
  "/api/spreads",
  "/api/spreads/spreading-00001/record",
  "/api/spreads/spreading-00001/withdraw",
  "/api/sheets",
  "/api/sheets/sheet-0000000001/ticks",
  "/api/sheets/sheet-0000000001/record",
  "/api/sheets/sheet-0000000001/withdraw",
  "/api/sheets/sheet-0000000001/stops",
  "/api/applications",
  "/api/applications/void",
  "/api/quick-checks",
  "/api/kit-checks",
  "/api/rinses",
  "/api/stock",
  "/api/settings",
];

/** Values that once broke something, or might. */
const NASTY: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  "",
  "x".repeat(5000),
  "\u0000",
  "\u202e\u200b",
  "__proto__",
  "2026-02-30",
  "9999999999 gal",
  "sheet-0000000001",
  [],
  {},
  [[[[]]]],
  { toString: null },
  { length: 1e9 },
  { id: { toString: null } },
  { constructor: { prototype: null } },
  Array.from({ length: 300 }, () => ({})),
];

const FORMS: readonly Record<string, unknown>[] = [
  { name: "Odile Marsh" },
  { name: "Granule", form: "dry", rates: [{ rate: "0.3" }], actives: [], limits: [], gear: [], packages: [] },
  { name: "Granule", form: "Dry", rates: [{ rate: "0.3" }] },
  { name: "Granule", rates: [{ rate: "0.3" }] },
  { name: "Green", zones: [{ name: "north", area: "6200" }] },
  {
    name: "Rig",
    kind: "backpack",
    outlets: "1",
    spacing: "",
    tipSize: "025",
    pressure: "40",
    tanks: [{ name: "main", usable: "4", leastMix: "" }],
  },
];

const BODIES: readonly Record<string, unknown>[] = [
  ...FORMS.map((form, i) => ({ id: `fuzz-form-0000${i}`, form })),
  {
    id: "fuzz-rinse-0001",
    rigId: "rig-0000000001",
    tank: "main",
    personId: "person-99999999",
    rinsedAt: "2026-01-01T00:00:00.000Z",
  },
  { id: "fuzz-stock-0001", labelId: "label-000000001", amount: "4 oz", countedAt: "2026-01-01T00:00:00.000Z" },
  {
    sheets: [
      {
        id: "fuzz-sheet-0001",
        stops: [{ siteId: "site-0000000001" }],
        rigId: "rig-0000000001",
        personId: null,
        calibrationId: "calibration-00001",
        dayId: null,
        tank: "",
        loads: "equal",
        run: false,
        overage: "",
        mixedFor: "",
        products: [{ labelId: "label-000000001", rate: "0.3" }],
      },
    ],
  },
  {
    id: "fuzz-appl-00001",
    date: "2026-01-01",
    siteId: "site-0000000001",
    zoneId: "site-0000000001.0",
    labelId: "label-000000001",
    amount: "1 oz",
    personId: "person-00000001",
    note: "",
    corrects: null,
  },
  { step: "1.1.water", done: true },
  { what: "done", site: "Green", left: "1 gal" },
  { what: "order", order: ["Green"] },
  { date: "2026-01-01" },
  { zone: "America/Chicago" },
  { session: { id: "fuzz-calib-0001", walks: [], catches: [] }, madeAt: "2026-01-01T00:00:00.000Z" },
];

/** A sequence that is the same each time: a fault that was found is found again. */
function sequence(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

/** Puts something nasty at some place of a body. */
function spoil(body: unknown, pick: (below: number) => number): unknown {
  const copy = structuredClone(body) as Record<string, unknown>;
  let at = copy;
  for (let depth = 0; depth < 4; depth++) {
    const keys = Object.keys(at);
    if (keys.length === 0) break;
    const key = keys[pick(keys.length)]!;
    const next = at[key];
    if (typeof next === "object" && next !== null && pick(3) > 0) at = next as Record<string, unknown>;
    else {
      at[key] = NASTY[pick(NASTY.length)];
      break;
    }
  }
  if (pick(4) === 0) copy[["x", "form", "id", "toString"][pick(4)]!] = NASTY[pick(NASTY.length)];
  return copy;
}

/** The largest bodies that could be thought of: they are refused, or taken without holding anybody up. */
function largest(): readonly (readonly [route: string, body: string])[] {
  const zones = (n: number) =>
    `{"id":"fuzz-large-0001","form":{"name":"Large","zones":[${Array.from({ length: n }, () => "{}").join()}]}}`;
  const deep = (n: number) => `{"id":"fuzz-deep-00001","form":${"[".repeat(n)}${"]".repeat(n)}}`;
  const job = (rig: string) =>
    JSON.stringify({
      text: `{"format":"careful-gauge-job","version":1,"rig":${rig},"calibration":{"sprayVolume":"1 gal/1000 ft2"}}`,
    });
  return [
    ["/api/keep/sites", zones(300_000)],
    ["/api/keep/sites", zones(60_000)],
    ["/api/keep/sites", zones(15_000)],
    ["/api/keep/sites", deep(4100)],
    ["/api/keep/sites", deep(15)],
    [
      "/api/keep/labels",
      `{"id":"fuzz-card-00001","form":{"name":"x","form":"dry","rates":[${Array.from({ length: 9000 }, () => '{"rate":"x"}').join()}]}}`,
    ],
    [
      "/api/keep/rigs",
      `{"id":"fuzz-rig-000001","form":{"name":"x","kind":"boom","tanks":[${Array.from({ length: 9000 }, () => "{}").join()}]}}`,
    ],
    ["/api/sheets", `{"sheets":[{"id":"fuzz-sheet-0002","stops":[${Array.from({ length: 9000 }, () => "{}").join()}]}]}`],
    ["/api/jobs", job(`{"kind":"boom",setup:{"uses":[${Array.from({ length: 1_000_000 }, () => '"x"').join()}]}}`)],
    ["/api/jobs", job(`{"kind":"boom","tanks":[${Array.from({ length: 200_000 }, () => "{}").join()}]}`)],
    [
      "/api/cards",
      JSON.stringify({ text: `name,form,rate\n${Array.from({ length: 100_000 }, (_, i) => `p${i},dry,x`).join("\n")}` }),
    ],
    [
      "/api/applications/file",
      JSON.stringify({ text: `date,site,zone,product,amount\n${Array.from({ length: 60_000 }, () => "a,b,c,d,e").join("\n")}` }),
    ],
  ];
}

/** One request on the wire as it is, for what no fetch would send. */
function rawRequest(url: string, method: string, target: string, headers: Record<string, string>): Promise<number> {
  const { hostname, port } = new URL(url);
  return new Promise((resolve) => {
    const request = http.request({ hostname, port, method, path: target, headers, timeout: 30_000 }, (response) => {
      response.resume();
      response.on("end", () => resolve(response.statusCode ?? 0));
    });
    request.on("error", () => resolve(0));
    request.on("timeout", () => request.destroy());
    request.end();
  });
}

/** Throws everything at a server of its own. @param rounds bodies for each route */
export async function fuzz(rounds: number): Promise<Fuzzed> {
  const server = await startServer(freshFolder("fuzz"));
  const { url } = server;
  const broken: string[] = [];
  let requests = 0;
  let slowest = { ms: 0, route: "" };
  const ask = async (route: string, body: string | object, small = true) => {
    const begun = performance.now();
    requests += 1;
    let status = 0;
    try {
      const response = await post(`${url}${route}`, body);
      await response.arrayBuffer();
      status = response.status;
    } catch {
      // No answer at all.
    }
    const ms = performance.now() - begun;
    if (small && ms > slowest.ms) slowest = { ms, route };
    if (status === 0 || status >= 500) broken.push(`${status} ${route} ${JSON.stringify(body).slice(0, 200)}`);
    return status;
  };
  try {
    // Something to hit: one of each kind, under the ids that the bodies name.
    await post(`${url}/api/keep/people`, { id: "person-00000001", form: FORMS[0] });
    await post(`${url}/api/keep/labels`, { id: "label-000000001", form: FORMS[1] });
    await post(`${url}/api/keep/sites`, { id: "site-0000000001", form: FORMS[4] });
    await post(`${url}/api/keep/rigs`, { id: "rig-0000000001", form: { ...FORMS[5], name: "Fuzzed" } });
    const pick = sequence(20_261_126);
    for (const route of ROUTES) {
      for (const body of [...NASTY, ...BODIES]) await ask(route, JSON.stringify(body) ?? "null");
      for (const text of ["", "{", "[", '{"a":', "\u0000", "nul"]) await ask(route, text);
      for (let i = 0; i < rounds; i++) await ask(route, spoil(BODIES[pick(BODIES.length)], pick) as object);
    }
    for (const target of [
      "/api/sheets/%ff",
      "/api/sheets/%00",
      "/api/sheets/..%2f..%2fetc",
      "/api/keep/%ff",
      "/%ff",
      "/api/sheets/x".padEnd(8000, "x"),
      "/api/read/log?q=%ff",
    ])
      for (const method of ["GET", "POST", "TRACE", "PUT", "DELETE", "PATCH", "OPTIONS", "HEAD"]) {
        requests += 1;
        const status = await rawRequest(url, method, target, { host: new URL(url).host, "content-type": "application/json" });
        if (status === 0 || status >= 500) broken.push(`${status} ${method} ${target.slice(0, 40)}`);
      }
    // While the largest bodies come in, somebody else reads and saves.
    let longestWait = 0;
    let going = true;
    const beside = (async () => {
      for (let i = 0; going; i++) {
        const begun = performance.now();
        await (await fetch(`${url}/api/health`)).text();
        await post(`${url}/api/keep/people`, { id: `fuzz-beside-${i}-xx`, form: { name: `Beside ${i}` } });
        longestWait = Math.max(longestWait, performance.now() - begun);
      }
    })();
    for (const [route, body] of largest()) await ask(route, body, false);
    going = false;
    await beside;
    const unread: string[] = [];
    for (const name of ["people", "rigs", "tips", "labels", "sites", "standings", "openSheets", "spreadings", "log", "stock"]) {
      const read = await fetch(`${url}/api/read/${name}`);
      if (!read.ok) unread.push(`${name} as a whole`);
      else unread.push(...((await read.json()) as { aside: unknown[] }).aside.map((one) => JSON.stringify(one).slice(0, 300)));
    }
    return { requests, broken, slowest: slowest.ms, slowestRoute: slowest.route, longestWait, memory: server.memory(), unread };
  } finally {
    await server.kill();
  }
}
