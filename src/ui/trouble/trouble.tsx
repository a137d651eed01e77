"use client";

import { Box, chakra } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import { useState } from "react";
import { dialled, NUMBERS } from "@/formats/firm-numbers";
import type { CardText } from "@/formats/card/card";
import { INCIDENT_NAMES } from "@/formats/incidents";
import { useLabels, useSlice } from "../data/records";
import { Button, Note, Select } from "../parts/controls";
import { Field } from "../parts/field";
import { Column, Row } from "../parts/layout";
import { Modal } from "../parts/modal";
import { Notice } from "../parts/notices";
import { CASES, type TroubleCase } from "./cases";

/** Only whoever puts something on record needs it, and the server with it: it is no part of every page. */
const IncidentForm = dynamic(() => import("../incidents/incident-form").then((m) => m.IncidentForm), { ssr: false });

/**
 * What to do when something goes wrong: part of every page, so that it opens when the server doesn't answer. What stands on cards and
 * the firm's numbers are shown as far as they were read.
 */
export function Trouble({ shown, onClose }: { shown: boolean; onClose: () => void }) {
  const [picked, setPicked] = useState<TroubleCase>();
  const close = () => {
    setPicked(undefined);
    onClose();
  };
  return (
    <Modal name="Something went wrong" shown={shown} onClose={close} weight="grave">
      <Column gap="14px">
        {picked ? (
          <Doing of={picked} onBack={() => setPicked(undefined)} />
        ) : (
          <>
            <chakra.h2 fontSize="1.625rem" fontWeight="700">
              What happened?
            </chakra.h2>
            <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr" }}>
              {CASES.map((one) => (
                <Button key={one.id} onClick={() => setPicked(one)} minH="56px" fontSize="1.375rem" justifyContent="flex-start">
                  {INCIDENT_NAMES[one.id]}
                </Button>
              ))}
            </Box>
          </>
        )}
        <Note>The label and whoever answers the phone stand above this page. It doesn&apos;t say what anybody has.</Note>
        <Box>
          <Button look="quiet" onClick={close}>
            Close
          </Button>
        </Box>
      </Column>
    </Modal>
  );
}

function Doing({ of, onBack }: { of: TroubleCase; onBack: () => void }) {
  const labels = useLabels().filter((label) => !label.retired);
  const [labelId, setLabelId] = useState("");
  const [writing, setWriting] = useState<"no" | "yes" | "kept">("no");
  const card = labels.find(({ id }) => id === labelId)?.card;
  return (
    <>
      <Row justifyContent="space-between" gap="12px" alignItems="baseline">
        <chakra.h2 fontSize="1.625rem" fontWeight="700" lineHeight="1.15">
          {INCIDENT_NAMES[of.id]}
        </chakra.h2>
        <Button look="quiet" onClick={onBack}>
          Back
        </Button>
      </Row>
      {of.callFirst && <Calls of={of} />}
      {labels.length > 0 && (
        <Field label="Which product?">
          {(props) => (
            <Select {...props} value={labelId} onChange={(e) => setLabelId(e.target.value)}>
              <option value="">pick it from the shelf</option>
              {labels.map(({ id, card: { name } }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Field>
      )}
      {card && <ByCard card={card} aid={of.aid === true} />}
      <chakra.ol listStyleType="decimal" paddingLeft="30px" fontSize="1.375rem" lineHeight="1.35" display="grid" gap="10px">
        {of.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </chakra.ol>
      {!of.callFirst && <Calls of={of} />}
      {writing === "no" && (
        <Box>
          <Button onClick={() => setWriting("yes")}>When it is over: put it on record</Button>
        </Box>
      )}
      {writing === "yes" && <IncidentForm kind={of.id} labelId={labelId} onDone={() => setWriting("kept")} />}
      {writing === "kept" && <Notice state="plain">It is on record: the log, What went wrong.</Notice>}
    </>
  );
}

/** What the card says, before anything usual. */
function ByCard({ card, aid }: { card: CardText; aid: boolean }) {
  const phone = card.emergency === undefined ? undefined : dialled(card.emergency);
  return (
    <Box borderLeft="6px solid" borderColor="stop" paddingLeft="14px" fontSize="1.375rem" lineHeight="1.35">
      {card.signalWord && <chakra.strong>{card.signalWord.toUpperCase()}. </chakra.strong>}
      {aid && (card.firstAid ?? "This card has no first aid: read it on the label.")}
      {card.emergency && (
        <Box>
          {"Emergency, by its card: "}
          {phone ? <Phone text={card.emergency} number={phone} /> : card.emergency}
        </Box>
      )}
    </Box>
  );
}

function Calls({ of }: { of: TroubleCase }) {
  const numbers = useSlice("firm", {}).value?.numbers ?? {};
  const called = of.calls.map((call) => ({ call, name: NUMBERS.find(([one]) => one === call)![1], text: numbers[call] }));
  const missing = called.filter(({ text }) => text === undefined).map(({ name }) => name);
  return (
    <Column gap="6px" fontSize="1.375rem">
      {called.map(
        ({ call, name, text }) =>
          text !== undefined && (
            <Box key={call}>
              {name}: <Phone text={text} number={dialled(text)!} />
            </Box>
          ),
      )}
      {missing.length > 0 && (
        <Box color="act" textStyle="note">
          ! No number is noted for: {missing.join(", ")}. They are noted in Settings, under The records as a whole.
        </Box>
      )}
    </Column>
  );
}

const Phone = ({ text, number }: { text: string; number: string }) => (
  <chakra.a href={`tel:${number}`} fontWeight="700" textDecoration="underline" display="inline-block" minH="44px" paddingY="8px">
    {text}
  </chakra.a>
);
