import { ensureBuilt, ensureInstalled, run } from "./lib/setup.mjs";

// The server, attacked: nonsense at every door, kills in bursts of saves, saves under load.
ensureInstalled();
ensureBuilt();
run(process.execPath, ["--import", "tsx", "scripts/attacks.ts"], { out: 1 });
