import { Box, Button, FormControlLabel, Switch, Typography } from "@mui/material";
import { figureOf, type Coat, type Surface, type ZonePlace } from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { stepCount } from "../../../core/surface/volumes/valuePlan";
import { NumberField } from "../../../ui/NumberField";
import { useJob } from "../jobStore";
import { useView } from "../viewStore";
import { NearEditor, ShedEditor, SpanEditor, ValuesEditor } from "./PlaceParts";

interface Props {
  readonly place: ZonePlace;
  readonly coat: Coat;
  readonly surface: Surface;
  readonly onChange: (place: ZonePlace) => void;
}

function Part({
  label,
  on,
  disabled = false,
  onToggle,
  children,
}: {
  readonly label: string;
  readonly on: boolean;
  readonly disabled?: boolean;
  readonly onToggle: (on: boolean) => void;
  readonly children: React.ReactNode;
}) {
  return (
    <Box>
      <FormControlLabel
        sx={{ ml: 0, gap: 0.8, "& .MuiFormControlLabel-label": { fontSize: 13 } }}
        disabled={disabled}
        control={<Switch size="small" checked={on} onChange={(_event, next) => onToggle(next)} />}
        label={label}
      />
      {on && <Box sx={{ pt: 0.8 }}>{children}</Box>}
    </Box>
  );
}

/** What else a place is told by: a stretch of the form, an outline drawn on it, the marks of an earlier coat. */
export function PlaceEditor({ place, coat, surface, onChange }: Props) {
  const { outlining, set } = useView();
  const { lights, standard } = figureOf(useJob(), surface);
  const count = stepCount(surface.volumes, standard);
  const at = surface.coats.findIndex((one) => one.id === coat.id);
  const earlier = surface.coats.slice(0, at).filter((one) => !one.held);
  return (
    <Box role="group" aria-label="Place" sx={{ display: "grid", gap: 0.5 }}>
      <Part
        label="Only on a stretch of the form"
        on={place.span !== null}
        onToggle={(on) =>
          onChange({ ...place, span: on ? { along: "height", from: 0, to: 0.5, softMm: 1.5 } : null })
        }
      >
        {place.span && <SpanEditor span={place.span} onChange={(span) => onChange({ ...place, span })} />}
      </Part>
      <Part
        label="Only in some steps of light"
        on={place.values !== null}
        onToggle={(on) =>
          onChange({ ...place, values: on ? { from: (count - 2) / count, to: 1, fade: 0.1 } : null })
        }
      >
        {place.values && (
          <ValuesEditor
            values={place.values}
            count={count}
            onChange={(values) => onChange({ ...place, values })}
          />
        )}
      </Part>
      <Part
        label="Only where a painted light falls"
        on={place.shed !== null}
        disabled={lights.length === 0 && place.shed === null}
        onToggle={(on) =>
          onChange({
            ...place,
            shed: on ? { lightId: lights[0]?.id ?? "", from: 0.2, to: 1, fade: 0.3 } : null,
          })
        }
      >
        {place.shed && (
          <ShedEditor shed={place.shed} lights={lights} onChange={(shed) => onChange({ ...place, shed })} />
        )}
      </Part>
      <Part
        label="Only by an earlier coat"
        on={place.near !== null}
        disabled={earlier.length === 0}
        onToggle={(on) =>
          onChange({
            ...place,
            near: on ? { coatId: earlier.at(-1)?.id ?? "", side: "inside", reachMm: 0.2 } : null,
          })
        }
      >
        {place.near && (
          <NearEditor near={place.near} earlier={earlier} onChange={(near) => onChange({ ...place, near })} />
        )}
      </Part>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, flexWrap: "wrap" }}>
        <Button
          size="small"
          variant="outlined"
          aria-pressed={outlining}
          onClick={() => set({ outlining: !outlining, shape: "flat" })}
        >
          {outlining ? "Stop drawing" : place.outline ? "Draw the outline anew" : "Draw an outline"}
        </Button>
        {place.outline && <Button onClick={() => onChange({ ...place, outline: null })}>Remove it</Button>}
      </Box>
      {outlining && (
        <Typography variant="body2">
          Draw round the place on the picture with mouse, pen or finger; it closes by itself. By keyboard:
          arrow keys move the pen, Shift makes them finer, Space sets a corner, Enter closes.
        </Typography>
      )}
      {place.outline && (
        <NumberField
          label="Outline fades over"
          unit="mm"
          min={0}
          max={20}
          step={0.1}
          value={place.outline.softMm}
          onChange={(softMm) =>
            place.outline && onChange({ ...place, outline: { ...place.outline, softMm } })
          }
        />
      )}
      {place.outline && (
        <Typography variant="caption">
          Outline of {formatNumber(place.outline.points.length / 2, 0)} points
        </Typography>
      )}
    </Box>
  );
}
