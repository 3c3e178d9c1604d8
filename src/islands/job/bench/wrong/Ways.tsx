import { Box, FormControlLabel, Radio, RadioGroup, Typography } from "@mui/material";
import { outOfReach, type Mending, type WayOn } from "../../../../core/mishaps/mend";
import { counted, formatMinutes, formatNumber } from "../../../../core/units";

interface Props {
  readonly mending: Mending;
  readonly chosen: WayOn;
  /** What the goal is told by. */
  readonly goal: "look" | "marks";
  readonly onChoose: (id: string) => void;
}

/** Ways shown before all are asked for. */
export const FIRST_WAYS = 5;

/** How far a way leads from the plan: on the whole piece, or by how irregular the marks are. */
const farText = ({ distance: { far } }: WayOn, goal: "look" | "marks"): string =>
  goal === "look" ? `${formatNumber(far, 1)} CIEDE2000 off` : `irregularity ${formatNumber(far, 2)} off`;

function Words({ way, mending }: { readonly way: WayOn; readonly mending: Mending }) {
  const cards = way.added.length;
  return (
    <Box sx={{ ml: 4, mb: 1.5 }}>
      <Typography sx={{ fontWeight: 500 }}>
        {way.wet && "Now, while it is wet: "}
        {way.say}
      </Typography>
      {way.caution !== null && (
        <Typography sx={{ mt: 0.5 }}>
          <b>Caution:</b> {way.caution}
        </Typography>
      )}
      {cards > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          It adds {counted(cards, "card")}, about {formatMinutes(way.minutes)} a figure.
        </Typography>
      )}
      {way.replanned.length > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          The rest is planned anew: {way.replanned.join(" ")}
        </Typography>
      )}
      <Typography variant="body2" sx={{ mt: 0.5 }}>
        {outOfReach(way, mending.areaMm2)}
      </Typography>
    </Box>
  );
}

/** Every way on, the nearest to the plan first; the chosen one in words. */
export function Ways({ mending, chosen, goal, onChoose, all }: Props & { readonly all: boolean }) {
  const shown = all ? mending.ways : mending.ways.slice(0, FIRST_WAYS);
  return (
    <RadioGroup aria-label="Ways on" value={chosen.id} onChange={(_, id) => onChoose(id)}>
      {shown.map((way) => (
        <Box key={way.id}>
          <FormControlLabel
            value={way.id}
            control={<Radio />}
            label={
              <>
                {way.label}
                <Typography variant="caption" component="span" sx={{ ml: 1 }}>
                  {farText(way, goal)}
                </Typography>
              </>
            }
          />
          {way === chosen && <Words {...{ way, mending }} />}
        </Box>
      ))}
    </RadioGroup>
  );
}
