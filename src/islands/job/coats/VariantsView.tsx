import { Box, Button, Typography } from "@mui/material";
import { useMemo } from "react";
import type { Surface } from "../../../core/job";
import { counted } from "../../../core/units";
import { keepVariant, MOST_VARIANTS, paintVariant, removeVariant } from "../../../core/variants";
import { Picture } from "../../../ui/Picture";
import { useThumbnail } from "../../useThumbnail";
import { useDesign, usePaints } from "../jobStore";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

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
  const paints = usePaints();
  const job = useMemo(() => ({ ...design, surfaces: [surface] }), [design, surface]);
  const specimen = useThumbnail(job, paints, surface.id);
  return (
    <Box component="section" aria-label={title} sx={{ width: 300, flexShrink: 0 }}>
      <Typography variant="h3">{title}</Typography>
      <Typography variant="body2" sx={{ mb: 0.5 }}>
        {counted(surface.coats.length, "coat")}
      </Typography>
      <Box
        sx={{
          height: 170,
          display: "flex",
          alignItems: "center",
          bgcolor: "background.default",
          overflow: "hidden",
        }}
      >
        {specimen && <Picture pixels={specimen} label={`${title}, simulated`} cssWidth="100%" />}
        {specimen === null && <Typography sx={{ p: 1 }}>This one cannot be painted as it is set.</Typography>}
        {specimen === undefined && <Typography sx={{ p: 1 }}>Painting it</Typography>}
      </Box>
      <Box sx={{ display: "flex", gap: 1, mt: 0.5 }}>{children}</Box>
    </Box>
  );
}

/** Sets of coats for one surface, side by side; the painted one is what cards and checks follow. */
export function VariantsView({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const setView = useView((view) => view.set);
  const full = surface.variants.length >= MOST_VARIANTS;
  const letter = String.fromCharCode(65 + surface.variants.length);
  return (
    <Box sx={{ p: 2, display: "flex", gap: 2, overflow: "auto" }}>
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
    </Box>
  );
}
