import {
  Box,
  Button,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
  useMediaQuery,
  useTheme,
} from "@mui/material";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Later } from "../../../ui/Later";
import { NearView } from "../../../ui/NearView";
import type { Mix } from "../../../core/job";
import { usePrefs } from "../../../ui/prefs";
import { Side } from "../../../ui/Side";
import { SURROUNDS } from "../../../ui/theme";
import { useEdit, useJob } from "../jobStore";
import { PALETTE_VIEWS, useView, type PaletteView } from "../viewStore";
import { MixCard } from "./MixCard";
import { Questions } from "./Questions";
import { withNewMix } from "../../../core/edits/mixes";
import { Shelf } from "./Shelf";
import { GoalsView } from "./GoalsView";
import { WellsView } from "./WellsView";

const ValueLadder = lazy(() => import("./ValueLadder").then((module) => ({ default: module.ValueLadder })));

const NAMES: Readonly<Record<PaletteView, string>> = {
  mixes: "Mixes",
  ladder: "Value ladder",
  goals: "Goals",
  wells: "Wells",
};

/** Mixes drawn with the list itself, the others right after; usual height of one, px. */
const AT_ONCE = 2;
const CARD_PX = 205;

const cardId = (mixId: string) => `mix-card-${mixId}`;

/** Brings a mix that was just added into view: an answer that was taken, an empty one, one that undo brought back. */
function useShowNew(mixes: readonly Mix[]): void {
  const known = useRef(mixes);
  useEffect(() => {
    const before = new Set(known.current.map(({ id }) => id));
    const added = mixes.filter(({ id }) => !before.has(id));
    known.current = mixes;
    if (added.length === 1)
      document.getElementById(cardId(added[0]!.id))?.scrollIntoView({ block: "nearest" });
  }, [mixes]);
}

function Mixes() {
  const job = useJob();
  const edit = useEdit();
  useShowNew(job.mixes);
  return (
    <>
      {job.mixes.map((mix, at) => (
        <NearView
          key={mix.id}
          id={cardId(mix.id)}
          atOnce={at < AT_ONCE}
          height={CARD_PX}
          standIn={
            <Box component="section" aria-label={`Mix ${mix.name}`} sx={{ p: 1.5 }}>
              <Typography sx={{ fontWeight: 600, fontSize: 13 }}>{mix.name}</Typography>
            </Box>
          }
        >
          <MixCard mix={mix} />
        </NearView>
      ))}
      <Button
        variant="contained"
        onClick={() => edit((now) => withNewMix(now, `Mix ${now.mixes.length + 1}`, [], 1))}
        sx={{ alignSelf: "flex-start" }}
      >
        Add a mix
      </Button>
    </>
  );
}

/** Shelf, mixes in use, and the questions a palette answers. */
export function PaletteStage() {
  const surround = usePrefs((prefs) => prefs.surround);
  const view = useView((state) => state.paletteView);
  const set = useView((state) => state.set);
  const theme = useTheme();
  const narrow = useMediaQuery(theme.breakpoints.down("md"));
  const [drawer, setDrawer] = useState<"shelf" | "questions" | null>(null);
  return (
    <>
      <Side
        anchor="left"
        width={250}
        narrow={narrow}
        open={drawer === "shelf"}
        onClose={() => setDrawer(null)}
      >
        <Later>
          <Shelf />
        </Later>
      </Side>
      <Box sx={{ flex: 1, minWidth: 0, display: "flex", flexDirection: "column" }}>
        <Box
          sx={{
            display: "flex",
            alignItems: "center",
            justifyContent: narrow ? "space-between" : "flex-start",
            bgcolor: "background.paper",
            px: 2,
            py: 0.8,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          {narrow && (
            <Button onClick={() => setDrawer("shelf")} sx={{ minHeight: 44 }}>
              Pots
            </Button>
          )}
          <ToggleButtonGroup
            exclusive
            size="small"
            value={view}
            aria-label="Shown of the palette"
            onChange={(_event, next: PaletteView | null) => next && set({ paletteView: next })}
          >
            {PALETTE_VIEWS.map((name) => (
              <ToggleButton key={name} value={name}>
                {NAMES[name]}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          {narrow && (
            <Button onClick={() => setDrawer("questions")} sx={{ minHeight: 44 }}>
              Questions
            </Button>
          )}
        </Box>
        <Box
          role="region"
          aria-label="What is shown of the palette"
          tabIndex={0}
          sx={{
            flex: 1,
            overflow: "auto",
            bgcolor: SURROUNDS[surround],
            p: 2,
            display: "flex",
            flexDirection: "column",
            gap: 1.5,
          }}
        >
          {view === "mixes" && <Mixes />}
          {view === "goals" && <GoalsView />}
          {view === "wells" && <WellsView />}
          {view === "ladder" && (
            <Suspense fallback={null}>
              <ValueLadder />
            </Suspense>
          )}
        </Box>
      </Box>
      <Side
        anchor="right"
        width={300}
        narrow={narrow}
        open={drawer === "questions"}
        onClose={() => setDrawer(null)}
      >
        <Later>
          <Later>
            <Questions />
          </Later>
        </Later>
      </Side>
    </>
  );
}
