// The light of its lamp is looked for in the figure's room.
import "../../core/figure/rooms";
import { USUAL_TOLD, type Told } from "../../core/ageing/told";
import { newLight, withLight } from "../../core/edits/paintedLights";
import { withSurface } from "../../core/edits/surfaces";
import { FIRST_FIGURE, onSeat, USUAL_LAMP, type Figure, type Job, type SeatId } from "../../core/job";
import { layGlow, planGlow } from "../../core/schemes/glow";
import { layHistory, planHistory } from "../../core/schemes/history";
import { SIGN_NAMES } from "../../core/techniques/stencil/signs";
import { ferrySergeant } from "./ferrySergeant";
import { bodyUse, once, withPieces, type Piece } from "./pieces";
import { demoShelf } from "./shelf";

/** The engine's hull, mm: its front is looked at, its left side beside it. */
const HULL = { widthMm: 26, heightMm: 20, depthMm: 20, turnDeg: -25 } as const;
const CRATE_FIGURE = "figure-2";

const signOf = (name: string): number => SIGN_NAMES.indexOf(name);

/** Thirty years on a slip by the tidal river. */
const BY_THE_RIVER: Told = {
  ...USUAL_TOLD,
  ...{ stuff: "metal", made: "long", handled: "everywhere", weather: "sea", ground: "mud", dust: "#7d6f55" },
};

const painted = (colour: string): Pick<Piece, "scheme" | "answers"> => ({
  scheme: "metal-sponged",
  answers: { age: "new", look: "plain", colour },
});

interface HistoryPiece extends Piece {
  readonly seat: SeatId | null;
  readonly figureId: string;
  readonly told: Told;
}

const PIECES: readonly HistoryPiece[] = [
  {
    ...{ id: "front", name: "Front housing", form: "plate", seed: 61, ...painted("#4d6264") },
    sizes: {
      ...{ lengthMm: 26, heightMm: 20, columns: 2, rows: 2, lineMm: 0.26, deepMm: 0.26, rivetMm: 0.6 },
      ...{ apartMm: 2.3, ventMm: 5, bezelMm: 5.6, dents: 0.04 },
    },
    ...{ seat: "hull", figureId: FIRST_FIGURE, told: BY_THE_RIVER },
  },
  {
    ...{ id: "flank", name: "Left side", form: "plate", seed: 62, ...painted("#4d6264") },
    sizes: {
      ...{ lengthMm: 20, heightMm: 20, columns: 1, rows: 2, lineMm: 0.26, deepMm: 0.26, rivetMm: 0.6 },
      ...{ apartMm: 2.6, ventMm: 6, bezelMm: 0, dents: 0.05 },
    },
    ...{ seat: "left-flank", figureId: FIRST_FIGURE, told: BY_THE_RIVER },
  },
  {
    ...{ id: "crate", name: "Crate", form: "crate", seed: 63, ...painted("#6a4a3a") },
    sizes: { widthMm: 15, depthMm: 11, heightMm: 10.5 },
    seat: null,
    figureId: CRATE_FIGURE,
    told: { ...BY_THE_RIVER, stuff: "wood", weather: "rain", ground: "wet" },
  },
];

const ENGINE: Figure = {
  ...{ id: FIRST_FIGURE, name: "Winch engine", eyeHeightMm: 32, standard: "display", primer: "black" },
  ...{ viewingDistanceMm: 450, lamp: USUAL_LAMP, lights: [], count: 1 },
  body: bodyUse("machine", HULL),
  notes:
    "Hauls the ferry over. The signal lamp says that the crossing is closed: it is to be looked at first.",
};

/** The lamp in the ring of the front's last panel. */
function withSignal(job: Job): Job {
  const front = job.surfaces.find(({ id }) => id === "front")!;
  const light = {
    ...newLight(job, front, "Signal lamp"),
    ...{ along: 0.75, up: 0.25, outMm: 1.6, widthMm: 3.9, reachMm: 3.6 },
    ...({ strength: "strong", ground: "darkened" } as const),
  };
  const lit = withLight(job, FIRST_FIGURE, light);
  return layGlow(lit, planGlow(lit, light.id, demoShelf));
}

/** Numbers of the ferry's yard, dabbed on through a mask before anything happened to the paint. */
const MARKS: readonly (readonly [surfaceId: string, params: Readonly<Record<string, number>>])[] = [
  ["front", { first: signOf("0"), second: signOf("7"), height: 4.6, along: 75, up: 76 }],
  ["crate", { first: signOf("arrow"), second: 0, height: 4, along: 50, up: 62, turn: 90 }],
];
const MARK_MIX = "marks";

function withMarks(job: Job): Job {
  const pale = { paintId: demoShelf.find(({ name }) => name === "Shell")!.id, parts: 1 };
  const mixes = [...job.mixes, { id: MARK_MIX, name: "Markings", parts: [pale], water: 0.5, goal: null }];
  return MARKS.reduce<Job>(
    (now, [id, params], at) =>
      withSurface(now, id, (own) => ({
        ...own,
        coats: [
          ...own.coats,
          {
            ...{ id: `${id}-mark`, name: "Marking by stencil", mixId: MARK_MIX, water: 0.5, passes: 1 },
            technique: { id: "stencil", version: 1, params },
            ...{ held: false, place: { kind: "everywhere" }, event: "marked", role: null },
            ...{ overSeams: true, seed: 640 + at },
          },
        ],
      })),
    { ...job, mixes },
  );
}

const withHistory = (job: Job, { id, told }: HistoryPiece): Job =>
  layHistory(job, id, planHistory(job, id, told, demoShelf));

/** The winch engine: a weathered housing by its history, with a signal lamp whose light is painted; and a crate by its own. */
export const winchEngine = once((): Job => {
  const empty: Job = {
    ...ferrySergeant(),
    ...{ id: "winch-engine", name: "Winch engine", mixes: [], goals: [], surfaces: [] },
    figures: [
      ENGINE,
      {
        ...ENGINE,
        id: CRATE_FIGURE,
        name: "Crate on the slip",
        body: null,
        notes: "Stands beside the engine.",
      },
    ],
    touching: [],
  };
  const made = PIECES.reduce(
    (job, { id, seat, figureId }) =>
      withSurface(job, id, (own) => ({
        ...own,
        ...{ figureId, seat: seat && onSeat(seat) },
        volumes: { ...own.volumes, importance: id === "front" ? "looked-at" : "quiet" },
      })),
    withPieces(empty, PIECES),
  );
  return withSignal(PIECES.reduce(withHistory, withMarks(made)));
});
