import { Box, MenuItem, Slider, TextField, Typography } from "@mui/material";
import { lightsBy } from "../../../core/edits/paintedLights";
import { surfacesOf } from "../../../core/edits/figures";
import { GLASSES, LIT_GROUNDS, SHEDS, STRENGTHS, type PaintedLight, type Surface } from "../../../core/job";
import { NumberField } from "../../../ui/NumberField";
import { useDesign } from "../jobStore";
import { ColourGoal } from "../palette/questions/ColourGoal";
import { LightPlace } from "./LightPlace";
import { Choice } from "./StartDialog";

const GLASS_NAMES = {
  lamp: "glass that glows",
  lens: "lens or gem",
  screen: "screen",
  none: "no glass: rune, fire",
} as const;
const SHED_NAMES = { around: "to all sides", front: "to its front" } as const;
const GROUND_NAMES = { "as-it-is": "as it is", darkened: "darkened first" } as const;

type Change = (change: Partial<PaintedLight>) => void;

interface SettingsProps {
  readonly surface: Surface;
  readonly light: PaintedLight;
  readonly onLight: (light: PaintedLight) => void;
}

interface PartProps {
  readonly light: PaintedLight;
  readonly change: Change;
}

/** One share of the piece, as a slider. */
function Place({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (share: number) => void;
}) {
  return (
    <Box>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">{label}</Typography>
        <Typography>{Math.round(100 * value)}&#8239;%</Typography>
      </Box>
      <Slider
        size="small"
        aria-label={label}
        value={Math.round(100 * value)}
        min={0}
        max={100}
        step={1}
        onChange={(_event, share) => onChange(share / 100)}
      />
    </Box>
  );
}

function Sizes({ light, change }: PartProps) {
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "repeat(3, 1fr)", gap: 1 }}>
      <NumberField
        label="Stands off"
        unit="mm"
        min={0}
        max={60}
        step={0.5}
        value={light.outMm}
        onChange={(outMm) => change({ outMm })}
      />
      <NumberField
        label="Across"
        unit="mm"
        min={0.1}
        max={60}
        step={0.1}
        value={light.widthMm}
        onChange={(widthMm) => change({ widthMm })}
      />
      <NumberField
        label="Half is left at"
        unit="mm"
        min={0.2}
        max={200}
        step={0.5}
        value={light.reachMm}
        onChange={(reachMm) => change({ reachMm })}
      />
    </Box>
  );
}

/** What it is, how strong, and what it falls on. */
function Kind({ light, change }: PartProps) {
  return (
    <>
      <Choice
        question="What shines?"
        answers={GLASSES}
        names={GLASS_NAMES}
        value={light.glass}
        onChange={(glass) => change({ glass })}
      />
      <Choice
        question="How strong?"
        answers={STRENGTHS}
        value={light.strength}
        onChange={(strength) => change({ strength })}
      />
      <Choice
        question="Where does it shine?"
        answers={SHEDS}
        names={SHED_NAMES}
        value={light.sheds}
        onChange={(sheds) => change({ sheds })}
      />
      <Choice
        question="The ground it falls on"
        answers={LIT_GROUNDS}
        names={GROUND_NAMES}
        value={light.ground}
        onChange={(ground) => change({ ground })}
      />
      <ColourGoal
        label="Colour of its light"
        value={light.colour}
        onChange={(colour) => change({ colour })}
      />
    </>
  );
}

/** A painted light: which, where it sits, how large it is and what it is. */
export function LightSettings({ surface, light, onLight }: SettingsProps) {
  const design = useDesign();
  const lights = lightsBy(design, surface);
  const change: Change = (part) => onLight({ ...light, ...part });
  const all = lights.some(({ id }) => id === light.id) ? lights : [...lights, light];
  return (
    <Box sx={{ display: "grid", gap: 1.5, alignContent: "start", pt: 1 }}>
      {all.length > 1 && (
        <TextField
          select
          label="Light"
          value={light.id}
          onChange={(event) => onLight(all.find(({ id }) => id === event.target.value) ?? light)}
        >
          {all.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1 }}>
        <TextField
          label="Name"
          value={light.name}
          error={light.name.trim() === ""}
          helperText={light.name.trim() === "" ? "It needs a name." : undefined}
          onChange={(event) => change({ name: event.target.value.slice(0, 80) })}
        />
        <TextField
          select
          label="Sits on"
          value={light.surfaceId}
          onChange={(event) => change({ surfaceId: event.target.value })}
        >
          {surfacesOf(design, surface.figureId).map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <LightPlace light={light} onMove={change} />
      <Place label="Along the piece" value={light.along} onChange={(along) => change({ along })} />
      <Place label="Up the piece" value={light.up} onChange={(up) => change({ up })} />
      <Sizes light={light} change={change} />
      <Kind light={light} change={change} />
    </Box>
  );
}
