import { Box, Button, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { differenceInWords, ciede2000 } from "../../../core/colour/difference";
import { hexToLab, labToHex } from "../../../core/colour/spaces";
import type { Well } from "../../../core/job";
import { mixById } from "../../../core/job";
import {
  recipeOf,
  thinningOf,
  volumeUl,
  wellLab,
  withDrops,
  withUsed,
  type FoundAddition,
} from "../../../core/plan/wells";
import { counted, formatNumber, formatThinning, withUnit } from "../../../core/units";
import { NumberField } from "../../../ui/NumberField";
import { TextEdit } from "../../../ui/TextEdit";
import { beginWell, changeWell, useHistory, washOut } from "../historyStore";
import { useJob, usePainter, usePaints } from "../jobStore";
import { additionsText } from "./additionsText";
import { ColourGoal } from "./questions/ColourGoal";
import { useWellAdditions } from "./useWellAdditions";

/** A palette well is full at about this much. */
const MOST_UL = 3000;
const WATER = "water";

type Change = (next: Well, words?: string) => void;

function AddDrops({ well, change }: { readonly well: Well; readonly change: Change }) {
  const paints = usePaints();
  const painter = usePainter();
  const [pot, setPot] = useState<string>(well.content[0]?.paintId ?? paints[0]?.id ?? WATER);
  const [drops, setDrops] = useState(1);
  const sizes = { paints, waterDropUl: painter.waterDropUl };
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
      <TextField
        select
        label="Add"
        value={pot}
        sx={{ width: 160 }}
        onChange={(event) => setPot(event.target.value)}
      >
        <MenuItem value={WATER}>water</MenuItem>
        {paints.map((paint) => (
          <MenuItem key={paint.id} value={paint.id}>
            {paint.name}
          </MenuItem>
        ))}
      </TextField>
      <NumberField label="Drops" min={1} max={200} whole width={76} value={drops} onChange={setDrops} />
      <Button
        sx={{ mt: 0.4 }}
        onClick={() =>
          change(
            withDrops(well, pot === WATER ? null : pot, drops, sizes),
            `${counted(drops, "drop")} of ${paints.find((one) => one.id === pot)?.name ?? WATER} went into ${well.name}.`,
          )
        }
      >
        It went in
      </Button>
    </Box>
  );
}

function ToReach({ well, change }: { readonly well: Well; readonly change: Change }) {
  const job = useJob();
  const paints = usePaints();
  const painter = usePainter();
  const mix = mixById(job, well.mixId ?? "");
  const [goal, setGoal] = useState(mix?.goal ?? job.goals[0]?.colour ?? "#8a7a5c");
  const { answered, ask, clear } = useWellAdditions(well, MOST_UL);
  const answers = answered?.kind === "found" ? answered.answers : null;
  const sizes = { paints, waterDropUl: painter.waterDropUl };
  const now = wellLab(well.content, paints);
  const off = now ? ciede2000(now, hexToLab(goal)) : null;
  const take = (answer: FoundAddition) => {
    change(
      answer.additions.reduce((next, one) => withDrops(next, one.paintId, one.drops, sizes), well),
      `${additionsText(answer.additions, paints)} went into ${well.name}.`,
    );
    clear();
  };
  return (
    <Box sx={{ display: "grid", gap: 1, maxWidth: 380 }}>
      <ColourGoal
        label="To reach"
        value={goal}
        onChange={(next) => {
          setGoal(next);
          clear();
        }}
      />
      {off !== null && (
        <Typography variant="body2">
          Now off by {formatNumber(off, 1)}, {differenceInWords(off)}.
        </Typography>
      )}
      <Button
        variant="outlined"
        sx={{ justifySelf: "start" }}
        disabled={answered?.kind === "busy"}
        onClick={() => ask(goal)}
      >
        {answered?.kind === "busy" ? "Looking …" : "What do I add?"}
      </Button>
      {answered?.kind === "failed" && <Typography color="error">{answered.message}</Typography>}
      {answers?.length === 0 && (
        <Typography>The well is full: nothing can be added below {withUnit(MOST_UL, 0, "µl")}.</Typography>
      )}
      {answers?.map((answer) => (
        <Box
          key={JSON.stringify(answer.additions)}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            borderTop: 1,
            borderColor: "divider",
            pt: 0.7,
          }}
        >
          <Box sx={{ width: 34, height: 28, bgcolor: labToHex(answer.lab), flexShrink: 0 }} />
          <Typography sx={{ flex: 1 }}>
            {additionsText(answer.additions, paints)}
            <Box component="span" sx={{ display: "block", color: "text.secondary" }}>
              off by {formatNumber(answer.difference, 1)}, {withUnit(answer.volumeUl, 0, "µl")} then
            </Box>
          </Typography>
          <Button sx={{ minWidth: 0 }} onClick={() => take(answer)}>
            It went in
          </Button>
        </Box>
      ))}
    </Box>
  );
}

function WellCard({ well }: { readonly well: Well }) {
  const job = useJob();
  const paints = usePaints();
  const [usedUl, setUsed] = useState(100);
  const change: Change = (next, words) => changeWell(next, words);
  const lab = wellLab(well.content, paints);
  const mix = mixById(job, well.mixId ?? "");
  const volume = volumeUl(well);
  return (
    <Box
      component="section"
      aria-label={`Well ${well.name}`}
      sx={{ bgcolor: "background.paper", p: 1.5, display: "grid", gap: 1.2 }}
    >
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <Box
          title={lab ? labToHex(lab) : "nothing in it"}
          sx={{
            width: 52,
            height: 52,
            borderRadius: "50%",
            flexShrink: 0,
            bgcolor: lab ? labToHex(lab) : "transparent",
            border: lab ? 0 : 1,
            borderColor: "divider",
          }}
        />
        <Box sx={{ flex: 1 }}>
          <TextEdit
            label="Name of the well"
            value={well.name}
            most={80}
            onChange={(name) => change({ ...well, name })}
            plain={{
              variant: "standard",
              slotProps: { input: { disableUnderline: true, sx: { fontWeight: 600, fontSize: 13 } } },
            }}
          />
          <Typography variant="body2">
            {withUnit(volume, 0, "µl")} in it, thinned{" "}
            {formatThinning(Math.round(thinningOf(well) * 100) / 100)}
            {mix ? `, for ${mix.name}` : ""}
          </Typography>
          <Typography variant="body2">
            Went in: {well.added.length > 0 ? additionsText(recipeOf(well), paints) : "nothing yet"}
          </Typography>
        </Box>
        <Button onClick={() => washOut(well)}>Wash it out</Button>
      </Box>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
        <AddDrops well={well} change={change} />
        <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
          <NumberField
            label="Used"
            unit="µl"
            min={1}
            max={100000}
            step={10}
            width={110}
            value={usedUl}
            onChange={setUsed}
          />
          <Button
            sx={{ mt: 0.4 }}
            disabled={volume === 0}
            onClick={() =>
              change(withUsed(well, usedUl), `${withUnit(usedUl, 0, "µl")} of ${well.name} were painted.`)
            }
          >
            It was painted
          </Button>
        </Box>
      </Box>
      <ToReach well={well} change={change} />
    </Box>
  );
}

/** The wells on the palette: what went in, what is left, and what to add to reach a tone. */
export function WellsView() {
  const { wells } = useHistory();
  const begin = () =>
    beginWell((id) => ({
      id,
      name: `Well ${wells.length + 1}`,
      mixId: null,
      added: [],
      content: [],
      waterUl: 0,
    }));
  return (
    <>
      {wells.length === 0 && (
        <Typography sx={{ bgcolor: "background.paper", p: 1.5 }}>
          A well keeps count of the drops that went into a mix, so that you can steer it and find it again.
          Begin one from a mix, or an empty one here. Ticking a card off keeps the well&apos;s drops in the
          log.
        </Typography>
      )}
      {wells.map((well) => (
        <WellCard key={well.id} well={well} />
      ))}
      <Button variant="contained" onClick={begin} sx={{ alignSelf: "flex-start" }}>
        Begin an empty well
      </Button>
    </>
  );
}
