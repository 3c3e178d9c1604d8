import {
  Box,
  Button,
  FormControlLabel,
  MenuItem,
  Slider,
  Switch,
  TextField,
  Typography,
} from "@mui/material";
import {
  figureOf,
  MARK_SIDES,
  type Coat,
  type NearMarks,
  type ZonePlace,
  type Span,
  type Surface,
  type ValueSpan,
} from "../../../core/job";
import { formatNumber } from "../../../core/units";
import { stepCount } from "../../../core/surface/volumes/valuePlan";
import { NumberField } from "../../../ui/NumberField";
import { useJob } from "../jobStore";
import { useView } from "../viewStore";

const SIDE_NAMES: Readonly<Record<NearMarks["side"], string>> = {
  inside: "on its marks",
  outside: "beside its marks",
  border: "along their border",
};

interface Props {
  readonly place: ZonePlace;
  readonly coat: Coat;
  readonly surface: Surface;
  readonly onChange: (place: ZonePlace) => void;
}

/** A stretch of the form: from where to where, along or up it. */
function SpanEditor({ span, onChange }: { readonly span: Span; readonly onChange: (span: Span) => void }) {
  return (
    <Box>
      <Box sx={{ display: "flex", gap: 1, mb: 0.5 }}>
        <TextField
          select
          size="small"
          label="Measured"
          fullWidth
          value={span.along}
          onChange={(event) => onChange({ ...span, along: event.target.value as Span["along"] })}
        >
          <MenuItem value="height">up from the hem</MenuItem>
          <MenuItem value="length">along the piece</MenuItem>
        </TextField>
        <NumberField
          label="Fades over"
          unit="mm"
          min={0}
          max={20}
          step={0.2}
          value={span.softMm}
          onChange={(softMm) => onChange({ ...span, softMm })}
        />
      </Box>
      <Slider
        size="small"
        value={[span.from * 100, span.to * 100]}
        min={0}
        max={100}
        step={1}
        getAriaLabel={(at) => (at === 0 ? "Stretch from" : "Stretch to")}
        valueLabelDisplay="auto"
        valueLabelFormat={(value) => `${value} %`}
        onChange={(_event, [from, to]) => onChange({ ...span, from: from! / 100, to: to! / 100 })}
      />
    </Box>
  );
}

/** Which steps of the value plan a coat keeps to. */
function ValuesEditor({
  values,
  count,
  onChange,
}: {
  readonly values: ValueSpan;
  readonly count: number;
  readonly onChange: (values: ValueSpan) => void;
}) {
  const marks = Array.from({ length: count + 1 }, (_, step) => ({ value: (step / count) * 100 }));
  return (
    <Box>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="caption">deepest shadow</Typography>
        <Typography variant="caption">highest light</Typography>
      </Box>
      <Slider
        size="small"
        value={[values.from * 100, values.to * 100]}
        min={0}
        max={100}
        step={null}
        marks={marks}
        getAriaLabel={(at) => (at === 0 ? "Steps from" : "Steps to")}
        getAriaValueText={(value) => `${Math.round((value / 100) * count)} of ${count}`}
        onChange={(_event, [from, to]) =>
          to! > from! && onChange({ ...values, from: from! / 100, to: to! / 100 })
        }
      />
      <NumberField
        label="Fades over"
        unit="%"
        min={0}
        max={100}
        step={5}
        value={Math.round(values.fade * 100)}
        onChange={(fade) => onChange({ ...values, fade: fade / 100 })}
      />
    </Box>
  );
}

function NearEditor({
  near,
  earlier,
  onChange,
}: {
  readonly near: NearMarks;
  readonly earlier: readonly Coat[];
  readonly onChange: (near: NearMarks) => void;
}) {
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <TextField
        select
        size="small"
        label="Earlier coat"
        value={earlier.some((one) => one.id === near.coatId) ? near.coatId : ""}
        error={!earlier.some((one) => one.id === near.coatId)}
        helperText={
          earlier.some((one) => one.id === near.coatId) ? undefined : "It is not painted before this one."
        }
        onChange={(event) => onChange({ ...near, coatId: event.target.value })}
      >
        {earlier.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </TextField>
      <Box sx={{ display: "flex", gap: 1 }}>
        <TextField
          select
          size="small"
          label="Side"
          fullWidth
          value={near.side}
          onChange={(event) => onChange({ ...near, side: event.target.value as NearMarks["side"] })}
        >
          {MARK_SIDES.map((side) => (
            <MenuItem key={side} value={side}>
              {SIDE_NAMES[side]}
            </MenuItem>
          ))}
        </TextField>
        <NumberField
          label="Reach"
          unit="mm"
          min={0}
          max={20}
          step={0.1}
          value={near.reachMm}
          onChange={(reachMm) => onChange({ ...near, reachMm })}
        />
      </Box>
    </Box>
  );
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
  const count = stepCount(surface.volumes, figureOf(useJob(), surface).standard);
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
