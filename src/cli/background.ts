import { doJob, type BackgroundJob } from "@/services/background/jobs";
import type { Said } from "@/services/background/run";
import { faultOf } from "@/services/faults";

/** The process that does what is too long for the server: told one job by its parent, it does it and ends. */
const say = (said: Said) => new Promise<void>((resolve) => process.send!(said, undefined, undefined, () => resolve()));

process.on("disconnect", () => process.exit(1));
process.on("message", async (job: BackgroundJob) => {
  try {
    await say({ result: await doJob(job, (done, of) => void say({ progress: [done, of] })) });
  } catch (error) {
    const fault = faultOf(error);
    if (!fault) console.error(error);
    await say({ fault: fault ?? { reason: "This could not be worked through.", todo: "Nothing was kept; try again." } });
  }
  process.exit(0);
});
