"use client";

import { Button } from "../parts/controls";
import type { useVoice } from "../pour/voice";

/** Whether something is said aloud on this device. */
export function VoiceToggle({ voice, says }: { voice: ReturnType<typeof useVoice>; says: string }) {
  if (!voice.has) return null;
  return (
    <Button look="quiet" aria-pressed={voice.on} onClick={() => voice.setOn(!voice.on)}>
      {voice.on ? `Says ${says} aloud. Be quiet` : `Say ${says} aloud`}
    </Button>
  );
}
