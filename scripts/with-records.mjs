import { spawnSync } from "node:child_process";
import { dataFolder, ensureInstalled, inProject, ROOT } from "./lib/setup.mjs";

// A script of ours on a person's own records: `node scripts/with-records.mjs backup`.
ensureInstalled();
const [name, ...args] = process.argv.slice(2);
const result = spawnSync(process.execPath, ["--import", "tsx", inProject("scripts", `${name}.ts`), ...args], {
  cwd: ROOT,
  stdio: "inherit",
  env: { ...process.env, CAREFUL_GAUGE_DATA: dataFolder() },
});
process.exitCode = result.status ?? 1;
