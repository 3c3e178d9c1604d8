import { BufferAttribute, BufferGeometry, DoubleSide, Ray } from "three";
import { MeshBVH } from "three-mesh-bvh";
import type { PieceMesh } from "../piece/mesh";
import type { SpacePoint } from "../surface/forms/form";

/** Everything of a figure that can stand in the way of light. */
export class Obstacles {
  private readonly tree: MeshBVH;
  /** Which mesh each triangle of the tree is of. */
  private readonly owners: Uint16Array;
  private readonly ray = new Ray();

  /** @param meshes in one room, mm; what does not hold anything is left out */
  constructor(meshes: readonly PieceMesh[]) {
    const { corners, index, owners } = joined(meshes);
    const geometry = new BufferGeometry();
    geometry.setAttribute("position", new BufferAttribute(corners, 3));
    geometry.setIndex(new BufferAttribute(index, 1));
    this.tree = new MeshBVH(geometry, { targetLeafSize: 8, indirect: true });
    this.owners = owners;
  }

  /**
   * Whether anything lies on a way that begins at a point.
   * @param towards unit vector
   * @param own number of the mesh the point lies on: it counts only from `ownMm` on
   */
  meets(from: SpacePoint, towards: SpacePoint, own: number, ownMm: number): boolean {
    this.ray.origin.set(...from);
    this.ray.direction.set(...towards);
    let near = LEAST_MM;
    for (let met = 0; met < MOST_MET; met++) {
      const first = this.tree.raycastFirst(this.ray, DoubleSide, near);
      if (!first || first.faceIndex == null) return false;
      if (first.distance >= ownMm || this.owners[first.faceIndex] !== own) return true;
      // What is met is the piece's own relief: something else may lie behind it.
      near = first.distance + LEAST_MM;
    }
    return false;
  }
}

/** So many folds of its own are looked past. */
const MOST_MET = 6;
/** What touches a point is not in its way, mm. */
const LEAST_MM = 0.02;

/** The triangles of several meshes as one. */
function joined(meshes: readonly PieceMesh[]) {
  const points = meshes.reduce((sum, mesh) => sum + mesh.points.length, 0);
  const squares = meshes.reduce(
    (sum, { holds }) => sum + holds.reduce((n, hold) => n + (hold ? 1 : 0), 0),
    0,
  );
  const corners = new Float32Array(points);
  const index = new Uint32Array(squares * 6);
  const owners = new Uint16Array(squares * 2);
  let [base, to, face] = [0, 0, 0];
  meshes.forEach(({ points: own, holds, columns }, number) => {
    corners.set(own, base * 3);
    for (let at = 0; at < holds.length; at++) {
      if (holds[at] === 0) continue;
      const a = base + at;
      index.set([a, a + columns, a + 1, a + columns + 1, a + 1, a + columns], to);
      to += 6;
      owners[face++] = number;
      owners[face++] = number;
    }
    base += own.length / 3;
  });
  return { corners, index, owners };
}
