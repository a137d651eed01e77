"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { UseFormReturn } from "react-hook-form";
import { PRODUCT_USES } from "@/core/hose-end/suitability";
import type { RigForm } from "@/formats/forms/rig";
import { Row } from "../parts/layout";
import { Check } from "../parts/choose";

/** What a rig is kept for, by the uses of products: another use is warned of where it is mixed. */
export function KeptFor({ form }: { form: UseFormReturn<RigForm> }) {
  return (
    <Box as="fieldset" border="none">
      <chakra.legend textStyle="label">Kept for these uses only</chakra.legend>
      <Row alignItems="stretch" flexWrap="wrap" gap="0 18px">
        {PRODUCT_USES.map((use) => (
          <Check key={use} value={use} {...form.register("uses")}>
            {use}
          </Check>
        ))}
      </Row>
    </Box>
  );
}
