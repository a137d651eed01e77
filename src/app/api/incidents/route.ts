import { saveIncident } from "@/services/save-incident";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveIncident);
