import { saveZone } from "@/services/save-zone";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveZone);
