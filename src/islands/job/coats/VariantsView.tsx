import { Box, Button, ToggleButton, ToggleButtonGroup, Typography } from "@mui/material";
import { useMemo, useState } from "react";
import { unitSideBySide } from "../../../core/edits/sideBySide";
import { figureOf, type Surface } from "../../../core/job";
import { familyIn } from "../../../core/patterns";
import { counted } from "../../../core/units";
import { keepVariant, MOST_VARIANTS, paintVariant, removeVariant } from "../../../core/variants";
import { useDesign, usePaints } from "../jobStore";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";
import { BaseTones } from "./BaseTones";
import { BesidePicture } from "./BesidePicture";

/** One set of coats, simulated. */
function Shown({
  surface,
  title,
  children,
}: {
  readonly surface: Surface;
  readonly title: string;
  readonly children?: React.ReactNode;
}) {
  const design = useDesign();
  const job = useMemo(() => ({ ...design, surfaces: [surface] }), [design, surface]);
  return (
    <BesidePicture
      job={job}
      surfaceId={surface.id}
      title={title}
      note={counted(surface.coats.length, "coat")}
    >
      {children}
    </BesidePicture>
  );
}

/** Sets of coats kept beside the painted one; the painted one is what cards and checks follow. */
function KeptVariants({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const setView = useView((view) => view.set);
  const full = surface.variants.length >= MOST_VARIANTS;
  const letter = String.fromCharCode(65 + surface.variants.length);
  return (
    <>
      <Shown surface={surface} title="Painted">
        <Button
          disabled={full}
          onClick={() => editSurface(surface.id, (now) => keepVariant(now, `Variant ${letter}`))}
        >
          Keep as a variant
        </Button>
      </Shown>
      {surface.variants.length === 0 && (
        <Typography sx={{ maxWidth: 320 }}>
          Keep the coats as they are, then change them: both are shown here side by side, and either can be
          the one you paint.
        </Typography>
      )}
      {surface.variants.map((variant) => (
        <Shown
          key={variant.id}
          surface={{ ...surface, coats: variant.coats, pattern: variant.pattern, variants: [] }}
          title={variant.name}
        >
          <Button
            onClick={() => {
              editSurface(surface.id, (now) => paintVariant(now, variant.id));
              setView({ coatId: null, upTo: null });
            }}
          >
            Paint this one
          </Button>
          <Button onClick={() => editSurface(surface.id, (now) => removeVariant(now, variant.id))}>
            Remove
          </Button>
        </Shown>
      ))}
    </>
  );
}

/** The same surface on every figure of the unit. */
function UnitFigures({ surface }: { readonly surface: Surface }) {
  const design = useDesign();
  const paints = usePaints();
  const setView = useView((view) => view.set);
  const figures = useMemo(() => unitSideBySide(design, paints, surface), [design, paints, surface]);
  return figures.map(({ key, title, job }, at) => (
    <BesidePicture key={key} job={job} surfaceId={surface.id} title={title}>
      <Button onClick={() => setView({ figure: at + 1 })}>Show it above</Button>
    </BesidePicture>
  ));
}

type Compared = "variants" | "bases" | "unit";

/** What is laid side by side: kept sets of coats, base tones, or the figures of a unit. */
export function VariantsView({ surface }: { readonly surface: Surface }) {
  const design = useDesign();
  const [wanted, setWanted] = useState<Compared>("variants");
  const unit = figureOf(design, surface).count > 1 && familyIn(surface)?.forFigure !== undefined;
  const shown = wanted === "unit" && !unit ? "variants" : wanted;
  return (
    <Box sx={{ p: 2 }}>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Side by side"
        value={shown}
        onChange={(_event, next: Compared | null) => next && setWanted(next)}
        sx={{ mb: 1, position: "sticky", left: 0 }}
      >
        <ToggleButton value="variants">Sets of coats</ToggleButton>
        <ToggleButton value="bases">Base tones</ToggleButton>
        {unit && <ToggleButton value="unit">Figures of the unit</ToggleButton>}
      </ToggleButtonGroup>
      <Box sx={{ display: "flex", gap: 2 }}>
        {shown === "variants" && <KeptVariants surface={surface} />}
        {shown === "bases" && <BaseTones surface={surface} />}
        {shown === "unit" && <UnitFigures surface={surface} />}
      </Box>
    </Box>
  );
}
