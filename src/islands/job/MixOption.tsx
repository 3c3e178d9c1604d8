import { Box } from "@mui/material";
import { opticsOfMix } from "../../core/colour/appearance";
import { masstone } from "../../core/colour/film";
import { spectrumToHex } from "../../core/colour/spaces";
import type { Mix } from "../../core/job";
import { usePaints } from "./jobStore";

/** A mix in a list to choose from: its colour as a thick film, and its name. */
export function MixOption({ mix }: { readonly mix: Mix }) {
  const paints = usePaints();
  const colour = spectrumToHex(masstone(opticsOfMix(mix, paints)));
  return (
    <>
      <Box component="span" sx={{ display: "inline-block", width: 22, height: 12, mr: 1, bgcolor: colour }} />
      {mix.name}
    </>
  );
}
