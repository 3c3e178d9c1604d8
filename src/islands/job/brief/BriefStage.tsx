import { Alert, Box, Button, Menu, MenuItem, Typography } from "@mui/material";
import { useState } from "react";
import { formIds, forms, isFormId, type FormId } from "../../../core/surface/forms";
import type { FormDefinition } from "../../../core/surface/forms/form";
import { sizesOfUse } from "../../../core/surface/forms/useSizes";
import { figureOf, type Surface } from "../../../core/job";
import { withoutSurface } from "../../../core/edits/surfaces";
import { isUnmeasured } from "../../../core/newJob";
import { NumberField } from "../../../ui/NumberField";
import { TextEdit } from "../../../ui/TextEdit";
import { ColumnHead } from "../../../ui/Row";
import { useEdit, useJob } from "../jobStore";
import { useBuilt, useEditSurface, useSurface } from "../useSurface";
import { useView } from "../viewStore";
import { BandDrawing } from "./BandDrawing";
import { FigureForm } from "./FigureForm";
import { FigureView } from "../figure/FigureView";
import { useFigureLook } from "../figure/figureLook";
import { SeatForm } from "../figure/SeatForm";
import { WholeOrPiece } from "../figure/WholeOrPiece";
import { PartOf, useBriefFigure } from "./FigureSwitch";
import { FormPicture } from "./FormPicture";
import { GroundForm } from "./ground/GroundForm";
import { GroundPlan } from "./ground/GroundPlan";
import { isGround, useGround } from "./ground/useGround";
import { HideForm } from "./HideForm";
import { PieceChoice, useAddPiece } from "./PieceChoice";
import { ReliefPicture } from "./ReliefPicture";
import { SheetDrawing } from "./SheetDrawing";
import { Touching } from "./Touching";
import { VolumesForm } from "./VolumesForm";

const column = { width: 300, flexShrink: 0, overflow: "auto", bgcolor: "background.paper" } as const;

function SurfaceList({ chosen }: { readonly chosen: Surface | null }) {
  const job = useJob();
  const edit = useEdit();
  const setView = useView((view) => view.set);
  const addPiece = useAddPiece();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const add = (formId: FormId) => {
    addPiece(formId);
    setAnchor(null);
  };
  return (
    <Box sx={{ px: 2, pb: 2 }}>
      {job.surfaces.map((surface) => (
        <Box
          key={surface.id}
          component="button"
          type="button"
          aria-pressed={surface.id === chosen?.id}
          onClick={() => setView({ surfaceId: surface.id, figureId: null, coatId: null, upTo: null })}
          sx={{
            display: "block",
            width: "100%",
            textAlign: "left",
            font: "inherit",
            color: "text.primary",
            border: 0,
            borderTop: 1,
            borderLeft: 3,
            borderColor: "divider",
            borderLeftColor: surface.id === chosen?.id ? "primary.main" : "transparent",
            bgcolor: surface.id === chosen?.id ? "chosen" : "transparent",
            py: 1,
            px: 1,
            cursor: "pointer",
          }}
        >
          {surface.name}
          {job.figures.length > 1 && (
            <Typography variant="caption" component="div">
              {figureOf(job, surface).name}
            </Typography>
          )}
        </Box>
      ))}
      <Button onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu" sx={{ mt: 1 }}>
        Add a surface
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {formIds.map((id) => (
          <MenuItem key={id} onClick={() => add(id)} sx={{ gap: 1.5 }}>
            <FormPicture id={id} heightPx={48} widthPx={84} />
            <Box>
              {forms[id].label}
              <Typography variant="caption" component="div">
                {forms[id].about}
              </Typography>
            </Box>
          </MenuItem>
        ))}
      </Menu>
      {chosen && (
        <Button sx={{ mt: 1 }} onClick={() => edit((now) => withoutSurface(now, chosen.id))}>
          Remove {chosen.name}
        </Button>
      )}
    </Box>
  );
}

interface SizesProps {
  readonly surface: Surface;
  readonly definition: FormDefinition;
  readonly problems: readonly { field: string; message: string }[];
  readonly onActive: (name: string) => void;
}

function SizesForm({ surface, definition, problems, onActive }: SizesProps) {
  const editSurface = useEditSurface();
  const sizes = sizesOfUse(definition, surface.form);
  const keepSizes = () =>
    editSurface(surface.id, (now) => ({
      ...now,
      form: { ...now.form, params: sizesOfUse(definition, now.form) },
    }));
  return (
    <Box sx={{ display: "grid", gap: 2, px: 2, pb: 2 }}>
      <TextEdit
        key={surface.id}
        label="Name of the surface"
        value={surface.name}
        most={80}
        onChange={(name) => editSurface(surface.id, (now) => ({ ...now, name }))}
      />
      <PartOf
        figureId={surface.figureId}
        onChange={(figureId) => editSurface(surface.id, (now) => ({ ...now, figureId }))}
      />
      {isUnmeasured(surface) && (
        <Alert
          severity="info"
          variant="outlined"
          action={
            <Button sx={{ whiteSpace: "nowrap" }} onClick={keepSizes}>
              They fit
            </Button>
          }
        >
          Usual sizes: measure yours.
        </Alert>
      )}
      {Object.entries(definition.params).map(([name, spec]) => (
        <NumberField
          key={name}
          label={spec.label}
          unit={spec.unit}
          min={spec.range[0]}
          max={spec.range[1]}
          step={spec.step}
          whole={spec.unit === ""}
          value={sizes[name]!}
          problem={problems.find((problem) => problem.field === name)?.message}
          onFocus={() => onActive(name)}
          onChange={(value) =>
            editSurface(surface.id, (now) => ({
              ...now,
              form: { ...now.form, params: { ...now.form.params, [name]: value } },
            }))
          }
        />
      ))}
    </Box>
  );
}

/** What is painted: the figure, its surfaces and their measured sizes. */
export function BriefStage() {
  const surface = useSurface();
  const figure = useBriefFigure();
  const whole = useFigureLook((look) => look.whole);
  const { form, problems } = useBuilt(surface);
  const [active, setActive] = useState<string | null>(null);
  const [last, setLast] = useState(form);
  if (form && form !== last) setLast(form);
  const definition = surface && isFormId(surface.form.id) ? forms[surface.form.id] : null;
  const drawn = form ?? last;
  const ground = useGround(surface && isGround(drawn, surface) ? surface : null);
  const about = active === null ? undefined : definition?.params[active];
  const sizes = (surface && definition ? sizesOfUse(definition, surface.form) : {}) as unknown as Parameters<
    typeof BandDrawing
  >[0]["sizes"];
  return (
    <>
      <Box sx={{ ...column, borderRight: 1, borderColor: "divider" }}>
        <ColumnHead title="Figure" />
        <FigureForm />
        <ColumnHead title="Surfaces" />
        <SurfaceList chosen={surface} />
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, display: "flex", flexDirection: "column" }}>
        {problems.length > 0 && (
          <Alert severity="error" variant="outlined" sx={{ m: 2, mb: 0 }}>
            {problems.map((problem) => problem.message).join(" ")} The drawing shows the last sizes that fit.
          </Alert>
        )}
        {surface && <WholeOrPiece surface={surface} />}
        <Box sx={{ flex: 1, minHeight: 0 }}>
          {surface && whole ? (
            <FigureView figure={figure} />
          ) : drawn && surface && isGround(drawn, surface) ? (
            <GroundPlan surface={surface} form={drawn} answer={ground} />
          ) : drawn && surface && drawn.id !== "cone-band" ? (
            <SheetDrawing surfaceId={surface.id} form={drawn} active={active} />
          ) : drawn && surface ? (
            <BandDrawing
              form={drawn}
              sizes={form ? sizes : { ...sizes, ...sizesOf(drawn) }}
              active={active}
            />
          ) : surface ? (
            <Typography sx={{ p: 3 }}>Mend the sizes to see the piece.</Typography>
          ) : (
            <PieceChoice />
          )}
        </Box>
        {surface && !whole && (
          <Typography
            sx={{
              px: 2,
              py: 1.5,
              borderTop: 1,
              borderColor: "divider",
              bgcolor: "background.paper",
              minHeight: 58,
            }}
          >
            <b>How to measure. </b>
            {about
              ? `${about.label}: ${about.about}`
              : "Wrap a narrow paper strip round the figure, mark, unroll, and lay it on a ruler. Choose a size on the right to see how it is taken."}
          </Typography>
        )}
      </Box>
      {surface && (
        <Box sx={{ ...column, borderLeft: 1, borderColor: "divider" }}>
          <ColumnHead title={definition?.label ?? "Sizes"} />
          {definition && (
            <SizesForm surface={surface} definition={definition} problems={problems} onActive={setActive} />
          )}
          {isGround(drawn, surface) && <GroundForm surface={surface} answer={ground} />}
          <SeatForm surface={surface} />
          <VolumesForm surface={surface} />
          <HideForm surface={surface} />
          <ReliefPicture key={surface.id} surface={surface} />
          <Touching surface={surface} />
        </Box>
      )}
    </>
  );
}

/** Sizes of a form that is still drawn while the typed ones do not fit. */
const sizesOf = (form: NonNullable<ReturnType<typeof useBuilt>["form"]>) => ({
  waistMm: (form.lengthAt(form.slantMm) * 360) / form.turnDeg,
  hemMm: (form.lengthAt(0) * 360) / form.turnDeg,
  slantMm: form.slantMm,
});
