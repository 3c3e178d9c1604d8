import { Box, Typography } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { Specimen } from "../../../core/simulate/simulator";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { useView } from "../viewStore";
import type { FormScene } from "./formScene";
import { useFigure } from "../useSurface";

/** The surface on its form in space; dragged to turn, with the wheel nearer. */
export function FormView({ specimen, form }: { readonly specimen: Specimen; readonly form: SurfaceForm }) {
  const room = useRef<HTMLDivElement>(null);
  const scene = useRef<FormScene | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
  const surround = usePrefs((prefs) => prefs.surround);
  const { lamp } = useFigure();
  const lit = useView((view) => view.light === "lit");
  useEffect(() => {
    let gone = false;
    // The drawing in space is large and seldom the first thing wanted.
    import("./formScene")
      .then(({ startScene }) => {
        if (gone || !room.current) return;
        scene.current = startScene(room.current);
        setReady(true);
      })
      .catch((error: unknown) => setFailure(error instanceof Error ? error.message : String(error)));
    return () => {
      gone = true;
      scene.current?.end();
      scene.current = null;
    };
  }, []);
  useEffect(() => {
    if (ready) scene.current?.setForm(form);
  }, [form, ready]);
  useEffect(() => {
    if (ready) scene.current?.setPicture(specimen);
  }, [specimen, form, ready]);
  useEffect(() => {
    if (ready) scene.current?.setLight(lamp, lit, SURROUNDS[surround]);
  }, [lamp, lit, surround, ready]);
  if (failure !== null)
    return (
      <Typography role="alert" sx={{ p: 3 }}>
        This browser cannot draw in space ({failure}). Choose Flat above the picture; all is there as well.
      </Typography>
    );
  return (
    <Box
      ref={room}
      role="group"
      tabIndex={0}
      aria-label="The surface on its form; arrow keys turn it, plus and minus bring it nearer"
      data-ready={ready}
      onKeyDown={(event) => {
        const [turn, tilt] = {
          ArrowLeft: [-1, 0],
          ArrowRight: [1, 0],
          ArrowUp: [0, -1],
          ArrowDown: [0, 1],
        }[event.key] ?? [0, 0];
        if (turn !== 0 || tilt !== 0) {
          event.preventDefault();
          scene.current?.turn(turn! * 0.15, tilt! * 0.12);
        }
        if (event.key === "+" || event.key === "-") scene.current?.nearer(event.key === "+" ? 0.85 : 1.18);
      }}
      sx={{ position: "absolute", inset: 0 }}
    />
  );
}
