import { Box, Button, Typography } from "@mui/material";
import type { Surface, WearSettings } from "../../../core/job";
import { USUAL_WEAR, WEAR_SOURCES } from "../../../core/surface/wear";
import { SLIDERS, SliderSetting } from "../../../ui/SliderSetting";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

const sources = Object.entries(WEAR_SOURCES) as [
  keyof WearSettings,
  (typeof WEAR_SOURCES)[keyof WearSettings],
][];

/** Where this surface wears: what the place "where it wears" follows. */
export function WearView({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const { light, set } = useView();
  const users = surface.coats.filter(
    (coat) =>
      !coat.held &&
      coat.place.kind === "zones" &&
      coat.place.zones.some((zone) => zone === "worn" || zone === "unworn"),
  );
  const change = (wear: WearSettings) => editSurface(surface.id, (now) => ({ ...now, wear }));
  return (
    <Box sx={{ p: 2 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "center", mb: 1, flexWrap: "wrap" }}>
        <Typography sx={{ flex: 1, minWidth: 260 }}>
          {users.length === 0
            ? "No coat follows the wear map yet: choose “worn places” as a zone of a coat."
            : `Followed by ${users.map((coat) => coat.name).join(", ")}.`}
        </Typography>
        <Button
          variant="outlined"
          aria-pressed={light === "wear"}
          onClick={() => set({ light: light === "wear" ? "colour" : "wear" })}
        >
          {light === "wear" ? "Show the paint" : "Show the map"}
        </Button>
        <Button onClick={() => change(USUAL_WEAR)}>As usual</Button>
      </Box>
      <Box role="group" aria-label="What wears" sx={SLIDERS}>
        {sources.map(([key, { label, about }]) => (
          <SliderSetting
            key={key}
            {...{ label, about, unit: "%", range: [0, 100], step: 5 }}
            value={surface.wear[key]}
            onChange={(value) => change({ ...surface.wear, [key]: value })}
          />
        ))}
      </Box>
    </Box>
  );
}
