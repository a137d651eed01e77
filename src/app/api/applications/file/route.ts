import { importLog } from "@/services/import-log";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, importLog);
