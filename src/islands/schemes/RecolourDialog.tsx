import {
  Alert,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  MenuItem,
  TextField,
  Typography,
} from "@mui/material";
import { useMemo, useState } from "react";
import { labToHex, spectrumToLab, type Triple } from "../../core/colour/spaces";
import { swatchOfMix } from "../../core/colour/appearance";
import { mainMix, mixesInUse, tonesOf, type MovedTone, type Recoloured } from "../../core/edits/recolour";
import type { Mix, OwnScheme, Paint } from "../../core/job";
import { formatNumber } from "../../core/units";
import { leftByHand } from "../../ui/dialogs";
import { useAsked } from "../job/useAsked";
import { ColourField } from "../pots/ColourField";
import { SchemePicture } from "./SchemePicture";
import { newSchemeId } from "./useOwnSchemes";

interface Props {
  readonly scheme: OwnScheme;
  readonly paints: readonly Paint[];
  /** Why it could not be kept; null where nothing was refused. */
  readonly refused: string | null;
  readonly onKeep: (scheme: OwnScheme) => void;
  readonly onClose: () => void;
}

const shown = (mix: Mix, paints: readonly Paint[]): string =>
  labToHex(spectrumToLab(swatchOfMix(mix, paints)));

/** What is asked for: the main mix, its new colour, and which mixes go along. */
function useWish(scheme: OwnScheme, paints: readonly Paint[]) {
  const mixes = mixesInUse(scheme);
  const likely = mainMix(scheme, paints);
  // One that no coat is painted with is no choice.
  const first = mixes.find(({ id }) => id === likely?.id) ?? mixes[0]!;
  const [main, setMain] = useState(first);
  const [goal, setGoal] = useState(() => shown(first, paints));
  const [mixIds, setMixIds] = useState<readonly string[]>(() => tonesOf(scheme, first, paints));
  return {
    ...{ mixes, main, goal, setGoal, mixIds },
    changeMain: (id: string) => {
      const mix = mixes.find((one) => one.id === id)!;
      setMain(mix);
      setGoal(shown(mix, paints));
      setMixIds(tonesOf(scheme, mix, paints));
    },
    goAlong: (id: string, along: boolean) =>
      setMixIds(along ? [...mixIds, id] : mixIds.filter((one) => one !== id)),
  };
}

const SWATCH = { width: 34, height: 24 } as const;
const lightness = ([l]: Triple) => formatNumber(l, 0);

function ToneText({ tone }: { readonly tone: MovedTone | undefined }) {
  if (!tone) return <Typography variant="body2">stays as it is</Typography>;
  return (
    <>
      <Box sx={{ ...SWATCH, bgcolor: labToHex(tone.got) }} />
      <Typography variant="body2">
        L* {lightness(tone.was)} → {lightness(tone.got)}
        {tone.difference >= 3 &&
          `, wanted ${lightness(tone.goal)}: CIEDE2000 ${formatNumber(tone.difference, 0)} off`}
      </Typography>
    </>
  );
}

function Tones({
  wish,
  made,
  paints,
}: {
  readonly wish: ReturnType<typeof useWish>;
  readonly made: Recoloured | null;
  readonly paints: readonly Paint[];
}) {
  return (
    <Box component="ul" aria-label="Mixes" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {wish.mixes.map((mix) => (
        <Box component="li" key={mix.id} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <Box sx={{ ...SWATCH, bgcolor: shown(mix, paints), flexShrink: 0 }} />
          <FormControlLabel
            sx={{ flex: 1 }}
            control={
              <Checkbox
                checked={mix.id === wish.main.id || wish.mixIds.includes(mix.id)}
                disabled={mix.id === wish.main.id}
                onChange={(_, along) => wish.goAlong(mix.id, along)}
              />
            }
            label={mix.name}
          />
          <ToneText tone={made?.tones.find(({ mixId }) => mixId === mix.id)} />
        </Box>
      ))}
    </Box>
  );
}

/** A scheme in another colour, its steps of lightness kept, kept as a scheme of its own. */
export function RecolourDialog({ scheme, paints, refused, onKeep, onClose }: Props) {
  const wish = useWish(scheme, paints);
  const { main, goal, mixIds } = wish;
  const { answer, tried, problem } = useAsked(
    "recolour",
    useMemo(
      () => ({ scheme, mainMixId: main.id, goal, mixIds, paints }),
      [scheme, main, goal, mixIds, paints],
    ),
  );
  const [name, setName] = useState(`${scheme.name}, recoloured`.slice(0, 80));
  const wrong = name.trim() === "" ? "A scheme needs a name." : undefined;
  return (
    <Dialog open maxWidth="sm" fullWidth onClose={leftByHand(onClose)} aria-labelledby="recolour-title">
      <DialogTitle id="recolour-title">{scheme.name} in another colour</DialogTitle>
      <DialogContent>
        <Typography variant="body2" sx={{ mb: 2 }}>
          Each tone stays as much lighter or darker than the main one as it was; mixes come from pots you
          have.
        </Typography>
        <SchemePicture scheme={answer?.scheme ?? scheme} paints={paints} />
        <Box sx={{ height: 4 }}>{tried !== null && <LinearProgress aria-label="Looking for mixes" />}</Box>
        {[problem, refused].map(
          (message) =>
            message !== null && (
              <Alert key={message} severity="error" variant="outlined">
                {message}
              </Alert>
            ),
        )}
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5, my: 2 }}>
          <TextField
            select
            label="Main mix"
            value={main.id}
            onChange={(event) => wish.changeMain(event.target.value)}
          >
            {wish.mixes.map((mix) => (
              <MenuItem key={mix.id} value={mix.id}>
                {mix.name}
              </MenuItem>
            ))}
          </TextField>
          <ColourField label="Its new colour" value={goal} onChange={wish.setGoal} />
        </Box>
        <Tones wish={wish} made={answer} paints={paints} />
        <TextField
          label="Name of the new scheme"
          value={name}
          error={wrong !== undefined}
          helperText={wrong}
          fullWidth
          sx={{ mt: 2 }}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          onChange={(event) => setName(event.target.value)}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={wrong !== undefined || !answer || tried !== null}
          onClick={() =>
            answer &&
            onKeep({
              ...answer.scheme,
              ...{ id: newSchemeId(), name: name.trim(), keptAt: new Date().toISOString() },
              // What was mixed for the other colour is no recipe for this one.
              ...{ asPainted: false, batches: [] },
            })
          }
        >
          Keep it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
