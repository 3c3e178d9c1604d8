import { Box } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { Surface } from "../../../core/job";
import type { StandingPiece } from "../../../core/piece/standing";
import type { StillPiece } from "../../../core/piece/still";
import type { PieceRoom } from "../../../core/piece/stood";
import type { SectionLine } from "../../../core/simulate/section";
import type { Specimen } from "../../../core/simulate/simulator";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { graphicsFailed } from "../../../ui/graphics";
import { USUAL_PX_PER_MM, usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { useView, type Stance } from "../viewStore";
import type { FormScene, PiecePaint } from "./formScene";
import { FormMarks } from "./FormMarks";
import { FormStill } from "./FormStill";
import { SizeCaption } from "./SizeCaption";
import { useStance } from "./useStance";

interface DrawnProps {
  readonly piece: StandingPiece;
  readonly paint: PiecePaint;
  readonly stance: Stance;
  readonly scale: number;
  readonly onReady: () => void;
}

/** The piece drawn by the browser's graphics. */
function Drawn({ piece, paint, stance, scale, onReady }: DrawnProps) {
  const room = useRef<HTMLDivElement>(null);
  const [scene, setScene] = useState<FormScene | null>(null);
  const surround = usePrefs((prefs) => prefs.surround);
  const lit = useView((view) => view.light === "lit");
  useEffect(() => {
    let started: FormScene | null = null;
    let gone = false;
    // The drawing in space is large: flat pictures come without it.
    import("./formScene")
      .then(({ startScene }) => {
        if (gone || !room.current) return;
        started = startScene(room.current);
        setScene(started);
        onReady();
      })
      .catch(graphicsFailed);
    return () => {
      gone = true;
      started?.end();
    };
  }, [onReady]);
  useEffect(() => scene?.show(piece, paint), [scene, piece, paint]);
  useEffect(() => scene?.light(lit, SURROUNDS[surround]), [scene, lit, surround]);
  useEffect(() => scene?.stand(stance, scale), [scene, stance, scale]);
  return <Box ref={room} sx={{ position: "absolute", inset: 0 }} />;
}

/** Room left free around the piece, as a share of its size. */
const MARGIN = 0.1;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Pixels to the mm at which all of a piece is seen, however it is turned round its upright. */
function fitting({ aroundMm, upMm, tiltDeg }: PieceRoom, { width, height }: Size): number {
  const tilt = (tiltDeg * Math.PI) / 180;
  const halfMm = upMm * Math.cos(tilt) + aroundMm * Math.abs(Math.sin(tilt));
  return Math.min(height / halfMm, width / aroundMm) / 2 / (1 + MARGIN);
}

/** Pixels to the mm as the painter wants it, and to a true millimetre of the screen. */
function useScale(piece: PieceRoom, size: Size) {
  const { zoom, trueSize } = useView();
  const pxPerMm = usePrefs((prefs) => prefs.pxPerMm) ?? USUAL_PX_PER_MM;
  const scale = trueSize ? pxPerMm : fitting(piece, size) * zoom;
  return { scale, enlarged: trueSize ? null : scale / pxPerMm };
}

interface Props {
  readonly surfaceId: string;
  /** What the page draws itself; or the newest still picture, where it does not. */
  readonly piece: StandingPiece | StillPiece;
  readonly paint: PiecePaint & Pick<Specimen, "reduced">;
  readonly form: SurfaceForm;
  readonly size: Size;
  /** Where the section is cut, mm on the flat; null where none is shown. */
  readonly line: SectionLine | null;
  /** The surface whose growth map is shown; null where it is not. */
  readonly growing: Surface | null;
}

/** The surface on its form in space; dragged or by keys to turn, with the wheel nearer. */
export function FormView({ surfaceId, piece, paint, form, size, line, growing }: Props) {
  const [started, setStarted] = useState(false);
  const { stance, hands } = useStance(surfaceId, form);
  const { scale, enlarged } = useScale(piece.room, size);
  const still = "picture" in piece;
  return (
    <Box
      role="group"
      tabIndex={0}
      aria-label="The surface on its form; arrow keys turn it, plus and minus bring it nearer"
      data-ready={still || started}
      {...hands}
      sx={{
        ...{ position: "absolute", inset: 0, overflow: "hidden", touchAction: "none", cursor: "grab" },
      }}
    >
      {still ? (
        <FormStill {...{ surfaceId, scale, size }} still={piece} />
      ) : (
        <Drawn {...{ piece, paint, stance, scale }} onReady={() => setStarted(true)} />
      )}
      <FormMarks {...{ form, stance, scale, size, line, growing }} room={piece.room} />
      <SizeCaption specimen={paint} enlarged={enlarged} />
    </Box>
  );
}
