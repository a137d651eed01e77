import { voidApplication } from "@/services/save-application";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, voidApplication);
