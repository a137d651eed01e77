"use client";

import { MOST_PHOTO_BYTES } from "@/formats/looks";

/** Pixels of the longer side: enough to see a leaf, little enough to send from a lawn (ours). */
const LONGEST = 1024;
const QUALITIES = [0.75, 0.6, 0.45, 0.3];

/**
 * A photo as it is kept: a JPEG in base 64, made small here, so that nothing of what a camera writes into a picture (place, time)
 * goes along. @throws where the file is no picture that this browser can read
 */
export async function shrunk(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const made = QUALITIES.map((quality) => () => canvas.toDataURL("image/jpeg", quality).split(",")[1]!);
  for (const make of made) {
    const image = make();
    if ((image.length * 3) / 4 <= MOST_PHOTO_BYTES) return image;
  }
  throw new RangeError("the picture can't be made small enough");
}
