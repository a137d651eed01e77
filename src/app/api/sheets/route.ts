import { saveSheet } from "@/services/save-sheet";
import { answerTo } from "../answer";

/** A day of sixty stops, each with the zones that are left out. */
export const POST = (request: Request) => answerTo(request, saveSheet, { most: 256_000 });
