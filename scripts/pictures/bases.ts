import { inZones, type Job, type LaidPiece, type Paint } from "../../src/core/job";
import { withNewCoat } from "../../src/core/edits/newCoat";
import { withCoat, withSurface } from "../../src/core/edits/surfaces";
import { pieceOf } from "../../src/core/groundwork/newPiece";
import { mudflatBases } from "../../src/data/demo/mudflatBases";
import { surfacePng } from "./draw";

/** Pieces of every kind on one base. */
const KINDS: readonly LaidPiece[] = [
  { ...pieceOf("cork", "cork", 2), xMm: -9, yMm: 8 },
  { ...pieceOf("bark", "bark", 3), xMm: 8, yMm: 9, turnDeg: 25 },
  { ...pieceOf("planks", "planks", 4), xMm: -6, yMm: -7, turnDeg: -15 },
  { ...pieceOf("boulder", "boulder", 5), xMm: 9, yMm: -3 },
  { ...pieceOf("pebbles", "pebbles", 6), xMm: 8, yMm: -11 },
];

/** The first base of the demo with snow for its last coats. */
function snowed(job: Job, paints: readonly Paint[]): Job {
  const [base] = job.surfaces;
  const bare = withSurface(job, base!.id, (own) => ({
    ...own,
    coats: own.coats.filter(({ technique: { id } }) => id !== "puddle"),
  }));
  const asked = { id: "snow", place: inZones([], 0), afterId: null } as const;
  const { job: laid, coatId } = withNewCoat(bare, bare.surfaces[0]!, paints, asked);
  const white = { id: "snow", name: "Snow", water: 0, goal: null };
  const mix = { ...white, parts: [{ paintId: "paint-gull-white", parts: 1 }] };
  return withSurface({ ...laid, mixes: [...laid.mixes, mix] }, base!.id, (own) =>
    withCoat(own, coatId, (coat) => ({ ...coat, mixId: "snow" })),
  );
}

/** Bases of a set, pieces of every kind, and one under snow. */
export async function basePictures(
  paints: readonly Paint[],
  size: { readonly width: number; readonly height: number },
): Promise<{ name: string; png: Buffer }[]> {
  const job = mudflatBases();
  const kinds = withSurface(job, "base", (own) => ({ ...own, groundwork: { pieces: KINDS, feet: [] } }));
  const shown: readonly (readonly [string, Job, string])[] = [
    ...job.surfaces.map((surface, at) => [`Mudflat base ${at + 1} of four`, job, surface.id] as const),
    ["Cork, bark, planks, boulder, pebbles", kinds, "base"],
    ["The first one under snow", snowed(job, paints), "base"],
  ];
  const cells = [];
  for (const [name, own, id] of shown) cells.push({ name, png: await surfacePng(own, paints, id, size) });
  return cells;
}
