import { ListSubheader, MenuItem, TextField, type TextFieldProps } from "@mui/material";
import { withPotMix } from "../../core/edits/mixes";
import type { Mix, Paint } from "../../core/job";
import type { PaintKind } from "../../core/job/paint";
import { whileTyping } from "../../ui/typing";
import { useJobStore, useMixes, usePaints } from "./jobStore";
import { MixOption, PotOption } from "./MixOption";

interface Props {
  readonly label: string;
  /** Named for those who cannot see it, without a label on screen. */
  readonly hideLabel?: boolean;
  readonly value: string | null;
  /** Can be none. */
  readonly none?: boolean;
  /** Kinds of pots it can be; liquid paints where left out. */
  readonly kinds?: readonly PaintKind[];
  readonly onChange: (id: string | null) => void;
  readonly look?: Omit<TextFieldProps, "label" | "value" | "onChange" | "select">;
}

const POT = "pot:";
const PAINTS: readonly PaintKind[] = ["paint"];

/** Pots at hand that no mix of the job stands for as they are. */
function otherPots(mixes: readonly Mix[], paints: readonly Paint[], kinds: readonly PaintKind[]): Paint[] {
  const alone = new Set(mixes.flatMap(({ parts }) => (parts.length === 1 ? [parts[0]!.paintId] : [])));
  return paints.filter(
    ({ id, kind, state }) => kinds.includes(kind) && (state === "have" || state === "low") && !alone.has(id),
  );
}

/**
 * One of the job's mixes, or a pot of the shelf as it is, which becomes a mix of the job. Making it and taking it are
 * one step for undo.
 */
export function MixSelect({ label, hideLabel, value, none, kinds = PAINTS, onChange, look }: Props) {
  const mixes = useMixes();
  const pots = otherPots(mixes, usePaints(), kinds);
  const take = (choice: string) => {
    if (!choice.startsWith(POT)) {
      onChange(choice === "" ? null : choice);
      return;
    }
    const { job, paints, edit } = useJobStore.getState();
    const paint = paints.find(({ id }) => `${POT}${id}` === choice);
    if (!job || !paint) return;
    const made = withPotMix(job, paint);
    whileTyping({}, () => {
      edit(() => made.job);
      onChange(made.mixId);
    });
  };
  return (
    <TextField
      {...look}
      select
      label={hideLabel ? undefined : label}
      value={mixes.some((mix) => mix.id === value) ? value : ""}
      slotProps={{
        ...look?.slotProps,
        select: {
          SelectDisplayProps: hideLabel ? { "aria-label": label } : {},
          MenuProps: { sx: { maxHeight: 520 } },
        },
      }}
      onChange={(event) => take(event.target.value)}
    >
      {none && <MenuItem value="">none</MenuItem>}
      {mixes.map((mix) => (
        <MenuItem key={mix.id} value={mix.id}>
          <MixOption mix={mix} />
        </MenuItem>
      ))}
      {pots.length > 0 && <ListSubheader>Pots as they are</ListSubheader>}
      {pots.map((paint) => (
        <MenuItem key={paint.id} value={`${POT}${paint.id}`}>
          <PotOption paint={paint} />
        </MenuItem>
      ))}
    </TextField>
  );
}
