import { Alert, Box, Typography } from "@mui/material";
import { useMemo } from "react";
import type { BorderSeen, OtherEyes, SeenOtherwise, TextureFrom } from "../../../core/figure/judge/otherwise";
import { LOOKED_FROM_MM } from "../../../core/figure/judge/otherwise";
import type { Figure } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { Picture, type Pixels } from "../../../ui/Picture";
import { Row } from "../../../ui/Row";
import type { FigureJudgedInput } from "../../../worker/figurePictured";
import { useFigureLook } from "../figure/figureLook";
import { useFigureAnswer, type FigureAnswer } from "../figure/useFigureAnswer";
import { useJob, usePaints } from "../jobStore";

/** Longest side of the pictures, pixels: shown half as large, so that a fine screen has them sharp. */
const MOST_PX = 560;
/** A texture that spreads by less than this is not seen any more, L*. */
const GONE = 1;
/** Parts that differ by less run into one another (CIEDE2000). */
const APART = 4;

const EYES: Readonly<Record<OtherEyes, string>> = {
  grey: "In grey",
  "red-weak": "Red-weak eyes",
  "green-weak": "Green-weak eyes",
  "blue-weak": "Blue-weak eyes",
};

const cm = (mm: number): string => `${formatNumber(mm / 10, 0)}\u202fcm`;

/** The figure as it is turned now, from afar and through other eyes; asked as long as somebody looks. */
function useOtherwise(figure: Figure): FigureAnswer<SeenOtherwise> & { readonly busy: boolean } {
  const job = useJob();
  const paints = usePaints();
  const { turnDeg, tiltDeg } = useFigureLook();
  const asked = useMemo(
    (): FigureJudgedInput => ({
      ...{ job, paints, figureId: figure.id },
      view: { turnDeg, tiltDeg, viewMm: figure.viewingDistanceMm, pxPerMm: 60, mostPx: MOST_PX },
    }),
    [job, paints, figure.id, figure.viewingDistanceMm, turnDeg, tiltDeg],
  );
  const seen = useFigureAnswer("figureOtherwise", asked);
  return { ...seen, busy: seen.done !== asked };
}

/** One picture with what it is of. */
function Plate({
  name,
  pixels,
  label,
}: {
  readonly name: string;
  readonly pixels: Pixels;
  readonly label: string;
}) {
  return (
    <Box component="figure" sx={{ m: 0, width: 98 }}>
      <Picture pixels={pixels} label={label} cssWidth="100%" />
      <Typography component="figcaption" variant="body2" sx={{ mt: 0.5 }}>
        {name}
      </Typography>
    </Box>
  );
}

/** From where on a part's texture is gone, in words. */
function keptOf({ from }: TextureFrom): string {
  const gone = from.findIndex((texture) => texture < GONE);
  if (gone === 0) return "plain";
  return gone > 0 ? `gone from ${cm(LOOKED_FROM_MM[gone]!)}` : "still seen from there";
}

function Textures({ textures }: Pick<SeenOtherwise, "textures">) {
  return textures.map((part) => (
    <Row key={part.id} name={part.name}>
      {part.from.map((texture) => formatNumber(texture, 1)).join(", ")} L*: {keptOf(part)}
    </Row>
  ));
}

/** What eyes make of the borders, in words. */
function bordersFor(borders: readonly BorderSeen[], nameOf: (id: string) => string): string {
  const told = ({ one, other, ordinary, seen }: BorderSeen, how: string) =>
    `${nameOf(one)} and ${nameOf(other)} ${how}, ${formatNumber(seen, 1)} apart instead of ${formatNumber(ordinary, 1)}`;
  const lost = borders.filter(({ ordinary, seen }) => ordinary >= APART && seen < APART);
  if (lost.length > 0) return lost.map((border) => told(border, "run together")).join("; ");
  const nearest = borders.toSorted((a, b) => a.seen - b.seen)[0];
  return nearest ? told(nearest, "are nearest") : "no two parts meet";
}

function Eyes({ eyes }: Pick<SeenOtherwise, "eyes">) {
  const { surfaces } = useJob();
  const nameOf = (id: string) => surfaces.find((surface) => surface.id === id)?.name ?? id;
  return eyes.map(({ eyes: one, borders }) => (
    <Row key={one} name={EYES[one]}>
      {bordersFor(borders, nameOf)}
    </Row>
  ));
}

/** What of a figure is left from afar and through other eyes, as pictures and in words. */
export function Otherwise({ figure }: { readonly figure: Figure }) {
  const { answer, failed, busy } = useOtherwise(figure);
  if (failed !== null) return <Alert severity="error">{failed}</Alert>;
  if (!answer) return <Typography role="status">{busy ? "Looking at it from afar" : ""}</Typography>;
  return (
    <Box sx={{ display: "grid", gap: 1.5, opacity: busy ? 0.6 : 1 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        {answer.distances.map(({ mm, picture }) => (
          <Plate key={mm} name={`From ${cm(mm)}`} pixels={picture} label={`${figure.name} from ${cm(mm)}`} />
        ))}
        {answer.eyes.map(({ eyes, picture }) => (
          <Plate key={eyes} name={EYES[eyes]} pixels={picture} label={`${figure.name}: ${EYES[eyes]}`} />
        ))}
      </Box>
      <Box>
        <Typography variant="h3">What is left of each part’s texture</Typography>
        <Typography variant="body2">
          How far lightness spreads within half a millimetre, from {LOOKED_FROM_MM.map(cm).join(", ")}; below{" "}
          {GONE}&#8239;L* nobody sees it.
        </Typography>
        <Textures textures={answer.textures} />
      </Box>
      <Box>
        <Typography variant="h3">What other eyes tell apart</Typography>
        <Typography variant="body2">
          Of parts that meet, how far they differ (CIEDE2000); below {APART} they run together. Seen without
          one kind of cone; weak eyes lie between this and ordinary ones.
        </Typography>
        <Eyes eyes={answer.eyes} />
      </Box>
    </Box>
  );
}
