import { Suspense } from "react";
import { CalibrationRecord } from "@/ui/calibrate/record";

export const metadata = { title: "Calibration" };

export default function Page() {
  return (
    <Suspense>
      <CalibrationRecord />
    </Suspense>
  );
}
