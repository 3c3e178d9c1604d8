import { Box, FormControlLabel, Switch } from "@mui/material";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { useView } from "../viewStore";

/** Focus that goes from one control to the next, or into a list that one opened, has not left them. */
const LEFT_MS = 80;

/** Shows the veil while it is kept by the switch or a control of the place has the focus. */
function useVeil() {
  const set = useView((view) => view.set);
  const [kept, setKept] = useState(false);
  const wanted = useRef({ kept: false, timer: 0 });
  useEffect(() => {
    const now = wanted.current;
    return () => {
      window.clearTimeout(now.timer);
      set({ veil: false });
    };
  }, [set]);
  return {
    kept,
    keep: (next: boolean) => {
      wanted.current.kept = next;
      setKept(next);
      set({ veil: next });
    },
    begin: () => {
      window.clearTimeout(wanted.current.timer);
      set({ veil: true });
    },
    leave: () => {
      window.clearTimeout(wanted.current.timer);
      wanted.current.timer = window.setTimeout(() => set({ veil: wanted.current.kept }), LEFT_MS);
    },
  };
}

/** Controls of a coat's place: while one of them is used, and as long as the switch is on, the place lies over the picture as a veil. */
export function VeilWhileSet({ children }: { readonly children: ReactNode }) {
  const { kept, keep, begin, leave } = useVeil();
  return (
    <>
      <FormControlLabel
        sx={{ ml: 0, gap: 0.8, "& .MuiFormControlLabel-label": { fontSize: 13 } }}
        control={<Switch size="small" checked={kept} onChange={(_event, next) => keep(next)} />}
        label="Its place over the picture"
      />
      <Box sx={{ display: "grid", gap: 1.5 }} onFocus={begin} onBlur={leave}>
        {children}
      </Box>
    </>
  );
}
