import {
  Box,
  Button,
  FormControlLabel,
  MenuItem,
  Slider,
  Switch,
  TextField,
  Typography,
} from "@mui/material";
import { mixById, type Coat, type Place, type Surface } from "../../../core/job";
import { applyRemedy } from "../../../core/checks/applyRemedy";
import { partsText } from "../../../core/plan/cardText";
import { formatNumber } from "../../../core/units";
import { hashText } from "../../../core/random";
import { completeParams } from "../../../core/params";
import { inMix, mixSuits } from "../../../core/edits/newCoat";
import type { TechniqueDefinition } from "../../../core/techniques/technique";
import { isTechniqueId, techniques } from "../../../core/techniques";
import { NumberField } from "../../../ui/NumberField";
import { MixOption } from "../MixOption";
import { TextEdit } from "../../../ui/TextEdit";
import { ColumnHead } from "../../../ui/Row";
import { placesFor } from "./places";
import { placeName } from "../../../core/plan/placeWords";
import { CoatEffects } from "./CoatEffects";
import { CoatSwatches } from "./CoatSwatches";
import { CopyCoat } from "./CopyCoat";
import { PlaceEditor } from "./PlaceEditor";
import { ZonePicker } from "./ZonePicker";
import { FindingLine } from "../check/FindingLine";
import { useEdit, useJob, usePaints } from "../jobStore";
import { useFindings } from "../useStageStates";
import { useBuilt, useEditSurface } from "../useSurface";
import { useView } from "../viewStore";

/** Zones count as one choice, whichever they are. */
const sameChoice = (a: Place, b: Place) =>
  a.kind === "zones" ? b.kind === "zones" : JSON.stringify(a) === JSON.stringify(b);

type Change = (part: Partial<Coat>) => void;

interface MarksProps {
  readonly coat: Coat;
  readonly earlier: readonly Coat[];
  readonly change: Change;
}

/** Two coats of one technique and one seed set their marks at the same places: dark beside light makes dents. */
function WhereMarksFall({ coat, earlier, change }: MarksProps) {
  return (
    <TextField
      select
      label="Its marks fall"
      value={earlier.find((one) => one.seed === coat.seed)?.id ?? ""}
      onChange={(event) =>
        change({
          seed:
            earlier.find((one) => one.id === event.target.value)?.seed ??
            hashText(`${coat.id}/${coat.seed}`) % 100000,
        })
      }
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
    >
      <MenuItem value="">where chance has them</MenuItem>
      {earlier.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          where those of {one.name} do
        </MenuItem>
      ))}
    </TextField>
  );
}

interface SlidersProps {
  readonly coat: Coat;
  readonly technique: TechniqueDefinition;
  readonly change: Change;
}

/** A slider for everything the technique can be set to. */
function Sliders({ coat, technique, change }: SlidersProps) {
  const params = completeParams(technique.params, coat.technique.params);
  return Object.entries(technique.params).map(([name, spec]) => (
    <Box key={name}>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">{spec.label}</Typography>
        <Typography>
          {formatNumber(params[name] ?? spec.default, spec.step < 0.1 ? 2 : spec.step < 1 ? 1 : 0)}
          &#8239;{spec.unit}
        </Typography>
      </Box>
      <Slider
        size="small"
        aria-label={spec.label}
        value={params[name] ?? spec.default}
        min={spec.range[0]}
        max={spec.range[1]}
        step={spec.step}
        onChange={(_event, value) =>
          change({
            technique: { ...coat.technique, params: { ...coat.technique.params, [name]: value } },
          })
        }
        sx={{ py: 0.8 }}
      />
    </Box>
  ));
}

/** The mix of a coat; one of other pots than its technique needs is said to be wrong, not refused. */
function MixField({ coat, change }: { readonly coat: Coat; readonly change: Change }) {
  const job = useJob();
  const paints = usePaints();
  const mix = mixById(job, coat.mixId);
  const technique: TechniqueDefinition | null = isTechniqueId(coat.technique.id)
    ? techniques[coat.technique.id]
    : null;
  const suits = !mix || !isTechniqueId(coat.technique.id) || mixSuits(coat.technique.id, mix, paints);
  const pots = suits ? partsText(mix?.parts ?? [], paints) : null;
  const wants = `${technique?.label} is not put on with this: it wants a mix of ${technique?.potKinds?.join(" or ")} pots.`;
  return (
    <TextField
      select
      label="Mix"
      value={mix ? mix.id : ""}
      error={!mix || !suits}
      helperText={mix ? (pots ?? wants) : "Choose a mix."}
      onChange={(event) => {
        const next = mixById(job, event.target.value);
        if (next) change(inMix(coat, mix, next));
      }}
    >
      {job.mixes.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          <MixOption mix={one} />
        </MenuItem>
      ))}
    </TextField>
  );
}

function Settings({
  coat,
  surface,
  change,
}: {
  readonly coat: Coat;
  readonly surface: Surface;
  readonly change: Change;
}) {
  const technique = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id] : null;
  const { pattern } = useBuilt(surface);
  const places = placesFor(coat, pattern);
  const own = coat.role === null;
  const earlier = surface.coats
    .slice(
      0,
      surface.coats.findIndex((one) => one.id === coat.id),
    )
    .filter((one) => one.technique.id === coat.technique.id);
  return (
    <Box sx={{ px: 2, display: "grid", gap: 1.5, pt: 1 }}>
      {own && (
        <TextEdit
          key={coat.id}
          label="Name of the coat"
          value={coat.name}
          most={80}
          onChange={(name) => change({ name })}
        />
      )}
      <MixField coat={coat} change={change} />
      {own && places.length > 0 && (
        <TextField
          select
          label="Where"
          value={JSON.stringify(coat.place)}
          onChange={(event) => change({ place: JSON.parse(event.target.value) as Place })}
        >
          {[coat.place, ...places.filter((place) => !sameChoice(place, coat.place))].map((place) => (
            <MenuItem key={JSON.stringify(place)} value={JSON.stringify(place)}>
              {place.kind === "zones" ? "in zones" : placeName(place, pattern)}
            </MenuItem>
          ))}
        </TextField>
      )}
      {own && coat.place.kind === "zones" && (
        <>
          <ZonePicker place={coat.place} onChange={(place) => change({ place })} />
          <PlaceEditor
            place={coat.place}
            coat={coat}
            surface={surface}
            onChange={(place) => change({ place })}
          />
        </>
      )}
      {own && technique?.marksOn && surface.form.params.seams !== undefined && (
        <FormControlLabel
          sx={{ "& .MuiFormControlLabel-label": { fontSize: 13 } }}
          control={
            <Switch
              size="small"
              checked={coat.overSeams}
              onChange={(_event, overSeams) => change({ overSeams })}
            />
          }
          label="Marks run over seams"
        />
      )}
      {own && technique?.marksOn && earlier.length > 0 && (
        <WhereMarksFall coat={coat} earlier={earlier} change={change} />
      )}
      <Box sx={{ display: "flex", gap: 1 }}>
        <NumberField
          label="Water to 1 paint"
          min={0}
          max={20}
          step={0.5}
          value={coat.water}
          onChange={(water) => change({ water })}
        />
        <NumberField
          label="Passes"
          min={1}
          max={12}
          whole
          value={coat.passes}
          onChange={(passes) => change({ passes })}
        />
      </Box>
      {technique && <Sliders coat={coat} technique={technique} change={change} />}
    </Box>
  );
}

/** The chosen coat: how it is set, and what that does. */
export function CoatInspector({ surface }: { readonly surface: Surface }) {
  const coatId = useView((view) => view.coatId);
  const editSurface = useEditSurface();
  const edit = useEdit();
  const findings = useFindings();
  const at = surface.coats.findIndex((one) => one.id === coatId);
  const coat = surface.coats[at];
  if (!coat)
    return (
      <Typography sx={{ p: 2 }}>Choose a coat on the left to set it and to see what it does.</Typography>
    );
  const change = (part: Partial<Coat>) =>
    editSurface(surface.id, (now) => ({
      ...now,
      coats: now.coats.map((one) => (one.id === coat.id ? { ...one, ...part } : one)),
    }));
  const label = isTechniqueId(coat.technique.id) ? techniques[coat.technique.id].label.toLowerCase() : "";
  return (
    <Box sx={{ overflow: "auto", pb: 2 }}>
      <ColumnHead title={`${at + 1} ${coat.name}`} note={label} />
      <CoatSwatches coat={coat} />
      <Settings coat={coat} surface={surface} change={change} />
      <Box sx={{ px: 2, display: "flex", flexWrap: "wrap", alignItems: "center" }}>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={coat.held}
              onChange={(event) => change({ held: event.target.checked })}
            />
          }
          label="Hold back"
        />
        <Button
          onClick={() => change({ seed: (coat.seed + 7919) % 100000 })}
          title="The same coat as another try of the same hand would lay it"
        >
          Other strokes
        </Button>
        {coat.role === null && <CopyCoat coat={coat} surface={surface} />}
        {coat.role === null && (
          <Button
            onClick={() =>
              editSurface(surface.id, (now) => ({
                ...now,
                coats: now.coats.filter((one) => one.id !== coat.id),
              }))
            }
          >
            Remove
          </Button>
        )}
      </Box>
      <CoatEffects coat={coat} surface={surface} />
      <Box sx={{ px: 2, pt: 1.5, display: "grid", gap: 1 }}>
        {findings
          .filter((finding) => finding.coatId === coat.id && finding.surfaceId === surface.id)
          .map((finding) => (
            <FindingLine
              key={finding.id}
              finding={finding}
              onRemedy={(remedy) => edit((job) => applyRemedy(job, remedy))}
              short
            />
          ))}
      </Box>
    </Box>
  );
}
