import { withdrawCalibrationOf } from "@/services/save-calibration";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, withdrawCalibrationOf);
