import { listBackups } from "@/records/backup";
import { recordsFolder } from "@/records/database";
import { runJob } from "./run";

const HOUR = 3_600_000;
/** The first look comes when the start is over. */
const FIRST = 120_000;

/** Has a backup made whenever the newest is a day old, as long as the server runs. */
export function backUpDaily(): void {
  const look = async () => {
    const newest = listBackups(recordsFolder())[0]?.at;
    if (newest !== undefined && Date.now() - Date.parse(newest) < 24 * HOUR) return;
    const made = await runJob({ what: "backup", folder: recordsFolder() });
    if (!made.ok) console.error(`No backup was made: ${made.issues[0]!.received} ${made.issues[0]!.expected}`);
  };
  setTimeout(() => void look(), FIRST).unref();
  setInterval(() => void look(), HOUR).unref();
}
