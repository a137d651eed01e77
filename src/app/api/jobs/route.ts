import { importJob, readUpload } from "@/services/import-job";
import { answerTo } from "../answer";

export const POST = (request: Request) =>
  answerTo(request, (db, body) => {
    const text = readUpload(body);
    return text.ok ? importJob(db, text.value) : text;
  });
