"use client";

import { Box, chakra } from "@chakra-ui/react";
import { nanoid } from "nanoid";
import { useState } from "react";
import { MOST_PHOTOS } from "@/formats/looks";
import { Button, Note } from "../parts/controls";
import { Row } from "../parts/layout";
import { Notice } from "../parts/notices";
import { PickFile } from "../parts/pick-file";
import { shrunk } from "./shrink";

/** A photo that was taken and isn't on record yet. */
export interface TakenPhoto {
  readonly id: string;
  /** A JPEG in base 64. */
  readonly image: string;
}

const Picture = chakra("img", {
  base: { height: "150px", width: "auto", maxWidth: "100%", border: "1px solid", borderColor: "line" },
});

/** Takes photos, or lets them be picked; they stay here until the look is saved. */
export function TakePhotos({ taken, set }: { taken: readonly TakenPhoto[]; set: (next: readonly TakenPhoto[]) => void }) {
  const [trouble, setTrouble] = useState<string>();
  const take = async (file: File) => {
    try {
      set([...taken, { id: nanoid(), image: await shrunk(file) }]);
      setTrouble(undefined);
    } catch {
      setTrouble(`${file.name} is no picture that this browser can read. A JPEG or PNG would be right.`);
    }
  };
  return (
    <Box>
      <Row flexWrap="wrap" gap="10px" alignItems="flex-end">
        {taken.map(({ id, image }, i) => (
          <Box key={id}>
            <Picture src={`data:image/jpeg;base64,${image}`} alt={`Photo ${i + 1}, not saved yet`} />
            <Button
              look="quiet"
              aria-label={`Leave photo ${i + 1} out`}
              onClick={() => set(taken.filter((one) => one.id !== id))}
            >
              Leave out
            </Button>
          </Box>
        ))}
        {taken.length < MOST_PHOTOS && (
          <PickFile label="A photo" accept="image/*" onFile={take}>
            Add a photo
          </PickFile>
        )}
      </Row>
      <Note>{MOST_PHOTOS} at most. They are made small here; where and when the camera took them doesn&apos;t go along.</Note>
      {trouble && <Notice state="act">{trouble}</Notice>}
    </Box>
  );
}

/** Photos on record. @param of what they show, for who can't see them */
export function Photos({ ids, of }: { ids: readonly string[]; of: string }) {
  return (
    <Row flexWrap="wrap" gap="10px">
      {ids.map((id, i) => (
        <Picture key={id} src={`/api/looks/photo/${id}`} alt={`${of}, photo ${i + 1}`} loading="lazy" />
      ))}
    </Row>
  );
}
