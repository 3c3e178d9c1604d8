import { Box, Button, Typography } from "@mui/material";
import type { PatchedFacts } from "../../../../../core/patterns/patched/facts";
import type { PatchedLayout } from "../../../../../core/patterns/patched/layout";
import { sharesAsked, TONES, type PatchedParams } from "../../../../../core/patterns/patched/params";
import { presets, startFrom } from "../../../../../core/patterns/patched/presets";
import { formatNumber } from "../../../../../core/units";
import { NumberField } from "../../../../../ui/NumberField";
import { useFigure } from "../../../useSurface";
import { MixPick } from "../MixPick";
import type { SetterProps } from "../setter";
import { ShareStrip } from "../ShareStrip";
import { BlockMap } from "./BlockMap";
import { ColourTable } from "./ColourTable";
import { FromPicture } from "./FromPicture";

type Props = SetterProps<PatchedParams, PatchedLayout, PatchedFacts>;
type Change = Pick<Props, "params" | "change">;

const NUMBERS = [
  { key: "largeMm", label: "Large blocks", unit: "mm", min: 1, max: 30, step: 0.2 },
  { key: "smallMm", label: "Small blocks", unit: "mm", min: 0.3, max: 8, step: 0.1 },
  { key: "broken", label: "Broken by the small", unit: "%", min: 0, max: 100, step: 5 },
  { key: "stripes", label: "Drawn into stripes", unit: "%", min: 0, max: 100, step: 5 },
  { key: "reachMm", label: "Hairs reach over", unit: "mm", min: 0, max: 2, step: 0.02 },
  { key: "strays", label: "Hairs astray", unit: "%", min: 0, max: 10, step: 0.2 },
  { key: "hairMm", label: "Length of hair", unit: "mm", min: 0.2, max: 4, step: 0.05 },
] as const;

/** Kinds of coats to start from. */
function Presets({ params, change }: Change) {
  const figure = useFigure();
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
      <Typography variant="caption">Start from</Typography>
      {presets.map((preset) => (
        <Button
          key={preset.id}
          variant="outlined"
          title={preset.about}
          onClick={() => change(startFrom(preset, figure, params.seed))}
          sx={{ gap: 1 }}
        >
          <Box component="span" aria-hidden sx={{ display: "flex", height: 14 }}>
            {preset.colours.map(({ id, colour }) => (
              <Box key={id} component="span" sx={{ width: 9, bgcolor: colour }} />
            ))}
          </Box>
          {preset.label}
        </Button>
      ))}
    </Box>
  );
}

/** What holds for the coat as a whole. */
function Whole({ params, change }: Change) {
  return (
    <Box
      role="group"
      aria-label="The whole coat"
      sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "flex-end" }}
    >
      {NUMBERS.map(({ key, ...spec }) => (
        <NumberField
          key={key}
          {...spec}
          width={140}
          value={params[key]}
          onChange={(value) => change({ [key]: value })}
        />
      ))}
      <NumberField
        label="Tones of hair"
        unit="each"
        min={TONES.least}
        max={TONES.most}
        whole
        width={140}
        value={params.tones}
        onChange={(tones) => change({ tones })}
      />
      <MixPick
        none
        label="Shade below"
        value={params.shadeMixId}
        onChange={(shadeMixId) => change({ shadeMixId })}
      />
      <MixPick
        none
        label="Sheen"
        value={params.sheenMixId}
        onChange={(sheenMixId) => change({ sheenMixId })}
      />
      <Button variant="outlined" onClick={() => change({ seed: (params.seed + 1) % 100000 })}>
        Another try
      </Button>
    </Box>
  );
}

const bordersText = (crossings: number | null): string =>
  crossings === null
    ? "No hairs are painted over the blocks."
    : `About ${formatNumber(crossings, 1)} hairs of a colour cross every millimetre of its border.`;

/** What came of it: the shares that show, and whether hairs break the borders. */
function Shown({ params, facts, settled }: Pick<Props, "params" | "facts" | "settled">) {
  const asked = sharesAsked(params);
  const parts = params.colours.map(({ id, name, colour }, at) => ({
    ...{ id, name, hex: colour },
    share: facts?.colours.find((one) => one.id === id)?.reached ?? asked[at]!,
  }));
  return (
    <Box sx={{ opacity: settled ? 1 : 0.6 }}>
      <ShareStrip parts={parts} />
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        {facts && bordersText(facts.crossings)} {settled ? "" : "Being laid out anew …"}
      </Typography>
    </Box>
  );
}

/** The patched coat's own setter: presets, colours with shares and places, the map of blocks, a picture to read from. */
export function PatchedSetter({ params, layout, facts, settled, change }: Props) {
  return (
    <Box sx={{ p: 2, display: "grid", gap: 2 }}>
      <Presets params={params} change={change} />
      <Shown params={params} facts={facts} settled={settled} />
      <ColourTable params={params} facts={facts} change={change} />
      <Whole params={params} change={change} />
      {layout && facts && <BlockMap {...{ params, change }} map={facts.map} form={layout.form} />}
      <FromPicture params={params} change={change} />
    </Box>
  );
}
