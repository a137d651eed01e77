import { fuzz } from "./attacks/fuzz";
import { killInBursts } from "./attacks/kill";
import { histories } from "./attacks/histories";
import { saveUnderLoad } from "./attacks/load";

/** The long forms of the attacks; `npm test` runs short ones. */
const ms = (n: number) => `${n.toFixed(0)} ms`;

async function main(): Promise<void> {
  const fuzzed = await fuzz(400);
  console.log(
    `fuzz: ${fuzzed.requests.toLocaleString("en-US")} requests, ${fuzzed.broken.length} answered with 5xx or not at all, slowest of the small ones ${ms(fuzzed.slowest)} (${fuzzed.slowestRoute}), longest wait of others beside the largest bodies ${ms(fuzzed.longestWait)}, peak memory ${fuzzed.memory} MB, unreadable afterwards: ${fuzzed.unread.length}`,
  );
  for (const one of [...fuzzed.broken, ...fuzzed.unread].slice(0, 20)) console.log(`  ${one}`);

  const killed = await killInBursts(40);
  console.log(
    `kill -9: ${killed.kills} kills, ${killed.acknowledged.toLocaleString("en-US")} saves acknowledged, ${killed.lost.length} lost`,
  );

  const count = Number(process.env.HISTORIES ?? 2_000);
  const played = histories(count);
  console.log(
    `histories: ${played.histories.toLocaleString("en-US")} (${played.onDisk.toLocaleString("en-US")} on disk), ${played.opened.toLocaleString("en-US")} containers opened, ${played.held.toLocaleString("en-US")} held, none against the book, every ledger balanced`,
  );

  for (const readers of [0, 50]) {
    const load = await saveUnderLoad(readers, (_, seconds) => seconds > 15);
    console.log(
      `load: ${load.readers} readers (${load.reads.toLocaleString("en-US")} reads): ${load.savesPerSecond.toFixed(1)} saves a second, ${load.lost} lost, median ${ms(load.median)}, slowest per cent ${ms(load.slowestHundredth)}, slowest ${ms(load.slowest)}, peak memory ${load.memory} MB`,
    );
  }
}

void main();
