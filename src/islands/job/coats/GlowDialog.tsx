import { Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from "@mui/material";
import { useCallback, useMemo, useState } from "react";
import { lightsBy, newLight, withLight, withoutLight } from "../../../core/edits/paintedLights";
import { figureOf, MOST_LIGHTS, type Job, type PaintedLight, type Surface } from "../../../core/job";
import { laidOn, layGlow, type GlowPlan } from "../../../core/schemes/glow";
import { FROM_TOP, leftByHand } from "../../../ui/dialogs";
import { useDesign, useEdit, usePaints } from "../jobStore";
import { useView } from "../viewStore";
import { GlowReach } from "./GlowReach";
import { LightSettings } from "./LightSettings";
import { PlanColumn, useLaying } from "./PlanColumn";
import { useGlowPlan } from "./useStartPlan";

interface Props {
  readonly surface: Surface;
  readonly onClose: () => void;
}

/** The light that is offered first: one that sits on the surface, then any of the figure, then a new one. */
function firstLight(design: Job, surface: Surface): PaintedLight {
  const lights = lightsBy(design, surface);
  return (
    lights.find(({ surfaceId }) => surfaceId === surface.id) ??
    lights[0] ??
    newLight(design, surface, `Light on ${surface.name}`.slice(0, 80))
  );
}

/** Puts a lamp, lens, screen or rune on the figure and paints its light on all that it reaches. */
export function GlowDialog({ surface, onClose }: Props) {
  const design = useDesign();
  const paints = usePaints();
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const [light, setLight] = useState(() => firstLight(design, surface));
  const isNamed = light.name.trim() !== "";
  // A name that is being typed anew keeps nobody from seeing the light.
  const shown = useMemo(() => (isNamed ? light : { ...light, name: "Light" }), [isNamed, light]);
  const lit = useMemo(() => withLight(design, surface.figureId, shown), [design, surface.figureId, shown]);
  const kept = useGlowPlan(lit, paints, light.id);
  const put = useCallback(
    (job: Job, _surfaceId: string, plan: GlowPlan) => layGlow(withLight(job, surface.figureId, shown), plan),
    [surface.figureId, shown],
  );
  const { plan } = useLaying({ surfaceId: surface.id, kept, put });
  const isKnown = lightsBy(design, surface).some(({ id }) => id === light.id);
  const again = laidOn(design, light.id).length > 0;
  const done = (change: (job: Job) => Job) => {
    edit(change);
    setView({ coatId: null, upTo: null, time: null, tab: "section" });
    onClose();
  };
  const more = () => setLight(newLight(design, surface, `Light on ${surface.name}`.slice(0, 80)));
  return (
    <Dialog
      open
      onClose={leftByHand(onClose)}
      sx={FROM_TOP}
      maxWidth="md"
      fullWidth
      aria-labelledby="glow-title"
    >
      <DialogTitle id="glow-title">A light painted on {figureOf(design, surface).name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 3 }}>
        <LightSettings surface={surface} light={light} onLight={setLight} />
        <PlanColumn surfaceId={surface.id} kept={kept} put={put}>
          {kept.last && <GlowReach plan={kept.last} />}
        </PlanColumn>
      </DialogContent>
      <DialogActions>
        <Typography variant="body2" sx={{ flex: 1, px: 2 }}>
          {again
            ? "It takes the place of what was laid for this light."
            : "Its coats come over those that are there."}
        </Typography>
        {isKnown && lightsBy(design, surface).length < MOST_LIGHTS && (
          <Button onClick={more}>Another light</Button>
        )}
        {isKnown && <Button onClick={() => done((job) => withoutLight(job, light.id))}>Take it off</Button>}
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={!plan || !isNamed}
          onClick={() => plan && done((job) => put(job, surface.id, plan))}
        >
          Lay its coats
        </Button>
      </DialogActions>
    </Dialog>
  );
}
