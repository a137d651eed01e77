import { Suspense } from "react";
import { TagRoom } from "@/ui/tag/tag-room";

export const metadata = { title: "Tag" };

export default function Page() {
  return (
    <Suspense>
      <TagRoom />
    </Suspense>
  );
}
