import { expose, transfer } from "comlink";
import { findCards, type CardSize } from "@/core/cards/find";
import { lookAt, type CardSeen } from "@/core/cards/look";
import type { Picture } from "@/core/cards/picture";
import type { Quad } from "@/core/cards/quad";
import { madeUpPicture } from "@/standins/camera";

/** The picture that is looked at; it never leaves this device. */
let picture: Picture | undefined;

/** A larger photo is made smaller first: a phone has only so much memory. */
const MOST_PIXELS = 16_000_000;

/** A small picture of the whole, for the page to show. */
async function thumbnail({ width, height, rgba }: Picture): Promise<ImageBitmap> {
  const image = new ImageData(new Uint8ClampedArray(rgba), width, height);
  return createImageBitmap(image, { resizeWidth: Math.min(width, 1200), resizeQuality: "medium" });
}

const handed = (seen: CardSeen): CardSeen => transfer(seen, [seen.shown.rgba.buffer as ArrayBuffer]);

/** The door to looking at pictures of cards: off the page's own thread; whoever needs it no more ends the worker. */
const door = {
  /** Takes a photo in. @throws where the browser can't read it */
  async open(photo: Blob) {
    const whole = await createImageBitmap(photo);
    const part = Math.min(1, Math.sqrt(MOST_PIXELS / (whole.width * whole.height)));
    const bitmap =
      part === 1 ? whole : await createImageBitmap(whole, { resizeWidth: Math.round(whole.width * part), resizeQuality: "high" });
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext("2d", { willReadFrequently: true })!;
    context.drawImage(bitmap, 0, 0);
    const { data } = context.getImageData(0, 0, bitmap.width, bitmap.height);
    picture = { width: bitmap.width, height: bitmap.height, rgba: data };
    const small = await thumbnail(picture);
    return transfer({ width: picture.width, height: picture.height, small }, [small]);
  },
  /** Takes a picture of the simulated camera. */
  async madeUp(size: CardSize, seed: number) {
    picture = madeUpPicture(size, seed);
    const small = await thumbnail(picture);
    return transfer({ width: picture.width, height: picture.height, small }, [small]);
  },
  find: (size: CardSize): Quad[] => findCards(picture!, size),
  /** Measures one card. @param cut how wet a pixel counts as stained */
  look: (quad: Quad, size: CardSize, cut: number) => handed(lookAt(picture!, quad, size, cut)),
};
export type CardsDoor = typeof door;
expose(door);
