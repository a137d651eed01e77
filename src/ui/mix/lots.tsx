"use client";

import { Box } from "@chakra-ui/react";
import { foldedName } from "@/core/names";
import type { LotEntry } from "@/formats/entries";
import type { ProductText } from "@/formats/job-file/types";
import { dayWords } from "../data/dates";
import { useKept } from "../data/kept-here";
import { useSlice } from "../data/records";
import { Button, SubHeading } from "../parts/controls";
import { TextField } from "../parts/field";
import { Notice } from "../parts/notices";

/** By product, as it is called. */
type Typed = Readonly<Record<string, string>>;

/** The lots of some products, as far as anybody said them: kept on this device until what they went into is on record. */
export function useLots(of: string, products: readonly ProductText[]) {
  const [typed = {}, set] = useKept<Typed>(`lots:${of}`);
  const labels = products.flatMap((product) => product.id ?? []);
  const known = useSlice("lots", labels.length > 0 ? { labels } : null).value ?? [];
  const lotsOf = (product: ProductText): readonly LotEntry[] => known.filter(({ labelId }) => labelId === product.id);
  // Nothing is noted that nobody read: what stands on the shelf may not be what is in the hand.
  const lotOf = (product: ProductText): string => typed[product.name] ?? "";
  return {
    lotsOf,
    lotOf,
    say: (product: ProductText, lot: string) => set({ ...typed, [product.name]: lot }),
    forget: () => set(undefined),
    /** One for each product; null where nobody said it. */
    told: products.map((product) => lotOf(product).trim() || null),
  };
}

/** As many lots of the shelf as are offered by a press. */
const MOST_OFFERED = 3;

/** Of which lot each package is, asked while it is in the hand: a lot that is called back finds its lawns by it. */
export function Lots({ of, products }: { of: string; products: readonly ProductText[] }) {
  const { lotsOf, lotOf, say } = useLots(of, products);
  return (
    <Box as="section" aria-label="Lots">
      <SubHeading>The lot, off each package</SubHeading>
      <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr 1fr" }} marginTop="6px">
        {products.map((product, i) => {
          const lots = lotsOf(product);
          const lot = lotOf(product);
          const known = lots.find((one) => foldedName(one.lot) === foldedName(lot));
          return (
            <Box key={product.name}>
              <TextField
                label={`Lot of ${product.name}`}
                list={`lots-${i}`}
                maxLength={200}
                placeholder={lots[0]?.lot ?? "L-4471"}
                value={lot}
                onChange={(e) => say(product, e.target.value)}
              />
              <datalist id={`lots-${i}`}>
                {lots.map((one) => (
                  <option key={one.lot} value={one.lot} />
                ))}
              </datalist>
              {lot.trim() === "" &&
                lots.slice(0, MOST_OFFERED).map((one) => (
                  <Button key={one.lot} look="inline" onClick={() => say(product, one.lot)}>
                    It is {one.lot}
                  </Button>
                ))}
              {known?.old && (
                <Notice state="act">
                  {known.lot} was good until {dayWords(known.useBy!)}: read its label before it is used.
                </Notice>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
