import { Box, Button, IconButton, Menu, MenuItem, Typography } from "@mui/material";
import { memo, useCallback, useDeferredValue, useMemo, useState } from "react";
import { mdiClose } from "@mdi/js";
import { Icon } from "../../../ui/Icon";
import { opticsOfMix } from "../../../core/colour/appearance";
import { masstone } from "../../../core/colour/film";
import { finishOfVeil, veilOfMix } from "../../../core/colour/finish";
import { metalShare, metalTones } from "../../../core/colour/metal";
import { spectrumToHex } from "../../../core/colour/spaces";
import { mixInUse } from "../../../core/edits/mixes";
import type { Mix, Paint } from "../../../core/job";
import { NumberField } from "../../../ui/NumberField";
import { TextEdit } from "../../../ui/TextEdit";
import { useEdit, useJob, usePaints } from "../jobStore";
import { BatchLine } from "./BatchLine";
import { MixGoal } from "./MixGoal";
import { CHART_GROUNDS, drawdown, inkOn, trueGround, type Ground } from "./useLight";
import { useHistory } from "../historyStore";

const Drawdown = memo(function Drawdown({
  mix,
  ground,
  paints,
}: {
  readonly mix: Mix;
  readonly ground: Ground;
  readonly paints: readonly Paint[];
}) {
  return (
    <Box sx={{ flex: 1, minWidth: 84 }}>
      <Typography variant="caption" noWrap component="div" title={ground.name}>
        {ground.name}
      </Typography>
      <Box sx={{ display: "flex" }}>
        <Box sx={{ width: 10, bgcolor: spectrumToHex(ground.spectrum) }} />
        <Box sx={{ flex: 1 }}>
          {drawdown(mix, paints, ground.spectrum).map(({ dry, wet, shift }, at) => (
            <Box key={at} sx={{ display: "flex", height: 36 }}>
              <Box
                sx={{ bgcolor: dry, color: inkOn(dry), flex: 1, px: 0.7, fontSize: 11, overflow: "hidden" }}
                title={`dry ${dry}`}
              >
                {at + 1} {at === 0 ? "coat" : "coats"}
              </Box>
              <Box
                sx={{ bgcolor: wet, color: inkOn(wet), width: 26, pl: 0.4, fontSize: 11 }}
                title={`wet ${wet}, ${shift}`}
              >
                {at === 0 ? "wet" : ""}
              </Box>
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
});

function AddPart({ mix, onAdd }: { readonly mix: Mix; readonly onAdd: (paint: Paint) => void }) {
  const paints = usePaints();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const free = paints.filter((paint) => !mix.parts.some((part) => part.paintId === paint.id));
  return (
    <>
      <Button
        onClick={(event) => setAnchor(event.currentTarget)}
        aria-haspopup="menu"
        sx={{ px: 0, minWidth: 0 }}
        disabled={mix.parts.length >= 8}
      >
        Add a paint
      </Button>
      <Menu
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        slotProps={{ paper: { sx: { maxHeight: 360 } } }}
      >
        {free.map((paint) => (
          <MenuItem
            key={paint.id}
            onClick={() => {
              setAnchor(null);
              onAdd(paint);
            }}
          >
            <Box sx={{ width: 22, height: 14, bgcolor: paint.overWhite ?? paint.thick, mr: 1 }} />
            {paint.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

const Parts = memo(function Parts({
  mix,
  change,
}: {
  readonly mix: Mix;
  readonly change: (mix: Mix) => void;
}) {
  const paints = usePaints();
  const nameOf = (id: string) => paints.find((paint) => paint.id === id)?.name ?? "missing pot";
  const setParts = (paintId: string, parts: number) =>
    change({
      ...mix,
      parts: mix.parts.map((part) => (part.paintId === paintId ? { ...part, parts } : part)),
    });
  return (
    <>
      {mix.parts.map((part) => (
        <Box key={part.paintId} sx={{ display: "flex", alignItems: "center", gap: 0.5, mt: 0.5 }}>
          <Typography sx={{ flex: 1 }} noWrap>
            {nameOf(part.paintId)}
          </Typography>
          <NumberField
            hideLabel
            label={`Parts of ${nameOf(part.paintId)} in ${mix.name}`}
            width={58}
            min={1}
            max={24}
            whole
            value={part.parts}
            onChange={(parts) => setParts(part.paintId, parts)}
          />
          <IconButton
            size="small"
            aria-label={`Take ${nameOf(part.paintId)} out of ${mix.name}`}
            onClick={() => change({ ...mix, parts: mix.parts.filter((one) => one.paintId !== part.paintId) })}
          >
            <Icon path={mdiClose} fontSize="inherit" />
          </IconButton>
        </Box>
      ))}
      <Box sx={{ display: "flex", alignItems: "center", gap: 0.5, mt: 0.5, pr: 3.2 }}>
        <Typography sx={{ flex: 1 }} noWrap>
          Water to 1 paint
        </Typography>
        <NumberField
          hideLabel
          label={`Parts of water in ${mix.name}`}
          width={58}
          min={0}
          max={20}
          step={0.5}
          value={mix.water}
          onChange={(water) => change({ ...mix, water })}
        />
      </Box>
      <AddPart
        mix={mix}
        onAdd={(paint) => change({ ...mix, parts: [...mix.parts, { paintId: paint.id, parts: 1 }] })}
      />
    </>
  );
});

/** How a mix dries and what its finish is; a metal's two tones. */
const Looks = memo(function Looks({ mix, paints }: { readonly mix: Mix; readonly paints: readonly Paint[] }) {
  if (mix.parts.length === 0) return null;
  const ground = CHART_GROUNDS[1]!.spectrum;
  const [first] = drawdown(mix, paints, ground);
  const thick = masstone(opticsOfMix(mix, paints));
  const share = metalShare(mix, paints);
  const tones = metalTones(thick, share);
  return (
    <Typography
      variant="caption"
      component="p"
      sx={{ mt: 0.5, display: "flex", alignItems: "center", gap: 0.7 }}
    >
      {finishOfVeil(veilOfMix(mix, paints))}, {first!.shift}
      {share > 0 && (
        <>
          , lit
          <Box component="span" sx={{ width: 26, height: 12, bgcolor: spectrumToHex(tones.lit) }} />
          and unlit
          <Box component="span" sx={{ width: 26, height: 12, bgcolor: spectrumToHex(tones.unlit) }} />
        </>
      )}
    </Typography>
  );
});

/** What lies under a mix and whether anything names it, worked out between frames: an edit of the job is shown first. */
function useUse(mixId: string) {
  const job = useDeferredValue(useJob());
  const { wells } = useHistory();
  const paints = usePaints();
  const grounds = useMemo(() => [...CHART_GROUNDS, trueGround(job, mixId, paints)], [job, mixId, paints]);
  const inUse = useMemo(
    () => mixInUse(job, mixId) || wells.some((well) => well.mixId === mixId),
    [job, mixId, wells],
  );
  return { grounds, inUse };
}

/** One mix: its parts and water, and what it looks like over black, white and where it will really lie. */
export const MixCard = memo(function MixCard({ mix }: { readonly mix: Mix }) {
  const paints = usePaints();
  const edit = useEdit();
  const { grounds, inUse } = useUse(mix.id);
  const change = useCallback(
    (next: Mix) =>
      edit((now) => ({ ...now, mixes: now.mixes.map((one) => (one.id === next.id ? next : one)) })),
    [edit],
  );
  return (
    <Box
      component="section"
      aria-label={`Mix ${mix.name}`}
      sx={{ display: "flex", gap: 1.5, bgcolor: "background.paper", p: 1.5, flexWrap: "wrap" }}
    >
      <Box sx={{ width: 190, flexShrink: 0 }}>
        <TextEdit
          label="Name of the mix"
          value={mix.name}
          most={80}
          onChange={(name) => change({ ...mix, name })}
          plain={{
            variant: "standard",
            fullWidth: true,
            slotProps: { input: { disableUnderline: true, sx: { fontWeight: 600, fontSize: 13 } } },
          }}
        />
        <Parts mix={mix} change={change} />
        {mix.parts.length === 0 && <Typography color="error">No paint yet: add one.</Typography>}
        {!inUse && (
          <Button
            sx={{ px: 0, display: "block" }}
            onClick={() => edit((now) => ({ ...now, mixes: now.mixes.filter((one) => one.id !== mix.id) }))}
          >
            Remove this mix
          </Button>
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 260 }}>
        <Box sx={{ display: "flex" }}>
          {grounds.map((ground, at) => (
            <Drawdown key={at} mix={mix} ground={ground} paints={paints} />
          ))}
        </Box>
        <Looks mix={mix} paints={paints} />
        <MixGoal mix={mix} change={change} />
      </Box>
      <BatchLine mix={mix} />
    </Box>
  );
});
