import { saveSheets } from "@/services/save-sheet";
import { answerTo } from "../answer";

/** A truck's tanks, each with a day of sixty stops and the zones that are left out. */
export const POST = (request: Request) => answerTo(request, saveSheets, { most: 512_000 });
