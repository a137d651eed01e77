import { records } from "@/records/database";
import { findPhoto } from "@/records/looks";
import { guarded } from "../../../answer";

/** A photo never changes: whoever has it once need not ask again. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const photo = findPhoto(records(), (await params).id);
    if (!photo) return new Response(null, { status: 404 });
    return new Response(new Uint8Array(photo.bytes), {
      headers: {
        "content-type": "image/jpeg",
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  });
