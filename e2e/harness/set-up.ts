import { spawnSync } from "node:child_process";
import { rmSync } from "node:fs";
import path from "node:path";

/** Before the first journey: the templates, under the clock that the journeys have. Afterwards they go. */
export default function setUp(): () => void {
  const clock = process.env.TEST_CLOCK;
  const made = spawnSync(
    process.execPath,
    ["--require", path.join(__dirname, "moved-clock.cjs"), "--import", "tsx", path.join(__dirname, "templates.ts")],
    {
      stdio: ["ignore", "inherit", "inherit"],
      env: { ...process.env, ...(clock !== undefined && { TEST_CLOCK_AHEAD: String(Date.parse(clock) - Date.now()) }) },
    },
  );
  if (made.status !== 0) throw new Error("the templates of the journeys' records could not be made");
  return () => rmSync(process.env.TEST_TEMPLATES!, { recursive: true, force: true });
}
