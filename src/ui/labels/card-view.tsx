"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { ROW_KEYS, rowWords, type CardText } from "@/formats/card/card";
import type { ScalarKey } from "@/formats/card/fields";
import { useCurrency } from "../data/records";
import { formWords, limitWords, rangeWords, scalarWords, wateringWords } from "./words";
import { Row } from "../parts/layout";

/** A product's card, read like the summary of a label: what it is, how much, what never, and what to wear. */
export function CardView({ card }: { card: CardText }) {
  const currency = useCurrency();
  const says = (key: ScalarKey) => (card[key] === undefined ? undefined : scalarWords(key, card[key]));
  const where = [says("turfs") && `On ${says("turfs")}`, says("keepOut") && `Keep out of ${says("keepOut")}`];
  return (
    <Box as="article" aria-label={`Card of ${card.name}`} border="2px solid" borderColor="ink" background="sheet">
      <CardHead card={card} />
      <Part title="Rate">
        {card.rates.map((row, i) => (
          <Row key={i} flexWrap="wrap" gap="2px 14px" alignItems="baseline" paddingY="2px">
            <Box fontFamily="reading" fontWeight="700" fontSize="1.375rem">
              {rangeWords(row)}
            </Box>
            {ROW_KEYS.some((key) => row[key]) && <Box color="soft">{rowWords(row)}</Box>}
          </Row>
        ))}
      </Part>
      {card.limits.length > 0 && (
        <Part title="Never more than">
          {card.limits.map((row, i) => (
            <Box key={i} paddingY="2px">
              {(row.turf ?? row.jurisdiction) && (
                <chakra.strong>{[row.turf, row.jurisdiction].filter(Boolean).join(", ")}: </chakra.strong>
              )}
              <chakra.span fontFamily="reading">{limitWords(row).join(" · ")}</chakra.span>
            </Box>
          ))}
        </Part>
      )}
      <Lines
        title="In the tank"
        lines={[
          says("carrierAtLeast") && `At least ${says("carrierAtLeast")}`,
          says("dilutionAtLeast") && `Water to product ${says("dilutionAtLeast")} or more`,
          says("droplets") && `${says("droplets")} droplets`,
          card.hoseEnd && `Hose-end head ${card.hoseEnd}`,
          says("order"),
        ]}
      />
      <Lines
        title="Where and when"
        lines={[
          ...where,
          says("afterSeeding") && `${says("afterSeeding")} after seeding`,
          says("afterSodding") && `${says("afterSodding")} after sodding`,
          says("beforeSeeding") && `${says("beforeSeeding")} before seeding`,
          says("beforeSodding") && `${says("beforeSodding")} before sodding`,
          says("residual") && `stays active for ${says("residual")}`,
          says("wind") && `wind at most ${says("wind")}`,
          range(says("airLeast"), says("airMost"), "air", says("airOver")),
          range(says("soilLeast"), says("soilMost"), "soil"),
        ]}
      />
      <Lines
        title="Afterwards"
        lines={[
          card.waterLeast && `Water in ${wateringWords(card)}`,
          says("keepDry") && `Keep dry for ${says("keepDry")}`,
          says("reentry") && `People and pets back ${says("reentry")}`,
          says("mowAfter") && `No mowing for ${says("mowAfter")}`,
          says("visible") && `Effect ${says("visible")}: don't judge before`,
          says("suppresses") && `Suppresses only, doesn't control: ${says("suppresses")}`,
        ]}
      />
      <Lines title="Wear" lines={card.gear.map((g) => (g.type ? `${g.item} (${g.type})` : g.item))} />
      <Lines title="First aid" lines={[says("firstAid"), says("emergency") && `Emergency: ${says("emergency")}`]} />
      <Lines
        title="Packages"
        lines={card.packages.map((p) => `${p.content.replace(/^(\S+) /, "$1 ")}${p.price ? `, ${p.price} ${currency}` : ""}`)}
      />
      <Lines title="Notes" lines={[says("notes")]} />
    </Box>
  );
}

function CardHead({ card }: { card: CardText }) {
  const signal = card.signalWord;
  return (
    <Box padding="14px 18px 10px" borderBottom="2px solid" borderColor="ink">
      <Row justifyContent="space-between" gap="12px" alignItems="baseline" flexWrap="wrap">
        <chakra.h2 fontSize="1.625rem" fontWeight="700" lineHeight="1.15">
          {card.name}
        </chakra.h2>
        {signal && (
          <chakra.strong
            color={signal === "caution" ? "ink" : signal === "warning" ? "act" : "stop"}
            border="2px solid"
            padding="1px 8px"
            letterSpacing="0.06em"
            textTransform="uppercase"
            textStyle="small"
          >
            {signal}
          </chakra.strong>
        )}
      </Row>
      <Box color="soft" textStyle="note">
        {[
          card.use,
          formWords(card),
          card.analysis,
          card.gravity && `specific gravity ${card.gravity}`,
          card.registration && `Reg. ${card.registration}`,
        ]
          .filter(Boolean)
          .join(" · ")}
      </Box>
      {card.actives.length > 0 && (
        <Box fontFamily="reading" textStyle="note" marginTop="4px">
          {card.actives.map((a) => `${a.name} ${a.content}`).join(" · ")}
        </Box>
      )}
    </Box>
  );
}

function range(least: string | undefined, most: string | undefined, what: string, over?: string): string | undefined {
  if (least === undefined && most === undefined) return undefined;
  const words = [least && `at least ${least}`, most && `at most ${most}`].filter(Boolean).join(", ");
  return `${what} ${words}${over ? ` over ${over}` : ""}`;
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "minmax(0,1fr)", md: "130px minmax(0,1fr)" }}
      gap="2px 14px"
      padding="8px 18px"
      borderBottom="1px solid"
      borderColor="line"
      _last={{ borderBottom: "none" }}
    >
      <chakra.h3 textStyle="label" color="soft" paddingTop="2px">
        {title}
      </chakra.h3>
      <Box fontSize="1.0625rem" minW={0}>
        {children}
      </Box>
    </Box>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly (string | false | undefined)[] }) {
  const said = lines.filter((line): line is string => Boolean(line));
  if (said.length === 0) return null;
  return <Part title={title}>{said.map((line) => line.charAt(0).toUpperCase() + line.slice(1)).join(" · ")}</Part>;
}
