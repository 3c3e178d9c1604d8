// What the wall looks like before its history is seen in the figure's room.
import "../../core/figure/rooms";
import { USUAL_TOLD } from "../../core/ageing/told";
import { withSurface } from "../../core/edits/surfaces";
import { hides } from "../../core/hides";
import { FIRST_FIGURE, onSeat, USUAL_LAMP, type Job, type SeatUse } from "../../core/job";
import { layHistory, planHistory } from "../../core/schemes/history";
import { schemes, type SchemeId } from "../../core/schemes";
import { planStart, startSurface } from "../../core/schemes/start";
import { ferrySergeant } from "./ferrySergeant";
import { bare, bodyUse, once } from "./pieces";
import { demoShelf } from "./shelf";

/** The ferry house on the landing, mm: its front stands in the river's weather. */
const HOUSE = { widthMm: 34, heightMm: 19, depthMm: 22, roofDeg: 40, turnDeg: -25 } as const;
/** From ridge to eaves. */
const SLOPE_MM = Math.ceil(HOUSE.depthMm / 2 / Math.cos((HOUSE.roofDeg * Math.PI) / 180)) + 1;

interface Part {
  readonly id: string;
  readonly name: string;
  readonly sizes: { readonly lengthMm: number; readonly widthMm: number; readonly dents: number };
  readonly seat: SeatUse;
  /** Which of the usual kinds of blocks. */
  readonly kind: string;
  readonly scheme: SchemeId;
  readonly seed: number;
}

const PARTS: readonly Part[] = [
  {
    ...{
      id: "wall",
      name: "Wall to the river",
      kind: "rubble",
      scheme: "stone-blocks",
      seed: 71,
    },
    // Its joints lie on the house's own wall, its middle half-way up.
    seat: { ...onSeat("wall"), upMm: HOUSE.heightMm / 2, outMm: 0.6 },
    sizes: { lengthMm: HOUSE.widthMm, widthMm: HOUSE.heightMm, dents: 0 },
  },
  {
    ...{ id: "roof", name: "Slate roof", kind: "slates", scheme: "slate-blocks", seed: 72 },
    seat: onSeat("roof"),
    sizes: { lengthMm: HOUSE.widthMm + 2, widthMm: SLOPE_MM, dents: 0 },
  },
];

/** A part sculpted in its blocks, on its seat, started from its scheme. */
function withPart(job: Job, part: Part): Job {
  const { params } = hides.courses.kinds.find(({ id }) => id === part.kind)!;
  const surface = {
    ...bare({ ...part, form: "panel" }),
    seat: part.seat,
    hide: { id: "courses", version: hides.courses.version, params },
  };
  const grown = { ...job, surfaces: [...job.surfaces, surface] };
  const scheme = schemes[part.scheme];
  const answers = { age: "used", look: "plain", colour: scheme.startColour } as const;
  return startSurface(grown, part.id, planStart(grown, surface, scheme, answers, demoShelf));
}

/** The landing wall: rough stones and a slate roof, single ones tinted, and what the river left on the wall. */
export const landingWall = once((): Job => {
  const made = PARTS.reduce<Job>(withPart, {
    ...ferrySergeant(),
    ...{ id: "landing-wall", name: "Landing wall", mixes: [], goals: [], surfaces: [] },
    figures: [
      {
        ...{ id: FIRST_FIGURE, name: "Ferry house", eyeHeightMm: 32, standard: "tabletop", primer: "black" },
        ...{ viewingDistanceMm: 600, lamp: USUAL_LAMP, lights: [], count: 1 },
        body: bodyUse("building", HOUSE),
        notes: "Stands with its foot in the river at high water. The roof stays quiet.",
      },
    ],
    touching: [["wall", "roof"]],
  });
  const told = { ...USUAL_TOLD, stuff: "stone", made: "long", handled: "hardly", ground: "wet" } as const;
  const stood = layHistory(made, "wall", planHistory(made, "wall", told, demoShelf));
  return withSurface(stood, "roof", (own) => ({ ...own, volumes: { ...own.volumes, importance: "quiet" } }));
});
