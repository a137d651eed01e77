import { writeFileSync } from "node:fs";
import { JOB_FILE_SCHEMA } from "@/formats/job-file/schema";

// docs/job-file.schema.json is made, not written: a test keeps it in step.
writeFileSync("docs/job-file.schema.json", `${JSON.stringify(JOB_FILE_SCHEMA, null, 2)}\n`);
