import { opticsOfMix } from "../../../../core/colour/appearance";
import { masstone } from "../../../../core/colour/film";
import { spectrumToHex } from "../../../../core/colour/spaces";
import { mixById, type Job, type Paint } from "../../../../core/job";

/** Colour of a mix, laid thick. */
export function mixHex(job: Job, paints: readonly Paint[], mixId: string, otherwise: string): string {
  const mix = mixById(job, mixId);
  return mix && mix.parts.length > 0 ? spectrumToHex(masstone(opticsOfMix(mix, paints))) : otherwise;
}
