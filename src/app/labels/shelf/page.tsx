import { Suspense } from "react";
import { ShelfRoom } from "@/ui/shelf/shelf-room";

export const metadata = { title: "Shelf" };

export default function Page() {
  return (
    <Suspense>
      <ShelfRoom />
    </Suspense>
  );
}
