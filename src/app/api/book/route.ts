import { readBook } from "@/services/read-book";
import { showAgain } from "../../shown";
import { guarded } from "../answer";

export const GET = () => guarded(async () => showAgain("/api/book", readBook));

/** Answered anew at each request; what is known already is answered at the door. */
export const dynamic = "force-dynamic";
