import { ChakraProvider } from "@chakra-ui/react";
import { render } from "@testing-library/react";
import type { ReactElement } from "react";
import { SWRConfig } from "swr";
import type { Form } from "@/core/contents";
import { EMPTY_BOOK, type Book, type LabelEntry } from "@/formats/book";
import type { CardText } from "@/formats/card/card";
import { BookProvider } from "../data/book";
import { system } from "../theme/system";

/** For tests: an element in the app's theme. */
export const show = (element: ReactElement) => render(<ChakraProvider value={system}>{element}</ChakraProvider>);

/** An element in the app's theme with a book to read, which the server would have given. */
export function showWith(book: Partial<Book>, element: ReactElement) {
  const whole = { ...EMPTY_BOOK, ...book };
  return show(
    <SWRConfig
      value={{ provider: () => new Map(), fallback: { "/api/book": whole }, revalidateOnMount: false, revalidateIfStale: false }}
    >
      <BookProvider>{element}</BookProvider>
    </SWRConfig>,
  );
}

export const RIG = {
  id: "rig-1",
  retired: false,
  rig: {
    name: "Blue backpack",
    kind: "backpack",
    tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
    outlets: { count: 1 },
    tip: { size: "025", pressure: "40 psi" },
  },
} as const;
export const PERSON = { id: "person-1", retired: false, name: "Odile Marsh" };

/** A calibration of 1 gal per 1,000 sq ft on record, made on a day. */
export const calibrationOn = (madeAt: string, more: object = {}) => ({
  id: `calibration-${madeAt}`,
  rigId: RIG.id,
  personId: PERSON.id,
  siteId: null,
  method: "area-catch" as const,
  lever: null,
  leverSetTo: null,
  follows: null,
  madeAt,
  ground: "turf" as const,
  rig: RIG.rig,
  calibration: {
    pace: { kind: "timed-area" as const, area: "250 ft2", times: ["61 s", "63 s", "62 s"] },
    flow: {
      kind: "timed-catch" as const,
      catches: [
        { volume: "32 fl oz", time: "62 s" },
        { volume: "32 fl oz", time: "62 s" },
      ],
    },
  },
  struck: [],
  ...more,
});

/** A label on the shelf that says no more than its rate. */
export const labelEntry = (id: string, name: string, form: Form, rate: string, more: Partial<CardText> = {}): LabelEntry => ({
  id,
  retired: false,
  card: { name, form, actives: [], gear: [], packages: [], rates: [{ rate }], limits: [], ...more },
});
