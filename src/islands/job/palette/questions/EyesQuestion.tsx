import { Box, Typography } from "@mui/material";
import { opticsOfMix } from "../../../../core/colour/appearance";
import { differenceInWords } from "../../../../core/colour/difference";
import { masstone } from "../../../../core/colour/film";
import { linearToHex, spectrumToLinear } from "../../../../core/colour/spaces";
import { differenceSeenBy, seenBy, VISIONS, type Vision } from "../../../../core/colour/vision";
import { formatNumber } from "../../../../core/units";
import { useJob, usePaints } from "../../jobStore";
import { Question } from "./Question";

/** A pair counts as confused where it is well apart for ordinary eyes and nearly one colour for these. */
const APART = 10;
const ALIKE = 5;

function Body() {
  const job = useJob();
  const paints = usePaints();
  const mixes = job.mixes
    .filter((mix) => mix.parts.length > 0)
    .map((mix) => ({ name: mix.name, spectrum: masstone(opticsOfMix(mix, paints)) }));
  if (mixes.length < 2) return <Typography>It takes two mixes to compare.</Typography>;
  const nearest = (vision: Vision) =>
    mixes
      .flatMap((one, at) =>
        mixes.slice(at + 1).map((other) => ({
          pair: `${one.name} and ${other.name}`,
          difference: differenceSeenBy(vision, one.spectrum, other.spectrum),
        })),
      )
      .reduce((a, b) => (b.difference < a.difference ? b : a));
  const confused = (vision: Vision) =>
    vision === "ordinary"
      ? []
      : mixes.flatMap((one, at) =>
          mixes.slice(at + 1).flatMap((other) => {
            const [was, is] = (["ordinary", vision] as const).map((eyes) =>
              differenceSeenBy(eyes, one.spectrum, other.spectrum),
            ) as [number, number];
            return was >= APART && is < ALIKE
              ? [`${one.name} and ${other.name} (${formatNumber(is, 1)} instead of ${formatNumber(was, 1)})`]
              : [];
          }),
        );
  return (
    <>
      {VISIONS.map((vision) => {
        const { pair, difference } = nearest(vision);
        return (
          <Box key={vision}>
            <Typography sx={{ fontWeight: 500 }}>{vision} eyes</Typography>
            <Box sx={{ display: "flex", height: 22 }}>
              {mixes.map((mix) => (
                <Box
                  key={mix.name}
                  title={mix.name}
                  sx={{ flex: 1, bgcolor: linearToHex(seenBy(vision, spectrumToLinear(mix.spectrum))) }}
                />
              ))}
            </Box>
            <Typography variant="body2">
              Nearest: {pair}, {formatNumber(difference, 1)} apart, {differenceInWords(difference)}
            </Typography>
            {confused(vision).map((pair) => (
              <Typography key={pair}>Confused: {pair}</Typography>
            ))}
          </Box>
        );
      })}
      <Typography variant="caption">
        As seen without one kind of cone; weak eyes lie between this and ordinary ones.
      </Typography>
    </>
  );
}

/** Do the mixes stay apart for eyes that confuse colours? */
export function EyesQuestion() {
  return <Question title="How do other eyes see these?">{() => <Body />}</Question>;
}
