import { spawnSync } from "node:child_process";
import { ensureInstalled, inProject, ROOT } from "./lib/setup.mjs";

// The command runs straight from its TypeScript source; what is missing on a new machine is installed first.
ensureInstalled();
const args = ["--import", "tsx", inProject("src/cli/gauge.ts"), ...process.argv.slice(2)];
process.exitCode = spawnSync(process.execPath, args, { cwd: ROOT, stdio: "inherit" }).status ?? 1;
