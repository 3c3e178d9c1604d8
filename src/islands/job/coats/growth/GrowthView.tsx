import { Box, Button, Typography } from "@mui/material";
import { changeGrowth, changeHandle, widestGap, withHandleAt } from "../../../../core/edits/growth";
import { growthMapIds, growthMaps, type GrowthMapId } from "../../../../core/growth/maps";
import { MOST_HANDLES, type Growth, type GrowthHandle, type Surface } from "../../../../core/job";
import { isTechniqueId, techniques } from "../../../../core/techniques";
import { SLIDERS, SliderSetting, type SliderText } from "../../../../ui/SliderSetting";
import { simulationWorker } from "../../../../worker/client";
import { useJobStore } from "../../jobStore";
import { useBuilt, useEditSurface } from "../../useSurface";
import { useView } from "../../viewStore";
import { useGrowthField } from "./useGrowthField";

/** Coats whose marks follow the map, in words. */
function followers({ coats }: Surface): string {
  const names = coats
    .filter(({ held, technique: { id } }) => !held && isTechniqueId(id) && techniques[id].followsGrowth)
    .map(({ name }) => name);
  if (names.length === 0) return "No coat follows it yet: hair strokes, hatching and touches do.";
  const [shown, more] = [names.slice(0, 4), names.length - 4];
  return `Followed by ${shown.join(", ")}${more > 0 ? ` and ${more} more` : ""}.`;
}

const HANDLE_SETTINGS = [
  {
    ...{ name: "angleDeg", label: "Direction", unit: "°", range: [-180, 180], step: 5 },
    about: "From the way down the piece: 90 lies across to the right, 180 points up.",
  },
  {
    ...{ name: "lengthPct", label: "Length there", unit: "%", range: [10, 300], step: 10 },
    about: "Against the length a coat asks for.",
  },
  {
    ...{ name: "liftDeg", label: "Stands off", unit: "°", range: [0, 85], step: 5 },
    about: "0 lies flat; what stands off is seen shorter.",
  },
] as const satisfies readonly (SliderText & { readonly name: keyof GrowthHandle })[];

const WHOLE_SETTINGS = [
  {
    ...{ name: "pull", label: "Pulled down by weight", unit: "%", range: [0, 100], step: 5 },
    about: "0 lies as the handles say, 100 hangs straight down on the figure as it stands.",
  },
  {
    ...{ name: "sway", label: "Strays in waves", unit: "°", range: [0, 45], step: 1 },
    about: "How far the lie wanders to either side over a millimetre or two.",
  },
] as const satisfies readonly (SliderText & { readonly name: keyof Growth })[];

/** Usual maps to start from. */
function MapChoice({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const take = (mapId: GrowthMapId) => {
    const { job } = useJobStore.getState();
    if (!job) return;
    simulationWorker().ask(
      "growthMap",
      { job, surfaceId: surface.id, mapId },
      { answer: ({ growth }) => growth && editSurface(surface.id, (now) => ({ ...now, growth })) },
    );
  };
  return (
    <Box role="group" aria-label="Start from a usual map" sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
      {growthMapIds.map((id) => (
        <Button
          key={id}
          variant="outlined"
          size="small"
          title={growthMaps[id].about}
          onClick={() => take(id)}
        >
          {growthMaps[id].label}
        </Button>
      ))}
    </Box>
  );
}

/** The chosen handle's settings, and what concerns the whole map. */
function MapSettings({ surface, growth }: { readonly surface: Surface; readonly growth: Growth }) {
  const editSurface = useEditSurface();
  const { handleId, set } = useView();
  const { form } = useBuilt(surface);
  const field = useGrowthField(surface);
  const at = growth.handles.findIndex(({ id }) => id === handleId);
  const chosen = growth.handles[at];
  const add = () => {
    if (!form || !field) return;
    const made = withHandleAt(growth, form, field, widestGap(form, growth.handles));
    editSurface(surface.id, (now) => changeGrowth(now, () => made.growth));
    set({ handleId: made.handleId });
  };
  const remove = () =>
    editSurface(surface.id, (now) =>
      changeGrowth(now, (one) => ({ ...one, handles: one.handles.filter(({ id }) => id !== handleId) })),
    );
  return (
    <>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mt: 1.5, mb: 0.5 }}>
        <Typography sx={{ flex: 1, minWidth: 220 }}>
          {chosen
            ? `Handle ${at + 1} of ${growth.handles.length}`
            : "Choose a handle on the picture to set it."}
        </Typography>
        <Button onClick={add} disabled={!field || growth.handles.length >= MOST_HANDLES}>
          Add a handle
        </Button>
        <Button onClick={remove} disabled={!chosen}>
          Remove this handle
        </Button>
      </Box>
      {chosen && (
        <Box role="group" aria-label={`Handle ${at + 1}`} sx={SLIDERS}>
          {HANDLE_SETTINGS.map(({ name, ...setting }) => (
            <SliderSetting
              key={name}
              {...setting}
              value={chosen[name]}
              onChange={(value) =>
                editSurface(surface.id, (now) =>
                  changeHandle(now, chosen.id, (one) => ({ ...one, [name]: value })),
                )
              }
            />
          ))}
        </Box>
      )}
      <Box role="group" aria-label="The whole map" sx={{ ...SLIDERS, mt: 1 }}>
        {WHOLE_SETTINGS.map(({ name, ...setting }) => (
          <SliderSetting
            key={name}
            {...setting}
            value={growth[name]}
            onChange={(value) =>
              editSurface(surface.id, (now) => changeGrowth(now, (one) => ({ ...one, [name]: value })))
            }
          />
        ))}
      </Box>
    </>
  );
}

/** Which way hair, fur and scales lie on this surface: what hair strokes, hatching and touches follow. */
export function GrowthView({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { growth } = surface;
  return (
    <Box sx={{ p: 2 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mb: 1, flexWrap: "wrap" }}>
        <Typography sx={{ flex: 1, minWidth: 260 }}>
          {growth ? followers(surface) : "Nothing is said of how hair lies here: it falls down the piece."}
        </Typography>
        {growth && (
          <Button onClick={() => editSurface(surface.id, (now) => ({ ...now, growth: null }))}>
            Without a map
          </Button>
        )}
      </Box>
      <MapChoice surface={surface} />
      {growth && <MapSettings {...{ surface, growth }} />}
    </Box>
  );
}
