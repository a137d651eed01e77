import { records } from "@/records/database";
import { readSheet } from "@/services/read-book";

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  const sheet = readSheet(records(), (await params).id);
  return sheet ? Response.json(sheet) : Response.json(null, { status: 404 });
}
