import { Suspense } from "react";
import { PourRoom } from "@/ui/pour/pour-room";

export const metadata = { title: "Pour" };

export default function Page() {
  return (
    <Suspense>
      <PourRoom />
    </Suspense>
  );
}
