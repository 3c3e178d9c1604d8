import { Box, Button, Dialog, Typography } from "@mui/material";
import { useCallback, useEffect, useState } from "react";
import { counted } from "../../../../core/units";
import { beginSitting, endSitting, removeEntry, tickTurn } from "../../historyStore";
import { useJob } from "../../jobStore";
import { chosenOf } from "../chosen";
import { dateText, partText, timeOf, titleOf } from "../planWords";
import type { Plan, PlanItem } from "../usePlan";
import { WrongDialog } from "../wrong/WrongDialog";
import { BenchCard } from "./BenchCard";
import { useAtBench } from "./benchStore";
import { chime } from "./chime";
import { Clocks } from "./Clocks";
import { useAnyKey } from "./useAnyKey";
import { useAwake } from "./useAwake";
import { useClocks, useNow, useWhenDry } from "./useClocks";

/** Everything that is pressed at the bench is at least so large, px. */
const TARGET_PX = 56;
const BIG = { minHeight: TARGET_PX, fontSize: 18 } as const;

/** How long a turn still has to wait for what is below it, in words; nothing where it need not. */
function WaitNote({ plan: { beganAt, items }, item }: { readonly plan: Plan; readonly item: PlanItem }) {
  const now = useNow();
  if (beganAt === null || item.done) return null;
  const at = timeOf(beganAt, item.turn.setUpAt);
  const minutes = (at.getTime() - now) / 60_000;
  if (minutes < 1) return null;
  const isNext = items.find(({ done }) => !done) === item;
  const words =
    minutes > 180
      ? `Planned for ${dateText(at)}.`
      : isNext
        ? `What lies below it is dry in about ${Math.ceil(minutes)} min; nothing else is to be painted before.`
        : `The plan comes to it in about ${Math.ceil(minutes)} min.`;
  return (
    <Typography role="status" sx={{ fontSize: 18, lineHeight: "26px", px: 2, pt: 1 }}>
      {words}
    </Typography>
  );
}

interface BarProps {
  readonly plan: Plan;
  readonly item: PlanItem;
  readonly awake: boolean;
  readonly onLeave: () => void;
}

function TopLine({ plan, item, awake, onLeave }: BarProps) {
  const { sound, set } = useAtBench();
  const part = partText(item);
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", px: 2, py: 1, flexWrap: "wrap" }}>
      <Box sx={{ flex: 1, minWidth: 150 }}>
        <Typography variant="body2">
          {counted(plan.items.filter(({ done }) => !done).length, "card")} left · {item.cards[0].surface.name}
          {part !== "" && ` · ${part}`}
        </Typography>
        <Typography variant="caption">
          {awake ? "The screen stays on." : "This browser may let the screen go dark."}
        </Typography>
      </Box>
      <Button sx={BIG} aria-pressed={sound} onClick={() => set({ sound: !sound })}>
        {sound ? "Sound on" : "Sound off"}
      </Button>
      <Button sx={BIG} onClick={onLeave}>
        Leave
      </Button>
    </Box>
  );
}

interface Props {
  readonly plan: Plan;
  readonly onLeave: () => void;
}

function Bench({ plan, onLeave }: Props) {
  const { turnId, sound, set } = useAtBench();
  const item = chosenOf(plan.items, turnId);
  const awake = useAwake();
  useEffect(beginSitting, []);
  const clocks = useClocks();
  useWhenDry(
    clocks,
    useCallback(() => sound && chime(), [sound]),
  );
  const show = (other: PlanItem | undefined) => other && set({ turnId: other.turn.id });
  const at = item ? plan.items.indexOf(item) : -1;
  const onDone = () => {
    if (!item) return;
    const goesOn = item.done || item.turn.goesOn;
    if (!goesOn) tickTurn(item);
    // After what is done the plan tells what comes first; looking through it goes card by card.
    set({ turnId: goesOn ? (plan.items[at + 1]?.turn.id ?? null) : null });
  };
  const onBack = () => show(plan.items[at - 1]);
  const [wrong, setWrong] = useState(false);
  useAnyKey({ onAny: onDone, onBack }, item !== undefined && !wrong);
  if (!item) return <Typography sx={{ p: 3, fontSize: 18 }}>There is no card.</Typography>;
  const left = plan.items.filter(({ done }) => !done).length;
  return (
    <Box sx={{ display: "flex", flexDirection: "column", height: "100dvh" }}>
      <TopLine {...{ plan, item, awake, onLeave }} />
      <Clocks clocks={clocks} />
      <WaitNote plan={plan} item={item} />
      <Box sx={{ flex: 1, overflow: "auto" }}>
        <BenchCard item={item} title={titleOf(item)} />
      </Box>
      <Box
        sx={{
          display: "flex",
          gap: 1,
          p: 1.5,
          borderTop: 1,
          borderColor: "divider",
          bgcolor: "background.paper",
        }}
      >
        <Button sx={BIG} variant="outlined" onClick={onBack} disabled={at <= 0}>
          Back
        </Button>
        {item.entry && (
          <Button sx={BIG} variant="outlined" onClick={() => removeEntry(item.entry!)}>
            Not done
          </Button>
        )}
        <Button sx={BIG} variant="outlined" onClick={() => setWrong(true)}>
          It went wrong
        </Button>
        <Button sx={{ ...BIG, flex: 1 }} variant="contained" onClick={onDone} disabled={left === 0}>
          {item.done || item.turn.goesOn ? "On" : left === 1 ? "Done" : "Done, on to the next"}
        </Button>
      </Box>
      {wrong && (
        <WrongDialog
          item={item}
          onClose={() => setWrong(false)}
          onTaken={() => {
            setWrong(false);
            set({ turnId: null });
          }}
        />
      )}
    </Box>
  );
}

/** One card at a time, full screen and large, with the clocks of all that dries. Any key goes on. */
export function AtBench({ plan }: { readonly plan: Plan }) {
  const { id } = useJob();
  const { jobId, set } = useAtBench();
  const leave = () => {
    endSitting();
    set({ jobId: null });
  };
  return (
    <Dialog
      fullScreen
      open={jobId === id}
      onClose={leave}
      disableRestoreFocus
      slotProps={{ paper: { "aria-label": "At the bench" } }}
    >
      {jobId === id && <Bench plan={plan} onLeave={leave} />}
    </Dialog>
  );
}
