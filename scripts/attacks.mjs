import { bin, ensureBuilt, ensureInstalled, run } from "./lib/setup.mjs";

// The long forms of what `npm test` does a little of. The server, attacked: nonsense at every door, kills in bursts of saves, saves
// under load; every card of the simulated camera, and 500 drawn cards.
ensureInstalled();
ensureBuilt();
run(process.execPath, ["--import", "tsx", "scripts/attacks.ts"], { out: 1 });
run(process.execPath, [bin("jest"), "src/standins/camera.test.ts", "src/standins/drawn-cards.test.ts"], {
  out: 1,
  env: { CARDS: "all" },
});
