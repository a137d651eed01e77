"use client";

import { Box, chakra, ClientOnly } from "@chakra-ui/react";
import { PageLink } from "../parts/page-link";
import { useSearchParams } from "next/navigation";
import { useState } from "react";
import type { ShelfProduct } from "@/formats/entries";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { money } from "../data/money";
import { useCurrency, useLabels, useSlice } from "../data/records";
import { useSystem } from "../data/units";
import { Room } from "../frame/room";
import { CountStock } from "../mix/count-stock";
import { Button, Heading, Note, SubHeading } from "../parts/controls";
import { Column, Row } from "../parts/layout";
import { ShelfPick } from "../parts/pickers";
import { amountText } from "./amount-text";
import { Delivery } from "./delivery";
import { missingOf } from "./missing";
import { Recall } from "./recall";

/** What is on hand, what the season still takes, what is to be bought; packages that came, and where a lot went. */
export function ShelfRoom() {
  const [next, setNext] = useState(false);
  const shelf = useSlice("shelf", next ? { next: true } : {}).value;
  const asked = useSearchParams();
  const [adding, setAdding] = useState(asked.get("product") ?? "");
  const [of, called] = [asked.get("recall") ?? "", asked.get("lot") ?? ""];
  const products = shelf?.products ?? [];
  return (
    <Room>
      <Heading>Shelf</Heading>
      <Note>
        On hand is what was counted last and what came since, less what went down. What is needed is what{" "}
        <PageLink href="/sites/program/year">the year</PageLink> lays out, at the rates of{" "}
        <PageLink href="/sites/program">the program</PageLink>.
      </Note>
      <ClientOnly>
        <Column gap="24px" marginTop="14px">
          <Row>
            <Button aria-pressed={next} onClick={() => setNext(!next)}>
              {next ? "Back to this year" : "For next year"}
            </Button>
          </Row>
          {shelf && products.length === 0 && <Note>Nothing was counted or came, and no round has a product yet.</Note>}
          <Box as="ul" listStyleType="none" aria-label="Products">
            {products.map((product) => (
              <Product key={product.labelId} product={product} until={shelf!.soonUntil} next={next} />
            ))}
          </Box>
          <ToBuy products={products} next={next} />
          <Box as="section" aria-label="Packages that came">
            <SubHeading>Packages that came</SubHeading>
            <Box maxW="420px" marginTop="8px">
              <ShelfPick label="Of which product" value={adding} onPick={setAdding} />
            </Box>
            {adding !== "" && <Delivery key={adding} labelId={adding} />}
          </Box>
          <Recall key={`${of} ${called}`} of={of} called={called} />
        </Column>
      </ClientOnly>
    </Room>
  );
}

function Product({ product, until, next }: { product: ShelfProduct; until: string; next: boolean }) {
  const system = useSystem();
  const currency = useCurrency();
  const label = useLabels().find((one) => one.id === product.labelId);
  const { name, form, left, short, soon, all, rounds, lots } = product;
  const amount = (of: number) => amountText(of, form, system);
  const missing = missingOf(product);
  const cost = rounds.reduce((sum, one) => sum + (one.cost ?? 0), 0);
  return (
    <Box as="li" borderTop="1px solid" borderColor="line" padding="10px 0" display="grid" gap="4px">
      <Row flexWrap="wrap" gap="2px 18px" alignItems="baseline">
        <chakra.strong fontSize="1.0625rem">{name}</chakra.strong>
        <Box fontFamily="reading">
          {left === null ? "not counted" : `${amount(left)} ${next ? "left from this year" : "on hand"}`}
        </Box>
        {soon > 0 && !next && (
          <Box>
            {amount(soon)} by {dayWords(until)}
          </Box>
        )}
        {all > 0 && (
          <Box>
            {amount(all)} for {next ? "next year" : "the rest of the year"}
            {cost > 0 && `, ${money(cost, currency)}`}
          </Box>
        )}
      </Row>
      {short && (
        <Box color="act">! More went down than was on hand: a delivery isn&apos;t noted, or a count was off. Count it.</Box>
      )}
      {missing.soon && !next && <Box color="stop">✕ Runs out within two weeks.</Box>}
      {(next || !missing.soon) && missing.all && <Box color="act">! Runs out {next ? "next" : "this"} year.</Box>}
      {rounds.length > 0 && (
        <Box textStyle="small" color="soft">
          {rounds
            .map(
              ({ round, need, cost: price }) =>
                `${round}: ${need === null ? "no rate" : amount(need)}${price ? `, ${money(price, currency)}` : ""}`,
            )
            .join(" · ")}
        </Box>
      )}
      {lots.length > 0 && (
        <Box as="ul" listStyleType="none" textStyle="small">
          {lots.map((lot) => (
            <Lot key={lot.id} lot={lot} labelId={product.labelId} />
          ))}
        </Box>
      )}
      {label && (
        <Box textStyle="small">
          <CountStock label={label} again={left !== null} />
        </Box>
      )}
    </Box>
  );
}

function Lot({ lot, labelId }: { lot: ShelfProduct["lots"][number]; labelId: string }) {
  const [open, setOpen] = useState(false);
  const { lot: name, content, count, came, opened, useBy, old } = lot;
  return (
    <Box as="li">
      Lot <strong>{name}</strong>: {count} × {content}, came {dayWords(came)}
      {opened && `, opened ${dayWords(opened)}`}
      {useBy && (
        <chakra.span color={old ? "act" : "ink"}>
          {old ? ", ! past its last day, " : ", good until "}
          {dayWords(useBy)}
        </chakra.span>
      )}{" "}
      <Button look="inline" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Leave it" : "Put right"}
      </Button>
      {open && <Delivery labelId={labelId} was={lot} onKept={() => setOpen(false)} />}
    </Box>
  );
}

/** What has to be bought for the rest of the year, or for the next one, in whole packages. */
function ToBuy({ products, next }: { products: readonly ShelfProduct[]; next: boolean }) {
  const system = useSystem();
  const currency = useCurrency();
  const missing = products.filter((product) => product.buy !== null);
  if (missing.length === 0) return null;
  const prices = missing.map(({ buy }) => buy!.price);
  return (
    <Box as="section" aria-label="To buy">
      <SubHeading>To buy for {next ? "next year" : "the rest of the year"}</SubHeading>
      <Box as="ul" listStyleType="none">
        {missing.map(({ labelId, name, form, buy }) => (
          <Box as="li" key={labelId} borderTop="1px solid" borderColor="line" padding="6px 0">
            <strong>{name}</strong>: {buy!.packages.map(({ content, count }) => `${count} × ${content}`).join(" and ")}
            {buy!.price !== null && `, ${money(buy!.price, currency)}`}
            <chakra.span color="soft"> · {amountText(buy!.missing, form, system)} are missing</chakra.span>
          </Box>
        ))}
      </Box>
      {prices.length > 1 && prices.every((price) => price !== null) && (
        <Box fontWeight="700">
          {money(
            prices.reduce((sum: number, price) => sum + price!, 0),
            currency,
          )}{" "}
          in all
        </Box>
      )}
      <Note>The cheapest whole packages by the prices on record; asked on {dayWords(todayDate())}.</Note>
    </Box>
  );
}
