"use client";

import { PageLink } from "../parts/page-link";
import type { Kit } from "@/core/calibration/kit";
import type { System } from "@/core/working/units";
import type { Sheet } from "@/formats/entries";
import type { SheetPlan } from "@/formats/sheet-plan";
import { Button } from "../parts/controls";
import { download } from "../parts/download";
import { Notice } from "../parts/notices";
import { useAction } from "../parts/use-action";
import { Row } from "../parts/layout";
import { useAirBeside } from "../weather/beside";

interface FilesProps {
  readonly sheet: Sheet;
  readonly worked: SheetPlan;
  readonly kit: Kit;
  readonly system: System;
}

/** The ways out of a sheet: poured step by step, printed, as PDF, as a table, as a job file. */
export function SheetFiles({ sheet, worked, kit, system }: FilesProps) {
  const pdf = useAction("The PDF could not be made here. Print the sheet instead.");
  const table = useAction("The table could not be made here: is the server there? Try again.");
  const name = sheet.job.run ? `Day ${sheet.job.date ?? ""}` : (sheet.job.sites ?? []).map((s) => s.name).join(", ");
  const held = worked.plan.reasons.length > 0;
  const { rules = [] } = useAirBeside(sheet.job.sites ?? []);
  const savePdf = async () => {
    // The PDF library is fetched when it is used.
    const { saveSheetPdf } = await import("./sheet-pdf");
    await saveSheetPdf({ sheet, worked, kit, system, name, rules });
  };
  const saveTable = async () => {
    const { loadsToCsv } = await import("@/formats/loads-csv");
    download(`${name}.csv`, loadsToCsv(worked.plan, worked.fillings, system), "text/csv");
  };
  const trouble = pdf.trouble ?? table.trouble;
  return (
    <Row className="no-print" flexWrap="wrap">
      {sheet.state === "open" && !held && (
        <Button look="act" asChild>
          <PageLink href={`/mix/pour?id=${sheet.id}`}>Pour, step by step</PageLink>
        </Button>
      )}
      <Button onClick={() => window.print()}>Print the sheet</Button>
      <Button onClick={() => void pdf.run(savePdf)} disabled={pdf.busy || held}>
        Save as PDF
      </Button>
      <Button onClick={() => void table.run(saveTable)} disabled={table.busy || held}>
        Save as CSV
      </Button>
      <Button onClick={() => download(`${name}.json`, `${JSON.stringify(sheet.job, null, 2)}\n`, "application/json")}>
        Save as job file
      </Button>
      {trouble && <Notice state="stop">{trouble}</Notice>}
    </Row>
  );
}
