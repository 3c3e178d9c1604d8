import {
  Box,
  FormControlLabel,
  MenuItem,
  Radio,
  RadioGroup,
  TextField,
  ToggleButton,
  Typography,
} from "@mui/material";
import type { Job, MishapId, Surface } from "../../../../core/job";
import { mishaps } from "../../../../core/mishaps";
import type { Told } from "../../../../core/mishaps/mishap";
import { NumberField } from "../../../../ui/NumberField";
import { FlatPlace } from "../../FlatPlace";
import { MixSelect } from "../../MixSelect";
import type { Possible } from "./happening";

interface Props {
  readonly job: Job;
  readonly surface: Surface;
  readonly possible: readonly Possible[];
  readonly told: Told | null;
  /** Figures of the unit the coat goes on. */
  readonly figures: readonly number[];
  readonly onKind: (kind: MishapId) => void;
  readonly onTold: (change: Partial<Told>) => void;
}

/** Which of them: one line each, with why it happens below the one that is chosen. */
function Kinds({ possible, told, onKind }: Pick<Props, "possible" | "told" | "onKind">) {
  return (
    <RadioGroup
      aria-label="What went wrong?"
      value={told?.kind ?? ""}
      onChange={(_, kind) => onKind(kind as MishapId)}
    >
      {possible.map(({ kind }) => (
        <Box key={kind}>
          <FormControlLabel value={kind} control={<Radio />} label={mishaps[kind].label} />
          {told?.kind === kind && (
            <Typography variant="body2" sx={{ ml: 4, mb: 1 }}>
              {mishaps[kind].about}
            </Typography>
          )}
        </Box>
      ))}
    </RadioGroup>
  );
}

/** On which figures of a unit: pressed are those it happened to. */
function OnFigures({ figures, told, onTold }: Pick<Props, "figures" | "onTold"> & { readonly told: Told }) {
  const on = told.figures ?? figures;
  const toggled = (figure: number) => {
    const next = on.includes(figure)
      ? on.filter((one) => one !== figure)
      : [...on, figure].toSorted((a, b) => a - b);
    if (next.length > 0) onTold({ figures: next });
  };
  return (
    <Box role="group" aria-label="On which figures?">
      <Typography variant="body2">On which figures?</Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mt: 0.5 }}>
        {figures.map((figure) => (
          <ToggleButton
            key={figure}
            value={figure}
            size="small"
            selected={on.includes(figure)}
            onClick={() => toggled(figure)}
            sx={{ minWidth: 44, minHeight: 40 }}
          >
            {figure}
          </ToggleButton>
        ))}
      </Box>
    </Box>
  );
}

/** Where and how much. */
function Details({ job, surface, possible, told, figures, onTold }: Props & { readonly told: Told }) {
  const { asks } = mishaps[told.kind];
  const coats = possible.find(({ kind }) => kind === told.kind)?.coats ?? [];
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      {coats.length > 1 && (
        <TextField
          select
          label="Which coat?"
          value={told.coatId}
          onChange={(event) => onTold({ coatId: event.target.value })}
        >
          {coats.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {asks.mix && (
        <MixSelect
          label="Which mix was in the well?"
          value={told.mixId}
          onChange={(mixId) => onTold({ mixId })}
        />
      )}
      {asks.amount && (
        <NumberField
          label={asks.amount.label}
          value={told.amount}
          unit={asks.amount.unit}
          min={asks.amount.range[0]}
          max={asks.amount.range[1]}
          step={asks.amount.step}
          whole={asks.amount.unit === "passes"}
          onChange={(amount) => onTold({ amount })}
        />
      )}
      {asks.place && (
        <Box>
          <FlatPlace
            {...{ job, surface, place: told, name: "Where it went wrong" }}
            onMove={(place) => onTold(place)}
            draw={(line) => (
              <>
                <circle r={told.amount / 2} fill="none" stroke="#000" strokeWidth={line * 3} opacity={0.6} />
                <circle r={told.amount / 2} fill="none" stroke="#fff" strokeWidth={line * 1.4} />
              </>
            )}
          />
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            Press where it is on the piece laid flat.
          </Typography>
        </Box>
      )}
      {figures.length > 1 && <OnFigures {...{ figures, told, onTold }} />}
    </Box>
  );
}

/** What went wrong, where and how much. */
export function WrongForm(props: Props) {
  const { told } = props;
  return (
    <Box sx={{ display: "grid", gap: 1.5, alignContent: "start" }}>
      <Kinds {...props} />
      {told && <Details {...props} told={told} />}
    </Box>
  );
}
