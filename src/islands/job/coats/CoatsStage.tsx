import {
  Box,
  Button,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
  useMediaQuery,
  useTheme,
} from "@mui/material";
import { memo, useState } from "react";
import { activeCoats, type Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { usePrefs, type Shape } from "../../../ui/prefs";
import { SURROUNDS, type Surround } from "../../../ui/theme";
import { ColumnHead } from "../../../ui/Row";
import { Side } from "../../../ui/Side";
import { FigureView } from "../figure/FigureView";
import { useFigureLook } from "../figure/figureLook";
import { useFigure, useSurface } from "../useSurface";
import { DISTANCES, useView, type BottomTab, type LightShown } from "../viewStore";
import { CoatInspector } from "./CoatInspector";
import { CoatList } from "./CoatList";
import { GuidesTable } from "./GuidesTable";
import { PatternView } from "./PatternView";
import { BackwardsView } from "./BackwardsView";
import { SectionView } from "./SectionView";
import { SpecimenView } from "./SpecimenView";
import { VariantsView } from "./VariantsView";
import { WearView } from "./WearView";

const DISTANCE_NAMES: Readonly<Record<string, string>> = {
  null: "every mark",
  "200": "in the hand, 20 cm",
  "600": "at arm's length, 60 cm",
  "1200": "across the table, 120 cm",
};

/** Shows the surface before the chosen coat for as long as it is held down. */
function HoldBefore({ disabled }: { readonly disabled: boolean }) {
  const set = useView((view) => view.set);
  const before = useView((view) => view.before);
  const hold = (held: boolean) => set({ before: held });
  return (
    <Button
      variant="outlined"
      disabled={disabled}
      aria-pressed={before}
      sx={{ touchAction: "none" }}
      onPointerDown={() => hold(true)}
      onPointerUp={() => hold(false)}
      onPointerLeave={() => hold(false)}
      onPointerCancel={() => hold(false)}
      onKeyDown={(event) => [" ", "Enter"].includes(event.key) && hold(true)}
      onKeyUp={() => hold(false)}
      onBlur={() => hold(false)}
    >
      Hold: before it
    </Button>
  );
}

const row = {
  display: "flex",
  alignItems: "center",
  flexWrap: "wrap",
  columnGap: 1.2,
  rowGap: 0.5,
  py: 0.4,
} as const;

interface ToolbarProps {
  /** Painted coats of the surface. */
  readonly count: number;
  /** The chosen coat is one of them. */
  readonly chosenPainted: boolean;
}

/** How the specimen is shown; drawn anew only where what it shows has changed, as every edit passes by here. */
const Toolbar = memo(function Toolbar({ count, chosenPainted }: ToolbarProps) {
  const { light, upTo, zoom, shape, distanceMm, trueSize, set } = useView();
  const { surround, setSurround, setShape } = usePrefs();
  const { whole, set: look } = useFigureLook();
  const chooseShape = (next: Shape | "figure" | null) => {
    if (!next) return;
    look({ whole: next === "figure" });
    if (next === "figure") return;
    set({ shape: next });
    setShape(next);
  };
  const shown = upTo === null ? count : Math.min(upTo, count);
  const step = (to: number) => set({ upTo: to >= count ? null : Math.max(0, to) });
  return (
    <Box sx={{ bgcolor: "background.paper", borderBottom: 1, borderColor: "divider", px: 1.5, py: 0.5 }}>
      <Box sx={row}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Shape"
          value={whole ? "figure" : shape}
          onChange={(_event, next: Shape | "figure" | null) => chooseShape(next)}
        >
          <ToggleButton value="figure">On the figure</ToggleButton>
          <ToggleButton value="form">On its form</ToggleButton>
          <ToggleButton value="flat">Flat</ToggleButton>
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="What is shown"
          value={light}
          onChange={(_event, next: LightShown | null) => next && set({ light: next })}
        >
          <ToggleButton value="colour">Colour</ToggleButton>
          <ToggleButton value="lit">Lit</ToggleButton>
          <ToggleButton value="light">Light map</ToggleButton>
          <ToggleButton value="wear">Wear map</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          select
          size="small"
          label="Seen"
          value={String(distanceMm)}
          onChange={(event) =>
            set({ distanceMm: event.target.value === "null" ? null : Number(event.target.value) })
          }
          sx={{ width: 158 }}
        >
          {DISTANCES.map((mm) => (
            <MenuItem key={String(mm)} value={String(mm)}>
              {DISTANCE_NAMES[String(mm)]}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Box sx={row}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="How near"
          value={trueSize ? "true" : [1, 2, 4].includes(zoom) ? zoom : null}
          onChange={(_event, next: number | "true" | null) =>
            next !== null && set(next === "true" ? { trueSize: true } : { trueSize: false, zoom: next })
          }
        >
          <ToggleButton value="true">True size</ToggleButton>
          <ToggleButton value={1}>Whole</ToggleButton>
          <ToggleButton value={2}>Near</ToggleButton>
          <ToggleButton value={4}>Nearest</ToggleButton>
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Surround"
          value={surround}
          onChange={(_event, next: Surround | null) => next && setSurround(next)}
        >
          {(Object.keys(SURROUNDS) as Surround[]).map((name) => (
            <ToggleButton key={name} value={name} aria-label={`${name} surround`} sx={{ px: 0.7 }}>
              <Box
                component="span"
                sx={{ width: 16, height: 16, bgcolor: SURROUNDS[name], border: 1, borderColor: "divider" }}
              />
            </ToggleButton>
          ))}
        </ToggleButtonGroup>{" "}
        <HoldBefore disabled={!chosenPainted} />
        <Box sx={{ flex: 1 }} />
        <Typography variant="body2" role="status">
          after coat {shown} of {count}
        </Typography>
        <Button
          variant="outlined"
          sx={{ minWidth: 0 }}
          aria-label="One coat back"
          disabled={shown === 0}
          onClick={() => step(shown - 1)}
        >
          Back
        </Button>
        <Button
          variant="outlined"
          sx={{ minWidth: 0 }}
          aria-label="One coat on"
          disabled={shown >= count}
          onClick={() => step(shown + 1)}
        >
          On
        </Button>
      </Box>
    </Box>
  );
});

/** The figure with this surface as far as it is shown, and its neighbours as they will be. */
function OnFigure({ surface }: { readonly surface: Surface }) {
  const figure = useFigure();
  const upTo = useView((view) => view.upTo);
  return (
    <Box sx={{ flex: 1, minHeight: 0 }}>
      <FigureView figure={figure} step={upTo === null ? null : { surfaceId: surface.id, upTo }} />
    </Box>
  );
}

const TABS: readonly (readonly [BottomTab, string])[] = [
  ["section", "Section"],
  ["pattern", "Pattern"],
  ["guides", "Guides"],
  ["wear", "Wear"],
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
  const whole = useFigureLook((look) => look.whole);
  if (!surface)
    return <Typography sx={{ p: 3 }}>This job has no surface yet. Add one in the brief.</Typography>;
  const painted = activeCoats(surface);
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
        <Toolbar count={painted.length} chosenPainted={painted.some((coat) => coat.id === coatId)} />
        {whole ? <OnFigure surface={surface} /> : <SpecimenView />}
        <Bottom surface={surface} />
      </Box>
      <Side anchor="right" narrow={narrow} open={drawer === "coat"} onClose={() => setDrawer(null)}>
        <CoatInspector surface={surface} />
      </Side>
    </>
  );
}
