import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { inProject, run } from "./setup.mjs";

/** Where Chromium may be: without its windows it needs a third less of a machine. */
const PLACES = JSON.parse(readFileSync(inProject("scripts", "lib", "browsers.json"), "utf8"));

/** Who names a browser means that one, as the configuration of the journeys does; else the first that is there. */
const MEANT = process.env.CHROMIUM_PATH ? [process.env.CHROMIUM_PATH] : PLACES;

/** The browser of the tests and the pictures; undefined where there is none. */
export const chromiumPath = () => MEANT.find((path) => existsSync(path));

/** Whether the browser is there; installed by the system's package manager where that is permitted. */
export function ensureBrowser() {
  if (chromiumPath()) return true;
  if (!process.env.CHROMIUM_PATH && spawnSync("apt-get", ["--version"], { stdio: "ignore" }).status === 0) {
    console.error("Installing Chromium for the browser tests …");
    const asRoot = process.getuid?.() === 0 ? [] : ["sudo", "-n"];
    const apt = (...args) => {
      const [command, ...rest] = [...asRoot, "apt-get", ...args];
      return run(command, rest, { check: false, env: { DEBIAN_FRONTEND: "noninteractive" } });
    };
    if (apt("update", "-qq") === 0)
      for (const name of ["chromium-headless-shell", "chromium"])
        if (!chromiumPath()) apt("install", "-y", "-qq", "--no-install-recommends", name);
    if (chromiumPath()) return true;
  }
  console.error(
    `The browser tests need Chromium at ${MEANT.join(" or ")}. Install Debian's package "chromium", or set CHROMIUM_PATH to one.`,
  );
  return false;
}
