import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { baseMixOf, baseTones, MOST_BESIDE, withBaseTone } from "../../../core/edits/sideBySide";
import type { Surface } from "../../../core/job";
import { MixOption } from "../MixOption";
import { useDesign, useJobStore, usePaints } from "../jobStore";
import { BesidePicture } from "./BesidePicture";

/** The surface in several base tones side by side; any of them can be taken. */
export function BaseTones({ surface }: { readonly surface: Surface }) {
  const design = useDesign();
  const paints = usePaints();
  const edit = useJobStore((state) => state.edit);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const own = baseMixOf(surface);
  const shown = useMemo(() => baseTones(design, paints, surface, chosen), [design, paints, surface, chosen]);
  if (own === null) return <Typography>A base coat comes first: there is nothing to compare yet.</Typography>;
  const others = design.mixes.filter((mix) => mix.id !== own && mix.parts.length > 0);
  const full = chosen.length >= MOST_BESIDE - 1;
  const tick = (id: string, on: boolean) =>
    setChosen(on ? [...chosen, id] : chosen.filter((one) => one !== id));
  return (
    <Box sx={{ display: "flex", gap: 2 }}>
      <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, width: 210, flexShrink: 0 }}>
        <Typography component="legend" variant="h3">
          Base in another mix
        </Typography>
        {others.length === 0 && <Typography>The palette has no other mix yet.</Typography>}
        {others.map((mix) => (
          <FormControlLabel
            key={mix.id}
            sx={{ display: "flex", mr: 0 }}
            control={
              <Checkbox
                size="small"
                checked={chosen.includes(mix.id)}
                disabled={full && !chosen.includes(mix.id)}
                onChange={(_event, on) => tick(mix.id, on)}
              />
            }
            label={<MixOption mix={mix} />}
          />
        ))}
      </Box>
      {shown.map(({ key, title, job }) => (
        <BesidePicture
          key={key}
          job={job}
          surfaceId={surface.id}
          title={title}
          note={key === own ? "as it is now" : "as its base"}
        >
          {key !== own && (
            <Button onClick={() => edit((now) => withBaseTone(now, paints, surface.id, key))}>
              Take this base
            </Button>
          )}
        </BesidePicture>
      ))}
    </Box>
  );
}
