import { object } from "yup";
import { contentId } from "../../core/shape";
import type { HeightMap } from "../../core/surface/reliefPicture";
import { heightsOf } from "../heights";
import { defineQuestion } from "../question";
import { blobField } from "./picture";

/** A relief picture read and made small enough to be kept, as the bytes of a PNG: never on the page's own thread. */
export const reliefPicture = defineQuestion<{ readonly file: Blob }, Uint8Array<ArrayBuffer>>({
  id: "reliefPicture",
  schema: object({ file: blobField() }),
  async run({ file }) {
    const { readReliefPng, writeReliefPng } = await import("../../core/formats/relief-png/reliefPng");
    const map = readReliefPng(new Uint8Array(await file.arrayBuffer()));
    return new Uint8Array(writeReliefPng(map));
  },
  transfers: ({ buffer }) => [buffer],
});

/** Heights of a relief picture that the server keeps. */
export const heights = defineQuestion<{ readonly pictureId: string }, HeightMap>({
  id: "heights",
  schema: object({ pictureId: contentId() }),
  run: ({ pictureId }) => heightsOf(pictureId),
});
