import { Box, Button, Checkbox, Collapse, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { swatchOfMix } from "../../core/colour/appearance";
import { labToHex, spectrumToLab } from "../../core/colour/spaces";
import { mixesInUse } from "../../core/edits/recolour";
import type { OwnScheme, Paint } from "../../core/job";
import { counted, formatNumber } from "../../core/units";
import { BatchList } from "./BatchList";
import { materialOf, patternOf } from "./finding";
import { SchemePicture } from "./SchemePicture";

/** Where it comes from, and when it was kept. */
function originText({ from, keptAt, asPainted }: OwnScheme): string {
  if (!from) return "Kept before jobs were noted";
  const day = keptAt ? `, ${new Date(keptAt).toLocaleDateString("en-GB", { dateStyle: "medium" })}` : "";
  return `${from.job}, ${from.surface}${day}: ${asPainted ? "as it was painted" : "as it was planned"}`;
}

function Mixes({ scheme, paints }: { readonly scheme: OwnScheme; readonly paints: readonly Paint[] }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, my: 1 }}>
      {mixesInUse(scheme).map((mix) => (
        <Box
          key={mix.id}
          role="img"
          aria-label={mix.name}
          title={mix.name}
          sx={{ width: 26, height: 20, bgcolor: labToHex(spectrumToLab(swatchOfMix(mix, paints))) }}
        />
      ))}
    </Box>
  );
}

/** Its name, kept when the field is left or with Enter. */
function SchemeName({
  name,
  onChange,
}: {
  readonly name: string;
  readonly onChange: (name: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed !== null && typed.trim() === "";
  const keep = () => {
    if (typed === null || wrong) return;
    setTyped(null);
    if (typed.trim() !== name) onChange(typed.trim());
  };
  return (
    <TextField
      label="Name"
      value={typed ?? name}
      error={wrong}
      helperText={wrong ? "A scheme needs a name." : undefined}
      sx={{ flex: 1 }}
      slotProps={{ htmlInput: { maxLength: 80 } }}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
    />
  );
}

interface Props {
  readonly scheme: OwnScheme;
  readonly paints: readonly Paint[];
  /** How far its main colour is from the one looked for, CIEDE2000; null where none is. */
  readonly away: number | null;
  readonly chosen: boolean;
  readonly onChoose: (chosen: boolean) => void;
  readonly onChange: (scheme: OwnScheme) => void;
  readonly onRecolour: () => void;
  readonly onRemove: () => void;
}

function Facts({ scheme, paints, away }: Pick<Props, "scheme" | "paints" | "away">) {
  const facts = [materialOf(scheme), patternOf(scheme)].filter((fact) => fact !== "");
  const coats = scheme.coats.filter(({ held }) => !held).length;
  return (
    <>
      <Typography variant="body2">{originText(scheme)}</Typography>
      <Typography variant="body2">
        {[
          ...facts,
          `${counted(coats, "coat")} in ${counted(mixesInUse(scheme).length, "mix", "mixes")}`,
        ].join(" · ")}
        {away !== null && ` · CIEDE2000 ${formatNumber(away, 0)} away`}
      </Typography>
      <Mixes scheme={scheme} paints={paints} />
    </>
  );
}

/** One scheme of the painter's own: what it looks like, where it comes from, and what can be done with it. */
export function SchemeCard(props: Props) {
  const { scheme, paints, chosen, onChoose, onChange, onRecolour, onRemove } = props;
  const [open, setOpen] = useState(false);
  const told = scheme.batches.length > 0 || scheme.notes !== "";
  return (
    <Box
      component="li"
      aria-label={scheme.name}
      sx={{
        border: 1,
        borderColor: chosen ? "primary.main" : "divider",
        bgcolor: "background.paper",
        gridColumn: open ? "1 / -1" : undefined,
      }}
    >
      <SchemePicture scheme={scheme} paints={paints} />
      <Box sx={{ p: 1.5 }}>
        <Box sx={{ display: "flex", alignItems: "flex-start", gap: 0.5, mb: 1 }}>
          <SchemeName name={scheme.name} onChange={(name) => onChange({ ...scheme, name })} />
          <Checkbox
            checked={chosen}
            slotProps={{ input: { "aria-label": `Choose ${scheme.name}` } }}
            onChange={(_, next) => onChoose(next)}
          />
        </Box>
        <Facts {...props} />
        <Box sx={{ display: "flex", flexWrap: "wrap" }}>
          <Button disabled={mixesInUse(scheme).length === 0} onClick={onRecolour}>
            In another colour
          </Button>
          {told && (
            <Button aria-expanded={open} onClick={() => setOpen(!open)}>
              {open ? "Close the record" : "Match it"}
            </Button>
          )}
          <Button href={`/api/schemes/${scheme.id}`} download>
            As a file
          </Button>
          <Button onClick={onRemove}>Remove</Button>
        </Box>
        <Collapse in={open} unmountOnExit>
          {scheme.notes !== "" && (
            <Typography sx={{ whiteSpace: "pre-line", my: 1 }}>{scheme.notes}</Typography>
          )}
          <BatchList batches={scheme.batches} mixes={scheme.mixes} paints={paints} />
        </Collapse>
      </Box>
    </Box>
  );
}
