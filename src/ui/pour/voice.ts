"use client";

import { useEffect, useState } from "react";
import { useKept } from "../data/kept-here";

/** The browser's own voice, where it has one. Off until somebody asks for it; the choice is kept on this device. */
export function useVoice() {
  const [on = false, setOn] = useKept<boolean>("voice");
  const has = typeof window !== "undefined" && "speechSynthesis" in window;
  const say = (text: string) => {
    if (!has) return;
    window.speechSynthesis.cancel();
    const words = new SpeechSynthesisUtterance(text);
    words.lang = "en-US";
    words.rate = 0.95;
    window.speechSynthesis.speak(words);
  };
  useEffect(() => () => (has ? window.speechSynthesis.cancel() : undefined), [has]);
  return { has, on: has && on, setOn: (next: boolean) => setOn(next || undefined), say };
}

/** Keeps the screen awake while it is looked at. @returns whether it is kept; null where the browser can't */
export function useAwake(): boolean | null {
  const [awake, setAwake] = useState<boolean | null>(false);
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let gone = false;
    const take = async () => {
      if (!("wakeLock" in navigator)) return setAwake(null);
      try {
        lock = await navigator.wakeLock.request("screen");
        if (gone) return void lock.release();
        setAwake(true);
        lock.addEventListener("release", () => setAwake(false));
      } catch {
        // Refused, on a low battery or by a setting: what is shown says so.
        setAwake(false);
      }
    };
    const again = () => document.visibilityState === "visible" && void take();
    void take();
    document.addEventListener("visibilitychange", again);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
  return awake;
}
