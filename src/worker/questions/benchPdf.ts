import { array, number, object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import type { Painter } from "../../core/painter";
import type { PrintedPlan } from "../../core/plan/printedPlan";
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

/** What is printed of a job: all of it, or the list of paint alone. */
export interface BenchPdfInput extends PlanInput {
  readonly plan: PrintedPlan;
  readonly what: "all" | "list";
}

const text = () => string().strict().defined();
const minutes = () => number().strict().required().min(0);
const printedPlan = object({
  turns: array(
    object({
      ...{ cardIds: array(text()).min(1).required(), part: text() },
      ...{ setUpAt: minutes(), minutes: minutes(), sitting: minutes().integer() },
    }).required(),
  )
    .max(50_000)
    .defined(),
  sittings: array(object({ title: text(), note: text() }).required()).defined(),
}).required();

/** List, cards and guides of a job as one PDF. */
export const benchPdf = defineQuestion<BenchPdfInput, Uint8Array<ArrayBuffer>>({
  id: "benchPdf",
  schema: planSchema().shape({
    plan: printedPlan,
    what: string<"all" | "list">().strict().oneOf(["all", "list"]).required(),
  }),
  async run({ plan, what, ...input }, { wanted }) {
    // The PDF writer is large and seldom wanted: it must not delay the first picture.
    const { makeBenchPdf, makeListPdf } = await import("../benchPdfTask");
    const sim = await simulator;
    await bringHeights(input.job.surfaces);
    const pdf =
      what === "list" ? await makeListPdf(input, plan) : await makeBenchPdf(input, plan, sim, wanted);
    return pdf && new Uint8Array(pdf);
  },
  transfers: (pdf) => [pdf.buffer],
});
