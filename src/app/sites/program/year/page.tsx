import { Suspense } from "react";
import { YearRoom } from "@/ui/program/year-room";

export const metadata = { title: "Year" };

export default function Page() {
  return (
    <Suspense>
      <YearRoom />
    </Suspense>
  );
}
