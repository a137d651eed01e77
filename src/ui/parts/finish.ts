"use client";

/**
 * The field that is being typed into. A press on a button leaves the focus where it is, so what a field does when it is left
 * has to be done before the press counts: the unit of a bare number is written out.
 */
let current: (() => void) | undefined;

export const typingIn = (finish: (() => void) | undefined): void => {
  current = finish;
};

export const finishTyping = (): void => current?.();
