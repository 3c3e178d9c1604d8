import { number, object, string } from "yup";
import type { Job, Paint } from "../../core/job";
import type { PiecePicture } from "../../core/piece/still";
import { zonePictures as picturesOf } from "../../core/piece/zonePictures";
import type { Zone } from "../../core/surface/zoneNames";
import { jobField, paintsField } from "../checked";
import { bringHeights } from "../heights";
import { defineQuestion } from "../question";
import { simulator } from "../simulation";

export interface ZonePicturesInput {
  readonly job: Job;
  readonly paints: readonly Paint[];
  readonly surfaceId: string;
  /** Longest side of a picture, pixels. */
  readonly mostPx: number;
}

/** The bare piece with each of its zones tinted; nothing is painted for it. */
export const zonePictures = defineQuestion<ZonePicturesInput, Readonly<Record<Zone, PiecePicture>>>({
  id: "zonePictures",
  newestOnly: true,
  schema: object({
    job: jobField(),
    paints: paintsField(),
    surfaceId: string().strict().required(),
    mostPx: number().strict().required().integer().min(16).max(400),
  }),
  async run({ job, paints, surfaceId, mostPx }, { wanted }) {
    const sim = await simulator;
    const own = job.surfaces.filter(({ id }) => id === surfaceId);
    await bringHeights(own);
    const bare = { ...job, surfaces: own.map((one) => ({ ...one, coats: [], pattern: null })) };
    const laid = await sim.lay({ job: bare, paints, surfaceId, upTo: 0, lit: true }, true, wanted);
    const { wear, seed } = own[0]!;
    return laid && picturesOf(laid.grid, { settings: wear, seed }, mostPx);
  },
  transfers: (pictures) => Object.values(pictures).map(({ rgba }) => rgba.buffer),
});
