import { readSheet } from "@/services/read-book";
import { showAgain } from "../../shown-again";

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return showAgain(request, `sheet ${id}`, (db) => readSheet(db, id));
}
