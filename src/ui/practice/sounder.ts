"use client";

import { useEffect, useRef, useState } from "react";
import { soundsBetween, type Beat, type Sound } from "@/core/practice/beat";

/** How the beat is told: heard, and felt where the device can. */
export interface Told {
  readonly sound: boolean;
  readonly buzz: boolean;
}

/**
 * Everything that sounds in the next minute and a half is handed to the sound card at once: with the phone in a pocket the page may
 * be asked only now and then, and the card's own clock keeps the beat.
 */
const AHEAD = 90;
const REFILL = 2000;
/** A beat begins so long after the press, s: the card needs a moment. */
const LEAD = 0.3;
const TONES: Readonly<Record<Sound["kind"], readonly [hertz: number, seconds: number, volume: number]>> = {
  beat: [880, 0.03, 0.35],
  loud: [1320, 0.045, 0.7],
  mark: [1760, 0.18, 0.7],
  end: [2093, 0.5, 0.8],
};

/** A short tone that begins at full loudness, so that it is heard when it is due. */
function click(context: BaseAudioContext, kind: Sound["kind"]): AudioBuffer {
  const [hertz, seconds, volume] = TONES[kind];
  const { sampleRate } = context;
  const buffer = context.createBuffer(1, Math.ceil(seconds * sampleRate), sampleRate);
  const samples = buffer.getChannelData(0);
  for (let i = 0; i < samples.length; i += 1)
    samples[i] = volume * Math.cos((2 * Math.PI * hertz * i) / sampleRate) * Math.exp((-5 * i) / samples.length);
  return buffer;
}

interface Running {
  readonly beat: Beat;
  readonly context: AudioContext;
  readonly stop: () => void;
}

/** Plays a beat on the audio clock. @param told what of it is told: changed while it runs, what is to come changes with it */
function play(without: Omit<Beat, "start">, told: () => Told): Running {
  const context = new AudioContext({ latencyHint: "interactive" });
  const out = context.createGain();
  out.connect(context.destination);
  void context.resume();
  const beat: Beat = { ...without, start: context.currentTime + LEAD };
  const clicks = new Map<Sound["kind"], AudioBuffer>();
  const buffers = (kind: Sound["kind"]) => {
    const known = clicks.get(kind) ?? click(context, kind);
    clicks.set(kind, known);
    return known;
  };
  let upTo = beat.start;
  const refill = () => {
    const until = context.currentTime + AHEAD;
    for (const { at, kind } of soundsBetween(beat, upTo, until)) {
      const source = context.createBufferSource();
      source.buffer = buffers(kind);
      source.connect(out);
      source.start(at);
    }
    upTo = until;
  };
  refill();
  let felt = beat.start - 1e-6;
  const tick = () => {
    out.gain.value = told().sound ? 1 : 0;
    const now = audible(context);
    const due = soundsBetween(beat, felt, now).at(-1);
    felt = Math.max(felt, now);
    if (due && told().buzz && "vibrate" in navigator)
      navigator.vibrate(due.kind === "beat" ? 25 : due.kind === "loud" ? 50 : 200);
  };
  const timers = [setInterval(refill, REFILL), setInterval(tick, 15)];
  return {
    beat,
    context,
    stop: () => {
      timers.forEach(clearInterval);
      void context.close();
    },
  };
}

/** The moment of the audio clock that is being heard. */
const audible = (context: AudioContext): number => context.currentTime - (context.outputLatency || context.baseLatency || 0);

export interface Sounder {
  readonly running: boolean;
  readonly start: (beat: Omit<Beat, "start">) => void;
  readonly stop: () => void;
  /** Seconds since the first beat, as it is heard; null while it doesn't run. */
  readonly since: () => number | null;
}

export function useSounder(told: Told): Sounder {
  const [running, setRunning] = useState<Running | null>(null);
  const latest = useRef(told);
  useEffect(() => {
    latest.current = told;
  });
  useEffect(() => () => running?.stop(), [running]);
  return {
    running: running !== null,
    start: (beat) => setRunning(play(beat, () => latest.current)),
    stop: () => setRunning(null),
    since: () => (running ? audible(running.context) - running.beat.start : null),
  };
}
