import path from "node:path";
import { bad, good, type Result } from "@/core/issue";
import { faultWords } from "@/formats/chain-state";
import { NOTHING, type AddedRows, type ChangeLine, type Imported } from "@/formats/import";
import { nameOf } from "@/formats/record-kinds";
import { connect } from "@/records/database";
import { isEmpty, stageMove, takeMove } from "@/records/move";
import { chainFaults } from "./chain-now";
import { faultOf } from "./faults";
import { issue } from "./input";

/** A firm moved to another computer: its whole file, looked at first, then put in the place of empty records. */
export async function moveIn(
  folder: string,
  { file, tmp, look }: { readonly file: string; readonly tmp: string; readonly look: boolean },
): Promise<Result<Imported>> {
  const staged = path.join(tmp, "staged.db");
  try {
    if (!isEmpty(folder))
      return bad(
        issue(
          "",
          "already-done",
          "there are records here",
          "move into an installation in which nothing is recorded yet: this would replace all of it",
        ),
      );
    const { counts } = stageMove(file, staged);
    const rows = Object.values(counts).reduce((sum, count) => sum + count, 0);
    if (!look) {
      await takeMove(folder, staged, new Date());
      return good({ ...NOTHING, rows });
    }
    return good({ ...NOTHING, rows, changes: { first: brokenIn(staged), added: addedIn(counts) } });
  } catch (error) {
    const fault = faultOf(error);
    if (!fault) throw error;
    return bad(issue("", "fault", fault.reason.replace(`${staged}: `, "").replace(`${file}: `, ""), fault.todo));
  }
}

/** What of the file isn't as it was when it came: it is told here too, once it is moved. */
function brokenIn(staged: string): ChangeLine[] {
  const db = connect(staged);
  try {
    return chainFaults(db).faults.map((fault, i) => ({
      of: "not as it was:",
      table: "kind" in fault ? fault.kind : "evidence",
      id: String(i),
      words: faultWords(fault),
    }));
  } finally {
    db.$client.close();
  }
}

const addedIn = (counts: Readonly<Record<string, number>>): AddedRows[] =>
  Object.entries(counts).flatMap(([table, count]) =>
    count > 0 ? [{ table, of: nameOf(table), ids: [], names: [], count }] : [],
  );
