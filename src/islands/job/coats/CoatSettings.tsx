import { Box, FormControlLabel, MenuItem, Slider, Switch, TextField, Typography } from "@mui/material";
import { memo, useMemo } from "react";
import { inMix, mixSuits } from "../../../core/edits/newCoat";
import { mixById, type Coat, type Place, type Surface } from "../../../core/job";
import { completeParams, valueText, type ParamSpec } from "../../../core/params";
import { partsText } from "../../../core/plan/cardText";
import { placeName } from "../../../core/plan/placeWords";
import { hashText } from "../../../core/random";
import { forms, isFormId } from "../../../core/surface/forms";
import { isTechniqueId, techniques } from "../../../core/techniques";
import type { TechniqueDefinition } from "../../../core/techniques/technique";
import { NumberField } from "../../../ui/NumberField";
import { TextEdit } from "../../../ui/TextEdit";
import { useJobStore, useMixes, usePaints } from "../jobStore";
import { MixSelect } from "../MixSelect";
import { useBuilt } from "../useSurface";
import { PlaceEditor } from "./PlaceEditor";
import { placesFor } from "./places";
import { VeilWhileSet } from "./VeilWhileSet";
import { ZonePicker } from "./ZonePicker";

/** Makes another coat of the one that is there when it is called; always the same function for one coat. */
export type ChangeCoat = (next: (coat: Coat) => Coat) => void;

/** Zones count as one choice, whichever they are. */
const sameChoice = (a: Place, b: Place) =>
  a.kind === "zones" ? b.kind === "zones" : JSON.stringify(a) === JSON.stringify(b);

interface MarksProps {
  readonly coat: Coat;
  readonly earlier: readonly Coat[];
  readonly change: ChangeCoat;
}

/** Two coats of one technique and one seed set their marks at the same places: dark beside light makes dents. */
function WhereMarksFall({ coat, earlier, change }: MarksProps) {
  return (
    <TextField
      select
      label="Its marks fall"
      value={earlier.find((one) => one.seed === coat.seed)?.id ?? ""}
      onChange={(event) => {
        const like = earlier.find((one) => one.id === event.target.value);
        change((now) => ({ ...now, seed: like?.seed ?? hashText(`${now.id}/${now.seed}`) % 100000 }));
      }}
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

interface SettingProps {
  readonly name: string;
  readonly spec: ParamSpec;
  readonly value: number;
  readonly change: ChangeCoat;
}

/** One thing the technique can be set to; drawn anew only when its own value changes. */
const Setting = memo(function Setting({ name, spec, value, change }: SettingProps) {
  const set = (next: number) =>
    change((coat) => ({
      ...coat,
      technique: { ...coat.technique, params: { ...coat.technique.params, [name]: next } },
    }));
  if (spec.names)
    return (
      <TextField
        select
        size="small"
        label={spec.label}
        value={value}
        onChange={(event) => set(Number(event.target.value))}
      >
        {spec.names.map((choice, number) => (
          <MenuItem key={choice} value={number}>
            {choice}
          </MenuItem>
        ))}
      </TextField>
    );
  return (
    <Box>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <Typography variant="body2">{spec.label}</Typography>
        <Typography>{valueText(spec, value)}</Typography>
      </Box>
      <Slider
        size="small"
        aria-label={spec.label}
        value={value}
        min={spec.range[0]}
        max={spec.range[1]}
        step={spec.step}
        onChange={(_event, next) => set(next)}
        sx={{ py: 0.8 }}
      />
    </Box>
  );
});

/** The mix of a coat; one of other pots than its technique needs is said to be wrong, not refused. */
const MixField = memo(function MixField(props: {
  readonly mixId: string;
  readonly techniqueId: string;
  readonly change: ChangeCoat;
}) {
  const { mixId, techniqueId, change } = props;
  const mixes = useMixes();
  const paints = usePaints();
  const mix = mixById({ mixes }, mixId);
  const technique: TechniqueDefinition | null = isTechniqueId(techniqueId) ? techniques[techniqueId] : null;
  const suits = !mix || !isTechniqueId(techniqueId) || mixSuits(techniqueId, mix, paints);
  const pots = suits ? partsText(mix?.parts ?? [], paints) : null;
  const wants = `${technique?.label} is not put on with this: it wants a mix of ${technique?.potKinds?.join(" or ")} pots.`;
  return (
    <MixSelect
      label="Mix"
      value={mixId}
      {...(technique?.potKinds ? { kinds: technique.potKinds } : {})}
      look={{ error: !mix || !suits, helperText: mix ? (pots ?? wants) : "Choose a mix." }}
      onChange={(id) => {
        // A pot just taken is a mix of the job as it is now.
        const now = useJobStore.getState().job;
        const next = now && mixById(now, id ?? "");
        if (next) change((coat) => inMix(coat, mixById(now, coat.mixId), next));
      }}
    />
  );
});

interface PartProps {
  readonly coat: Coat;
  readonly surface: Surface;
  readonly change: ChangeCoat;
}

/** Where a coat of the painter's own goes. */
function Where({ coat, surface, change }: PartProps) {
  const { pattern } = useBuilt(surface);
  const places = placesFor(coat, pattern);
  const put = (place: Place) => change((now) => ({ ...now, place }));
  return (
    <>
      {places.length > 0 && (
        <TextField
          select
          label="Where"
          value={JSON.stringify(coat.place)}
          onChange={(event) => put(JSON.parse(event.target.value) as Place)}
        >
          {[coat.place, ...places.filter((place) => !sameChoice(place, coat.place))].map((place) => (
            <MenuItem key={JSON.stringify(place)} value={JSON.stringify(place)}>
              {place.kind === "zones" ? "in zones" : placeName(place, pattern)}
            </MenuItem>
          ))}
        </TextField>
      )}
      {coat.place.kind === "zones" && (
        <>
          <ZonePicker surface={surface} place={coat.place} onChange={put} />
          <PlaceEditor place={coat.place} coat={coat} surface={surface} onChange={put} />
        </>
      )}
    </>
  );
}

/** Where the single marks of a coat of the painter's own fall. */
function Marks({ coat, surface, change }: PartProps) {
  const earlier = surface.coats
    .slice(
      0,
      surface.coats.findIndex((one) => one.id === coat.id),
    )
    .filter((one) => one.technique.id === coat.technique.id);
  return (
    <>
      {isFormId(surface.form.id) && Object.hasOwn(forms[surface.form.id].params, "seams") && (
        <FormControlLabel
          sx={{ "& .MuiFormControlLabel-label": { fontSize: 13 } }}
          control={
            <Switch
              size="small"
              checked={coat.overSeams}
              onChange={(_event, overSeams) => change((now) => ({ ...now, overSeams }))}
            />
          }
          label="Marks run over seams"
        />
      )}
      {earlier.length > 0 && <WhereMarksFall coat={coat} earlier={earlier} change={change} />}
    </>
  );
}

const Thinning = memo(function Thinning(props: {
  readonly water: number;
  readonly passes: number;
  readonly change: ChangeCoat;
}) {
  const { change } = props;
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
      <NumberField
        label="Water to 1 paint"
        min={0}
        max={20}
        step={0.5}
        value={props.water}
        onChange={(water) => change((coat) => ({ ...coat, water }))}
      />
      <NumberField
        label="Passes"
        min={1}
        max={12}
        whole
        value={props.passes}
        onChange={(passes) => change((coat) => ({ ...coat, passes }))}
      />
    </Box>
  );
});

const CoatName = memo(function CoatName(props: { readonly name: string; readonly change: ChangeCoat }) {
  return (
    <TextEdit
      label="Name of the coat"
      value={props.name}
      most={80}
      onChange={(name) => props.change((coat) => ({ ...coat, name }))}
    />
  );
});

/** How a coat is set. What an edit does not touch is not drawn anew. */
export function CoatSettings({ coat, surface, change }: PartProps) {
  const technique: TechniqueDefinition | null = isTechniqueId(coat.technique.id)
    ? techniques[coat.technique.id]
    : null;
  const own = coat.role === null;
  const specs = useMemo(() => Object.entries(technique?.params ?? {}), [technique]);
  const params = completeParams(technique?.params ?? {}, coat.technique.params);
  return (
    <Box sx={{ px: 2, display: "grid", gap: 1.5, pt: 1 }}>
      {own && <CoatName key={`${coat.id}-name`} name={coat.name} change={change} />}
      <MixField mixId={coat.mixId} techniqueId={coat.technique.id} change={change} />
      <VeilWhileSet key={coat.id}>
        {own && <Where coat={coat} surface={surface} change={change} />}
      </VeilWhileSet>
      {own && technique?.marksOn && <Marks coat={coat} surface={surface} change={change} />}
      <Thinning water={coat.water} passes={coat.passes} change={change} />
      {specs.map(([name, spec]) => (
        <Setting key={name} name={name} spec={spec} value={params[name] ?? spec.default} change={change} />
      ))}
    </Box>
  );
}
