import type { Random } from "../../random";
import type { SpacePoint, SurfaceForm } from "../../surface/forms/form";
import { backAt, BEHIND } from "../../surface/backness";
import { clamp } from "../../units";
import type { PatternRoom } from "../family";
import { xOf, yOf, type Panel } from "../panel";
import { noiseInSpace } from "./noise";
import type { CoatColour, CoatSpot, PatchedParams, Sits } from "./params";

/** Where on the body a place is: from the belly, 0, to the back, 1, and from the hem, 0, to the top, 1. */
interface OnBody {
  readonly back: number;
  readonly up: number;
}

/** How well each place suits a colour that sits so, 0…1. */
const SUITS: Readonly<Record<Sits, (at: OnBody) => number>> = {
  anywhere: () => 0.5,
  back: ({ back }) => back,
  belly: ({ back }) => 1 - back,
  hem: ({ up }) => 1 - up,
  top: ({ up }) => up,
  ends: ({ up }) => Math.abs(2 * up - 1),
};

/** A colour that keeps wholly to its place is liked there by so much more than at the far end. */
const KEPT = 4.2;
/**
 * The finest raggedness of borders against blocks so wide, and about how wide it is itself, mm. Larger blocks run into
 * each other more slowly: the same raggedness would break them up.
 */
const [RAGGED, OF_BLOCKS_MM, RAGGED_MM, MOST_RAGGED] = [0.16, 5.2, 0.5, 0.24] as const;
/** Blocks are pushed about by so much of their width, over half of it: no two outlines are alike. */
const WARPED = 0.2;
/** Stripes lie so many times as close along the piece as blocks are wide. */
const CLOSER = 4;
/** A spot set by hand outweighs all else so far. */
const SPOT = 4;

/** Where each colour's noise is read, in the lattice. */
interface Shift {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

const shiftOf = (random: Random): Shift => ({
  x: random.range(0, 32),
  y: random.range(0, 32),
  z: random.range(0, 32),
});

/** Places pushed about, so that no two outlines are alike; all colours go by the same ones. */
function pushedBy({ largeMm }: PatchedParams, random: Random): (point: SpacePoint) => SpacePoint {
  const { x: a, y: b, z: c } = shiftOf(random);
  const mm = largeMm * 0.45;
  const by = largeMm * WARPED;
  return ([x, y, z]) => {
    const [u, v, w] = [x / mm, y / mm, z / mm];
    return [
      x + by * noiseInSpace(u + a, v + b, w + c),
      y + by * noiseInSpace(u + b, v + c, w + a),
      z + by * noiseInSpace(u + c, v + a, w + b),
    ];
  };
}

/** How much a colour likes a place by chance: told the point, the same pushed about, and how far up the piece it lies, mm. */
type Chance = (point: SpacePoint, pushed: SpacePoint, upMm: number) => number;

function chanceOf({ largeMm, smallMm, broken, stripes }: PatchedParams, random: Random): Chance {
  const [large, small, ragged] = [0, 1, 2].map(() => shiftOf(random)) as [Shift, Shift, Shift];
  // Up the piece noise is gone through faster: what is long round it and short along it is a stripe.
  const rough = Math.min(MOST_RAGGED, (RAGGED * OF_BLOCKS_MM) / largeMm);
  const closer = ((stripes / 100) * (CLOSER - 1)) / Math.sqrt(3);
  const read = ([x, y, z]: SpacePoint, along: number, mm: number, { x: a, y: b, z: c }: Shift) =>
    noiseInSpace((x + along) / mm + a, (y + along) / mm + b, (z + along) / mm + c);
  return (point, pushed, upMm) =>
    read(pushed, closer * upMm, largeMm, large) +
    (broken / 100) * read(point, closer * upMm, smallMm, small) +
    rough * read(point, 0, RAGGED_MM, ragged);
}

const away = (a: SpacePoint, b: SpacePoint): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** How much spots set by hand speak for a colour at a point: all of it within half their width, fading out about there. */
function spotsOf(
  form: SurfaceForm,
  spots: readonly CoatSpot[],
  colour: CoatColour,
): (point: SpacePoint) => number {
  const own = spots.filter(({ colourId }) => colourId === colour.id);
  const placed = own.map(({ x, y, widthMm }) => ({
    middle: form.inSpace({ turnDeg: x * form.turnDeg, heightMm: y * form.slantMm }),
    halfMm: widthMm / 2,
  }));
  return (point) =>
    placed.reduce((sum, { middle, halfMm }) => {
      const far = away(point, middle) / halfMm;
      return far > 1.5 ? sum : sum + SPOT * clamp(1.5 - far, 0, 1) * 1.4;
    }, 0);
}

/** How much every colour likes every cell of the panel; the one that likes it most has it. Any unit. */
export function likings(
  panel: Panel,
  params: PatchedParams,
  { form, back = BEHIND }: PatternRoom,
  random: Random,
): Float32Array[] {
  const { cells, inside } = panel;
  const made = params.colours.map((colour) => ({
    liking: new Float32Array(inside.length),
    suit: SUITS[colour.sits],
    keeps: (KEPT * colour.keeps) / 100,
    chance: chanceOf(params, random.fork(colour.id)),
    spots: spotsOf(form, params.spots, colour),
  }));
  const sided = params.colours.some(({ sits, keeps }) => keeps > 0 && (sits === "back" || sits === "belly"));
  const backness = sided ? backAt(form, back) : () => 0.5;
  const push = pushedBy(params, random.fork("outlines"));
  for (const at of cells) {
    const place = form.place([xOf(panel, at), yOf(panel, at)]);
    const point = form.inSpace(place);
    const pushed = push(point);
    const onBody = { back: backness(place), up: clamp(place.heightMm / form.slantMm, 0, 1) };
    for (const { liking, suit, keeps, chance, spots } of made)
      liking[at] = keeps * (suit(onBody) - 0.5) + chance(point, pushed, place.heightMm) + spots(point);
  }
  return made.map(({ liking }) => liking);
}
