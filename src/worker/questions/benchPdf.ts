import { object } from "yup";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import { jobField, painterField, paintsField } from "../checked";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

export interface PlanInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly painter: Painter;
}

export const planSchema = () => object({ job: jobField(), paints: paintsField(), painter: painterField() });

/** Cards and guides of a job as one PDF. */
export const benchPdf = defineQuestion<PlanInput, Uint8Array<ArrayBuffer>>({
  id: "benchPdf",
  schema: planSchema(),
  async run({ job, paints, painter }, { wanted }) {
    // The PDF writer is large and seldom wanted: it must not delay the first picture.
    const { makeBenchPdf } = await import("../benchPdfTask");
    const sim = await simulator;
    await bringHeights(job.surfaces);
    const pdf = await makeBenchPdf(job, paints, painter, sim, wanted);
    return pdf && new Uint8Array(pdf);
  },
  transfers: (pdf) => [pdf.buffer],
});
