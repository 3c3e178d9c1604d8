import { Box, Typography } from "@mui/material";
import { useState } from "react";
import { opticsOfMix } from "../../../../core/colour/appearance";
import { ciede2000, differenceInWords } from "../../../../core/colour/difference";
import { layFilm } from "../../../../core/colour/film";
import { brushedPassUm } from "../../../../core/colour/mix";
import { spectrumToHex, spectrumToLab } from "../../../../core/colour/spaces";
import { mixById } from "../../../../core/job";
import { techniques } from "../../../../core/techniques";
import { counted, formatNumber, formatThinning } from "../../../../core/units";
import { NumberField } from "../../../../ui/NumberField";
import { useJob, usePaints } from "../../jobStore";
import { GroundChoice, groundSpectrum } from "./GroundChoice";
import { MixChoice, Question } from "./Question";
import { useFigure } from "../../useSurface";

const COATS = [0, 1, 2, 3, 4] as const;

function Body() {
  const job = useJob();
  const figure = useFigure();
  const paints = usePaints();
  const [mixId, setMix] = useState(job.mixes.find((mix) => mix.water >= 4)?.id ?? job.mixes[0]?.id ?? "");
  const [ground, setGround] = useState<string>(job.mixes[1]?.id ?? figure.primer);
  const mix = mixById(job, mixId);
  const [water, setWater] = useState<number | null>(null);
  const thinned = water ?? mix?.water ?? 1;
  const spectrum = groundSpectrum(job, paints, ground);
  const coatUm = brushedPassUm(thinned) * techniques.glaze.filmShare;
  const tones =
    mix && mix.parts.length > 0
      ? COATS.map((coats) => layFilm(opticsOfMix(mix, paints), coatUm * coats, spectrum))
      : [];
  const labs = tones.map(spectrumToLab);
  return (
    <>
      <MixChoice
        label="Mix"
        value={mixId}
        onChange={(id) => {
          setMix(id);
          setWater(null);
        }}
      />
      <NumberField label="Water to 1 paint" min={0} max={20} step={0.5} value={thinned} onChange={setWater} />
      <GroundChoice value={ground} onChange={setGround} />
      {tones.length > 0 && (
        <Box>
          {tones.map((tone, coats) => (
            <Box key={coats} sx={{ display: "flex", alignItems: "center", gap: 1, minHeight: 32 }}>
              <Box sx={{ width: 74, alignSelf: "stretch", bgcolor: spectrumToHex(tone) }} />
              <Typography sx={{ flex: 1 }}>
                {coats === 0 ? "the ground" : counted(coats, "coat")}
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {" "}
                  L* {formatNumber(labs[coats]![0], 0)}
                  {coats > 0 &&
                    `, step ${formatNumber(ciede2000(labs[coats - 1]!, labs[coats]!), 1)}: ${differenceInWords(ciede2000(labs[coats - 1]!, labs[coats]!))}`}
                </Box>
              </Typography>
            </Box>
          ))}
          <Typography variant="caption" component="p" sx={{ mt: 1 }}>
            Glaze coats at {formatThinning(thinned)}: {formatNumber(coatUm, 1)}&#8239;µm dry each, fully dry
            in between.
          </Typography>
        </Box>
      )}
    </>
  );
}

/** Which steps does one mix give in one to four coats? */
export function StepsQuestion() {
  return <Question title="Which steps does one mix give?">{() => <Body />}</Question>;
}
