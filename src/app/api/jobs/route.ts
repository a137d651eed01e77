import { FILES } from "@/services/background/import-file";
import { answerTo } from "../answer";
import { takeText } from "../take-file";

/** For scripts: `{ text, choices? }`, answered when it is done. Screens look first (see files/). */
export const POST = (request: Request) =>
  answerTo(request, (_db, body) => takeText("job", body), { most: Math.min(FILES.job.most, 4_000_000) });
