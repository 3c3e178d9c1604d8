import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  Radio,
  RadioGroup,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import { withCoat, withSurface } from "../../../core/edits/surfaces";
import type { Coat, Job, Surface } from "../../../core/job";
import { isRuledOut } from "../../../core/routes/doubts";
import type { Route, Routes } from "../../../core/routes/routes";
import { isTechniqueId, techniques } from "../../../core/techniques";
import { counted, formatMinutes, formatNumber } from "../../../core/units";
import { FROM_TOP } from "../../../ui/dialogs";
import { Picture } from "../../../ui/Picture";
import { DoubtBoxes } from "../../../ui/DoubtBoxes";
import { usePiece } from "../../useThumbnail";
import { useDesign, useEdit, usePainter, usePaints } from "../jobStore";
import { useAsked } from "../useAsked";
import { useWithout } from "./useWithout";

function Shown({
  job,
  surface,
  label,
}: {
  readonly job: Job;
  readonly surface: Surface;
  readonly label: string;
}) {
  const piece = usePiece(job, usePaints(), surface.id, { pxPerMm: 120, mostPx: 300 });
  return (
    <Box component="figure" sx={{ m: 0, flex: 1, minWidth: 0 }}>
      <Box sx={{ minHeight: 150, display: "grid", placeItems: "center" }}>
        {piece ? (
          <Picture pixels={piece} label={`${surface.name}, ${label}, simulated`} cssWidth="100%" />
        ) : (
          <Typography variant="body2">
            {piece === undefined ? "Painting it" : "It cannot be painted on this piece."}
          </Typography>
        )}
      </Box>
      <Typography component="figcaption" variant="caption">
        {label}
      </Typography>
    </Box>
  );
}

/** What a route is like beside the plan. */
function routeText({ difference, minutes, coat }: Route, { minutes: planned }: Routes): string {
  const more = Math.round(minutes - planned);
  const time = more === 0 ? "as long" : `${formatMinutes(Math.abs(more))} ${more > 0 ? "more" : "less"}`;
  const passes = coat.passes > 1 ? `, ${counted(coat.passes, "pass", "passes")}` : "";
  return `${formatNumber(difference, 1)} CIEDE2000 off${passes}, ${time}`;
}

interface WayProps {
  readonly found: Routes;
  readonly chosen: Route;
  readonly onChoose: (techniqueId: string) => void;
}

function Ways({ found, chosen, onChoose }: WayProps) {
  return (
    <RadioGroup
      aria-label="Other techniques"
      value={chosen.coat.technique.id}
      onChange={(_, id) => onChoose(id)}
    >
      {found.routes.map((route) => (
        <Box key={route.coat.technique.id}>
          <FormControlLabel
            value={route.coat.technique.id}
            control={<Radio />}
            label={
              <>
                {route.label}
                <Typography variant="caption" component="span" sx={{ ml: 1 }}>
                  {routeText(route, found)}
                </Typography>
              </>
            }
          />
          {route === chosen && route.caution !== null && (
            <Typography sx={{ ml: 4, mb: 1 }}>
              <b>Caution:</b> {route.caution}
            </Typography>
          )}
        </Box>
      ))}
    </RadioGroup>
  );
}

function Doubts({
  planned,
  doubts,
}: {
  readonly planned: Coat;
  readonly doubts: ReturnType<typeof useWithout>;
}) {
  const { without, change, problem } = doubts;
  const id = planned.technique.id;
  const ruledOut = isTechniqueId(id) && isRuledOut(techniques[id], without);
  return (
    <>
      <DoubtBoxes without={without} onChange={change} />
      {ruledOut && <Typography variant="body2">As planned it is a technique that you do without.</Typography>}
      {problem !== null && (
        <Alert severity="warning" variant="outlined">
          {problem}
        </Alert>
      )}
    </>
  );
}

/** Everything that is asked and chosen in the dialog. */
function useRoutes(surface: Surface, coat: Coat) {
  const job = useDesign();
  const paints = usePaints();
  const painter = usePainter();
  const doubts = useWithout();
  const { without } = doubts;
  const asked = useAsked(
    "routes",
    useMemo(
      () => ({ job, paints, painter, surfaceId: surface.id, coatId: coat.id, without }),
      [job, paints, painter, surface.id, coat.id, without],
    ),
  );
  const [technique, setTechnique] = useState<string | null>(null);
  const found = asked.answer;
  const chosen = found?.routes.find((route) => route.coat.technique.id === technique) ?? found?.routes[0];
  const shown = useMemo(
    () => chosen && withSurface(job, surface.id, (now) => withCoat(now, coat.id, () => chosen.coat)),
    [job, surface.id, coat.id, chosen],
  );
  return { job, ...asked, found, chosen, setTechnique, shown, doubts };
}

interface Props {
  readonly surface: Surface;
  readonly coat: Coat;
  readonly onClose: () => void;
}

/** Another route to the same look: a coat in a technique that this painter has or likes, each painted to its end. */
export function RouteDialog({ surface, coat, onClose }: Props) {
  const { job, found, tried, problem, chosen, setTechnique, shown, doubts } = useRoutes(surface, coat);
  const edit = useEdit();
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth sx={FROM_TOP} aria-labelledby="route-title">
      <DialogTitle id="route-title">Another route for {coat.name}</DialogTitle>
      <DialogContent>
        <Doubts planned={coat} doubts={doubts} />
        <Box sx={{ height: 4, my: 1 }}>
          {tried !== null && problem === null && <LinearProgress aria-label="Painting every other way" />}
        </Box>
        {problem !== null && (
          <Alert severity="error" variant="outlined">
            {problem}
          </Alert>
        )}
        <Box sx={{ display: "flex", gap: 1.5, mb: 1 }}>
          <Shown job={job} surface={surface} label="as planned" />
          {shown && <Shown job={shown} surface={surface} label={`by ${chosen!.label.toLowerCase()}`} />}
        </Box>
        {found && chosen && <Ways found={found} chosen={chosen} onChoose={setTechnique} />}
        {found && (
          <Typography variant="body2" sx={{ mt: 1 }}>
            {found.routes.length === 0
              ? "No other technique can take its place with this mix on this piece."
              : `Left out altogether, the surface would be ${formatNumber(found.leftOut, 1)} CIEDE2000 off, as it is looked at.`}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={!chosen || tried !== null}
          onClick={() => {
            edit((now) =>
              withSurface(now, surface.id, (own) =>
                withCoat(own, coat.id, () => ({ ...chosen!.coat, name: coat.name })),
              ),
            );
            onClose();
          }}
        >
          Take this route
        </Button>
      </DialogActions>
    </Dialog>
  );
}
