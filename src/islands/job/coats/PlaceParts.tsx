import { Box, MenuItem, Slider, TextField, Typography } from "@mui/material";
import {
  MARK_SIDES,
  type Coat,
  type NearMarks,
  type PaintedLight,
  type ShedSpan,
  type Span,
  type ValueSpan,
} from "../../../core/job";
import { NumberField } from "../../../ui/NumberField";

const SIDE_NAMES: Readonly<Record<NearMarks["side"], string>> = {
  inside: "on its marks",
  outside: "beside its marks",
  around: "close around its marks",
  border: "along their border",
};

/** A stretch of the form: from where to where, along or up it. */
export function SpanEditor({
  span,
  onChange,
}: {
  readonly span: Span;
  readonly onChange: (span: Span) => void;
}) {
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
export function ValuesEditor({
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

/** How much of which painted light a coat keeps to. */
export function ShedEditor({
  shed,
  lights,
  onChange,
}: {
  readonly shed: ShedSpan;
  readonly lights: readonly PaintedLight[];
  readonly onChange: (shed: ShedSpan) => void;
}) {
  const isThere = lights.some(({ id }) => id === shed.lightId);
  const percent = (share: number) => Math.round(100 * share);
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <TextField
        select
        size="small"
        label="Painted light"
        value={isThere ? shed.lightId : ""}
        error={!isThere}
        helperText={isThere ? undefined : "It is not on this figure any more."}
        onChange={(event) => onChange({ ...shed, lightId: event.target.value })}
      >
        {lights.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <Slider
        size="small"
        value={[percent(shed.from), percent(shed.to)]}
        min={0}
        max={100}
        step={1}
        getAriaLabel={(at) => (at === 0 ? "Light from" : "Light to")}
        valueLabelDisplay="auto"
        valueLabelFormat={(value) => `${value} %`}
        onChange={(_event, [from, to]) => onChange({ ...shed, from: from! / 100, to: to! / 100 })}
      />
      <NumberField
        label="Light fades over"
        unit="%"
        min={0}
        max={100}
        step={5}
        value={percent(shed.fade)}
        onChange={(fade) => onChange({ ...shed, fade: fade / 100 })}
      />
    </Box>
  );
}

/** By which earlier coat a coat is placed, on which side of its marks. */
export function NearEditor({
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
