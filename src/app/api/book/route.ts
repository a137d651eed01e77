import { connection } from "next/server";
import { records } from "@/records/database";
import { readBook } from "@/services/read-book";

export async function GET() {
  await connection();
  return Response.json(readBook(records()));
}
