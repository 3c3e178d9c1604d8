import { object } from "yup";
import { defineQuestion } from "../question";

/** The test plate as PDF, 1 : 1. */
export const platePdf = defineQuestion<object, Uint8Array<ArrayBuffer>>({
  id: "platePdf",
  schema: object({}),
  async run() {
    // The PDF writer is large and seldom wanted: it must not delay the first picture.
    const { makePlatePdf } = await import("../benchPdfTask");
    return new Uint8Array(await makePlatePdf());
  },
  transfers: (pdf) => [pdf.buffer],
});
