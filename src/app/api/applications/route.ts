import { saveApplication } from "@/services/save-application";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, (db, body) => saveApplication(db, body));
