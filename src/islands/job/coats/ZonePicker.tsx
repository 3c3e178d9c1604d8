import { Box, Checkbox, FormControlLabel, Slider, Typography } from "@mui/material";
import type { CoatTarget } from "../../../core/job";
import { ZONES, type Zone } from "../../../core/surface/zoneNames";
import { formatNumber } from "../../../core/units";
import { ZONE_NAMES } from "./targets";

type ZoneTarget = Extract<CoatTarget, { kind: "zones" }>;

/** Most zones a place can be asked to belong to at once. */
const MOST = 4;

/** How fast a place falls off, in words and as the power it is. */
function fallName(fall: number): string {
  const word = fall < 0.95 ? "slowly" : fall > 1.05 ? "fast" : "evenly";
  return `${word}, ${formatNumber(fall, 1)}\u202f×`;
}

/** Zones a coat is kept to, all at once, and how far it fades beyond them. */
export function ZonePicker({
  target,
  onChange,
}: {
  readonly target: ZoneTarget;
  readonly onChange: (target: ZoneTarget) => void;
}) {
  const toggle = (zone: Zone) => {
    const zones = target.zones.includes(zone)
      ? target.zones.filter((one) => one !== zone)
      : [...target.zones, zone];
    if (zones.length <= MOST) onChange({ ...target, zones });
  };
  return (
    <Box role="group" aria-label="Zones">
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr" }}>
        {ZONES.map((zone) => (
          <FormControlLabel
            key={zone}
            sx={{ mr: 0, "& .MuiFormControlLabel-label": { fontSize: 13 } }}
            control={
              <Checkbox
                size="small"
                checked={target.zones.includes(zone)}
                onChange={() => toggle(zone)}
                sx={{ py: 0.3 }}
              />
            }
            label={ZONE_NAMES[zone]}
          />
        ))}
      </Box>
      <Box sx={{ display: "flex", justifyContent: "space-between", mt: 0.5 }}>
        <Typography variant="body2">Fades beyond them</Typography>
        <Typography>{formatNumber(target.fade * 100, 0)}&#8239;%</Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Fades beyond them"
        value={target.fade}
        min={0}
        max={1}
        step={0.05}
        onChange={(_event, fade) => onChange({ ...target, fade })}
      />
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">Falls off inside them</Typography>
        <Typography>{fallName(target.fall)}</Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Falls off inside them"
        value={Math.log2(target.fall)}
        min={-2}
        max={2}
        step={0.25}
        onChange={(_event, power) => onChange({ ...target, fall: 2 ** power })}
      />
    </Box>
  );
}
