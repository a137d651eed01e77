import { readBook } from "@/services/read-book";
import { showAgain } from "../shown-again";

export const GET = (request: Request) => showAgain(request, "book", readBook);
