"use client";

import { Box, chakra } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useState } from "react";
import type { CardText } from "@/formats/card/card";
import { useLabels, usePeople, useRigs, useSlice } from "../data/records";
import { useInHand } from "../data/in-hand";
import { Room } from "../frame/room";
import { Button, Heading, Note, Select } from "../parts/controls";
import { Field } from "../parts/field";
import { FirstThing, Notice } from "../parts/notices";
import { useAction } from "../parts/use-action";
import { rateWords } from "../labels/words";
import { ShelfPick } from "../parts/pickers";
import { ratesOn, tagFacts, tagLines, tankOnTag, type TagFacts } from "./tag-facts";
import { Row } from "../parts/layout";
import { rigRules } from "@/rig-kinds/rules";

const SIZES = { A6: "A6 card", LETTER: "Letter sheet, four tags" } as const;
type Size = keyof typeof SIZES;

/** The tag of a calibration: to print and hang on the sprayer. */
export function TagRoom() {
  const id = useSearchParams().get("id");
  const rigs = useRigs();
  const people = usePeople();
  const { system } = useInHand();
  const labels = useLabels();
  const [size, setSize] = useState<Size>("A6");
  const [product, setProduct] = useState<{ labelId: string; rate: string }>();
  const { busy, trouble, run } = useAction("The PDF could not be made. Print the page instead, or try again.");
  const looked = useSlice("calibration", id === null ? null : { id }).value;
  const rig = rigs.find((r) => r.id === looked?.entry.rigId);
  if (!looked || !rig)
    return (
      <Room>
        {(looked === null || id === null) && (
          <FirstThing>
            There is no such calibration. <PageLink href="/calibrate">Calibrate</PageLink>
          </FirstThing>
        )}
      </Room>
    );
  const of = product && labels.find((l) => l.id === product.labelId)?.card;
  const into = of && product.rate !== "" ? tankOnTag(looked, { card: of, rate: product.rate }, system) : undefined;
  const person = people.find((p) => p.id === looked.entry.personId)?.name;
  const tag = tagFacts(looked, rig, person, system, into && "tank" in into ? into.tank : undefined);
  const pdf = async () => {
    // The PDF library is large and wanted seldom: it is fetched when it is asked for.
    const { savePdf } = await import("./tag-pdf");
    await savePdf(tag, size);
  };
  return (
    <Room>
      <chakra.style>{`@page { size: ${size === "A6" ? "A6" : "letter"}; margin: 6mm; }`}</chakra.style>
      <Box className="no-print" marginBottom="16px">
        <Heading>The tag for {tag.rig}</Heading>
        <Note>Print it, laminate it, hang it on the sprayer.</Note>
        <Row gap="12px" alignItems="flex-end" flexWrap="wrap" marginTop="12px">
          <Box width="240px">
            <Field label="Paper">
              {(props) => (
                <Select {...props} value={size} onChange={(e) => setSize(e.target.value as Size)}>
                  {Object.entries(SIZES).map(([value, words]) => (
                    <option key={value} value={value}>
                      {words}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          </Box>
          <Button look="act" onClick={() => window.print()}>
            Print
          </Button>
          <Button onClick={() => void run(pdf)} disabled={busy}>
            {busy ? "Making the PDF …" : "Save as PDF"}
          </Button>
        </Row>
        {trouble && <Notice state="stop">{trouble}</Notice>}
        {!rigRules(rig.rig.kind).head && <ProductOn product={product} card={of} onPick={setProduct} />}
        {into &&
          "why" in into &&
          into.why.map((why) => (
            <Notice key={why} state="stop">
              {why}
            </Notice>
          ))}
        {into && "tank" in into && tag.warns !== "" && (
          <Notice state="stop">No amount goes on a tag that is not to be mixed from.</Notice>
        )}
      </Box>
      <Box display="grid" gridTemplateColumns={size === "A6" ? "minmax(0, 560px)" : "repeat(2, minmax(0, 1fr))"} gap="16px">
        {(size === "A6" ? [0] : [0, 1, 2, 3]).map((i) => (
          <Tag key={i} tag={tag} hidden={i > 0} />
        ))}
      </Box>
    </Room>
  );
}

interface ProductOnProps {
  readonly product: { readonly labelId: string; readonly rate: string } | undefined;
  readonly card: CardText | undefined;
  readonly onPick: (product: { labelId: string; rate: string } | undefined) => void;
}

/** Which product's amount for a full tank goes on the tag: the one that this sprayer carries day by day. */
function ProductOn({ product, card, onPick }: ProductOnProps) {
  const labels = useLabels();
  const rates = card ? ratesOn(card) : [];
  const pick = (labelId: string) => {
    const of = labels.find((l) => l.id === labelId)?.card;
    onPick(of && { labelId, rate: ratesOn(of)[0] ?? "" });
  };
  return (
    <Row gap="12px" alignItems="flex-end" flexWrap="wrap" marginTop="12px">
      <Box width="240px">
        <ShelfPick label="Into a full tank" value={product?.labelId ?? ""} empty="no product" onPick={pick} />
      </Box>
      {product && rates.length > 0 && (
        <Box width="300px">
          <Field label="At the label's">
            {(props) => (
              <Select {...props} value={product.rate} onChange={(e) => onPick({ ...product, rate: e.target.value })}>
                {rates.map((rate) => (
                  <option key={rate} value={rate}>
                    {rateWords(rate)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
      )}
      {product && <Note>For no ground yet: name the site in Mix before it is poured, for no more than it takes.</Note>}
    </Row>
  );
}

function Tag({ tag, hidden }: { tag: TagFacts; hidden: boolean }) {
  return (
    <Box
      as="article"
      aria-label={hidden ? undefined : "Tag"}
      aria-hidden={hidden}
      border="3px solid"
      borderColor="ink"
      background="sheet"
      padding="16px 20px"
      breakInside="avoid"
      position="relative"
    >
      <Box
        position="absolute"
        top="12px"
        right="14px"
        width="22px"
        height="22px"
        border="2px solid"
        borderColor="ink"
        borderRadius="50%"
        aria-hidden
      />
      <Box fontSize="1.375rem" fontWeight="700" paddingRight="36px" lineHeight="1.15">
        {tag.rig}
      </Box>
      <Box fontSize="1.0625rem">{tag.whose}</Box>
      {tag.warns !== "" && (
        <Box color="stop" fontWeight="700" borderTop="2px solid" borderColor="stop" marginTop="6px" paddingTop="4px">
          ✕ {tag.warns}
        </Box>
      )}
      <Box borderTop="2px solid" borderBottom="2px solid" borderColor="ink" marginY="8px" paddingY="6px">
        <chakra.span fontFamily="reading" fontWeight="700" fontSize="1.625rem" lineHeight="1.1">
          {tag.sprayVolume}
        </chakra.span>{" "}
        <chakra.span fontSize="1.0625rem">{tag.band}</chakra.span>
      </Box>
      <Box as="dl" display="grid" gridTemplateColumns="max-content 1fr" gap="2px 14px" textStyle="note">
        {tagLines(tag).map(([name, value]) => (
          <Box key={name} display="contents">
            <chakra.dt color="soft">{name}</chakra.dt>
            <chakra.dd fontWeight="700">{value}</chakra.dd>
          </Box>
        ))}
      </Box>
      <Box borderTop="2px solid" borderColor="ink" marginTop="8px" paddingTop="6px" textStyle="strong">
        Good until {tag.goodUntil}
      </Box>
      <Box fontSize=".9375rem" color="soft">
        Stale at once if tip, pressure, person or anything else on it changes. The label is binding.
      </Box>
    </Box>
  );
}
