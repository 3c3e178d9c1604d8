import { Box, MenuItem, TextField, Typography } from "@mui/material";
import { labToHex } from "../../../core/colour/spaces";
import { figureOf, IMPORTANCES, type Surface, type Volumes } from "../../../core/job";
import { MATERIAL_IDS, materials } from "../../../core/surface/volumes/materials";
import { stepCount, stepLightness, stepShares } from "../../../core/surface/volumes/valuePlan";
import { formatNumber } from "../../../core/units";
import { useJob } from "../jobStore";
import { useEditSurface } from "../useSurface";

const IMPORTANCE_NAMES: Readonly<Record<Volumes["importance"], string>> = {
  "looked-at": "looked at first",
  usual: "as the rest",
  quiet: "stays quiet",
};

/** The steps of light as a strip, each as wide as its share of the surface. */
export function ValueStrip({ surface }: { readonly surface: Surface }) {
  const { standard } = figureOf(useJob(), surface);
  const count = stepCount(surface.volumes, standard);
  const lightness = stepLightness(surface.volumes, count);
  return (
    <Box role="list" aria-label="Steps of light, by their share of the area" sx={{ display: "flex" }}>
      {stepShares(surface.volumes, count).map((share, step) => (
        <Box
          key={step}
          role="listitem"
          aria-label={`Step ${step + 1} of ${count}: ${formatNumber(share * 100, 0)} %`}
          title={`${formatNumber(share * 100, 0)} %`}
          sx={{ flexGrow: share, flexBasis: 0, minWidth: 26 }}
        >
          <Box sx={{ height: 18, bgcolor: labToHex([lightness[step]!, 0, 0]) }} />
          <Typography variant="caption" component="div" sx={{ textAlign: "center" }}>
            {formatNumber(share * 100, 0)}&#8239;%
          </Typography>
        </Box>
      ))}
    </Box>
  );
}

/** What a surface is made of and how much it is looked at: what its lights and shadows follow. */
export function VolumesForm({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { volumes } = surface;
  const set = (change: Partial<Volumes>) =>
    editSurface(surface.id, (now) => ({ ...now, volumes: { ...now.volumes, ...change } }));
  return (
    <Box role="group" aria-label="Light on it" sx={{ px: 2, pb: 2, display: "grid", gap: 2 }}>
      <Typography variant="h3">Light on it</Typography>
      <TextField
        select
        label="Made of"
        value={volumes.material}
        helperText={materials[volumes.material].about}
        onChange={(event) => set({ material: event.target.value as Volumes["material"] })}
      >
        {MATERIAL_IDS.map((id) => (
          <MenuItem key={id} value={id}>
            {materials[id].label}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="On the figure it is"
        value={volumes.importance}
        helperText="How wide its lights are, and in how many steps."
        onChange={(event) => set({ importance: event.target.value as Volumes["importance"] })}
      >
        {IMPORTANCES.map((one) => (
          <MenuItem key={one} value={one}>
            {IMPORTANCE_NAMES[one]}
          </MenuItem>
        ))}
      </TextField>
      <ValueStrip surface={surface} />
    </Box>
  );
}
