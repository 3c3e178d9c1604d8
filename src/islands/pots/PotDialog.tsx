import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle, Tab, Tabs } from "@mui/material";
import { useState } from "react";
import type { Paint } from "../../core/job";
import { messageOf } from "../../ui/api";
import { PotFields } from "./PotFields";
import { PotReadings } from "./PotReadings";
import { leftByHand } from "../../ui/dialogs";

interface Props {
  readonly first: Paint;
  readonly isNew: boolean;
  readonly shelf: readonly Paint[];
  readonly onClose: () => void;
  /** @throws ApiError where it cannot be kept */
  readonly onSave: (paint: Paint) => Promise<unknown>;
  readonly onRemove: (paint: Paint) => Promise<unknown>;
}

/** One pot: what is known of it by eye, and its readings. */
export function PotDialog({ first, isNew, shelf, onClose, onSave, onRemove }: Props) {
  const [paint, setPaint] = useState(first);
  const [tab, setTab] = useState<"eye" | "readings">("eye");
  const [problem, setProblem] = useState<string | null>(null);
  const [wrong, setWrong] = useState<ReadonlySet<string>>(new Set());
  const noteWrong = (field: string, isWrong: boolean) =>
    setWrong((now) => new Set([...now].filter((one) => one !== field).concat(isWrong ? [field] : [])));
  const run = async (work: () => Promise<unknown>) => {
    try {
      await work();
      onClose();
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  const set = (change: Partial<Paint>) => setPaint((now) => ({ ...now, ...change }));
  const named = { ...paint, name: paint.name.trim(), range: paint.range.trim() };
  return (
    <Dialog open onClose={leftByHand(onClose)} fullWidth maxWidth="sm">
      <DialogTitle sx={{ pb: 0 }}>{isNew ? "A pot for the shelf" : first.name}</DialogTitle>
      <DialogContent>
        <Tabs
          value={tab}
          onChange={(_event, next: "eye" | "readings") => {
            setTab(next);
            setWrong(new Set());
          }}
          sx={{ mb: 1 }}
        >
          <Tab value="eye" label="By eye" />
          <Tab value="readings" label={paint.fit ? "Readings, in use" : "Readings"} />
        </Tabs>
        {problem !== null && (
          <Alert severity="error" variant="outlined" sx={{ mb: 1 }}>
            {problem}
          </Alert>
        )}
        {tab === "eye" && paint.fit && (
          <Alert severity="info" variant="outlined" sx={{ mb: 1 }}>
            This pot was read. A colour or hiding changed here takes the place of its readings.
          </Alert>
        )}
        {tab === "eye" ? (
          <PotFields paint={paint} set={set} onWrong={noteWrong} />
        ) : (
          <PotReadings paint={paint} shelf={shelf} set={set} />
        )}
      </DialogContent>
      <DialogActions>
        {!isNew && (
          <Button onClick={() => void run(() => onRemove(first))} sx={{ mr: "auto" }}>
            Take off the shelf
          </Button>
        )}
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={named.name === "" || wrong.size > 0}
          onClick={() => void run(() => onSave(named))}
        >
          {isNew ? "Put on the shelf" : "Change"}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
