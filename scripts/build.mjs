import { bin, ensureInstalled, inProject, run } from "./lib/setup.mjs";

// The pages and the server, then the process that works through files beside it (src/services/background), in one piece.
ensureInstalled();
run(process.execPath, [bin("next"), "build"], { out: 1, env: { NODE_ENV: "production" } });
const { buildSync } = await import("esbuild");
buildSync({
  absWorkingDir: inProject(),
  entryPoints: ["src/cli/background.ts"],
  outfile: ".next/background.cjs",
  bundle: true,
  platform: "node",
  format: "cjs",
  packages: "external",
});
