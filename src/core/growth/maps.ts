import { bodyOf } from "../figure/bodies";
import type { Seating } from "../figure/seated";
import { standingFigure } from "../figure/standingFigure";
import { figureOf, type Growth, type GrowthHandle, type Job, type Surface } from "../job";
import { buildForm } from "../surface/forms/buildForm";
import type { SpacePoint, SurfaceForm } from "../surface/forms/form";
import { add, times, unit } from "../surface/vector";
import { angleFor, flatAxes, flatOfHandle, halfTurn, onFlat } from "./field";

/** A handle before it has a name. */
type Told = Omit<GrowthHandle, "id">;

/** A piece as a usual map sees it. */
interface MapRoom {
  readonly form: SurfaceForm;
  readonly seating: Seating;
  /** Where its figure looks, a unit vector of the room. */
  readonly ahead: SpacePoint;
}

/** A growth map to start from. */
export interface GrowthMap {
  readonly label: string;
  readonly about: string;
  /** Share of the pull of weight and how far the lie strays, as they start. */
  readonly pull: number;
  readonly sway: number;
  handles(room: MapRoom): Told[];
}

const told = (x: number, y: number, angleDeg: number, more: Partial<Told> = {}): Told => ({
  // No minus zero: it would not come back from a file.
  ...{ x, y, angleDeg: Math.round(halfTurn(angleDeg)) + 0, lengthPct: 100, liftDeg: 0 },
  ...more,
});

const DOWN: SpacePoint = [0, -1, 0];
/** Hair of a beast falls this much while it runs back. */
const FALLS = 0.45;
/** Places round a closed piece, and along an open one, that are enough to tell a whole coat by. */
const ROUND = [0.02, 0.25, 0.5, 0.75] as const;
const OPEN = [0.2, 0.5, 0.8] as const;
const UP_IT = [0.25, 0.75] as const;

/** Handles that point a way of the room, as far as the ground there lets them. */
function along({ form, seating }: MapRoom, way: SpacePoint): Told[] {
  return (form.closed ? ROUND : OPEN).flatMap((x) =>
    UP_IT.map((y) => {
      const at = flatOfHandle(form, { x, y });
      return told(x, y, angleFor(form, at, onFlat(flatAxes(form, seating, at), way)));
    }),
  );
}

/** Handles on a ring round a middle, each a turn further. */
function whorl({ form }: MapRoom): Told[] {
  const [x, y, count] = [0.5, 0.6, 6];
  const high = 0.22;
  const wide = Math.min(0.3, (high * form.slantMm) / Math.max(1e-6, form.lengthAt(y * form.slantMm)));
  return Array.from({ length: count }, (_, at) => {
    const turn = (at / count) * 2 * Math.PI;
    const place = { x: x + wide * Math.sin(turn), y: y + high * Math.cos(turn) };
    // Outwards from the middle, and round it.
    return told(place.x, place.y, 180 - (turn * 180) / Math.PI + 65);
  });
}

const SIDES = [0.3, 0.42, 0.58, 0.7] as const;
const parted = (): Told[] =>
  UP_IT.flatMap((y) =>
    SIDES.map((x) => told(x, y, (x < 0.5 ? -1 : 1) * (Math.abs(x - 0.5) < 0.1 ? 75 : 35))),
  );

/** Usual maps by id, in the order they are offered; a new one is one entry here. */
export const growthMaps = {
  down: {
    ...{
      label: "Down the piece",
      about: "As water would run: hair of a limb, a cloak of fur.",
      pull: 0,
      sway: 6,
    },
    handles: () => [told(0.5, 0.5, 0)],
  },
  "nose-to-tail": {
    label: "From nose to tail",
    about: "Back along the body and a little down its sides, as a beast's coat lies.",
    ...{ pull: 0, sway: 8 },
    handles: (room) => along(room, unit(add(times(room.ahead, -1), DOWN, FALLS))),
  },
  whorl: {
    ...{
      label: "A whorl",
      about: "Out of one point, turning round it; drag its handles where it sits.",
      pull: 0,
      sway: 6,
    },
    handles: whorl,
  },
  parting: {
    ...{ label: "A parting", about: "To both sides of a line down the middle, then down.", pull: 0, sway: 6 },
    handles: parted,
  },
  across: {
    ...{ label: "Swept to one side", about: "Across the piece, drooping by its weight.", pull: 25, sway: 8 },
    handles: () => OPEN.map((x) => told(x, 0.5, 70)),
  },
  up: {
    ...{ label: "Up the piece", about: "Towards the top: a mane, a crest, bristles.", pull: 0, sway: 10 },
    handles: () => [told(0.5, 0.5, 180, { liftDeg: 20 })],
  },
} as const satisfies Readonly<Record<string, GrowthMap>>;

export type GrowthMapId = keyof typeof growthMaps;
export const growthMapIds = Object.keys(growthMaps) as GrowthMapId[];

const ASIDE: Seating = (point) => point;

function roomOf(job: Job, surface: Surface): MapRoom {
  const figure = figureOf(job, surface);
  const piece = surface.seat
    ? standingFigure(job, figure)?.pieces.find((one) => one.surface.id === surface.id)
    : undefined;
  const ahead = bodyOf(figure)?.seats.find(({ id }) => id === "head")?.at.out ?? [0, 0, 1];
  return piece
    ? { form: piece.form, seating: piece.seating, ahead }
    : { form: buildForm(surface), seating: ASIDE, ahead: [0, 0, 1] };
}

/** A usual map on a surface, as it lies there. @throws InputError where its sizes are impossible */
export function growthFrom(job: Job, surface: Surface, id: GrowthMapId): Growth {
  const map: GrowthMap = growthMaps[id];
  const handles = map.handles(roomOf(job, surface));
  return {
    handles: handles.map((handle, at) => ({ id: `handle-${at + 1}`, ...handle })),
    pull: map.pull,
    sway: map.sway,
  };
}
