import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Active,
  type DragEndEvent,
  type Over,
  type UniqueIdentifier,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Box, IconButton, Typography } from "@mui/material";
import { memo } from "react";
import { mdiDragVertical } from "@mdi/js";
import { Icon } from "../../../ui/Icon";
import { activeCoats, type Coat, type Surface } from "../../../core/job";
import { formatNumber, formatThinning } from "../../../core/units";
import { isTechniqueId, techniques } from "../../../core/techniques";
import type { Steps } from "../../../worker/steps";
import { Picture } from "../../../ui/Picture";
import { useSimulation } from "../useSimulation";
import { useEditSurface } from "../useSurface";
import { useView } from "../viewStore";
import { AddCoat } from "./AddCoat";
import { TechniqueGlyph } from "./TechniqueGlyph";

const CHIP_MM = 5.4;

/** The middle of the panel, a few millimetres square. */
function chipCrop(steps: Steps) {
  const size = Math.max(8, Math.min(steps.width, steps.height, Math.round(CHIP_MM / steps.pitchMm)));
  const picture = steps.pictures[0]!;
  const column = Math.floor(steps.width / 2);
  let [first, last] = [steps.height, 0];
  for (let row = 0; row < steps.height; row++) {
    if (picture[(row * steps.width + column) * 4 + 3]! === 0) continue;
    first = Math.min(first, row);
    last = row;
  }
  const middle = Math.round((first + last) / 2);
  return { x: column - Math.floor(size / 2), y: middle - Math.floor(size / 2), width: size, height: size };
}

interface RowProps {
  readonly coat: Coat;
  readonly number: number;
  /** How many painted coats lie on the surface after this one; null where it is held back. */
  readonly step: number | null;
  readonly chosen: boolean;
}

/** What a row shows of its coat; drawn anew only where that coat or its picture has changed. */
const CoatFace = memo(function CoatFace({ coat, number, step, chosen }: RowProps) {
  const set = useView((view) => view.set);
  const steps = useSimulation((state) => state.steps);
  // By its name, not its place: what was worked out last may be of other coats. The first picture is the primed piece.
  const at = steps?.effects.findIndex((one) => one.coatId === coat.id) ?? -1;
  const effect = steps?.effects[at];
  const pixels = step === null || at < 0 ? undefined : steps?.pictures[at + 1];
  const technique = isTechniqueId(coat.technique.id)
    ? techniques[coat.technique.id].label.toLowerCase()
    : coat.technique.id;
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      aria-label={`Coat ${number}, ${coat.name}${coat.held ? ", held back" : coat.mishap ? ", lies there by mishap" : ""}`}
      onClick={() => set({ coatId: coat.id, upTo: step, time: null })}
      sx={{
        flex: 1,
        minWidth: 0,
        display: "flex",
        alignItems: "center",
        gap: 1.2,
        font: "inherit",
        color: "text.primary",
        textAlign: "left",
        border: 0,
        bgcolor: "transparent",
        py: 0.8,
        pl: 1,
        cursor: "pointer",
      }}
    >
      <Typography component="span" variant="body2" sx={{ width: 16, textAlign: "right" }}>
        {number}
      </Typography>
      <Box sx={{ width: 46, height: 46, bgcolor: "background.default", flexShrink: 0 }}>
        {pixels && steps && (
          <Picture
            pixels={{ rgba: pixels, width: steps.width, height: steps.height }}
            crop={chipCrop(steps)}
            label={`after ${coat.name}`}
            cssWidth="46px"
            cssHeight="46px"
          />
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography noWrap sx={{ fontWeight: 500 }}>
          {coat.name}
        </Typography>
        <Typography
          variant="body2"
          component="div"
          noWrap
          sx={{ display: "flex", gap: 0.7, alignItems: "center" }}
        >
          <TechniqueGlyph id={coat.technique.id} />
          {coat.held
            ? "held back"
            : coat.mishap
              ? "went wrong: it lies there"
              : coat.mends
                ? `mends: ${technique}`
                : technique}
        </Typography>
      </Box>
      <Box sx={{ textAlign: "right", flexShrink: 0 }}>
        <Typography>{formatThinning(coat.water)}</Typography>
        <Typography variant="body2">
          {effect
            ? `${formatNumber(effect.coveredShare * 100, effect.coveredShare < 0.01 ? 1 : 0)}\u202f%`
            : "–"}
        </Typography>
      </Box>
    </Box>
  );
});

function CoatRow(props: RowProps) {
  const { coat, chosen } = props;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: coat.id });
  return (
    <Box
      ref={setNodeRef}
      component="li"
      style={{ transform: CSS.Transform.toString(transform), transition }}
      sx={{
        display: "flex",
        alignItems: "center",
        listStyle: "none",
        borderTop: 1,
        borderLeft: 4,
        borderColor: "divider",
        borderLeftColor: chosen ? "primary.main" : "transparent",
        bgcolor: chosen ? "chosen" : "background.paper",
      }}
    >
      <CoatFace {...props} />
      <IconButton
        size="small"
        aria-label={`Move ${coat.name}`}
        {...attributes}
        {...listeners}
        sx={{ cursor: "grab", touchAction: "none" }}
      >
        <Icon path={mdiDragVertical} fontSize="small" />
      </IconButton>
    </Box>
  );
}

/** The coats in the order of painting, each with the surface as it looks after it. */
export function CoatList({ surface }: { readonly surface: Surface }) {
  const editSurface = useEditSurface();
  const coatId = useView((view) => view.coatId);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const painted = activeCoats(surface);
  const nameOf = (id: UniqueIdentifier) => surface.coats.find((coat) => coat.id === id)?.name ?? "the coat";
  const placeOf = (id: UniqueIdentifier) => surface.coats.findIndex((coat) => coat.id === id) + 1;
  const announcements = {
    onDragStart: ({ active }: { active: Active }) =>
      `${nameOf(active.id)} picked up, coat ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }: { active: Active; over: Over | null }) =>
      over ? `${nameOf(active.id)} at place ${placeOf(over.id)}.` : undefined,
    onDragEnd: ({ active, over }: { active: Active; over: Over | null }) =>
      `${nameOf(active.id)} put down${over ? ` as coat ${placeOf(over.id)}` : " where it was"}.`,
    onDragCancel: ({ active }: { active: Active }) => `${nameOf(active.id)} stays where it was.`,
  };
  const move = ({ active, over }: DragEndEvent) => {
    const from = surface.coats.findIndex((coat) => coat.id === active.id);
    const to = surface.coats.findIndex((coat) => coat.id === over?.id);
    if (from >= 0 && to >= 0 && from !== to) {
      editSurface(surface.id, (now) => ({ ...now, coats: arrayMove([...now.coats], from, to) }));
    }
  };
  const stepOf = (coat: Coat) => (coat.held ? null : painted.indexOf(coat) + 1);
  return (
    <>
      <DndContext
        id="coats"
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={move}
        accessibility={{ announcements }}
      >
        <SortableContext items={surface.coats.map((coat) => coat.id)} strategy={verticalListSortingStrategy}>
          <Box component="ol" sx={{ flex: 1, overflow: "auto", m: 0, p: 0 }}>
            {surface.coats.map((coat, at) => (
              <CoatRow
                key={coat.id}
                coat={coat}
                number={at + 1}
                step={stepOf(coat)}
                chosen={coat.id === coatId}
              />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
      <AddCoat surface={surface} />
    </>
  );
}
