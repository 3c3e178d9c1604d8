import { mixed, object } from "yup";
import type { ScaledPicture } from "../paletteTasks";
import { defineQuestion } from "../question";

export const blobField = () => mixed((value): value is Blob => value instanceof Blob).required();

/** A picture made small enough to be kept. */
export const picture = defineQuestion<{ readonly file: Blob }, ScaledPicture>({
  id: "picture",
  schema: object({ file: blobField() }),
  run: async ({ file }) => (await import("../paletteTasks")).scalePicture(file),
});
