"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../parts/controls";
import { Notice } from "../parts/notices";
import { Row } from "../parts/layout";

/** Before a fill in the middle of the ground: is the tank empty? What is left in it would be poured on. */
export function AskEmpty({ onYes, onNo }: { onYes: () => void; onNo: () => void }) {
  const [left, setLeft] = useState(false);
  return (
    <Box marginBottom="12px">
      <Notice state="act">
        Is the tank empty? This fill is worked out for an empty one.
        <Row alignItems="stretch" gap="8px 12px" flexWrap="wrap" marginTop="8px">
          <Button minHeight="64px" onClick={onYes}>
            Yes, empty
          </Button>
          <Button minHeight="64px" onClick={() => setLeft(true)}>
            No, some is left
          </Button>
          <Button look="quiet" minHeight="64px" onClick={onNo}>
            Not now
          </Button>
        </Row>
        {left && (
          <Box marginTop="8px">
            Spray it out first on ground of this mix that is still to do: never over ground that has had its dose. Less went down
            than was planned: catch the flow before you fill again.
          </Box>
        )}
      </Notice>
    </Box>
  );
}
