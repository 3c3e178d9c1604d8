import { Box } from "@mui/material";
import { useEffect, useRef } from "react";
import type { Specimen } from "../../../core/simulate/simulator";
import { USUAL_PX_PER_MM, usePrefs } from "../../../ui/prefs";
import { Picture } from "../../../ui/Picture";
import { SURROUNDS } from "../../../ui/theme";
import { useRoom } from "../../../ui/useRoom";
import { SpotRings } from "../check/SpotRings";
import { useSpots } from "../check/useSpots";
import { useSimulation } from "../useSimulation";
import { useBuilt, useFigure, useSurface } from "../useSurface";
import { MOST_ZOOM, useView } from "../viewStore";
import { DrawingBar } from "./DrawingBar";
import { FormView } from "./FormView";
import type { SeenAt } from "./growth/GrowthLines";
import { GrowthMarks } from "./growth/GrowthMarks";
import { LampDial } from "./LampDial";
import { MmRuler } from "./MmRuler";
import { OutlinePen } from "./OutlinePen";
import { SectionLineHandles } from "./SectionLineHandles";
import { lineOn } from "./sectionPlace";
import { TimeSlider } from "./TimeSlider";
import { SizeCaption } from "./SizeCaption";

const RULER_PX = 22;
const BESIDE_RULER = { left: 40, bottom: 10 } as const;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** How the picture lies in its view: between mm on the flat and pixels of the screen. */
function useSeating(specimen: Specimen, size: Size) {
  const { zoom, middle, trueSize } = useView();
  const pxPerMm = usePrefs((prefs) => prefs.pxPerMm) ?? USUAL_PX_PER_MM;
  const widthMm = specimen.width * specimen.pitchMm;
  const heightMm = specimen.height * specimen.pitchMm;
  const fit = Math.max(
    1,
    Math.min((size.width - RULER_PX - 16) / widthMm, (size.height - RULER_PX - 16) / heightMm),
  );
  const scale = trueSize ? pxPerMm : fit * zoom;
  const centre =
    zoom === 1 || !middle
      ? { x: specimen.originX + widthMm / 2, y: specimen.originY + heightMm / 2 }
      : middle;
  const left = RULER_PX + (size.width - RULER_PX) / 2 - (centre.x - specimen.originX) * scale;
  const top = RULER_PX + (size.height - RULER_PX) / 2 - (centre.y - specimen.originY) * scale;
  // The picture's own corner: the same for the small and the full picture, whose cells differ.
  const half = specimen.pitchMm / 2;
  const origin = [specimen.originX - half, specimen.originY - half] as const;
  const toPx = (x: number, y: number) =>
    [left + (x - specimen.originX) * scale, top + (y - specimen.originY) * scale] as const;
  const toMm = (x: number, y: number) =>
    [(x - left) / scale + specimen.originX, (y - top) / scale + specimen.originY] as const;
  return { widthMm, heightMm, scale, centre, left, top, origin, toPx, toMm, pxPerMm };
}

/** On the flat every place is seen. */
const onFlat =
  (toPx: (x: number, y: number) => readonly [number, number]): SeenAt =>
  (xMm, yMm) => {
    const [x, y] = toPx(xMm, yMm);
    return { x, y, faces: true };
  };

function Stage({ specimen, size }: { readonly specimen: Specimen; readonly size: Size }) {
  const { line, set, tab, zoom, trueSize, outlining, coatId } = useView();
  const { widthMm, heightMm, scale, centre, left, top, origin, toPx, toMm, pxPerMm } = useSeating(
    specimen,
    size,
  );
  const surface = useSurface();
  const spots = useSpots();
  const { form } = useBuilt(surface);
  const coat = surface?.coats.find((one) => one.id === coatId);
  const shown = lineOn(specimen, line);
  const grip = useRef<{ x: number; y: number; centre: { x: number; y: number } } | null>(null);
  return (
    <>
      <Box sx={{ position: "absolute", left, top }}>
        <Picture
          pixels={specimen}
          label="The surface, simulated, laid flat"
          cssWidth={`${widthMm * scale}px`}
          cssHeight={`${heightMm * scale}px`}
        />
      </Box>
      <svg
        width={size.width}
        height={size.height}
        style={{
          position: "absolute",
          inset: 0,
          cursor: zoom > 1 ? "grab" : "default",
          touchAction: zoom > 1 ? "none" : "auto",
        }}
        onPointerDown={(event) => {
          if (event.target !== event.currentTarget || zoom === 1) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          grip.current = { x: event.clientX, y: event.clientY, centre };
        }}
        onPointerMove={(event) => {
          const held = grip.current;
          if (!held) return;
          set({
            middle: {
              x: held.centre.x - (event.clientX - held.x) / scale,
              y: held.centre.y - (event.clientY - held.y) / scale,
            },
          });
        }}
        onPointerUp={() => (grip.current = null)}
        onWheel={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const [x, y] = toMm(event.clientX - box.left, event.clientY - box.top);
          const next = Math.min(MOST_ZOOM, Math.max(1, zoom * (event.deltaY < 0 ? 1.25 : 0.8)));
          // The place under the pointer stays where it is.
          const share = zoom / next;
          set({
            zoom: next < 1.05 ? 1 : next,
            middle: { x: x + (centre.x - x) * share, y: y + (centre.y - y) * share },
          });
        }}
      >
        {tab === "section" && (
          <SectionLineHandles
            line={shown}
            origin={origin}
            toPx={toPx}
            toMm={toMm}
            onMove={(next) => set({ line: next })}
          />
        )}
        {tab === "growth" && surface && form && (
          <GrowthMarks {...{ surface, form, scale }} seenAt={onFlat(toPx)} placeAt={toMm} />
        )}
        <SpotRings spots={spots} place={toPx} perMm={scale} />
        <MmRuler along="x" startPx={left} lengthPx={size.width} scale={scale} thickness={RULER_PX} />
        <MmRuler along="y" startPx={top} lengthPx={size.height} scale={scale} thickness={RULER_PX} />
      </svg>
      {outlining && surface && form && coat && (
        <OutlinePen
          surface={surface}
          form={form}
          coat={coat}
          size={size}
          origin={origin}
          toMm={toMm}
          toPx={toPx}
        />
      )}
      <SizeCaption specimen={specimen} enlarged={trueSize ? null : scale / pxPerMm} />
    </>
  );
}

/** The flat surface before the chosen coat, while that is held to be seen; on its form the worker shows it, with its relief. */
function useBefore(): Specimen | null {
  const { before, coatId, shape } = useView();
  const steps = useSimulation((state) => state.steps);
  if (!before || shape === "form" || !steps) return null;
  const at = steps.effects.findIndex((one) => one.coatId === coatId);
  const rgba = steps.pictures[at];
  return rgba ? { ...steps, rgba, reduced: false } : null;
}

/** The simulated surface with rulers in millimetres, and the line of the section. */
export function SpecimenView() {
  const { specimen: newest, standing, still, failure, fine, settled } = useSimulation();
  const piece = standing ?? still;
  const earlier = useBefore();
  const specimen = earlier ?? newest;
  const { shape, light, line, tab } = useView();
  const { form } = useBuilt(useSurface());
  const surround = usePrefs((prefs) => prefs.surround);
  const { setRoom, size } = useRoom();
  const setView = useView((view) => view.set);
  const surface = useSurface();
  const figure = useFigure();
  const formKey = surface ? JSON.stringify([surface.id, surface.form]) : "";
  const lastForm = useRef(formKey);
  useEffect(() => {
    // A line laid on another form would lie beside this one.
    if (lastForm.current !== formKey) setView({ line: null });
    lastForm.current = formKey;
  }, [formKey, setView]);
  return (
    <Box
      ref={setRoom}
      data-fine={fine}
      data-settled={settled}
      data-testid="specimen"
      sx={{ flex: 1, minHeight: 0, position: "relative", overflow: "hidden", bgcolor: SURROUNDS[surround] }}
    >
      {specimen && size.width > 0 && shape === "flat" && <Stage specimen={specimen} size={size} />}
      {specimen && piece && surface && form && size.width > 0 && shape === "form" && (
        <FormView
          key={surface.id}
          surfaceId={surface.id}
          piece={piece}
          paint={specimen}
          form={form}
          size={size}
          line={tab === "section" ? lineOn(specimen, line) : null}
          growing={tab === "growth" ? surface : null}
        />
      )}
      {(light === "lit" || light === "light") && <LampDial figure={figure} />}
      {surface && <TimeSlider surfaces={[surface]} at={BESIDE_RULER} />}
      <DrawingBar />
      {failure !== null && (
        <Box
          role="alert"
          sx={{
            position: "absolute",
            left: 40,
            right: 16,
            bottom: 16,
            bgcolor: "background.paper",
            border: 1,
            borderColor: "divider",
            p: 1.5,
          }}
        >
          The picture shows the last state that could be painted. {failure}
        </Box>
      )}
    </Box>
  );
}
