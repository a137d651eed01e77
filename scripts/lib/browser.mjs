import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { run } from "./setup.mjs";

/** The browser of the tests and the pictures. */
export const BROWSER = process.env.CHROMIUM_PATH ?? "/usr/bin/chromium";

/** Whether the browser is there; installed by the system's package manager where that is permitted. */
export function ensureBrowser() {
  if (existsSync(BROWSER)) return true;
  if (!process.env.CHROMIUM_PATH && spawnSync("apt-get", ["--version"], { stdio: "ignore" }).status === 0) {
    console.error("Installing Chromium for the browser tests …");
    const asRoot = process.getuid?.() === 0 ? [] : ["sudo", "-n"];
    const apt = (...args) => {
      const [command, ...rest] = [...asRoot, "apt-get", ...args];
      return run(command, rest, { check: false, env: { DEBIAN_FRONTEND: "noninteractive" } });
    };
    if (apt("update", "-qq") === 0) apt("install", "-y", "-qq", "--no-install-recommends", "chromium");
    if (existsSync(BROWSER)) return true;
  }
  console.error(
    `The browser tests need Chromium at ${BROWSER}. Install Debian's package "chromium", or set CHROMIUM_PATH to one.`,
  );
  return false;
}
