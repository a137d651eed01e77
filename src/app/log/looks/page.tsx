import { Suspense } from "react";
import { LooksRoom } from "@/ui/looks/looks-room";

export const metadata = { title: "Before and after" };

export default function LooksPage() {
  return (
    <Suspense>
      <LooksRoom />
    </Suspense>
  );
}
