import { saveRinse } from "@/services/save-stock";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveRinse);
