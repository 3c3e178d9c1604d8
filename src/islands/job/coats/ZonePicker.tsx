import { Box, Checkbox, Slider, Typography } from "@mui/material";
import type { Place, Surface } from "../../../core/job";
import type { PiecePicture } from "../../../core/piece/still";
import { ZONES, type Zone } from "../../../core/surface/zoneNames";
import { formatNumber } from "../../../core/units";
import { ZONE_NAMES } from "../../../core/plan/placeWords";
import { Picture } from "../../../ui/Picture";
import { usePrefs } from "../../../ui/prefs";
import { SURROUNDS } from "../../../ui/theme";
import { useZonePictures } from "./useZonePictures";

type ZoneTarget = Extract<Place, { kind: "zones" }>;

/** Most zones a place can be asked to belong to at once. */
const MOST = 4;

/** How fast a place falls off, in words and as the power it is. */
function fallName(fall: number): string {
  const word = fall < 0.95 ? "slowly" : fall > 1.05 ? "fast" : "evenly";
  return `${word}, ${formatNumber(fall, 1)}\u202f×`;
}

interface TileProps {
  readonly zone: Zone;
  readonly checked: boolean;
  readonly picture: PiecePicture | null;
  readonly onToggle: () => void;
}

/** One zone, as it lies on this very piece, with its name. */
function ZoneTile({ zone, checked, picture, onToggle }: TileProps) {
  const surround = usePrefs((prefs) => prefs.surround);
  return (
    <Box
      component="label"
      sx={{ border: 1, borderColor: checked ? "primary.main" : "divider", cursor: "pointer", minWidth: 0 }}
    >
      <Box
        aria-hidden
        sx={{
          ...{ bgcolor: SURROUNDS[surround], height: 58, display: "grid", placeItems: "center" },
          "& canvas": { maxWidth: 68, maxHeight: 54, objectFit: "contain" },
        }}
      >
        {picture && <Picture pixels={picture} label={ZONE_NAMES[zone]} cssWidth={`${picture.width / 2}px`} />}
      </Box>
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <Checkbox size="small" checked={checked} onChange={onToggle} sx={{ p: 0.3 }} />
        <Typography variant="caption" sx={{ lineHeight: 1.15, py: 0.3 }}>
          {ZONE_NAMES[zone]}
        </Typography>
      </Box>
    </Box>
  );
}

interface Props {
  readonly surface: Surface;
  readonly place: ZoneTarget;
  readonly onChange: (place: ZoneTarget) => void;
}

/** Zones a coat is kept to, all at once, and how far it fades beyond them. */
export function ZonePicker({ surface, place, onChange }: Props) {
  const pictures = useZonePictures(surface);
  const toggle = (zone: Zone) => {
    const zones = place.zones.includes(zone)
      ? place.zones.filter((one) => one !== zone)
      : [...place.zones, zone];
    if (zones.length <= MOST) onChange({ ...place, zones });
  };
  return (
    <Box role="group" aria-label="Zones">
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(3, minmax(0, 1fr))", gap: 0.5 }}>
        {ZONES.map((zone) => (
          <ZoneTile
            key={zone}
            zone={zone}
            checked={place.zones.includes(zone)}
            picture={pictures?.[zone] ?? null}
            onToggle={() => toggle(zone)}
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
