import { Box, Button, Typography, useMediaQuery, useTheme } from "@mui/material";
import { useState } from "react";
import { coatsAt } from "../../../core/ageing/asItWas";
import type { Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { ColumnHead } from "../../../ui/Row";
import { Side } from "../../../ui/Side";
import { FigureView } from "../figure/FigureView";
import { useFigureLook } from "../figure/figureLook";
import { useFigure, useSurface } from "../useSurface";
import { useView, type BottomTab } from "../viewStore";
import { CoatInspector } from "./CoatInspector";
import { CoatList } from "./CoatList";
import { EffortView } from "./EffortView";
import { GrowthView } from "./growth/GrowthView";
import { GuidesTable } from "./GuidesTable";
import { PatternView } from "./PatternView";
import { BackwardsView } from "./BackwardsView";
import { SectionView } from "./SectionView";
import { SpecimenBar } from "./SpecimenBar";
import { SpecimenView } from "./SpecimenView";
import { VariantsView } from "./VariantsView";
import { WearView } from "./WearView";

/** The figure with this surface as far as it is shown, and its neighbours as they will be. */
function OnFigure({ surface }: { readonly surface: Surface }) {
  const figure = useFigure();
  const { upTo: chosen, before, coatId, time } = useView();
  const at = before ? coatsAt(surface, time).findIndex(({ id }) => id === coatId) : -1;
  const upTo = at < 0 ? chosen : at;
  return (
    <Box sx={{ flex: 1, minHeight: 0 }}>
      <FigureView figure={figure} step={upTo === null ? null : { surfaceId: surface.id, upTo }} timed />
    </Box>
  );
}

const TABS: readonly (readonly [BottomTab, string])[] = [
  ["section", "Section"],
  ["pattern", "Pattern"],
  ["guides", "Guides"],
  ["wear", "Wear"],
  ["growth", "Growth"],
  ["effort", "Effort"],
  ["backwards", "Plan backwards"],
  ["variants", "Variants"],
];

/** Guides belong to patterns that have some. */
const tabsFor = (surface: Surface) =>
  TABS.filter(([name]) => name !== "guides" || familyIn(surface)?.guides !== undefined);

function Bottom({ surface }: { readonly surface: Surface }) {
  const { tab: wanted, set } = useView();
  const tabs = tabsFor(surface);
  const tab = tabs.some(([name]) => name === wanted) ? wanted : "section";
  return (
    <Box
      sx={{
        height: tab === "section" ? 238 : "46%",
        flexShrink: 0,
        display: "flex",
        flexDirection: "column",
        bgcolor: "background.paper",
        borderTop: 1,
        borderColor: "divider",
      }}
    >
      <Box
        role="tablist"
        aria-label="Below the surface"
        sx={{ display: "flex", px: 1, borderBottom: 1, borderColor: "divider" }}
      >
        {tabs.map(([name, label]) => (
          <Box
            key={name}
            component="button"
            type="button"
            role="tab"
            id={`tab-${name}`}
            aria-selected={tab === name}
            aria-controls="tab-panel"
            onClick={() => set({ tab: name })}
            sx={{
              font: "inherit",
              fontWeight: 500,
              color: "text.primary",
              bgcolor: "transparent",
              border: 0,
              borderBottom: 2,
              borderColor: tab === name ? "primary.main" : "transparent",
              px: 1.5,
              py: 0.7,
              cursor: "pointer",
            }}
          >
            {label}
          </Box>
        ))}
      </Box>
      <Box
        role="tabpanel"
        id="tab-panel"
        aria-labelledby={`tab-${tab}`}
        tabIndex={0}
        sx={{ flex: 1, minHeight: 0, overflow: "auto" }}
      >
        {tab === "section" && <SectionView surface={surface} />}
        {tab === "pattern" && <PatternView surface={surface} />}
        {tab === "guides" && <GuidesTable surface={surface} />}
        {tab === "wear" && <WearView surface={surface} />}
        {tab === "growth" && <GrowthView surface={surface} />}
        {tab === "effort" && <EffortView surface={surface} />}
        {tab === "backwards" && <BackwardsView surface={surface} />}
        {tab === "variants" && <VariantsView surface={surface} />}
      </Box>
    </Box>
  );
}

/** The heart: coats, specimen, section, and the chosen coat. */
export function CoatsStage() {
  const surface = useSurface();
  const theme = useTheme();
  const narrow = useMediaQuery(theme.breakpoints.down("md"));
  const [drawer, setDrawer] = useState<"coats" | "coat" | null>(null);
  const coatId = useView((view) => view.coatId);
  const time = useView((view) => view.time);
  const whole = useFigureLook((look) => look.whole);
  if (!surface)
    return <Typography sx={{ p: 3 }}>This job has no surface yet. Add one in the brief.</Typography>;
  const painted = coatsAt(surface, time);
  return (
    <>
      <Side anchor="left" narrow={narrow} open={drawer === "coats"} onClose={() => setDrawer(null)}>
        <ColumnHead title="Coats" note="first to last" />
        <CoatList surface={surface} />
      </Side>
      <Box sx={{ flex: 1, minWidth: 0, display: "flex", flexDirection: "column" }}>
        {narrow && (
          <Box
            sx={{
              display: "flex",
              justifyContent: "space-between",
              p: 0.5,
              bgcolor: "background.paper",
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <Button onClick={() => setDrawer("coats")} sx={{ minHeight: 44 }}>
              Coats
            </Button>
            <Button onClick={() => setDrawer("coat")} sx={{ minHeight: 44 }}>
              Chosen coat
            </Button>
          </Box>
        )}
        <SpecimenBar count={painted.length} chosenPainted={painted.some((coat) => coat.id === coatId)} />
        {whole ? <OnFigure surface={surface} /> : <SpecimenView />}
        <Bottom surface={surface} />
      </Box>
      <Side anchor="right" narrow={narrow} open={drawer === "coat"} onClose={() => setDrawer(null)}>
        <CoatInspector surface={surface} />
      </Side>
    </>
  );
}
