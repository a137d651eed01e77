"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { UseFormReturn } from "react-hook-form";
import { PRODUCT_USES } from "@/core/hose-end/suitability";
import type { RigForm } from "@/formats/forms/rig";

/** What a rig is kept for, by the uses of products: another use is warned of where it is mixed. */
export function KeptFor({ form }: { form: UseFormReturn<RigForm> }) {
  return (
    <Box as="fieldset" border="none">
      <chakra.legend fontSize="14px" fontWeight="700">
        Kept for these uses only
      </chakra.legend>
      <Box display="flex" flexWrap="wrap" gap="0 18px">
        {PRODUCT_USES.map((use) => (
          <chakra.label key={use} display="flex" gap="8px" alignItems="center" minHeight="44px">
            <chakra.input
              type="checkbox"
              value={use}
              width="22px"
              height="22px"
              accentColor="var(--cg-colors-ink)"
              {...form.register("uses")}
            />
            {use}
          </chakra.label>
        ))}
      </Box>
    </Box>
  );
}
