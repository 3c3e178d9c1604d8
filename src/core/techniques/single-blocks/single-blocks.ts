import { fieldsOf } from "../../surface/fields";
import type { SurfaceForm } from "../../surface/forms/form";
import type { SurfaceGrid } from "../../surface/grid";
import { createRandom, hash01, type Random } from "../../random";
import { clamp, smoothstep } from "../../units";
import {
  addFilm,
  defineTechnique,
  LEAST_SHARE,
  placeWeights,
  type FilmBuffer,
  type LayContext,
} from "../technique";
import { cloud } from "../texture";
import { colouring } from "./colouring";

const percent = (label: string, range: readonly [number, number], usual: number, about: string) =>
  ({ label, unit: "%", range, step: 1, default: usual, about }) as const;
const whole = (label: string, range: readonly [number, number], usual: number, about: string) =>
  ({ label, unit: "", range, step: 1, default: usual, about }) as const;

/** How much a film differs from block to block, and within one. */
const [UNLIKE, CLOUDY] = [0.3, 0.22] as const;
/** Blocks are counted for those of ordinary size, mm². */
const USUAL_BLOCK_MM2 = 14;
/** From where on a cell lies in a joint, by how much it is a hollow. */
const GAP = [0.55, 0.95] as const;

/** One of a few thin colours on single blocks, no two alike side by side. */
export const singleBlocks = defineTechnique({
  id: "single-blocks",
  version: 1,
  label: "Single blocks",
  about:
    "One of a few thin colours, block by block: coats of one set share the blocks out among them, so that neighbours differ.",
  params: {
    colours: whole(
      "Colours in the set",
      [2, 8],
      4,
      "How many coats share the blocks out; the same for all of them.",
    ),
    number: whole("This one is number", [1, 8], 1, "Each coat of the set has its own."),
    bare: percent("Left as they are", [0, 90], 40, "How many blocks no coat of the set takes."),
    alike: percent(
      "May be alike",
      [0, 100],
      0,
      "How many pairs of neighbours may have the same colour; 0 where none may.",
    ),
    hides: percent("Hides", [5, 100], 60, "How much of a block's own colour goes under it."),
  },
  lays: ["field"],
  filmShare: 0.6,
  startWater: 5,
  onThings: true,
  bench: {
    tool: "round brush of size 2",
    how: "Block by block: lay the thin colour on the face and pull it away from the joints.",
    lookAt: "No two blocks of one colour lie side by side, and some are left as they were.",
  },
  caution: null,
  marksOn: (areaMm2, { colours, bare }) => ({
    count: Math.round((areaMm2 / USUAL_BLOCK_MM2) * ((1 - bare / 100) / colours)),
    name: "touch",
  }),
  lay(film, context, params, random) {
    layOnBlocks(film, context, params, random, blocksOf(context.grid));
  },
});

/** Blocks of a panel: which one a cell lies on, from 0, below 0 for none; and which lie side by side. */
interface Blocks {
  readonly of: (at: number) => number;
  readonly neighbours: readonly (readonly number[])[];
}

/** Blocks painted on a smooth piece are so long and high, mm. */
const [LONG_MM, HIGH_MM] = [4.4, 3.2] as const;

/** Heights at which the length of a piece is looked at. */
const LOOKED_AT = 24;

/** How far a piece reaches from its middle along it, and from its lower end to its upper, mm: of the form, whatever the cells. */
function reachOf(form: SurfaceForm) {
  const { round, bounds, slantMm } = form;
  if (round) return { alongMm: Math.max(-bounds.minX, bounds.maxX), from: -bounds.maxY, to: -bounds.minY };
  const heights = Array.from({ length: LOOKED_AT + 1 }, (_, at) => (at / LOOKED_AT) * slantMm);
  return {
    alongMm: Math.max(...heights.map((heightMm) => form.lengthAt(heightMm))) / 2,
    from: 0,
    to: slantMm,
  };
}

/** Blocks that are sculpted; on a smooth piece such as a hand would paint on, in rows half a block on from each other. */
function blocksOf(grid: SurfaceGrid): Blocks {
  const { hide } = grid;
  if (hide) return { of: (at) => hide.thing[at]!, neighbours: hide.neighbours ?? hide.things.map(() => []) };
  const { along, up } = fieldsOf(grid);
  const { alongMm, from, to } = reachOf(grid.form);
  const lowest = Math.floor(from / HIGH_MM);
  const rows = Math.floor(to / HIGH_MM) - lowest + 1;
  const half = Math.ceil(alongMm / LONG_MM) + 1;
  const columns = 2 * half;
  const of = (at: number) => {
    const row = clamp(Math.floor(up[at]! / HIGH_MM) - lowest, 0, rows - 1);
    const column = clamp(Math.floor(along[at]! / LONG_MM + 0.5 * (row % 2)) + half, 0, columns - 1);
    return row * columns + column;
  };
  const beside = (block: number) => {
    const [row, column] = [Math.floor(block / columns), block % columns];
    const odd = row % 2 === 0 ? 0 : -1;
    const around = [
      [0, 1],
      [0, -1],
      [1, odd],
      [1, odd + 1],
      [-1, odd],
      [-1, odd + 1],
    ] as const;
    return around.flatMap(([up1, side]) => {
      const [y, x] = [row + up1, column + side];
      return y < 0 || y >= rows || x < 0 || x >= columns ? [] : [y * columns + x];
    });
  };
  return { of, neighbours: Array.from({ length: rows * columns }, (_, block) => beside(block)) };
}

interface Look {
  readonly colours: number;
  readonly number: number;
  readonly bare: number;
  readonly alike: number;
  readonly hides: number;
}

/**
 * The colours of blocks, from 0, BARE for none: the same for all coats of one set, which have one seed.
 * @param neighbours of every block, those beside it
 * @param coatSeed of the coat
 */
export const blockColours = (
  neighbours: Blocks["neighbours"],
  look: Pick<Look, "colours" | "bare" | "alike">,
  coatSeed: number,
): number[] => sharedOut(neighbours, look, seedOf(createRandom(coatSeed)));

const sharedOut = (
  neighbours: Blocks["neighbours"],
  { colours, bare, alike }: Pick<Look, "colours" | "bare" | "alike">,
  seed: number,
): number[] => colouring(neighbours, { colours, bare: bare / 100, alike: alike / 100 }, seed);

const seedOf = (random: Random): number => Math.floor(random.fork("blocks").range(0, 1e6));

function layOnBlocks(
  film: FilmBuffer,
  context: LayContext,
  look: Look,
  random: Random,
  blocks: Blocks,
): void {
  const { grid, passUm, passes } = context;
  const weights = placeWeights(context);
  const seed = seedOf(random);
  const colours = sharedOut(blocks.neighbours, look, seed);
  const { low, along, up } = fieldsOf(grid);
  for (let at = 0; at < weights.length; at++) {
    const number = blocks.of(at);
    if (number < 0 || weights[at]! < LEAST_SHARE || colours[number] !== look.number - 1) continue;
    const open = 1 - smoothstep(GAP[0], GAP[1], low[at]!);
    if (open === 0) continue;
    const own = 1 + UNLIKE * (2 * hash01(seed, number, 3) - 1);
    const um =
      passUm * passes * own * Math.max(0.3, 1 + CLOUDY * cloud(along[at]! * 1.3 + number, up[at]! * 1.3));
    addFilm(film, at, um, open * weights[at]! * (look.hides / 100) * grid.inside[at]!);
  }
}
