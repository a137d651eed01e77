import { bin, ensureInstalled, run } from "./lib/setup.mjs";

ensureInstalled();
run(process.execPath, [bin("next"), "build"], { out: 1 });
