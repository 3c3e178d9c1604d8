import { Box, Checkbox, FormControlLabel, Slider, Typography } from "@mui/material";
import type { Place } from "../../../core/job";
import { ZONES, type Zone } from "../../../core/surface/zoneNames";
import { formatNumber } from "../../../core/units";
import { ZONE_NAMES } from "../../../core/plan/placeWords";

type ZoneTarget = Extract<Place, { kind: "zones" }>;

/** Most zones a place can be asked to belong to at once. */
const MOST = 4;

/** How fast a place falls off, in words and as the power it is. */
function fallName(fall: number): string {
  const word = fall < 0.95 ? "slowly" : fall > 1.05 ? "fast" : "evenly";
  return `${word}, ${formatNumber(fall, 1)}\u202f×`;
}

/** Zones a coat is kept to, all at once, and how far it fades beyond them. */
export function ZonePicker({
  place,
  onChange,
}: {
  readonly place: ZoneTarget;
  readonly onChange: (place: ZoneTarget) => void;
}) {
  const toggle = (zone: Zone) => {
    const zones = place.zones.includes(zone)
      ? place.zones.filter((one) => one !== zone)
      : [...place.zones, zone];
    if (zones.length <= MOST) onChange({ ...place, zones });
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
                checked={place.zones.includes(zone)}
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
        <Typography>{formatNumber(place.fade * 100, 0)}&#8239;%</Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Fades beyond them"
        value={place.fade}
        min={0}
        max={1}
        step={0.05}
        onChange={(_event, fade) => onChange({ ...place, fade })}
      />
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">Falls off inside them</Typography>
        <Typography>{fallName(place.fall)}</Typography>
      </Box>
      <Slider
        size="small"
        aria-label="Falls off inside them"
        value={Math.log2(place.fall)}
        min={-2}
        max={2}
        step={0.25}
        onChange={(_event, power) => onChange({ ...place, fall: 2 ** power })}
      />
    </Box>
  );
}
