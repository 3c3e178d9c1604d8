import { number, object } from "yup";
import { HANDLE_MM, POST_MM } from "../../core/plan/handleAids";
import { defineQuestion } from "../question";

export interface AidsInput {
  /** Across the handle, mm. */
  readonly handleMm: number;
  /** Height of the post, mm. */
  readonly postMm: number;
}

const within = ([least, most]: readonly [number, number]) =>
  number().strict().required().min(least).max(most);

/** A turning ring and a height post as PDF. */
export const aidsPdf = defineQuestion<AidsInput, Uint8Array<ArrayBuffer>>({
  id: "aidsPdf",
  schema: object({ handleMm: within(HANDLE_MM), postMm: within(POST_MM) }),
  async run({ handleMm, postMm }) {
    // The PDF writer is large and seldom wanted: it must not delay the first picture.
    const { makeAidsPdf } = await import("../benchPdfTask");
    return new Uint8Array(await makeAidsPdf(handleMm, postMm));
  },
  transfers: (pdf) => [pdf.buffer],
});
