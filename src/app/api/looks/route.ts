import { saveLook } from "@/services/save-look";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveLook);
