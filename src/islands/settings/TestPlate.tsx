import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useRef, useState } from "react";
import type { Painter } from "../../core/painter";
import { offersOf, withOffers, type PlateOffer, type RowTimes } from "../../core/plate/hand";
import type { PlateReading } from "../../core/plate/reading";
import { counted, formatNumber } from "../../core/units";
import { NumberField } from "../../ui/NumberField";
import { PlatePhoto } from "./PlatePhoto";
import { usePlate } from "./usePlate";

/** What was measured, row by row, in words. */
function rowsText({ lines, dots, strokes, thinning }: PlateReading): [string, string][] {
  const mm = (value: number, digits = 2) => `${formatNumber(value, digits)}\u202fmm`;
  const none = "not painted, or not to be told from paper";
  return [
    [
      "Lines",
      lines
        ? `${counted(lines.count, "line")}, ${mm(lines.widthMm)} wide, ${mm(lines.wobbleMm, 3)} off straight (root mean square)`
        : none,
    ],
    ["Dots", dots ? `${counted(dots.count, "dot")}, ${mm(dots.acrossMm)} across` : none],
    [
      "Strokes",
      strokes
        ? `${counted(strokes.count, "stroke")}, ${mm(strokes.lengthMm, 1)} long, ${mm(strokes.offMm)} off an even row`
        : none,
    ],
    [
      "Thinning",
      thinning
        ? `as thin as named with ${formatNumber(thinning.times, 2)} times the water, from ${counted(thinning.boxes, "box", "boxes")}`
        : "fewer than three boxes tell anything: the bar has to show through, more and more",
    ],
  ];
}

const valueText = ({ unit }: PlateOffer, value: number): string =>
  `${formatNumber(value, 2)}${unit === "" ? "" : `\u202f${unit}`}`;

interface OffersProps {
  readonly offers: readonly PlateOffer[];
  readonly onTake: (offers: readonly PlateOffer[]) => void;
}

function Offers({ offers, onTake }: OffersProps) {
  const open = offers.filter(({ was, now }) => was !== now);
  return (
    <Box
      component="ul"
      aria-label="What the plate says of your numbers"
      sx={{ listStyle: "none", m: 0, p: 0 }}
    >
      {offers.map((offer) => (
        <Box
          component="li"
          key={offer.id}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            borderTop: 1,
            borderColor: "divider",
            minHeight: 44,
          }}
        >
          <Typography sx={{ flex: 1 }}>{offer.label}</Typography>
          <Typography sx={{ fontWeight: 600 }}>{valueText(offer, offer.now)}</Typography>
          <Typography variant="body2" sx={{ width: 120 }}>
            {offer.was === offer.now ? "as you have it" : `you have ${valueText(offer, offer.was)}`}
          </Typography>
          <Button disabled={offer.was === offer.now} onClick={() => onTake([offer])}>
            Take it over
          </Button>
        </Box>
      ))}
      {open.length > 1 && (
        <li>
          <Button variant="outlined" onClick={() => onTake(open)}>
            Take all {open.length} over
          </Button>
        </li>
      )}
    </Box>
  );
}

function Times({
  times,
  onChange,
}: {
  readonly times: RowTimes;
  readonly onChange: (times: RowTimes) => void;
}) {
  const field = (label: string, key: keyof RowTimes) => (
    <NumberField
      {...{ label, unit: "s", min: 0, max: 3600, step: 1, value: times[key] ?? 0 }}
      onChange={(seconds) => onChange({ ...times, [key]: seconds > 0 ? seconds : null })}
    />
  );
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "repeat(2, minmax(0, 220px))", gap: 1.5, my: 1.5 }}>
      {field("All lines took", "lines")}
      {field("All dots took", "dots")}
    </Box>
  );
}

/** The numbers a plate may change. */
const numbersOf = ({ hand, waterTimes, secondsPerPull, secondsPerDot }: Painter) => ({
  ...{ hand, waterTimes, secondsPerPull, secondsPerDot },
});

interface Props {
  readonly painter: Painter;
  readonly change: (painter: Painter) => void;
}

/** A plate that is printed, painted and photographed: the photo tells what the hand does. */
export function TestPlate({ painter, change }: Props) {
  const plate = usePlate();
  const input = useRef<HTMLInputElement>(null);
  const [times, setTimes] = useState<RowTimes>({ lines: null, dots: null });
  const [before, setBefore] = useState<Painter | null>(null);
  const { answer, busy, problem } = plate;
  const reading = answer?.reading;
  return (
    <Box component="section" aria-label="Test plate" sx={{ mt: 4 }}>
      <Typography variant="h2">Test plate</Typography>
      <Typography variant="body2">
        Print it, paint its rows, take a photo with all four ring marks in it. The photo tells your finest
        line, how steady it is, your dots, an even row and your thinning.
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1.5 }}>
        <Button variant="outlined" disabled={busy !== null} onClick={plate.print}>
          {busy === "printing" ? "Making the PDF" : "Print the plate as PDF"}
        </Button>
        <Button variant="outlined" disabled={busy !== null} onClick={() => input.current?.click()}>
          Take in its photo
        </Button>
        <Button disabled={busy !== null} onClick={plate.readSimulated}>
          {plate.simulated ? "Another simulated photo" : "Try a simulated photo"}
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          aria-label="Photo file"
          hidden
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) plate.readFile(file);
            event.target.value = "";
          }}
        />
      </Box>
      {busy === "reading" && <LinearProgress aria-label="Reading the photo" />}
      {[problem, answer?.problem ?? null].map(
        (message) =>
          message !== null && (
            <Alert key={message} severity="error" variant="outlined" sx={{ my: 1 }}>
              {message}
            </Alert>
          ),
      )}
      {answer && <PlatePhoto answer={answer} simulated={plate.simulated} onMarks={plate.readAgain} />}
      {reading && (
        <>
          <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "90px 1fr", gap: 0.5, my: 1.5 }}>
            {rowsText(reading).map(([row, text]) => (
              <Box key={row} sx={{ display: "contents" }}>
                <Typography component="dt" sx={{ fontWeight: 500 }}>
                  {row}
                </Typography>
                <Typography component="dd" sx={{ m: 0 }}>
                  {text}
                </Typography>
              </Box>
            ))}
          </Box>
          <Typography variant="body2">
            Where you looked at the clock, rates follow too; 0 where you did not.
          </Typography>
          <Times times={times} onChange={setTimes} />
          {plate.simulated && (
            <Alert severity="info" variant="outlined" sx={{ mb: 1 }}>
              These are the numbers of a hand that does not exist: taken over, they replace yours.
            </Alert>
          )}
          <Offers
            offers={offersOf(reading, times, painter)}
            onTake={(offers) => {
              setBefore(before ?? painter);
              change(withOffers(painter, offers));
            }}
          />
          {before && (
            <Button
              onClick={() => {
                change({ ...painter, ...numbersOf(before) });
                setBefore(null);
              }}
            >
              Put my numbers back
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
