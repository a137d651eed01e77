"use client";

import { useState } from "react";
import type { RigEntry } from "@/formats/entries";
import { rigFormOf } from "@/formats/forms/rig-form-of";
import { setupOf, setupOn, type NamedSetup } from "@/formats/rig-setup";
import { useSend, useTips } from "../data/records";
import { Select } from "../parts/controls";
import { Field } from "../parts/field";

/** Sets a rig in one of its named ways: tip, pressure and nozzle setting. What was calibrated so stands again. */
export function SetupPick({ rig }: { rig: RigEntry }) {
  const tips = useTips();
  const send = useSend();
  const [busy, setBusy] = useState(false);
  const setups = setupOf(rig.rig).setups ?? [];
  const on = setupOn(rig.rig);
  const set = async ({ size, pressure, nozzle }: NamedSetup) => {
    setBusy(true);
    const now = rigFormOf(rig.rig);
    // A chart belongs to its size.
    const chart =
      size === undefined || size === now.tipSize
        ? now.chart
        : (tips.find((t) => !t.retired && t.tip.size === size)?.tip.name ?? "");
    const form = {
      ...now,
      chart,
      ...(size !== undefined && { tipSize: size }),
      ...(pressure !== undefined && { pressure }),
      ...(nozzle !== undefined && { nozzle }),
    };
    await send("/api/keep/rigs", { id: rig.id, form });
    setBusy(false);
  };
  return (
    <Field label="Set-up">
      {(props) => (
        <Select
          {...props}
          value={on?.name ?? ""}
          disabled={busy}
          onChange={(e) => {
            const wanted = setups.find((one) => one.name === e.target.value);
            if (wanted) void set(wanted);
          }}
        >
          {!on && (
            <option value="">{[rig.rig.tip?.size, rig.rig.tip?.pressure].filter(Boolean).join(" at ") || "as it is"}</option>
          )}
          {setups.map((one) => (
            <option key={one.name} value={one.name}>
              {[one.name, one.size, one.pressure].filter(Boolean).join(", ")}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}
