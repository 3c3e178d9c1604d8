import { array, mixed, number, object, tuple } from "yup";
import type { PhotoPoint } from "../../core/plate/marks";
import type { PlateReading } from "../../core/plate/reading";
import { whole } from "../../core/shape";
import { defineQuestion } from "../question";

export interface PlateInput {
  /** A photo of a painted plate; null for one that the simulated camera takes of a simulated hand's. */
  readonly photo: Blob | null;
  /** Tells simulated hands apart. */
  readonly seed: number;
  /** Middles of the marks in the picture as it is shown, where they were pointed at; null to find them. */
  readonly marks: readonly PhotoPoint[] | null;
}

/** A photo as it is shown. */
export interface ShownPhoto {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}

export interface PlateAnswer {
  /** The photo, small enough to be shown. */
  readonly picture: ShownPhoto;
  /** Null where something is missing in the photo; marks in pixels of the picture. */
  readonly reading: PlateReading | null;
  readonly problem: string | null;
}

const point = tuple([number().required(), number().required()]).required();

/** What a painted test plate tells of a hand. */
export const plate = defineQuestion<PlateInput, PlateAnswer>({
  id: "plate",
  schema: object({
    photo: mixed((value): value is Blob => value instanceof Blob)
      .nullable()
      .defined(),
    seed: whole(0, 2 ** 31),
    marks: array(point).strict().length(4).nullable().defined(),
  }),
  run: async (input) => (await import("../plateTask")).answerPlate(input),
  transfers: ({ picture }) => [picture.rgba.buffer],
});
