import path from "node:path";
import { faultOf } from "@/services/faults";
import { listBackups } from "@/records/backup";
import { restore } from "@/records/restore";

/** Puts a backup in the place of the records: `npm run restore FILE`; without a file it lists the backups. */
const folder = path.resolve(process.env.CAREFUL_GAUGE_DATA!);
const from = process.argv[2];
if (from === undefined) {
  const all = listBackups(folder);
  console.log(
    all.length > 0 ? `Backups, newest first:\n${all.map((b) => b.file).join("\n")}` : `There are no backups in ${folder}.`,
  );
  console.log("\nnpm run restore FILE puts one in the place of the records; what it replaces is kept.");
} else {
  try {
    const { replaced, counts } = restore(folder, path.resolve(process.env.INIT_CWD ?? ".", from), new Date());
    const rows = Object.values(counts).reduce((sum, n) => sum + n, 0);
    console.log(`Restored ${rows.toLocaleString("en-US")} rows into ${folder}.`);
    if (replaced) console.log(`What was there before is kept: ${replaced}`);
  } catch (error) {
    const fault = faultOf(error);
    console.error(fault ? `Nothing was restored. ${fault.reason} ${fault.todo}` : error);
    process.exitCode = 1;
  }
}
