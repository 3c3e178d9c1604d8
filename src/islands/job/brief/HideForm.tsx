import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { hideIds, hides, isHideId } from "../../../core/hides";
import type { HideDefinition } from "../../../core/hides/hide";
import { hideProblems } from "../../../core/hides/inUse";
import type { HideUse, Surface } from "../../../core/job";
import { completeParams } from "../../../core/params";
import { NumberField } from "../../../ui/NumberField";
import { useEditSurface } from "../useSurface";

const SMOOTH = "smooth";

/** A hide in its usual sizes. */
const usual = ({ id, version, kinds }: HideDefinition): HideUse => ({
  id,
  version,
  params: { ...kinds[Math.floor(kinds.length / 2)]!.params },
});

interface SizesProps {
  readonly use: HideUse;
  readonly definition: HideDefinition;
  readonly onChange: (params: HideUse["params"]) => void;
}

/** Usual sizes to start from, and each size by itself. */
function HideSizes({ use, definition, onChange }: SizesProps) {
  const values = completeParams(definition.params, use.params);
  const problems = hideProblems(use);
  return (
    <>
      <Box role="group" aria-label="Usual sizes" sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {definition.kinds.map(({ id, label, params }) => (
          <Button key={id} size="small" variant="outlined" onClick={() => onChange({ ...params })}>
            {label}
          </Button>
        ))}
      </Box>
      {Object.entries(definition.params).map(([name, spec]) => (
        <Box key={name} title={spec.about}>
          <NumberField
            label={spec.label}
            unit={spec.unit}
            min={spec.range[0]}
            max={spec.range[1]}
            step={spec.step}
            whole={spec.unit === ""}
            value={values[name]!}
            problem={problems.find((problem) => problem.field === name)?.message}
            onChange={(value) => onChange({ ...use.params, [name]: value })}
          />
        </Box>
      ))}
    </>
  );
}

/** What is sculpted all over the piece: nothing, or one of the hides, with its sizes. */
export function HideForm({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { hide } = surface;
  const definition = hide && isHideId(hide.id) ? hides[hide.id] : null;
  const set = (next: HideUse | null) =>
    editSurface(surface.id, (now) => ({
      ...now,
      hide: next,
      // Light lies on fur and scales in its own way.
      volumes:
        next && isHideId(next.id) ? { ...now.volumes, material: hides[next.id].material } : now.volumes,
    }));
  return (
    <Box role="group" aria-label="Sculpted all over" sx={{ px: 2, pb: 2, display: "grid", gap: 1.5 }}>
      <Box>
        <Typography variant="h3">Sculpted all over</Typography>
        <Typography variant="body2">
          Fur and scales along its growth map, or stones, slates and planks in courses.
        </Typography>
      </Box>
      <TextField
        select
        size="small"
        label="Sculpted"
        value={definition ? definition.id : SMOOTH}
        helperText={definition?.about}
        onChange={({ target: { value } }) => set(isHideId(value) ? usual(hides[value]) : null)}
      >
        <MenuItem value={SMOOTH}>None: smooth, or hair painted on</MenuItem>
        {hideIds.map((id) => (
          <MenuItem key={id} value={id}>
            {hides[id].label}
          </MenuItem>
        ))}
      </TextField>
      {hide && definition && (
        <HideSizes
          use={hide}
          definition={definition}
          onChange={(params) =>
            editSurface(surface.id, (now) => (now.hide ? { ...now, hide: { ...now.hide, params } } : now))
          }
        />
      )}
    </Box>
  );
}
