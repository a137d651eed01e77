import { answerTo } from "../answer";
import { takeText } from "../take-file";

/** For scripts: `{ text, choices? }`, answered when it is done. Screens look first (see files/). */
export const POST = (request: Request) => answerTo(request, (_db, body) => takeText("job", body), { most: 2_500_000 });
