import { Box3, BufferAttribute, BufferGeometry, DoubleSide, Ray } from "three";
import { MeshBVH } from "three-mesh-bvh";
import type { PieceMesh } from "../piece/mesh";
import type { SpacePoint } from "../surface/forms/form";

/** What touches a point is not in its way, mm. */
const LEAST_MM = 0.02;

/** The triangles of one mesh, and the box around them. */
interface Tree {
  readonly triangles: MeshBVH;
  readonly box: Box3;
}

/** Everything of a figure that can stand in the way of light: a tree of each mesh's triangles. */
export class Obstacles {
  private readonly trees: readonly (Tree | null)[];
  private readonly ray = new Ray();
  /** What stood in the last way that was not free: it is likely to stand in the next one too. */
  private likely = 0;

  /** @param meshes in one room, mm; what does not hold anything is left out */
  constructor(meshes: readonly PieceMesh[]) {
    this.trees = meshes.map(treeOf);
  }

  /**
   * Whether anything lies on a way that begins at a point.
   * @param towards unit vector
   * @param own number of the mesh the point lies on: it counts only from `ownMm` on
   */
  meets(from: SpacePoint, towards: SpacePoint, own: number, ownMm: number): boolean {
    this.ray.origin.set(...from);
    this.ray.direction.set(...towards);
    const { trees, likely } = this;
    if (this.isMet(likely, own, ownMm)) return true;
    for (let number = 0; number < trees.length; number++) {
      if (number === likely || !this.isMet(number, own, ownMm)) continue;
      this.likely = number;
      return true;
    }
    return false;
  }

  private isMet(number: number, own: number, ownMm: number): boolean {
    const tree = this.trees[number];
    if (!tree || !this.ray.intersectsBox(tree.box)) return false;
    return tree.triangles.raycastFirst(this.ray, DoubleSide, number === own ? ownMm : LEAST_MM) !== null;
  }
}

/** The triangles of a mesh as a tree; null where nothing of it holds. */
function treeOf({ points, holds, columns }: PieceMesh): Tree | null {
  const squares = holds.reduce((sum, hold) => sum + (hold ? 1 : 0), 0);
  if (squares === 0) return null;
  const index = new Uint32Array(squares * 6);
  let to = 0;
  for (let at = 0; at < holds.length; at++) {
    if (holds[at] === 0) continue;
    index.set([at, at + columns, at + 1, at + columns + 1, at + 1, at + columns], to);
    to += 6;
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(points, 3));
  geometry.setIndex(new BufferAttribute(index, 1));
  const triangles = new MeshBVH(geometry, { targetLeafSize: 8 });
  return { triangles, box: triangles.getBoundingBox(new Box3()) };
}
