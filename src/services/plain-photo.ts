import { bad, good, type Result } from "@/core/issue";
import { issue } from "./input";

/** More pixels than a photo has: a picture that unpacks to more is none of ours. */
const MOST_PIXELS = 50_000_000;
const QUALITY = 82;

/**
 * A photo made anew: the picture alone, turned as it was held. Where it was taken, by which device, and whatever stands behind it in
 * the file, is left out.
 * @param bytes of a JPEG
 */
export async function plainPhoto(bytes: Uint8Array): Promise<Result<Buffer>> {
  // Fetched with the first photo: the server is up before that.
  const { default: sharp } = await import("sharp");
  try {
    const read = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    if ((await read.metadata()).format !== "jpeg") return bad(issue("image", "wrong-type", "another kind of picture", "a JPEG"));
    return good(await read.rotate().jpeg({ quality: QUALITY }).toBuffer());
  } catch {
    return bad(issue("image", "wrong-type", "a picture that can't be read", "a JPEG"));
  }
}
