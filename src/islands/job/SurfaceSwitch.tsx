import { MenuItem, TextField } from "@mui/material";
import { useJob } from "./jobStore";
import { useSurface } from "./useSurface";
import { useView } from "./viewStore";

/** Which surface of the job is being worked on. */
export function SurfaceSwitch() {
  const { surfaces } = useJob();
  const surface = useSurface();
  const set = useView((view) => view.set);
  if (!surface) return <>no surface</>;
  if (surfaces.length < 2) return <>{surface.name}</>;
  return (
    <TextField
      select
      variant="standard"
      value={surface.id}
      onChange={(event) =>
        set({ surfaceId: event.target.value, coatId: null, upTo: null, line: null, middle: null, zoom: 1 })
      }
      slotProps={{
        input: { disableUnderline: true, sx: { fontSize: 13, fontWeight: 500 } },
        select: { SelectDisplayProps: { "aria-label": `Surface: ${surface.name}` } },
      }}
    >
      {surfaces.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          {one.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
