import { listBackups } from "@/records/backup";
import { recordsFolder } from "@/records/database";
import { faultWords } from "@/formats/chain-state";
import { chainIs } from "../chain-now";
import { runJob } from "./run";

const HOUR = 3_600_000;
/** The first look comes when the start is over. */
const FIRST = 120_000;

/** Has the chain of the records worked out, once a start: what isn't as it was is told on every page. */
export async function checkChain(): Promise<void> {
  const made = await runJob({ what: "chain", folder: recordsFolder() });
  if (!made.ok) return console.error(`The chain of the records was not checked: ${made.issues[0]!.received}`);
  chainIs(made.value.chain);
  for (const fault of made.value.chain?.faults ?? []) console.error(`The records are not as they were: ${faultWords(fault)}.`);
}

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

/** Has the calendars that somebody asked for told each hour, as long as the server runs: fetching one keeps nothing. */
export function tellCalendarsHourly(): void {
  const tell = async () => {
    const told = await runJob({ what: "calendars", folder: recordsFolder() });
    if (!told.ok) console.error(`The calendars were not told: ${told.issues[0]!.received}`);
  };
  setTimeout(() => void tell(), FIRST).unref();
  setInterval(() => void tell(), HOUR).unref();
}
