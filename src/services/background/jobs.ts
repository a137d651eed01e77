import { existsSync, writeFileSync } from "node:fs";
import path from "node:path";
import { bad, good, type Result } from "@/core/issue";
import type { Choices, Imported } from "@/formats/import";
import { backUp, copyWhole } from "@/records/backup";
import { connect, recordsFile } from "@/records/database";
import { exportAll } from "../all-records";
import { tellCalendars } from "../calendar";
import { chainFaults } from "../chain-now";
import type { Progress } from "../progress";
import { moveIn } from "../move-in";
import { otherDoor } from "../other-door";
import { importFile, type ComingKind } from "./import-file";

/** What is too long for the server's own thread: each is done by a process that this names. */
export type BackgroundJob =
  | {
      readonly what: "import";
      readonly folder: string;
      readonly tmp: string;
      readonly kind: ComingKind;
      readonly file: string;
      readonly choices?: Choices;
      readonly said?: Choices;
    }
  | { readonly what: "backup" | "chain" | "calendars"; readonly folder: string }
  | { readonly what: "copy" | "export"; readonly folder: string; readonly tmp: string };

export interface Done {
  readonly imported?: Imported;
  /** How the chain of the records stands. */
  readonly chain?: ReturnType<typeof chainFaults>;
  /** The file that was made. */
  readonly file?: string;
}

export async function doJob(job: BackgroundJob, progress: Progress): Promise<Result<Done>> {
  switch (job.what) {
    case "import": {
      const { kind, folder, file, tmp, choices } = job;
      const wrong = otherDoor(kind, file);
      if (wrong) return bad(wrong);
      const imported =
        kind === "move"
          ? await moveIn(folder, { file, tmp, look: choices === undefined })
          : importFile({ ...job, kind }, progress);
      return imported.ok ? good({ imported: imported.value }) : imported;
    }
    case "backup":
      return good({ file: backUp(job.folder, new Date()).file });
    case "chain": {
      const db = connect(recordsFile(job.folder));
      try {
        return good({ chain: chainFaults(db) });
      } finally {
        db.$client.close();
      }
    }
    case "calendars": {
      // A server whose folder was taken from under it has nothing to tell, and makes no file there.
      if (!existsSync(recordsFile(job.folder))) return good({});
      const db = connect(recordsFile(job.folder));
      try {
        tellCalendars(db);
        return good({});
      } finally {
        db.$client.close();
      }
    }
    case "copy": {
      const file = path.join(job.tmp, "careful-gauge.db");
      copyWhole(job.folder, file);
      return good({ file });
    }
    case "export": {
      const file = path.join(job.tmp, "careful-gauge.json");
      const db = connect(recordsFile(job.folder));
      try {
        writeFileSync(file, exportAll(db));
      } finally {
        db.$client.close();
      }
      return good({ file });
    }
  }
}
