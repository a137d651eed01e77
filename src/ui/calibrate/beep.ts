"use client";

let audio: AudioContext | undefined;

/** Wakes the sound up: a browser allows it only from a press. */
export function allowSound(): void {
  audio ??= typeof AudioContext === "undefined" ? undefined : new AudioContext();
  void audio?.resume();
}

/** A beep for gloved hands: short and low for the last seconds, long and high for the end. */
export function beep(kind: "soon" | "end"): void {
  if (!audio) return;
  const tone = audio.createOscillator();
  const volume = audio.createGain();
  const length = kind === "end" ? 0.7 : 0.12;
  tone.type = "square";
  tone.frequency.value = kind === "end" ? 1320 : 660;
  volume.gain.value = 0.25;
  tone.connect(volume).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + length);
  if (kind === "end" && "vibrate" in navigator) navigator.vibrate(400);
}
