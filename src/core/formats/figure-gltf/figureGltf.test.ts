import { validateBytes } from "gltf-validator";
import { describe, expect, it } from "vitest";
import { wholeSergeant } from "../../../data/demo/company";
import { demoShelf } from "../../../data/demo/shelf";
import { withPairs } from "../../figure/pairs";
import { standingFigure } from "../../figure/standingFigure";
import type { PieceSkin } from "../../piece/skin";
import { referenceCompositor } from "../../simulate/compositor";
import { Simulator } from "../../simulate/simulator";
import { writeFigureGltf } from "./figureGltf";

const job = wholeSergeant();
const figure = job.figures[0]!;
/** Both gloves are there. */
const pieces = withPairs(job).surfaces;

async function gltf(): Promise<Uint8Array> {
  const sim = new Simulator(referenceCompositor);
  const skins = new Map<string, PieceSkin>();
  for (const { id } of pieces) {
    const request = { job, paints: demoShelf, surfaceId: id, upTo: 1, lit: false, mostCells: 10_000 };
    const laid = await sim.lay(request, false, () => Promise.resolve(true));
    skins.set(id, sim.skin(request, laid!));
  }
  return writeFigureGltf(standingFigure(job, figure)!, figure, skins);
}

/** The JSON of a binary glTF: after twelve bytes of head, a length, a kind and the text. */
interface Told {
  readonly nodes: readonly { readonly name: string }[];
  readonly meshes: readonly {
    readonly primitives: readonly { readonly attributes: { POSITION: number } }[];
  }[];
  readonly accessors: readonly { readonly min?: readonly number[]; readonly max?: readonly number[] }[];
  readonly images: readonly { readonly mimeType: string }[];
}
const told = (bytes: Uint8Array): Told => {
  const length = new DataView(bytes.buffer, bytes.byteOffset).getUint32(12, true);
  return JSON.parse(new TextDecoder().decode(bytes.subarray(20, 20 + length))) as Told;
};

describe("a figure as glTF", () => {
  it("is found right by an independent reader, with every piece, its texture, and its height in metres", async () => {
    const bytes = await gltf();
    const report = await validateBytes(bytes);
    expect(report.issues.messages.filter(({ severity }) => severity === 0)).toEqual([]);
    expect(report.issues.numErrors).toBe(0);
    expect(report.info.resources.filter(({ mimeType }) => mimeType === "image/png")).toHaveLength(
      pieces.length,
    );
    const { nodes, meshes, accessors } = told(bytes);
    expect(nodes.map(({ name }) => name)).toEqual(expect.arrayContaining(pieces.map(({ name }) => name)));
    // What ends somewhere has a thickness there, in the paint of its edge.
    const edges = nodes.filter(({ name }) => name.endsWith(", edge"));
    expect(edges.map(({ name }) => name.replace(", edge", "")).sort()).toEqual(
      pieces.map(({ name }) => name).sort(),
    );
    const tops = meshes.map(({ primitives }) => accessors[primitives[0]!.attributes.POSITION]!.max![1]!);
    // A little taller than the height of its eyes.
    const tall = Math.max(...tops) * 1000;
    expect(tall).toBeGreaterThan(figure.eyeHeightMm);
    expect(tall).toBeLessThan(1.15 * figure.eyeHeightMm);
    expect(nodes).toHaveLength(meshes.length);
  });
});
