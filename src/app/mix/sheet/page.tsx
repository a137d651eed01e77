import { Suspense } from "react";
import { SheetRoom } from "@/ui/mix/sheet";

export const metadata = { title: "Mix sheet" };

export default function Page() {
  return (
    <Suspense>
      <SheetRoom />
    </Suspense>
  );
}
