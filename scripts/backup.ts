import path from "node:path";
import { faultOf } from "@/services/faults";
import { backUp } from "@/records/backup";

/** Makes one backup of the records, while they are in use or not. */
const folder = path.resolve(process.env.CAREFUL_GAUGE_DATA!);
try {
  const { file, bytes, counts } = backUp(folder, new Date());
  const rows = Object.values(counts).reduce((sum, n) => sum + n, 0);
  console.log(`${file}\n${(bytes / 1e6).toFixed(1)} MB, ${rows.toLocaleString("en-US")} rows, opened, checked and counted.`);
} catch (error) {
  const fault = faultOf(error);
  console.error(fault ? `No backup was made. ${fault.reason} ${fault.todo}` : error);
  process.exitCode = 1;
}
