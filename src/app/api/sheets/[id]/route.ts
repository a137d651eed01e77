import { readSheet } from "@/services/read-book";
import { showAgain } from "../../../shown";
import { guarded } from "../../answer";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return guarded(async () => showAgain(`/api/sheets/${encodeURIComponent(id)}`, (db) => readSheet(db, id)));
}
