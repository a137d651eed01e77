import { rmSync } from "node:fs";
import { ensureBuilt, ensureInstalled, inProject, run } from "./lib/setup.mjs";
import { serve } from "./lib/serve.mjs";

// Everything from nothing: packages, build, demo records made anew, and the app on them. A person's records stay apart.
ensureInstalled();
ensureBuilt();
const data = inProject(".cache", "demo-data");
rmSync(data, { recursive: true, force: true });
run(process.execPath, ["--import", "tsx", "scripts/load-demo.ts"], { env: { CAREFUL_GAUGE_DATA: data } });
await serve("start", data);
