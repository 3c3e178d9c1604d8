import { Box, Button, Typography } from "@mui/material";
import { lazy, Suspense } from "react";
import { applyRemedy } from "../../../core/checks/applyRemedy";
import type { Finding } from "../../../core/checks/finding";
import { checksOf } from "../../../core/checks";
import { leftOpenMm } from "../../../core/checks/gapsOpen";
import { InputError } from "../../../core/errors";
import { counted, formatNumber, withUnit } from "../../../core/units";
import type { Specimen } from "../../../core/simulate/simulator";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { ColumnHead, Row } from "../../../ui/Row";
import { useRoom } from "../../../ui/useRoom";
import { figureOf, type Surface } from "../../../core/job";
import { FormView } from "../coats/FormView";
import { FigureView } from "../figure/FigureView";
import { useFigureLook } from "../figure/figureLook";
import { WholeOrPiece } from "../figure/WholeOrPiece";
import { useEdit, useJob } from "../jobStore";
import { useJudged } from "../useJudged";
import { useFindings } from "../useStageStates";
import { useSimulation } from "../useSimulation";
import { useBuilt, useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { useFigureJudged } from "../figure/useFigureJudged";
import type { FigureJudgement } from "../../../core/figure/judge";
import { FigureFaults } from "./FigureFaults";
import { FigureMarks } from "./FigureMarks";
import { FigurePanel } from "./FigurePanel";
import { FindingLine } from "./FindingLine";
import { SpotRings } from "./SpotRings";
import { useSpots } from "./useSpots";

// Charts are heavy and only needed here.
const StepsChart = lazy(async () => ({ default: (await import("./StepsChart")).StepsChart }));

/** The surface laid flat, with rings round the marks of the finding that is shown. */
function Flat({ specimen, name }: { readonly specimen: Specimen; readonly name: string }) {
  const spots = useSpots();
  return (
    <Box
      sx={{
        position: "relative",
        width: `min(100%, 620px, ${(38 * specimen.width) / specimen.height}vh)`,
      }}
    >
      <Picture pixels={specimen} label={`${name}, simulated`} cssWidth="100%" />
      <svg
        viewBox={`0 0 ${specimen.width} ${specimen.height}`}
        style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
      >
        <SpotRings
          spots={spots}
          perMm={1 / specimen.pitchMm}
          place={(x, y) => [
            (x - specimen.originX) / specimen.pitchMm,
            (y - specimen.originY) / specimen.pitchMm,
          ]}
        />
      </svg>
    </Box>
  );
}

/** The surface as the painter looks at it; flat while marks are shown, as some of them may lie behind. */
function Looked() {
  const { specimen, standing, still } = useSimulation();
  const surround = usePrefs((prefs) => prefs.surround);
  const shape = useView((view) => view.shape);
  const surface = useSurface();
  const { form } = useBuilt(surface);
  const { setRoom, size } = useRoom();
  const piece = standing ?? still;
  const marked = useSpots().length > 0;
  const onForm = shape === "form" && !marked;
  return (
    <Box
      ref={setRoom}
      sx={{
        bgcolor: SURROUNDS[surround],
        ...{ flex: 1, minHeight: { xs: 420, md: 240 }, position: "relative", overflow: "hidden" },
        ...{ display: "grid", placeItems: "center", p: onForm ? 0 : 3 },
      }}
    >
      {specimen && surface && !onForm && <Flat specimen={specimen} name={surface.name} />}
      {specimen && surface && onForm && piece && form && size.width > 0 && (
        <FormView
          key={surface.id}
          {...{ piece, form, size }}
          surfaceId={surface.id}
          paint={specimen}
          line={null}
          growing={null}
        />
      )}
    </Box>
  );
}

/** Numbers of the one surface. */
function PieceNumbers() {
  const mostUm = useSimulation((state) => state.mostUm);
  const surface = useSurface();
  const gaps = useBuilt(surface).form?.gaps;
  return (
    <>
      <Row name="Thickest films in the picture">
        {mostUm === null ? "being laid" : `${formatNumber(mostUm, 0)}\u202fµm`}
      </Row>
      {gaps && mostUm !== null && (
        <Row name={`${counted(gaps.count, gaps.name)}, ${withUnit(gaps.widthMm, 2, "mm")} wide`}>
          {withUnit(leftOpenMm(gaps, mostUm), 2, "mm")} stay open under the thickest films
        </Row>
      )}
      <Typography variant="h3" sx={{ mt: 1, mb: 1 }}>
        Lightness, coat by coat
      </Typography>
      {surface && (
        <Suspense fallback={<Box sx={{ height: 230 }} />}>
          <StepsChart surface={surface} />
        </Suspense>
      )}
    </>
  );
}

/** The figure or the piece, and below it what is told of it. */
function Whole({ whole, answer }: { readonly whole: boolean; readonly answer: FigureJudgement | null }) {
  const job = useJob();
  const surface = useSurface();
  return (
    <Box
      sx={{
        ...{ flex: { xs: "none", md: 1 }, minWidth: 0, overflow: { xs: "visible", md: "auto" } },
        ...{ display: "flex", flexDirection: "column" },
      }}
    >
      {surface && <WholeOrPiece surface={surface} of="judged" />}
      {surface && whole ? (
        <Box sx={{ flex: 1, minHeight: { xs: 460, md: 360 } }}>
          <FigureView figure={figureOf(job, surface)} over={<FigureMarks answer={answer} />} />
        </Box>
      ) : (
        <Looked />
      )}
      <Box sx={{ bgcolor: "background.paper", borderTop: 1, borderColor: "divider", p: 2 }}>
        {whole && answer ? (
          <FigurePanel answer={answer} figure={figureOf(job, surface)} />
        ) : (
          !whole && <PieceNumbers />
        )}
      </Box>
    </Box>
  );
}

/** Findings of the pieces, each with what mends it. */
function Findings({ findings, title }: { readonly findings: readonly Finding[]; readonly title: string }) {
  const edit = useEdit();
  const setView = useView((view) => view.set);
  if (findings.length === 0) return null;
  return (
    <>
      <Typography variant="h3">{title}</Typography>
      {findings.map((finding) => (
        <Box key={finding.id}>
          <FindingLine finding={finding} onRemedy={(remedy) => edit((now) => applyRemedy(now, remedy))} />
          {finding.coatId !== null && (
            <Button
              sx={{ px: 0 }}
              onClick={() => setView({ surfaceId: finding.surfaceId, coatId: finding.coatId })}
            >
              Choose this coat
            </Button>
          )}
        </Box>
      ))}
    </>
  );
}

/** What is looked at on a surface; nothing on one that cannot be built, which is a finding of its own. */
function checksThere(surface: Surface): ReturnType<typeof checksOf> {
  try {
    return checksOf(surface);
  } catch (error) {
    if (error instanceof InputError) return [];
    throw error;
  }
}

const isMust = ({ gravity }: Finding): boolean => gravity === "must";

/** The findings, worst first, each with what mends it. */
export function CheckStage() {
  const job = useJob();
  const findings = useFindings();
  const figure = figureOf(job, useSurface());
  const marked = useSpots().length > 0;
  const whole = useFigureLook((look) => look.judged) && figure.body !== null && !marked;
  const judged = useFigureJudged(figure, whole);
  // Findings come first, their remedies once each was found to cure.
  const trying = useJudged((judged) => judged.trying);
  const count = findings.length + (whole ? judged.faults.length : 0);
  const every = new Map(job.surfaces.flatMap(checksThere).map((check) => [check.id, check]));
  const clear = [...every.values()].filter(
    (check) => !findings.some((finding) => finding.id.split("/")[1] === check.id),
  );
  return (
    // On a narrow screen what is looked at comes first, and what was found below it.
    <Box
      sx={{
        ...{ flex: 1, minWidth: 0, display: "flex", overflow: { xs: "auto", md: "visible" } },
        flexDirection: { xs: "column-reverse", md: "row" },
        justifyContent: { xs: "flex-end", md: "flex-start" },
      }}
    >
      <Box
        sx={{
          width: { xs: "100%", md: 340, lg: 460 },
          flexShrink: 0,
          display: "flex",
          flexDirection: "column",
          bgcolor: "background.paper",
          ...{ borderRight: { xs: 0, md: 1 }, borderTop: { xs: 1, md: 0 }, borderColor: "divider" },
        }}
      >
        <ColumnHead title="Findings" note={count === 0 ? "none" : counted(count, "finding")} />
        <Box
          tabIndex={0}
          role="region"
          aria-label="Findings and what is in order"
          sx={{
            ...{ flex: 1, overflow: { xs: "visible", md: "auto" }, px: 2, pb: 2 },
            ...{ display: "grid", gap: 1, alignContent: "start" },
          }}
        >
          {trying && (
            <Typography variant="body2" role="status">
              What would mend these is still being tried out.
            </Typography>
          )}
          <Findings title="To be mended first" findings={findings.filter(isMust)} />
          {whole && <FigureFaults figure={figure} {...judged} />}
          <Findings title="Piece by piece" findings={findings.filter((one) => !isMust(one))} />
          {job.surfaces.length > 0 && clear.length > 0 && (
            <Box>
              <Typography variant="h3" sx={{ mt: 1, mb: 0.5 }}>
                Nothing found
              </Typography>
              {clear.map((check) => (
                <Row key={check.id} name={check.label}>
                  in order
                </Row>
              ))}
            </Box>
          )}
        </Box>
      </Box>
      <Whole whole={whole} answer={judged.answer} />
    </Box>
  );
}
