import { USUAL_LAMP, type Job, type Surface } from "../../core/job";
import { schemes, type SchemeId } from "../../core/schemes";
import type { SchemeAnswers } from "../../core/schemes/scheme";
import { planStart, startSurface } from "../../core/schemes/start";
import type { FormId } from "../../core/surface/forms";
import { USUAL_WEAR } from "../../core/surface/wear";
import { ferrySergeant } from "./ferrySergeant";
import { demoShelf } from "./shelf";

interface Piece {
  readonly id: string;
  readonly name: string;
  readonly form: FormId;
  readonly sizes: Readonly<Record<string, number>>;
  readonly scheme: SchemeId;
  readonly answers: SchemeAnswers;
  readonly seed: number;
}

const bare = ({ id, name, form, sizes, seed }: Piece): Surface => ({
  id,
  name,
  form: { id: form, version: 1, params: sizes },
  pattern: null,
  coats: [],
  parked: [],
  variants: [],
  relief: null,
  wear: USUAL_WEAR,
  seed,
});

/** A job with pieces more, each started from its scheme. */
function withPieces(job: Job, pieces: readonly Piece[]): Job {
  return pieces.reduce<Job>((current, piece) => {
    const surface = bare(piece);
    const grown = { ...current, surfaces: [...current.surfaces, surface] };
    return startSurface(
      grown,
      piece.id,
      planStart(grown, surface, schemes[piece.scheme], piece.answers, demoShelf),
    );
  }, job);
}

/** Three leathers, unlike in lightness where they touch. */
const LEATHERS: readonly Piece[] = [
  {
    id: "satchel",
    name: "Satchel",
    form: "bag",
    sizes: { widthMm: 8.5, heightMm: 7.5, flap: 55, bulgeMm: 0.9, folds: 4 },
    scheme: "leather-stippled",
    answers: { age: "used", look: "striking", colour: "#75492a" },
    seed: 31,
  },
  {
    id: "strap",
    name: "Shoulder strap",
    form: "strap",
    sizes: { lengthMm: 24, widthMm: 2.4, thicknessMm: 0.4, strands: 1, bends: 3 },
    scheme: "leather-stippled",
    answers: { age: "used", look: "plain", colour: "#4a2f23" },
    seed: 32,
  },
  {
    id: "gloves",
    name: "Gloves",
    form: "glove",
    sizes: { roundMm: 10, lengthMm: 6.5, fingers: 4, knuckleMm: 0.3 },
    scheme: "leather-scrubbed",
    answers: { age: "old", look: "plain", colour: "#8a6a48" },
    seed: 33,
  },
];

const REED: readonly Piece[] = [
  {
    id: "hood",
    name: "Woollen hood",
    form: "dome",
    sizes: {},
    scheme: "wool-stippled",
    answers: { age: "used", look: "striking", colour: "#5f6a3f" },
    seed: 41,
  },
  {
    id: "cloak",
    name: "Marsh cloak",
    form: "cloak",
    sizes: { hemMm: 34, neckMm: 12, lengthMm: 22, folds: 7, foldMm: 1.2, torn: 1.6 },
    scheme: "cloth-scratched",
    answers: { age: "old", look: "plain", colour: "#6f654c" },
    seed: 42,
  },
  {
    id: "collar",
    name: "Velvet collar",
    form: "limb",
    sizes: { roundMm: 18, lengthMm: 4.5, creases: 3, creaseMm: 0.35 },
    scheme: "velvet",
    answers: { age: "new", look: "plain", colour: "#5a2437" },
    seed: 43,
  },
  {
    id: "trousers",
    name: "Trouser leg",
    form: "limb",
    sizes: { roundMm: 16, lengthMm: 12, creases: 5, creaseMm: 0.45 },
    scheme: "cloth-quiet",
    answers: { age: "used", look: "quiet", colour: "#4d5560" },
    seed: 44,
  },
];

/** Made once: looking for mixes takes a second or two. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** The ferry sergeant: check-cloth coat skirt, satchel, strap and gloves in three leathers. */
export const wholeSergeant = once((): Job => ({
  ...withPieces(ferrySergeant(), LEATHERS),
  touching: [
    ["coat-skirt", "satchel"],
    ["satchel", "strap"],
    ["strap", "gloves"],
  ],
}));

/** The reed scout: wool, worn cloth, velvet, and a leg that stays back. */
export const reedScout = once((): Job => ({
  ...withPieces(
    {
      ...ferrySergeant(),
      id: "reed-scout",
      name: "Reed scout",
      figure: {
        eyeHeightMm: 32,
        standard: "display",
        primer: "black",
        viewingDistanceMm: 450,
        lamp: USUAL_LAMP,
        notes: "Lies in the reeds all day: nothing on it may shine, and only the hood should draw the eye.",
        count: 1,
      },
      mixes: [],
      targets: [],
      surfaces: [],
    },
    REED,
  ),
  touching: [
    ["hood", "collar"],
    ["collar", "cloak"],
    ["cloak", "trousers"],
  ],
}));

/** Everything an empty database is filled with. */
export const demoJobs = (): Job[] => [wholeSergeant(), reedScout()];
