import { savePhoto } from "@/services/save-look";
import { MOST_PHOTO_BYTES } from "@/formats/looks";
import { answerTo } from "../../answer";

/** In base 64, and what stands around it. */
const MOST = Math.ceil((MOST_PHOTO_BYTES * 4) / 3) + 1000;

export const POST = (request: Request) => answerTo(request, savePhoto, { most: MOST });
