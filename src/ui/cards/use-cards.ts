"use client";

import { useState } from "react";
import type { CardSize } from "@/core/cards/find";
import type { CardSeen, Corrected } from "@/core/cards/look";
import type { Quad } from "@/core/cards/quad";
import type { CardsDoor } from "@/workers/cards.worker";
import { useWorker } from "../data/worker";

/** A photo that is being looked at, or was: its cards with what was seen on them, and what a person changed of it. */
export interface CardState {
  readonly seen: CardSeen;
  readonly cut: number;
  readonly corrected: Corrected;
  /** It is all one colour, and somebody said that nothing fell on it. */
  readonly dry?: true;
}

/** A card that is all one colour says nothing by itself: dry and wet through look alike. */
export const isOpen = ({ seen, dry }: CardState): boolean => seen.measured.told !== "stains" && !dry;

export interface Photo {
  readonly width: number;
  readonly height: number;
  readonly small: ImageBitmap;
}

export type CardsState =
  | { readonly is: "none" }
  | { readonly is: "looking"; readonly says: string; readonly part: number }
  | { readonly is: "refused"; readonly why: string }
  | { readonly is: "found"; readonly photo: Photo; readonly cards: readonly CardState[]; readonly busy: boolean };

/** What counts as wet until somebody says otherwise: half. */
export const HALF = 0.5;
const UNTOUCHED: Corrected = { out: [], added: [] };

/** Where a card may lie that wasn't found: the middle of the picture, for its corners to be drawn to the card's. */
const inTheMiddle = ({ width, height }: Pick<Photo, "width" | "height">): Quad => {
  const [x0, x1, y0, y1] = [0.2 * width, 0.8 * width, 0.35 * height, 0.65 * height];
  return [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
};

/** Looks at photos of cards in a worker, one card after another; told to stop, the worker ends. */
export function useCards(size: CardSize) {
  const [state, set] = useState<CardsState>({ is: "none" });
  const { begin, atWork, end } = useWorker<CardsDoor>();

  const start = async (photo: Blob | { readonly seed: number }, name: string) => {
    const worker = new Worker(new URL("../../workers/cards.worker.ts", import.meta.url), { type: "module" });
    const own = begin(worker, () =>
      set({ is: "refused", why: "Nothing here can look at pictures: is the server there? Try again" }),
    );
    const still = () => !own.isOver();
    set({ is: "looking", says: photo instanceof Blob ? `Reading ${name}` : "Taking a made-up photo", part: 0 });
    try {
      const opened = photo instanceof Blob ? await own.door.open(photo) : await own.door.madeUp(size, photo.seed);
      if (!still()) return;
      set({ is: "looking", says: "Looking for cards", part: 0.1 });
      const quads = await own.door.find(size);
      const cards: CardState[] = [];
      for (const [i, quad] of quads.entries()) {
        if (!still()) return;
        set({ is: "looking", says: `Card ${i + 1} of ${quads.length}`, part: 0.3 + (0.7 * i) / quads.length });
        cards.push({ seen: await own.door.look(quad, size, HALF), cut: HALF, corrected: UNTOUCHED });
      }
      if (still()) set({ is: "found", photo: opened, cards, busy: false });
    } catch {
      if (!still()) return;
      own.end();
      set({ is: "refused", why: `${name} can't be read as a picture: take a JPEG, PNG or WebP, or another photo` });
    }
  };

  /** Measures a card again, or one more, where its corners or what counts as wet changed. */
  const measure = async (i: number, quad: Quad, cut: number) => {
    const own = atWork();
    if (!own || state.is !== "found") return;
    set({ ...state, busy: true });
    const seen = await own.door.look(quad, size, cut);
    if (own.isOver()) return;
    set((now) => {
      if (now.is !== "found") return now;
      const cards = [...now.cards];
      cards[i] = { seen, cut, corrected: UNTOUCHED };
      return { ...now, cards, busy: false };
    });
  };

  const change = (i: number, next: Partial<CardState>) =>
    state.is === "found" && set({ ...state, cards: state.cards.map((card, j) => (j === i ? { ...card, ...next } : card)) });

  return {
    state,
    start,
    measure,
    addCard: () => state.is === "found" && void measure(state.cards.length, inTheMiddle(state.photo), HALF),
    correct: (i: number, corrected: Corrected) => change(i, { corrected }),
    sayDry: (i: number) => change(i, { dry: true }),
    drop: (i: number) => state.is === "found" && set({ ...state, cards: state.cards.filter((_, j) => j !== i) }),
    stop: () => {
      end();
      set({ is: "none" });
    },
  };
}
