import { Box } from "@mui/material";
import { swatchOfMix } from "../../core/colour/appearance";
import { spectrumToHex } from "../../core/colour/spaces";
import type { Mix, Paint } from "../../core/job";
import { usePaints } from "./jobStore";

function Swatch({ colour }: { readonly colour: string }) {
  return (
    <Box component="span" sx={{ display: "inline-block", width: 22, height: 12, mr: 1, bgcolor: colour }} />
  );
}

/** A mix in a list to choose from: its colour as a thick film, and its name. */
export function MixOption({ mix }: { readonly mix: Mix }) {
  const paints = usePaints();
  const colour = spectrumToHex(swatchOfMix(mix, paints));
  return (
    <>
      <Swatch colour={colour} />
      {mix.name}
    </>
  );
}

/** A pot of the shelf in such a list. */
export function PotOption({ paint }: { readonly paint: Paint }) {
  return (
    <>
      <Swatch colour={paint.thick} />
      {paint.name} (pot)
    </>
  );
}
