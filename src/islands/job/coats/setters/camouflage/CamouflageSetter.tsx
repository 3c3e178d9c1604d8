import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import type { CamouflageFacts } from "../../../../../core/patterns/camouflage/facts";
import type { CamouflageLayout } from "../../../../../core/patterns/camouflage/layout";
import type { CamouflageParams } from "../../../../../core/patterns/camouflage/params";
import { presets, startFrom, type Preset } from "../../../../../core/patterns/camouflage/presets";
import { useJob } from "../../../jobStore";
import { Choice } from "../Choice";
import { MixPick } from "../MixPick";
import type { SetterProps } from "../setter";
import { withBaseMix } from "./layers";
import { LayerDetails } from "./LayerDetails";
import { LayerList } from "./LayerList";
import { LayerNumbers } from "./LayerNumbers";
import { ShareBar } from "./ShareBar";
import { Unit } from "./Unit";
import { useFigure } from "../../../useSurface";

type Props = SetterProps<CamouflageParams, CamouflageLayout, CamouflageFacts>;

function PresetButton({ preset, onTake }: { readonly preset: Preset; readonly onTake: () => void }) {
  return (
    <Button variant="outlined" onClick={onTake} title={preset.about} sx={{ gap: 1 }}>
      <Box component="span" aria-hidden sx={{ display: "flex", height: 14 }}>
        {[preset.baseColour, ...preset.layers.map((layer) => layer.colour)].map((colour, at) => (
          <Box key={at} component="span" sx={{ width: 9, bgcolor: colour }} />
        ))}
      </Box>
      {preset.label}
    </Button>
  );
}

/** What holds for the pattern as a whole. */
function Whole({ params, change }: Pick<Props, "params" | "change">) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, alignItems: "flex-end" }}>
      <MixPick
        label="Base coat"
        value={params.baseMixId}
        onChange={(baseMixId) => baseMixId !== null && change(withBaseMix(params, baseMixId))}
      />
      <Choice
        label="Patches and seams"
        value={params.seams}
        options={[
          ["cut", "end at seams"],
          ["over", "run on"],
        ]}
        onChange={(seams) => change({ seams })}
      />
      <Choice
        label="The cloth is shaded"
        value={params.shading}
        options={[
          ["before", "before"],
          ["after", "after"],
          ["both", "both"],
          ["none", "not at all"],
        ]}
        onChange={(shading) => change({ shading })}
      />
      <Button variant="outlined" onClick={() => change({ seed: (params.seed + 1) % 100000 })}>
        Another try
      </Button>
    </Box>
  );
}

/** The camouflage's own setter: presets, layers with their shares, one layer closer, and the numbers beside. */
export function CamouflageSetter({ surface, params, facts, settled, change }: Props) {
  const job = useJob();
  const figure = useFigure();
  const [wanted, setWanted] = useState<string | null>(null);
  const layer = params.layers.find((one) => one.id === wanted) ?? params.layers[0] ?? null;
  const own = facts?.layers.find((one) => one.id === layer?.id);
  const take = (preset: Preset) => {
    const start = startFrom(preset, figure, job.hand.finestLineMm, params.seed);
    change({ ...start, seams: params.seams, shading: params.shading, figures: params.figures });
    setWanted(null);
  };
  return (
    <Box sx={{ p: 2, display: "grid", gap: 2 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
        <Typography variant="caption">Start from</Typography>
        {presets.map((preset) => (
          <PresetButton key={preset.id} preset={preset} onTake={() => take(preset)} />
        ))}
      </Box>
      <ShareBar params={params} facts={facts} settled={settled} />
      <Box
        sx={{
          display: "grid",
          gap: 2,
          gridTemplateColumns: "repeat(auto-fit, minmax(360px, 1fr))",
          alignItems: "start",
        }}
      >
        <LayerList
          params={params}
          facts={facts}
          chosen={layer?.id ?? null}
          onChoose={setWanted}
          change={change}
        />
        {layer && own && <LayerNumbers layer={layer} facts={own} />}
      </Box>
      {layer && (
        <LayerDetails key={`${surface.id}-${layer.id}`} params={params} layer={layer} change={change} />
      )}
      <Whole params={params} change={change} />
      <Unit params={params} change={change} />
    </Box>
  );
}
