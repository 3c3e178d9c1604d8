import { BufferAttribute, BufferGeometry } from "three";
import { MeshBVH } from "three-mesh-bvh";
import { aligned, kernelBytes, kernelImports, makeRoom } from "../kernel";
import type { PieceMesh } from "../piece/mesh";
import type { SpacePoint } from "../surface/forms/form";
import { RAYS_BASE64 } from "./generated/raysBytes";

interface Exports {
  readonly memory: WebAssembly.Memory;
  take(trees: number): void;
  countFree(frame: number, ways: number, count: number, own: number, ownMm: number, mostMm: number): number;
}

/** Ways to look along, three numbers each: so far to the right, down and out. */
export type Ways = Float64Array;

/** Directions as ways. */
export const waysOf = (directions: readonly SpacePoint[]): Ways => new Float64Array(directions.flat());

/** Where ways begin and what they are told by, one behind the other: the point, then unit vectors right, down and out. */
export type Frames = Float64Array;
/** Numbers of one frame. */
export const PER_FRAME = 12;

/** Where the kernel has its table of trees; behind it a frame and ways, then the trees. */
const TREES = 4096;
const PER_TREE = 12;
/** Ways that there is room for. */
const MOST_WAYS = 64;

let code: WebAssembly.Module | null = null;

/** A kernel with a memory of its own, which goes when it does. @throws WebAssembly.CompileError where the machine lacks SIMD */
function newKernel(): Exports {
  code ??= new WebAssembly.Module(kernelBytes(RAYS_BASE64));
  const { exports } = new WebAssembly.Instance(code, kernelImports("the kernel of rays"));
  return exports as unknown as Exports;
}

/** The triangles of one mesh, sorted into boxes in boxes. */
interface Tree {
  readonly nodes: Uint8Array;
  readonly corners: Uint32Array;
  readonly points: Float32Array;
}

/** The triangles of a mesh as a tree; null where nothing of it holds. */
function treeOf({ points, holds, columns }: PieceMesh): Tree | null {
  const squares = holds.reduce((sum, hold) => sum + (hold ? 1 : 0), 0);
  if (squares === 0) return null;
  const corners = new Uint32Array(squares * 6);
  let to = 0;
  for (let at = 0; at < holds.length; at++) {
    if (holds[at] === 0) continue;
    corners.set([at, at + columns, at + 1, at + columns + 1, at + 1, at + columns], to);
    to += 6;
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(points, 3));
  geometry.setIndex(new BufferAttribute(corners, 1));
  // Sorts the corners in place.
  const { roots } = MeshBVH.serialize(new MeshBVH(geometry, { targetLeafSize: 8 }), { cloneBuffers: false });
  return { nodes: new Uint8Array(roots[0]!), corners, points };
}

/** Everything of a figure that can stand in the way of light: a tree of each mesh's triangles, in a kernel of their own. */
export class Obstacles {
  private readonly kernel = newKernel();
  private readonly frameAt: number;
  private readonly waysAt: number;
  private loaded: Ways | null = null;

  /** @param meshes in one room, mm; what does not hold anything is left out */
  constructor(meshes: readonly PieceMesh[]) {
    this.frameAt = aligned(TREES + meshes.length * PER_TREE);
    this.waysAt = this.frameAt + PER_FRAME * 8;
    this.store(meshes.map(treeOf));
    this.kernel.take(meshes.length);
  }

  private store(trees: readonly (Tree | null)[]): void {
    const { memory } = this.kernel;
    let end = aligned(this.waysAt + MOST_WAYS * 3 * 8);
    const places = trees.map((tree) =>
      (tree ? [tree.nodes, tree.corners, tree.points] : []).map((part) => {
        const at = end;
        end = aligned(end + part.byteLength);
        return { part, at };
      }),
    );
    makeRoom(memory, end);
    const bytes = new Uint8Array(memory.buffer);
    const table = new Uint32Array(memory.buffer, TREES, trees.length * 3);
    places.forEach((parts, tree) =>
      parts.forEach(({ part, at }, kind) => {
        bytes.set(new Uint8Array(part.buffer, part.byteOffset, part.byteLength), at);
        table[tree * 3 + kind] = at;
      }),
    );
  }

  /**
   * How many of some ways from a place are free.
   * @param frame the place
   * @param ways at most 64
   * @param own number of the mesh the place lies on: it counts only from `ownMm` on
   * @param mostMm what lies further off is in no way
   */
  countFree(frame: Frames, ways: Ways, own: number, ownMm: number, mostMm = Infinity): number {
    const { kernel, frameAt, waysAt } = this;
    const { buffer } = kernel.memory;
    if (this.loaded !== ways) {
      if (ways.length > MOST_WAYS * 3) throw new RangeError(`at most ${MOST_WAYS} ways at once`);
      new Float64Array(buffer, waysAt, ways.length).set(ways);
      this.loaded = ways;
    }
    new Float64Array(buffer, frameAt, PER_FRAME).set(frame);
    return kernel.countFree(frameAt, waysAt, ways.length / 3, own, ownMm, mostMm);
  }

  /**
   * Whether anything lies on a way that begins at a point.
   * @param towards unit vector
   * @param own number of the mesh the point lies on: it counts only from `ownMm` on
   */
  meets(from: SpacePoint, towards: SpacePoint, own: number, ownMm: number): boolean {
    const frame = new Float64Array([...from, ...ROOM]);
    return this.countFree(frame, waysOf([towards]), own, ownMm) === 0;
  }
}

/** Right, down and out where ways are told as the room has them. */
export const ROOM = [1, 0, 0, 0, 1, 0, 0, 0, 1] as const;
