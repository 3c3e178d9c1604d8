import { Box } from "@mui/material";
import { useEffect, useRef, useState } from "react";
import type { Specimen } from "../../../core/simulate/simulator";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { useView } from "../viewStore";
import type { FormScene } from "./formScene";
import { FormStill } from "./FormStill";
import { turnKeys } from "./turnKeys";
import { useFigure } from "../useSurface";

/** The surface on its form in space; dragged to turn, with the wheel nearer. */
export function FormView({ specimen, form }: { readonly specimen: Specimen; readonly form: SurfaceForm }) {
  const room = useRef<HTMLDivElement>(null);
  const scene = useRef<FormScene | null>(null);
  const [failed, setFailed] = useState(false);
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
      // No graphics: the worker draws it, one still picture after another.
      .catch(() => setFailed(true));
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
  }, [lamp, lit, surround, form, ready]);
  if (failed) return <FormStill form={form} />;
  return (
    <Box
      ref={room}
      role="group"
      tabIndex={0}
      aria-label="The surface on its form; arrow keys turn it, plus and minus bring it nearer"
      data-ready={ready}
      onKeyDown={(event) =>
        turnKeys(event, {
          turn: (aside, up) => scene.current?.turn(aside * 0.15, -up * 0.12),
          nearer: (steps) => scene.current?.nearer(steps > 0 ? 0.85 : 1.18),
        })
      }
      sx={{ position: "absolute", inset: 0 }}
    />
  );
}
