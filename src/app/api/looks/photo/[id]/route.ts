import { records } from "@/records/database";
import { good } from "@/core/issue";
import { findPhoto } from "@/records/looks";
import { plainPhoto } from "@/services/plain-photo";
import { guarded } from "../../../answer";

/** A photo never changes: whoever has it once need not ask again. */
export const GET = (_request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(async () => {
    const photo = findPhoto(records(), (await params).id);
    if (!photo) return new Response(null, { status: 404 });
    // What came before photos were made anew may say where it was taken.
    const plain = photo.plain ? good(photo.bytes) : await plainPhoto(photo.bytes);
    if (!plain.ok) return new Response(null, { status: 404 });
    return new Response(new Uint8Array(plain.value), {
      headers: {
        "content-type": "image/jpeg",
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  });
